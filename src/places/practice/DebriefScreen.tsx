import { useQuery } from '@tanstack/react-query';
import { Suspense, useMemo } from 'react';
import { useWindowDimensions } from 'react-native';

import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { useBench } from '@/bench-kit/practice/useLab';
import type { ByCalls } from '@/core/practice/byCalls';
import type { HandAction } from '@/core/practice/happened';
import { workLens } from '@/core/practice/lensHands';
import { defaultPickMm } from '@/core/lift/verdict';
import { foldJob, type JobState } from '@/model/fold';
import { heaterOf } from '@/model/settings';
import { usePracticeRun, type PracticeRun } from '@/store/practice';
import { RingArcs } from '@/ui/plan/layers';
import { Stroke } from '@/ui/plan/pieceLayers';
import { Txt } from '@/ui/Txt';
import { useSettings } from '@/store/shop';
import { firstPlan, setFor } from '@/work/heat/heatPlan';
import { lensCalls } from '@/work/practice/lensPractice';
import { endingOf } from '@/work/practice/exercises';
import { playedOn, waited, type Done } from '@/work/practice/replay';
import { byCallsInWorker } from '@/workers/thermalClient';
import { t } from '@/words/practice';
import { temp } from '@/words/units';
import { ClosingDebrief } from './LazyClosingDebrief';
import { PiecesDebrief } from './LazyPiecesDebrief';
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

function useDebrief(run: PracticeRun, job: JobState) {
  const lab = useBench(run, job);
  const settings = useSettings();
  const end = useMemo(() => {
    if (!lab) return null;
    const played = playedOn(lab.bench, run.acts as readonly Done<HandAction>[]);
    return waited(lab.bench, played.state, run.simMs / 1e3).state;
  }, [lab, run.acts, run.simMs]);
  const heats = run.acts.filter((a) => a.action.kind === 'heat').length;
  const ended = lab && end ? endingOf(lab.goal, end, lab.firstEdge) : null;
  const { exercise, seed } = run;
  const minutes = end ? end.tS / 60 : 0;
  const trueAt = (s: number) => (lab && end ? lab.bench.lineC(end, lab.gapMm, s) : 0);
  const guesses = run.guesses.map((g) => ({ ...g, wasC: trueAt(g.atS) }));
  useNoted(run, ended, minutes, {
    heats,
    guessK: guesses.map((g) => Math.round(g.tC - g.wasC)),
  });
  const calls = useQuery({
    queryKey: ['byCalls', exercise, seed, lab?.bench.about.device.id],
    enabled: lab !== null,
    queryFn: () => callsOf(run, lab!),
  });
  return { lab, end, heats, ended, guesses, calls: calls.data ?? null, settings };
}

/** The same device worked by somebody who follows the calls. */
function callsOf(run: PracticeRun, lab: NonNullable<ReturnType<typeof useBench>>): Promise<ByCalls | null> {
  const { start, goal } = lab;
  const { model, path: _p, arcs: _a, ...about } = lab.bench.about;
  const { truth } = lab.bench;
  if (!model) {
    const calls = lensCalls(start, run.settings);
    if (!calls) return Promise.resolve(null);
    const { state, heats } = workLens({ bench: lab.bench, ...calls, style: 'guided', seed: run.seed });
    return Promise.resolve({ seconds: state.tS, heats, broke: state.broke !== null, off: state.free });
  }
  const plan = firstPlan(start, run.settings);
  const heater = heaterOf(run.settings, plan.heater);
  return byCallsInWorker(model.modes, {
    ...{ about, truth, heater, use: {}, setC: setFor(heater, start), pickMm: plan.pickMm ?? defaultPickMm, goal },
  });
}

function Debrief({ run, job }: { run: PracticeRun; job: JobState }) {
  const { width } = useWindowDimensions();
  const { lab, end, heats, ended, guesses, calls, settings } = useDebrief(run, job);
  if (!lab || !end || !ended) return <DebriefFrame run={run} job={job} plan={null} told={null} />;
  const said = endedText(ended, end, lab.bench, heats);
  const why = whyText(ended, end, settings);
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
