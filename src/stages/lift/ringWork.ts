import { useMemo } from 'react';

import type { Stretch } from '@/core/lift/advance';
import { depthLimitAt, edgeWindows, liftOuts } from '@/core/lift/depth';
import { firstGap } from '@/core/lift/firstGap';
import { cutHazard } from '@/core/lift/saving';
import { pickPaceMmS } from '@/core/lift/pickPace';
import { cutSpeed, slowShare } from '@/core/lift/verdict';
import { chipFlawUm } from '@/core/lift/strength';
import type { EdgeId } from '@/core/device/types';
import type { Range } from '@/core/source';
import type { JobState, JointSeen } from '@/model/fold';
import type { IntakeSlice } from '@/model/stages/intake';
import type { CoverSlice } from '@/model/stages/cover';
import type { LiftSlice } from '@/model/stages/lift';
import { type LiftState, type ThermalJob } from '@/work/heat/thermalJob';
import { told } from '@/words/told';
import { everyPart } from '@/work/heat/watchMarks';

/** A chip weakens the glass this far along the edge, mm (judgement). */
const chipReachMm = 10;

/** Edge flaw to reckon with at a place: what was answered of chips, or, where chips are marked, only beside them. */
export function flawAt(job: Pick<JobState, 'chips' | 'findings'>, at: readonly [number, number]): number {
  const answer = job.findings.chip?.answer ?? 'unsure';
  if (answer !== 'yes' || !job.chips.size) return chipFlawUm[answer].value;
  const near = [...job.chips.values()].some((c) => Math.hypot(c[0] - at[0], c[1] - at[1]) <= chipReachMm);
  return chipFlawUm[near ? 'yes' : 'no'].value;
}

/**
 * Keep-outs, depth windows and the line of the deepest allowed pick: geometry alone, once per device.
 * @param edge edge that the first gap is made on; null: a stretch is cut already
 */
export function useRingGeometry(job: JointSeen & CoverSlice, thermal: ThermalJob | null, edge: EdgeId | null) {
  const { device, bond, cracks, chips } = job;
  const outs = useMemo(
    () => liftOuts(device, bond, everyPart(device)).map((k) => ({ ...k, name: told(k.name) })),
    [device, bond],
  );
  const windows = useMemo(() => edgeWindows(device, bond, outs), [device, bond, outs]);
  const limits = useMemo(() => {
    if (!thermal) return [];
    const n = Math.ceil(thermal.path.lengthMm / 3);
    return Array.from({ length: n }, (_, i) => {
      const sMm = (i * thermal.path.lengthMm) / n;
      return { sMm, limitMm: depthLimitAt(thermal.path, bond, outs, sMm).limitMm };
    });
  }, [thermal, bond, outs]);
  // where the first gap is made; nothing once a stretch is cut
  const gap = useMemo(
    () => (edge ? firstGap(device, bond, outs, edge, [...cracks.values()], [...chips.values()]) : null),
    [edge, device, bond, outs, cracks, chips],
  );
  return { outs, windows, limits, gap };
}

/**
 * What is computed for a stretch at the moment it is cut: the coldest place along it, as it usually is, and the expected number of breaks
 * of what still held there.
 */
export function computedCut(
  job: Pick<IntakeSlice, 'findings'> & CoverSlice & LiftSlice,
  thermal: ThermalJob,
  lift: LiftState,
  arcsC: readonly Range[],
  stretch: Stretch,
): { tC: number; hazard: number } {
  const l = thermal.path.lengthMm;
  let tC = Infinity;
  let hazard = 0;
  thermal.arcs.forEach((a, i) => {
    for (const turn of [-l, 0, l]) {
      const part = {
        fromMm: Math.max(a.fromMm + turn, stretch.fromMm),
        toMm: Math.min(a.toMm + turn, stretch.toMm),
      };
      const mm = part.toMm - part.fromMm;
      if (mm <= 0.01) continue;
      const lineC = arcsC[i]!.mean;
      tC = Math.min(tC, lineC);
      const held = mm - job.cut.freeWithin(part);
      const at = thermal.path.point((part.fromMm + part.toMm) / 2).at;
      hazard += cutHazard(
        lift.case,
        lineC,
        held,
        flawAt(job, at),
        pickPaceMmS(lift.case, lift, lineC) || cutSpeed.value * slowShare,
      );
    }
  });
  return { tC: Math.round(Math.min(tC, 400) * 10) / 10, hazard: Math.min(100, Math.round(hazard * 1e6) / 1e6) };
}
