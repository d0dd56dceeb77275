import { useMemo } from 'react';

import { clipPlan } from '@/core/lift/clips';
import { bondPerimeter, coverOf } from '@/core/device/perimeter';
import { boxOf } from '@/core/device/shapes';
import { foldOver } from '@/core/lift/foldOver';
import { coverStrengths } from '@/core/lift/strength';
import { liftThresholds } from '@/core/lift/verdict';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { liftCase } from '@/work/heat/thermalJob';
import { placeName } from '@/words/placeNames';
import { useGoOn } from '@/bench-kit/useGoOn';
import { useSettings } from '@/store/shop';
import { useNow } from '@/bench-kit/useNow';
import { t } from '@/words/lift';

export const caution = () => t('eyeCoverClipsFlyPlasticPick');

/** How it stands: what ClipLift shows and does. */
export function useClipLift({ job }: { job: JobState }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(10_000);
  const { log } = useActions(job);
  const goOn = useGoOn(job, 'lift');
  const cover = coverOf(job.device, job.bond);
  const strength = coverStrengths[cover.strength] ?? coverStrengths.plastic!;
  const plan = useMemo(() => clipPlan(job.device, job.bond, strength), [job.device, job.bond, strength]);
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);
  const left = plan.steps.filter((s) => !job.clips.has(s.index));
  const next = left[0] ?? null;
  const broken = [...job.clips.values()].filter((s) => s === 'broken').length;
  const fold = job.device.cables.map((c) => foldOver(job.device, job.bond, c))[0] ?? null;
  // the glued spot at a reader: what it takes to peel it, judged by the tape alone
  const patch = useMemo(() => {
    if (!job.bond.patches.length) return null;
    const box = boxOf(job.bond.patches[0]!);
    const widthMm = Math.min(box.max[0] - box.min[0], box.max[1] - box.min[1]);
    return liftThresholds({ ...liftCase(job, settings), ringMm: widthMm, pickMm: 0.8, keepCover: false });
  }, [job, settings]);
  const reader = job.device.parts.some((p) => p.kind === 'reader');
  const set = (index: number, state: 'holds' | 'open' | 'broken') => void log([{ type: 'clip', index, state }]);
  const name = (s: { sMm: number }) => placeName(path, s.sMm);
  return { job, plan, strength, next, set, goOn, left, broken, units, name, fold, reader, now, patch };
}
export type ClipLiftState = ReturnType<typeof useClipLift>;
