import { useMemo } from 'react';
import { View } from 'react-native';

import { drawVisitor, visitorAt } from '@/core/practice/visitor';
import { foldJob, type JobState } from '@/model/fold';
import { sideOf, type PracticeRun } from '@/store/practice';
import { useSettings } from '@/store/shop';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { twoEnding } from '@/work/practice/twoEnding';
import { t } from '@/words/practice';
import { spoken } from '@/words/units';
import { costText, endedText, truthText, whyText } from './debriefText';
import { DebriefFrame } from './DebriefFrame';
import { isReady, SideHeat, SidePlan, type ReadySide } from './SideParts';
import { useNoted } from './useNoted';
import { useSide } from './useSide';

/** How two devices and the counter went: together first, then each. */
export function TwoDebrief({ run }: { run: PracticeRun }) {
  const settings = useSettings();
  const wideHere = useWide();
  const [runA, runB] = useMemo(() => [sideOf(run, run.id), sideOf(run, run.second!.id)] as const, [run]);
  const [jobA, jobB] = useMemo(() => [foldJob(runA.events)!, foldJob(runB.events)!] as const, [runA, runB]);
  const visitor = useMemo(() => drawVisitor(run.seed), [run.seed]);
  const a = useSide(runA, jobA, visitor);
  const b = useSide(runB, jobB);
  const nowS = run.simMs / 1e3;
  const counter = visitorAt(visitor, run.wentS ?? null, nowS);
  const ended = a.ended && b.ended ? twoEnding([a.ended, b.ended], counter) : null;
  useNoted(run, ended, nowS / 60, {
    heats: a.heats + b.heats,
    guessK: [...a.guesses, ...b.guesses].map((g) => Math.round(g.tC - g.wasC)),
  });
  if (!isReady(a) || !isReady(b) || !ended) return <DebriefFrame run={run} job={jobA} plan={null} told={null} />;
  const bad = [a, b].find((s) => s.ended === ended && ended !== 'passed' && ended !== 'given up');
  const time = spoken(nowS);
  const said =
    ended === 'passed'
      ? t('endedTwo', { time })
      : ended === 'gone'
        ? t('endedGone', { waited: spoken(visitor.waitsS) })
        : bad
          ? endedText(bad.ended, bad.end, bad.lab.bench, bad.heats)
          : t('endedTwoOpen', { time });
  const why =
    ended === 'passed'
      ? t('whyTwoPassed')
      : ended === 'gone'
        ? t('whyGone')
        : bad && whyText(bad.ended, bad.end, settings, bad.lab.bench);
  return (
    <DebriefFrame
      run={run}
      job={jobA}
      plan={
        <View className={wideHere ? 'gap-3' : 'flex-row gap-3'}>
          <SidePlan share={2} job={jobA} side={a} />
          <SidePlan share={2} job={jobB} side={b} />
        </View>
      }
      told={(wide) => (
        <>
          <Txt strong size="xl" level={2} tone={ended === 'passed' ? 'ink' : 'caution'} testID="call">
            {said}
          </Txt>
          {why ? <Txt className="mt-1">{why}</Txt> : null}
          <Txt className="mt-1">
            {t('visitorWas', {
              at: spoken(visitor.comesS),
              takes: spoken(visitor.takesS),
              waits: spoken(visitor.waitsS),
            })}
            {counter.what === 'done' || counter.what === 'withYou'
              ? ` ${t('visitorSeen', { after: spoken(run.wentS! - visitor.comesS) })}`
              : ''}
          </Txt>
          <ByCallsOfTwo a={a} b={b} ownS={nowS} failed={ended !== 'passed'} />
          <SideTitle job={jobA} side={a} />
          <SideHeat run={runA} side={a} wide={wide} />
          <SideTitle job={jobB} side={b} />
          <SideHeat run={runB} side={b} wide={wide} />
        </>
      )}
    />
  );
}

/** What both take by the calls, one after the other, and what it would have cost. */
function ByCallsOfTwo({ a, b, ownS, failed }: { a: ReadySide; b: ReadySide; ownS: number; failed: boolean }) {
  const settings = useSettings();
  if (!a.calls || !b.calls) return null;
  const seconds = a.calls.seconds + b.calls.seconds;
  const well = [a.calls, b.calls].every((c) => c.off && !c.broke && c.served);
  return (
    <>
      <Txt className="mt-1">
        {well ? t('callsTwo', { time: spoken(seconds), heats: a.calls.heats + b.calls.heats }) : t('callsTwoFail')}
      </Txt>
      <Txt className="mt-1">{costText({ seconds: ownS, failed }, { seconds, failed: !well }, settings)}</Txt>
    </>
  );
}

/** One of the two: how it ended, and what nobody could see. */
const SideTitle = ({ job, side: { lab, end, ended, heats } }: { job: JobState; side: ReadySide }) => (
  <>
    <Txt strong size="l" level={3} className="mt-4">
      {job.label}
    </Txt>
    <Txt>{`${endedText(ended, end, lab.bench, heats)} ${truthText(lab.bench)}`}</Txt>
  </>
);
