import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';

import { useBench } from '@/bench-kit/practice/useLab';
import type { ByCalls } from '@/core/practice/byCalls';
import type { HandAction } from '@/core/practice/happened';
import { workLens } from '@/core/practice/lensHands';
import type { Visitor } from '@/core/practice/visitor';
import { defaultPickMm } from '@/core/lift/verdict';
import type { JobState } from '@/model/fold';
import { heaterOf } from '@/model/settings';
import type { PracticeRun } from '@/store/practice';
import { firstPlan, setFor } from '@/work/heat/heatPlan';
import { endingOf } from '@/work/practice/exercises';
import { lensCalls } from '@/work/practice/lensPractice';
import { playedOn, waited, type Done } from '@/work/practice/replay';
import { byCallsInWorker } from '@/workers/thermalClient';

/** How a made-up device came out of an exercise, and what the calls would have made of it. @param visitor whoever came in meanwhile */
export function useSide(run: PracticeRun, job: JobState, visitor?: Visitor) {
  const lab = useBench(run, job);
  const end = useMemo(() => {
    if (!lab) return null;
    const played = playedOn(lab.bench, run.acts as readonly Done<HandAction>[]);
    return waited(lab.bench, played.state, run.simMs / 1e3).state;
  }, [lab, run.acts, run.simMs]);
  const heats = run.acts.filter((a) => a.action.kind === 'heat').length;
  const ended = lab && end ? endingOf(lab.goal, end, lab.firstEdge) : null;
  const { exercise, seed } = run;
  const trueAt = (s: number) => (lab && end ? lab.bench.lineC(end, lab.gapMm, s) : 0);
  const guesses = run.guesses.map((g) => ({ ...g, wasC: trueAt(g.atS) }));
  const calls = useQuery({
    queryKey: ['byCalls', exercise, seed, lab?.bench.about.device.id],
    enabled: lab !== null,
    queryFn: () => callsOf(run, lab!, visitor),
  });
  return { lab, end, heats, ended, guesses, calls: calls.data ?? null };
}

export type Side = ReturnType<typeof useSide>;

/** The same device worked by somebody who follows the calls. */
function callsOf(
  run: PracticeRun,
  lab: NonNullable<ReturnType<typeof useBench>>,
  visitor?: Visitor,
): Promise<ByCalls | null> {
  const { start, goal } = lab;
  const { model, path: _p, arcs: _a, ...about } = lab.bench.about;
  const { truth } = lab.bench;
  if (!model) {
    const calls = lensCalls(start, run.settings);
    if (!calls) return Promise.resolve(null);
    const { state, heats } = workLens({ bench: lab.bench, ...calls, style: 'guided', seed: run.seed });
    return Promise.resolve({
      ...{ seconds: state.tS, heats, broke: state.broke !== null, off: state.free, served: true },
    });
  }
  const plan = firstPlan(start, run.settings);
  const heater = heaterOf(run.settings, plan.heater);
  return byCallsInWorker(model.modes, {
    ...{ about, truth, heater, use: {}, setC: setFor(heater, start), pickMm: plan.pickMm ?? defaultPickMm, goal },
    ...(visitor ? { visitor } : {}),
  });
}
