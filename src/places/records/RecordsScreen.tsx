import { Link, type Href } from 'expo-router';
import { Suspense, useDeferredValue, useMemo, useState } from 'react';
import { Pressable, useWindowDimensions, View } from 'react-native';

import { works, type Work } from '@/core/intake/route';
import { comeBackNames, workNames } from '@/model/eventLine';
import { tagCode } from '@/model/tagCode';
import { functionState } from '@/work/check/faults';
import { flushOf } from '@/work/check/flushJob';
import { WhyRows, rowOf } from '@/bench-kit/Why';
import { useJobs } from '@/store/shop';
import { Button } from '@/ui/Button';
import { capital } from '@/words/capital';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { download } from '@/ui/download';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { Readings } from '@/ui/Readings';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { textSearch } from '@/work/textSearch';
import { dayTime, percent, stamp } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { WatchChart } from './LazyWatchChart';
import {
  controlChart,
  finishedJobs,
  shopStatistics,
  statisticsCsv,
  watchFigures,
  type Finished,
  type Share,
} from '@/work/records/statistics';

const day = 86400e3;
const periods = { d30: 30, d90: 90, all: Infinity };
type Only = 'all' | 'cameBack' | 'late' | 'notFlush' | 'faults';

const shareText = (s: Share | null) =>
  s
    ? `${percent(s.hits / s.of)} (${percent(s.low)} to ${percent(s.high)}), ${s.hits} of ${s.of}`
    : 'nothing to count yet';

const has: Record<Only, (f: Finished) => boolean> = {
  all: () => true,
  cameBack: (f) => f.cameBack !== null || f.job.comeBack !== null,
  late: ({ job }) => job.promiseAt !== null && job.closedAt! > job.promiseAt,
  notFlush: ({ job }) => flushOf(job).flush !== null && flushOf(job).flush!.verdict !== 'pass',
  faults: ({ job }) => functionState(job).newFaults.length + functionState(job).unclear.length > 0,
};

/** Everything that a record is found by. */
const textOf = ({ job }: Finished) =>
  [job.label, job.model.name, job.customerMark, tagCode(job.id), ...job.notes.map((n) => n.text)].join(' ');

/** Jobs that were handed over: searched, filtered and counted. */
export function RecordsScreen() {
  const jobs = useJobs();
  const now = useNow(60_000);
  const { width } = useWindowDimensions();
  const [find, setFind] = useState('');
  const [period, setPeriod] = useState<keyof typeof periods>('d90');
  const [work, setWork] = useState<Work | 'all'>('all');
  const [only, setOnly] = useState<Only>('all');
  const [shownMax, setShownMax] = useState(30);
  const finished = useMemo(() => finishedJobs(jobs), [jobs]);
  const typed = useDeferredValue(find);
  // whole days: what is counted does not change with every tick of the clock
  const today = Math.ceil(now / day) * day;
  const inPeriod = useMemo(
    () =>
      finished.filter(
        (f) => f.job.closedAt! >= today - periods[period] * day && (work === 'all' || f.job.route?.work === work),
      ),
    [finished, today, period, work],
  );
  const search = useMemo(() => textSearch([...inPeriod].reverse(), textOf), [inPeriod]);
  const shown = useMemo(() => search(typed).filter(has[only]), [search, typed, only]);
  const [stats, chart] = useMemo(() => [shopStatistics(inPeriod), controlChart(inPeriod)] as const, [inPeriod]);
  const signals =
    chart?.kind === 'jobs' ? chart.cusum.signals.length : (chart?.points.filter((p) => p.out).length ?? 0);
  const present = new Set(finished.map((f) => f.job.route?.work));
  return (
    <PlaceFrame
      title="Records"
      line={`${shown.length} of ${finished.length} handed over`}
      actions={
        <View className="flex-1">
          <Button
            kind="main"
            label="Statistics as CSV"
            disabled={!shown.length}
            onPress={() => download('records.csv', statisticsCsv([...shown].reverse()), 'text/csv')}
          />
        </View>
      }
    >
      <Choice
        label="Period"
        value={period}
        options={[
          { id: 'd30', name: '30 days' },
          { id: 'd90', name: '90 days' },
          { id: 'all', name: 'All' },
        ]}
        onChange={setPeriod}
      />
      <Readings
        items={[
          {
            id: 'comeBacks',
            value: stats.comeBacks ? percent(stats.comeBacks.hits / stats.comeBacks.of) : '–',
            label: stats.comeBacks
              ? `came back, ${percent(stats.comeBacks.low)} to ${percent(stats.comeBacks.high)}; ${stats.comeBacks.hits} of ${stats.comeBacks.of}`
              : 'came back',
            tone: signals ? 'caution' : 'ink',
          },
          {
            id: 'onTime',
            value: stats.onTime ? percent(stats.onTime.hits / stats.onTime.of) : '–',
            label: stats.onTime ? `in time, ${percent(stats.onTime.low)} to ${percent(stats.onTime.high)}` : 'in time',
          },
        ]}
      />
      {chart ? (
        <View className="my-2">
          <Txt strong>
            {signals
              ? `${signals} ${signals === 1 ? 'signal' : 'signals'}: more come-backs than usual.`
              : 'No signal: come-backs as usual, as far as so few jobs can tell.'}
          </Txt>
          <Txt size="s" tone="ink2">
            {chart.kind === 'jobs'
              ? `Watched job by job: up with every come-back, down with every job that stays, signal at ${watchFigures.height.value}. At ${percent(watchFigures.usual.value)} it cries wolf once in ${Math.round(chart.runGood)} jobs; at ${percent(watchFigures.tooMany.value)} it signals after ${Math.round(chart.runBad)}.`
              : `Share each week with its limit of three standard deviations round ${percent(chart.mean)}.`}
          </Txt>
          <Suspense fallback={<View style={{ height: 180 }} />}>
            <WatchChart chart={chart} width={Math.min(1040, width - 40)} />
          </Suspense>
        </View>
      ) : null}
      <Disclosure title="More figures">
        <Txt size="s">Came back: {shareText(stats.comeBacks)}.</Txt>
        <Txt size="s">In time: {shareText(stats.onTime)}.</Txt>
        <Txt size="s">Covers that were to be saved and were: {shareText(stats.saved)}.</Txt>
        <Txt size="s">Jobs with a fault at the first test that was not there before: {shareText(stats.newFaults)}.</Txt>
        <Txt size="s">Cause named first was the one found: {shareText(stats.named)}.</Txt>
        <Txt size="s">
          Functions lost {stats.changed.worse}, mended {stats.changed.better}; by chance that uneven with{' '}
          {percent(stats.changed.pMid)} (McNemar, mid-p).
        </Txt>
        {stats.hours ? (
          <Txt size="s">
            From counter to counter {stats.hours.median.toFixed(1)} h in the middle, {stats.hours.most.toFixed(1)} h at
            most.
          </Txt>
        ) : null}
        <Txt size="s" tone="ink2" className="my-1">
          Intervals are 95 % (Wilson 1927); a few jobs leave them wide, and that is the truth of it.
        </Txt>
        <WhyRows
          rows={[
            rowOf('Usual share of come-backs', watchFigures.usual, ''),
            rowOf('Too many', watchFigures.tooMany, ''),
            rowOf('Signal at', watchFigures.height, ''),
            rowOf('Weekly chart from', watchFigures.leastPerWeek, 'jobs a week'),
          ]}
        />
      </Disclosure>
      <Link href="/statistics" className="font-body text-m text-ink underline py-3">
        Minutes, overruns, breakage, learning
      </Link>
      <TextBox
        aria-label="Search records"
        placeholder="Label, tag, device, mark, note"
        value={find}
        onChangeText={setFind}
        className="my-3"
      />
      <Choice
        label="Which"
        value={only}
        options={[
          { id: 'all', name: 'All' },
          { id: 'cameBack', name: 'Came back' },
          { id: 'late', name: 'Late' },
          { id: 'notFlush', name: 'Not flush' },
          { id: 'faults', name: 'With a fault' },
        ]}
        onChange={setOnly}
      />
      {present.size > 1 ? (
        <Choice
          label="Work"
          value={work}
          options={[
            { id: 'all' as const, name: 'All' },
            ...works.filter((w) => present.has(w)).map((w) => ({ id: w, name: capital(workNames[w]) })),
          ]}
          onChange={setWork}
        />
      ) : null}
      {shown.slice(0, shownMax).map(({ job, cameBack }) => (
        <Link key={job.id} href={`/jobs/${job.id}/record` as Href} asChild>
          <Pressable
            aria-label={`Record of ${job.label}, ${job.model.name}`}
            className="min-h-[56px] border-b border-rule py-2"
          >
            <View className="flex-row justify-between gap-2">
              <Txt strong className="flex-1">
                {job.label} · {job.model.name}
              </Txt>
              <Txt size="s" num tone="ink2">
                {stamp(job.closedAt!)}
              </Txt>
            </View>
            <Txt size="s" tone={cameBack ? 'caution' : 'ink2'}>
              {job.route ? workNames[job.route.work] : ''}
              {job.customerMark ? ` · ${job.customerMark}` : ''}
              {job.comeBack ? ` · come-back of ${job.comeBack.firstLabel || 'another shop'}` : ''}
              {cameBack
                ? ` · came back ${dayTime(cameBack.openedAt, now)} as ${cameBack.label}: ${comeBackNames[cameBack.comeBack!.presumed]}`
                : ''}
            </Txt>
          </Pressable>
        </Link>
      ))}
      {shown.length > shownMax ? (
        <View className="mt-3 self-start">
          <Button kind="small" label={`${shown.length - shownMax} more`} onPress={() => setShownMax(shownMax + 50)} />
        </View>
      ) : null}
      {shown.length ? null : <Txt tone="ink2">No job matches.</Txt>}
    </PlaceFrame>
  );
}
