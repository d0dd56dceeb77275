import { Suspense } from 'react';

import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { foldJob, type JobState } from '@/model/fold';
import { usePracticeRun, type PracticeRun } from '@/store/practice';
import { Txt } from '@/ui/Txt';
import { useSettings } from '@/store/shop';
import { t } from '@/words/practice';
import { ClosingDebrief } from './LazyClosingDebrief';
import { PiecesDebrief } from './LazyPiecesDebrief';
import { TwoDebrief } from './LazyTwoDebrief';
import { useSide } from './useSide';
import { DebriefFrame } from './DebriefFrame';
import { isReady, SideHeat, SidePlan } from './SideParts';
import { useNoted } from './useNoted';
import { CallsLines } from './CallsLines';
import { endedText, truthText, whyText } from './debriefText';
import { isClosing, isExercise, isPieces } from '@/work/practice/exerciseTable';

/** How an exercise went: what happened where, what was hot when, what was believed, and what the calls would have taken. */
export function DebriefScreen() {
  const open = usePracticeRun();
  const run = open && isExercise(open.exercise) ? open : null;
  const job = run ? foldJob(run.events) : null;
  if (run && job && isClosing(run.exercise))
    return (
      <Suspense fallback={null}>
        <ClosingDebrief key={run.id} run={run} job={job} />
      </Suspense>
    );
  if (run?.second && job)
    return (
      <Suspense fallback={null}>
        <TwoDebrief key={run.id} run={run} />
      </Suspense>
    );
  if (run && job && isPieces(run.exercise))
    return (
      <Suspense fallback={null}>
        <PiecesDebrief key={run.id} run={run} job={job} />
      </Suspense>
    );
  return run && job ? (
    <Debrief key={run.id} run={run} job={job} />
  ) : (
    <PlaceFrame title={t('debrief')} line={t('noExercise')}>
      {null}
    </PlaceFrame>
  );
}

function Debrief({ run, job }: { run: PracticeRun; job: JobState }) {
  const side = useSide(run, job);
  const { end, heats, ended, guesses, calls } = side;
  const settings = useSettings();
  useNoted(run, ended, end ? end.tS / 60 : 0, { heats, guessK: guesses.map((g) => Math.round(g.tC - g.wasC)) });
  if (!isReady(side) || !end || !ended) return <DebriefFrame run={run} job={job} plan={null} told={null} />;
  const { bench } = side.lab;
  const said = endedText(ended, end, bench, heats);
  const why = whyText(ended, end, settings, bench);
  return (
    <DebriefFrame
      run={run}
      job={job}
      plan={<SidePlan job={job} side={side} />}
      told={(wide) => (
        <>
          <Txt strong size="xl" level={2} tone={ended === 'passed' ? 'ink' : 'caution'} testID="call">
            {said}
          </Txt>
          {why ? <Txt className="mt-1">{why}</Txt> : null}
          <Txt className="mt-1">{truthText(bench)}</Txt>
          <CallsLines calls={calls} own={{ seconds: end.tS, failed: ended !== 'passed' }} />
          <SideHeat run={run} side={side} wide={wide} />
        </>
      )}
    />
  );
}
