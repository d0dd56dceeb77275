import { useMemo, useState } from 'react';

import { PracticeBench } from '@/core/practice/bench';
import { type HandAction, type Happened } from '@/core/practice/happened';
import { firstGap } from '@/core/lift/firstGap';
import { edgeOrder } from '@/core/lift/order';
import type { JobState } from '@/model/fold';
import { foldJob } from '@/model/fold';
import { changePractice, type PracticeRun } from '@/store/practice';
import { shopScale } from '@/work/heat/shopAdhesive';
import { truthOf } from '@/work/practice/exercises';
import { lensPracticeCase } from '@/work/practice/lensPractice';
import { practiceCase } from '@/work/practice/practiceCase';
import { playedOn, waited, type Done } from '@/work/practice/replay';
import { useNow } from '../useNow';
import { begun, heatAct, useEntriesAsActs } from './entriesAsActs';
import { useThermal } from '../useThermal';
import { usePractisedProbe } from './usePractisedProbe';
import { exercises, type LiftId } from '@/work/practice/exerciseTable';

/** The made-up device of an exercise with its truth; null until its heat model is there. */
export function useBench(run: PracticeRun, job: JobState) {
  const { id, exercise, seed } = run;
  const { lens, goal } = exercises[exercise as LiftId];
  const { model } = useThermal(job.device, job.bond, !lens);
  // as it was begun: what is noted and set on the way changes nothing of the device
  const [first] = useState(run);
  return useMemo(() => {
    const start = foldJob(begun(first));
    if (!start || id !== first.id) return null;
    const { settings } = first;
    const about = lens ? lensPracticeCase(start, settings) : model && practiceCase(start, settings, model);
    if (!about) return null;
    const truth = truthOf(exercise as LiftId, seed, about.path, shopScale(settings, start.bond.adhesive).sd);
    const bench = new PracticeBench(about, truth);
    if (lens) {
      const all = { edge: 'bottom' as const, fromMm: 0, toMm: about.path.lengthMm };
      return { bench, start, firstEdge: all, gapMm: 0, goal };
    }
    const edge = edgeOrder(about.device, about.bond, about.outs)[0]!;
    const gap = firstGap(about.device, about.bond, about.outs, edge.edge, [], []);
    return { bench, start, firstEdge: edge, gapMm: gap.blade.sMm, goal };
  }, [model, lens, goal, first, id, exercise, seed]);
}

/** The bench as it stands now, and how to do something on it. */
export function useLab(run: PracticeRun, job: JobState) {
  const lab = useBench(run, job);
  const now = useNow(250);
  const nowS = Math.max(0, (now - run.startMs) / 1e3);
  const [refused, setRefused] = useState<Happened | null>(null);

  // an entry that says that the device lies on the heat is what was done with it
  const { acts, settings } = run;
  useEntriesAsActs(run, (e) => {
    if (e.type === 'alcohol' && e.use === 'gap' && e.stretch)
      return { kind: 'alcohol', fromMm: e.stretch.fromMm, toMm: e.stretch.toMm };
    return heatAct(e, settings, job);
  });

  const played = useMemo(() => (lab ? playedOn(lab.bench, acts as readonly Done<HandAction>[]) : null), [lab, acts]);
  const seen = lab && played ? waited(lab.bench, played.state, nowS) : null;

  const own = run.of ? { of: run.of } : {};
  usePractisedProbe(run, lab?.bench.about.lens ? null : (lab?.bench ?? null), seen?.state ?? null, nowS);

  const act = (action: HandAction, dtS: number) => {
    if (!lab || !seen || run.speed === 0) return;
    const atS = Math.max(nowS, played!.state.tS);
    const tried = lab.bench.step(seen.state, action, dtS).happened.find((h) => h.what === 'refused') ?? null;
    setRefused(tried);
    if (!tried) changePractice((r) => ({ ...r, acts: [...r.acts, { atS, dtS, action, ...own }] }));
  };
  const guess = (tC: number) => changePractice((r) => ({ ...r, guesses: [...r.guesses, { atS: nowS, tC, ...own }] }));
  const happened = played && seen ? [...played.happened, ...seen.happened] : [];
  return { lab, state: seen?.state ?? null, happened, refused, nowS, act, guess };
}

export type Lab = ReturnType<typeof useLab>;
