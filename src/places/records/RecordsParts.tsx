import { JobRow } from '@/bench-kit/JobRow';
import { MoreList } from '@/ui/MoreList';
import { type Href } from 'expo-router';
import { Suspense } from 'react';
import { View } from 'react-native';

import { works } from '@/core/intake/route';
import { comeBackNames, workNames } from '@/model/eventLine';
import { WhyRows, rowOf } from '@/bench-kit/Why';
import { capital } from '@/words/capital';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Readings } from '@/ui/Readings';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { dayTime, percent, stamp } from '@/words/units';
import { WatchChart } from './LazyWatchChart';
import { watchFigures, type Share } from '@/work/records/statistics';
import type { RecordsScreenState } from './useRecordsScreen';

const shareText = (s: Share | null) =>
  s
    ? `${percent(s.hits / s.of)} (${percent(s.low)} to ${percent(s.high)}), ${s.hits} of ${s.of}`
    : 'nothing to count yet';

/** Come-backs and promises, with their watch. */
export function RecordFigures({ here: { stats, signals, chart, width } }: { here: RecordsScreenState }) {
  return (
    <>
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
    </>
  );
}

/** All else that is counted. */
export function MoreFigures({ here: { stats } }: { here: RecordsScreenState }) {
  return (
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
  );
}

/** Searched and filtered. */
export function RecordFilters({
  here: { find, setFind, only, setOnly, present, work, setWork },
}: {
  here: RecordsScreenState;
}) {
  return (
    <>
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
    </>
  );
}

/** The jobs that were found. */
export function RecordList({ here: { shown, now } }: { here: RecordsScreenState }) {
  return (
    <MoreList items={shown} first={30} step={50} none="No job matches.">
      {({ job, cameBack }) => (
        <JobRow
          key={job.id}
          job={job}
          href={`/jobs/${job.id}/record` as Href}
          said={`Record of ${job.label}, ${job.model.name}`}
          line={[
            ...(job.route ? [workNames[job.route.work]] : []),
            ...(job.customerMark ? [job.customerMark] : []),
            ...(job.comeBack ? [`come-back of ${job.comeBack.firstLabel || 'another shop'}`] : []),
            ...(cameBack
              ? [
                  `came back ${dayTime(cameBack.openedAt, now)} as ${cameBack.label}: ${comeBackNames[cameBack.comeBack!.presumed]}`,
                ]
              : []),
          ].join(' · ')}
          at={stamp(job.closedAt!)}
          bad={cameBack !== null}
        />
      )}
    </MoreList>
  );
}
