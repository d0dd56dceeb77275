import { useMemo, useState } from 'react';

import { ClosingBench } from '@/core/practice/closing/bench';
import type { ClosingAction, ClosingHappened } from '@/core/practice/closing/case';
import { drawClosing } from '@/core/practice/closing/truth';
import { foldJob } from '@/model/fold';
import { changePractice, type PracticeRun } from '@/store/practice';
import { closingCalls, closingCase } from '@/work/practice/closingCase';
import { playedOn, waited, type Done } from '@/work/practice/replay';
import { useNow } from '../useNow';
import { begun, useEntriesAsActs } from './entriesAsActs';
import { closings, type ClosingId } from '@/work/practice/exerciseTable';

/** The made-up joint of an exercise with its truth; null where its log does not read. */
export function useClosingBench(run: PracticeRun) {
  const { id, exercise, seed } = run;
  // as it was begun: what is noted and set on the way changes nothing of the device
  const [first] = useState(run);
  return useMemo(() => {
    const start = foldJob(begun(first));
    const about = start && id === first.id ? closingCase(start, first.settings, first.startMs) : null;
    if (!start || !about) return null;
    const { from } = closings[exercise as ClosingId];
    return {
      bench: new ClosingBench(about, drawClosing(seed, about), from),
      start,
      calls: closingCalls(start, first.settings, first.startMs),
    };
  }, [first, id, exercise, seed]);
}

/** The joint as it stands now, and how to do something on it. */
export function useClosingLab(run: PracticeRun) {
  const lab = useClosingBench(run);
  const now = useNow(250);
  const nowS = Math.max(0, (now - run.startMs) / 1e3);
  const [refused, setRefused] = useState<ClosingHappened | null>(null);
  const { acts, settings } = run;
  useEntriesAsActs(run, (e) => {
    if (e.type === 'bonded') return { kind: 'close' };
    if (e.type === 'clampOn')
      return {
        ...{ kind: 'clamp', count: e.count, forceN: e.forceN },
        even: !settings.clips.some((c) => c.name === e.clip),
      };
    return e.type === 'clampOff' ? { kind: 'unclamp' } : null;
  });
  const played = useMemo(() => (lab ? playedOn(lab.bench, acts as readonly Done<ClosingAction>[]) : null), [lab, acts]);
  const seen = lab && played ? waited(lab.bench, played.state, nowS) : null;
  const act = (action: ClosingAction, dtS: number) => {
    if (!lab || !seen || run.speed === 0) return;
    const tried = lab.bench.step(seen.state, action, dtS).happened.find((h) => h.what === 'no') ?? null;
    setRefused(tried);
    if (!tried)
      changePractice((r) => ({ ...r, acts: [...r.acts, { atS: Math.max(nowS, played!.state.tS), dtS, action }] }));
  };
  return { lab, state: seen?.state ?? null, happened: played?.happened ?? [], refused, nowS, act };
}

export type ClosingLab = ReturnType<typeof useClosingLab>;
