import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';

import { comeBackCauses, type ComeBackCause } from '@/model/entries/check';
import { comeBackNames, workNames } from '@/words/eventLine';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { flushOf } from '@/work/check/flushJob';
import { JobPage } from '@/bench-kit/JobPage';
import { stageHref } from '@/bench-kit/stageHref';
import { Entry } from '@/bench-kit/Why';
import { useJobs } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { capital } from '@/words/capital';
import { Choice } from '@/ui/Choice';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { textSearch } from '@/work/textSearch';
import { dayTime, span } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { t } from '@/words/records';

/** Jobs that this one can be a come-back of: handed over before it came in, the likeliest first. */
export function firstJobs(job: JobState, jobs: readonly JobState[], find: string): JobState[] {
  const near = (j: JobState) =>
    (j.customerMark && j.customerMark === job.customerMark ? 2 : 0) + (j.model.id === job.model.id ? 1 : 0);
  const before = jobs.filter((j) => j.id !== job.id && j.closedAt !== null && j.closedAt <= job.openedAt);
  return [...textSearch(before, (j) => `${j.label} ${j.customerMark} ${j.model.name}`)(find)].sort(
    (a, b) => near(b) - near(a) || b.closedAt! - a.closedAt!,
  );
}

const dayMs = 86400e3;
/** Hours up to two days, then days: nobody counts weeks in hours. */
const ago = (ms: number) => (ms < 2 * dayMs ? span(ms / 1e3) : t('days', { ms: Math.round(ms / dayMs) }));

/** A job that came back is tied to its first one, with what is presumed to be behind it. */
export function ComeBackScreen({ job }: { job: JobState }) {
  const now = useNow(60_000);
  const router = useRouter();
  const jobs = useJobs();
  const { log } = useActions(job);
  const [find, setFind] = useState('');
  const [first, setFirst] = useState<string | null>(job.comeBack?.firstJobId ?? null);
  const [elsewhere, setElsewhere] = useState(job.comeBack ? job.comeBack.firstJobId === null : false);
  const [presumed, setPresumed] = useState<ComeBackCause | null>(job.comeBack?.presumed ?? null);
  const [note, setNote] = useState(job.comeBack?.note ?? '');
  const shown = useMemo(() => firstJobs(job, jobs, find).slice(0, 8), [job, jobs, find]);
  const chosen = jobs.find((j) => j.id === first) ?? null;
  const can = presumed !== null && (first !== null || elsewhere);
  return (
    <JobPage
      job={job}
      title={t('comeBack')}
      now={now}
      stage="intake"
      lead={
        <Call
          sentence={
            job.comeBack
              ? t('comeBackOf', {
                  firstLabel: job.comeBack.firstLabel || t('aJobThatIsNotHere'),
                  presumed: comeBackNames[job.comeBack.presumed],
                })
              : t('whichJobDoesItComeBack')
          }
          reason={t('itCountsAgainstTheWayIt')}
          tone="ink"
        />
      }
      main={
        <Button
          kind="main"
          label={t('linkThem')}
          disabled={!can}
          {...(can ? {} : { why: presumed === null ? t('aPresumedCause') : t('aFirstJob') })}
          onPress={() => {
            void log([
              {
                type: 'comeBack',
                firstJobId: elsewhere ? null : first,
                firstLabel: elsewhere ? '' : (chosen?.label ?? ''),
                presumed: presumed!,
                ...(note.trim() ? { note: note.trim().slice(0, 500) } : {}),
              },
            ]);
            router.replace(stageHref(job.id, 'intake'));
          }}
        />
      }
    >
      <TextBox
        aria-label={t('searchHandedOverJobs')}
        placeholder={t('labelMarkOrDevice')}
        value={find}
        onChangeText={setFind}
        className="my-3"
      />
      <FirstJobs
        job={job}
        shown={shown}
        first={elsewhere ? null : first}
        elsewhere={elsewhere}
        now={now}
        onFirst={(id) => {
          setFirst(id);
          setElsewhere(id === null);
        }}
      />
      {chosen ? <WasThen job={chosen} /> : null}
      <View className="mt-3" />
      <Choice
        label={t('presumedCause')}
        value={presumed}
        options={comeBackCauses.map((id) => ({ id, name: capital(comeBackNames[id]) }))}
        onChange={setPresumed}
      />
      <Entry label={t('whatYouSeeNow')} value={note} onChange={setNote} multiline />
    </JobPage>
  );
}

/** When a job was handed over, and what was done on it. */
function closedLine(j: JobState, job: JobState, now: number): string {
  const at = { closedAt: dayTime(j.closedAt!, now), openedAt: ago(job.openedAt - j.closedAt!) };
  const { customerMark, route } = j;
  if (customerMark)
    return route
      ? t('handedOverBefore', { ...at, customerMark, work: workNames[route.work] })
      : t('handedOverBefore2', { ...at, customerMark });
  return route ? t('handedOverBefore3', { ...at, work: workNames[route.work] }) : t('handedOverBefore4', at);
}

interface FirstJobsProps {
  job: JobState;
  shown: readonly JobState[];
  first: string | null;
  elsewhere: boolean;
  now: number;
  /** null: it is in no record here */
  onFirst: (id: string | null) => void;
}

/** The jobs that it may have come back from. */
function FirstJobs({ job, shown, first, elsewhere, now, onFirst }: FirstJobsProps) {
  return (
    <View role="radiogroup" aria-label={t('firstJob')}>
      {shown.map((j) => (
        <Pressable
          key={j.id}
          role="radio"
          aria-checked={j.id === first}
          aria-label={t('firstJob2', { label: j.label })}
          onPress={() => onFirst(j.id)}
          className={`min-h-line px-3 py-2 mb-2 border-[1.5px] rounded-card ${j.id === first ? 'border-ink bg-panel' : 'border-rule'}`}
        >
          <Txt strong>
            {j.id === first ? '✓ ' : ''}
            {j.label} · {j.model.name}
          </Txt>
          <Txt size="s" tone="ink2">
            {closedLine(j, job, now)}
          </Txt>
        </Pressable>
      ))}
      <Pressable
        role="radio"
        aria-checked={elsewhere}
        aria-label={t('firstJobIsNotInThis')}
        onPress={() => onFirst(null)}
        className={`min-h-touch px-3 justify-center border-[1.5px] rounded-card ${elsewhere ? 'border-ink bg-panel' : 'border-rule'}`}
      >
        <Txt>{elsewhere ? t('notInTheseRecords') : t('notInTheseRecords2')}</Txt>
      </Pressable>
    </View>
  );
}

/** What was measured then and may be behind it now. */
function WasThen({ job }: { job: JobState }) {
  const { flush } = flushOf(job);
  const lines = [
    ...(job.findings.bent?.answer === 'yes' ? [t('theFrameWasFoundBent')] : []),
    ...(flush
      ? [
          flush.bumps.length
            ? t('howFlushThenWithABump', { verdict: flush.verdict })
            : t('howFlushThen', { verdict: flush.verdict }),
        ]
      : [t('howFlushItWasNobodyMeasured')]),
    ...job.decisions.filter((d) => d.because).map((d) => t('overriddenAt', { call: d.call, because: d.because })),
  ];
  return (
    <View className="mt-2" testID="then">
      {lines.map((l) => (
        <Txt key={l} size="s">
          {l}
        </Txt>
      ))}
    </View>
  );
}
