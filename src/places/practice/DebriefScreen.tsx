import { Suspense } from 'react';
import { useWindowDimensions } from 'react-native';

import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { foldJob, type JobState } from '@/model/fold';
import { usePracticeRun, type PracticeRun } from '@/store/practice';
import { RingArcs } from '@/ui/plan/layers';
import { Stroke } from '@/ui/plan/pieceLayers';
import { Txt } from '@/ui/Txt';
import { useSettings } from '@/store/shop';
import { t } from '@/words/practice';
import { temp } from '@/words/units';
import { ClosingDebrief } from './LazyClosingDebrief';
import { PiecesDebrief } from './LazyPiecesDebrief';
import { TwoDebrief } from './LazyTwoDebrief';
import { useSide } from './useSide';
import { Temperatures } from './Temperatures';
import { DebriefFrame, DebriefPlan, Hits } from './DebriefFrame';
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
  const { width } = useWindowDimensions();
  const { lab, end, heats, ended, guesses, calls } = useSide(run, job);
  const settings = useSettings();
  useNoted(run, ended, end ? end.tS / 60 : 0, { heats, guessK: guesses.map((g) => Math.round(g.tC - g.wasC)) });
  if (!lab || !end || !ended) return <DebriefFrame run={run} job={job} plan={null} told={null} />;
  const said = endedText(ended, end, lab.bench, heats);
  const why = whyText(ended, end, settings, lab.bench);
  return (
    <DebriefFrame
      run={run}
      job={job}
      plan={
        <DebriefPlan
          job={job}
          lines={[t('planLines', { free: Math.round(end.cut.freeMm), length: Math.round(end.cut.lengthMm) }), said]}
        >
          <RingArcs arcs={end.cut.free.map((f) => ({ ...f, state: 'free' as const }))} />
          {end.broke ? <Stroke pts={end.broke.crack} /> : null}
          <Hits at={end.hurt.map((h) => lab.bench.about.path.point(h.sMm).at)} />
        </DebriefPlan>
      }
      told={(wide) => (
        <>
          <Txt strong size="xl" level={2} tone={ended === 'passed' ? 'ink' : 'caution'} testID="call">
            {said}
          </Txt>
          {why ? <Txt className="mt-1">{why}</Txt> : null}
          <Txt className="mt-1">{truthText(lab.bench)}</Txt>
          <CallsLines calls={calls} own={{ seconds: end.tS, failed: ended !== 'passed' }} />
          {guesses.map((g) => (
            <Txt key={g.atS} className="mt-1">
              {t('guessSaid', { said: temp(g.tC, settings), was: temp(g.wasC, settings) })}
            </Txt>
          ))}
          <Temperatures
            run={run}
            bench={lab.bench}
            gapMm={lab.gapMm}
            end={end}
            width={wide ? Math.min(820, width - 420) : width - 32}
          />
        </>
      )}
    />
  );
}
