import { beadFigures } from '@/core/bond/bead';
import { holdBed } from '@/core/bond/clampPlan';
import { openFigures } from '@/core/bond/openTime';
import { openings } from '@/core/bond/keepClear';
import { bondPerimeter } from '@/core/device/perimeter';
import { insideDistanceMm } from '@/core/device/shapes';
import type { ClosingCase } from '@/core/practice/closing/case';
import type { ClosingCalls } from '@/core/practice/closing/hands';
import { cellsOf } from '@/core/practice/closing/truth';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { stockNow } from '@/model/stock';
import { beadWork, noPicks } from '@/work/bond/beadWork';
import { crumbUnder, zonesOf } from '@/work/clean/cleanJob';
import { climateOf, cureOf } from '@/work/cure/cureJob';
import { bedOfJob, holdWays } from '@/work/cure/holdWays';
import { practiceLiquid } from './closings';

/** A joint that is to be closed, as the app's own stages count with it. */
export function closingCase(job: JobState, settings: Settings, atMs: number): ClosingCase {
  const liquid = practiceLiquid(settings, job.bond);
  // no colder and no warmer than glue is laid
  const { low, high } = openFigures.tubeC;
  const tubeC = Math.min(high.value, Math.max(low.value, job.ambientC ?? settings.roomC));
  const path = bondPerimeter(job.device, job.bond);
  const laid = beadWork(job, settings, stockNow(settings, [job]), liquid, 'liquidBead', { ...noPicks, tubeC }, atMs);
  const list = openings(job.device, job.bond);
  const n = cellsOf(path.lengthMm);
  const cure = cureOf(job, settings, atMs);
  const { need, hMm, eGPa, kNmm3, ...bed } = bedOfJob(job, cure);
  return {
    path,
    by: job.route?.closedBy === 'bead' ? 'bead' : 'tape',
    zones: zonesOf(job).filter((z) => z.stretch !== null),
    crumb: crumbUnder(job),
    bead: {
      ...{ liquid, bondMm: laid.bondMm, sectionMm2: laid.bead.sectionMm2 },
      ...{ feedMmS: Math.min(laid.bead.feedMmS, beadFigures.handMmS.value), open: laid.open },
    },
    openMm: Array.from({ length: n }, (_, i) => {
      const { at } = path.point(((i + 0.5) * path.lengthMm) / n);
      return Math.min(Infinity, ...list.map((o) => -insideDistanceMm(o.shape, at)));
    }),
    hold: holdBed({ ...bed, needKPa: need.value }, hMm, eGPa, kNmm3),
    cure: { kind: cure.kind, bondMm: cure.bondMm, steps: climateOf(job, settings, atMs) },
    roomC: job.ambientC ?? settings.roomC,
  };
}

/** What the app's own calls say of clips and hours. */
export function closingCalls(job: JobState, settings: Settings, atMs: number): ClosingCalls {
  const cure = cureOf(job, settings, atMs);
  const way = holdWays(job, settings, cure)[0]!;
  return {
    clip: { count: way.count, forceN: way.forceN, even: way.clips === null },
    clampOffS: cure.unlockS.clampOff,
    handOverS: cure.unlockS.handOver,
    edgeLate: cure.kind === 'tape' ? 1 : cure.edges.high,
  };
}
