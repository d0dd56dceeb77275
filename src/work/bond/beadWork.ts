import { beadFigures, beadPlan, flashOf, type BeadPlan } from '@/core/bond/bead';
import { beadPressKPa } from '@/core/bond/clampPlan';
import { dotsPattern, fillDots, fillFigures, fillStrokes, type Dots, type FillPlan } from '@/core/bond/fill';
import { distances, openings, openStretches, startFarFrom, type Distance } from '@/core/bond/keepClear';
import { openTime, type OpenTime } from '@/core/bond/openTime';
import { paceOf, type Pace } from '@/core/bond/pace';
import { orderRuns, runsBetween, type RunOrder } from '@/core/bond/runs';
import { methodOf, type BondingMethodId } from '@/core/bond/bondingMethods';
import { squeeze, type Squeeze } from '@/core/bond/squeeze';
import { bondPerimeter, coverOf, type Perimeter } from '@/core/device/perimeter';
import { boxOf, insideDistanceMm } from '@/core/device/shapes';
import { CoreInputError } from '@/core/errors';
import type { Arc, EdgeId, Pt } from '@/core/device/types';
import { judgement } from '@/core/source';
import type { JointSeen } from '@/model/fold';
import type { WholeJobSlice } from '@/model/stages/wholeJob';
import type { LiquidStock, Settings } from '@/model/settings';
import { expired, type Stock } from '@/model/stock';

/** What the person set on the screen; everything else comes from job, shop and stock. */
export interface Picks {
  tapeId: string | null;
  liquidId: string | null;
  /** width that the closed bead shall have, mm */
  bondMm: number | null;
  gapMm: number | null;
  feedMmS: number | null;
  tornMm: number;
  coverage: number;
  pitchMm: number;
  pattern: 'lines' | 'dots';
  tubeC: number | null;
  /** edges that get a bead in place of tape; null: those where tape was measured not to touch */
  beadEdges: readonly EdgeId[] | null;
  /** stretches that a bead was begun on: they stand, whatever is said later */
  beadOn: readonly Arc[] | null;
  /** what lies on the rest of the ring; null: a ring where there is one */
  base: 'strips' | 'ring' | null;
}

export const noPicks: Picks = {
  tapeId: null,
  liquidId: null,
  bondMm: null,
  gapMm: null,
  feedMmS: null,
  tornMm: 40,
  coverage: fillFigures.coverage.value,
  pitchMm: fillFigures.pitchMm.value,
  pattern: 'lines',
  tubeC: null,
  beadEdges: null,
  beadOn: null,
  base: null,
};

/** Light comes through where a flash or a display is this near to the bond, mm. */
export const bleedMm = judgement(6, 'light shows through a clear joint within this distance');

export interface BeadWork {
  liquid: LiquidStock;
  bondMm: number;
  gapMm: number;
  tubeC: number;
  leftMl: number;
  expired: boolean;
  bead: BeadPlan;
  ringMl: number;
  fill: FillPlan | null;
  dots: { at: Pt[]; figures: Dots } | null;
  fillMl: number;
  ml: number;
  strokes: Pt[][];
  order: RunOrder;
  pace: Pace;
  open: OpenTime;
  /** nearest camera, and nearest speaker or microphone */
  nearCamera: Distance | null;
  nearSound: Distance | null;
  squeeze: Squeeze;
  /** width that the cure goes by */
  cureMm: number;
}

/** Where light would show through a clear joint: the screen all round, or a flash so near, mm; null where it would not. */
export type Bleed = { from: 'screen' } | { from: 'flash'; mm: number };
export function bleedsAt(job: JointSeen): Bleed | null {
  if (job.face.side === 'front') return { from: 'screen' };
  const path = bondPerimeter(job.device, job.bond);
  const flash = job.face.holes.find((h) => h.role === 'flash');
  if (!flash) return null;
  const n = 240;
  let mm = Infinity;
  for (let i = 0; i < n; i++) mm = Math.min(mm, -insideDistanceMm(flash.shape, path.point((i * path.lengthMm) / n).at));
  return mm < bleedMm.value ? { from: 'flash', mm } : null;
}

/** A point every millimetre along a stretch of the bond. */
const polyline = (path: Perimeter, arc: Arc): Pt[] => {
  const n = Math.max(2, Math.ceil(arc.toMm - arc.fromMm));
  return Array.from({ length: n + 1 }, (_, i) => path.point(arc.fromMm + ((arc.toMm - arc.fromMm) * i) / n).at);
};

/**
 * A bead for a school: its section, way, clock and what it does to the gap.
 * @throws CoreInputError naming the field that is impossible
 */
export function beadWork(
  job: JointSeen & Pick<WholeJobSlice, 'ambientC'>,
  settings: Settings,
  stock: Stock,
  liquid: LiquidStock,
  school: BondingMethodId,
  picks: Picks,
  now: number,
  /** stretches that it is laid on, where that is not all round */
  beadOn: readonly Arc[] = [],
): BeadWork {
  const path = bondPerimeter(job.device, job.bond);
  const ringMm = job.bond.widthMm;
  const bondMm = picks.bondMm ?? Math.min(ringMm, beadFigures.usualBondMm.value);
  const gapMm = picks.gapMm ?? Math.min(1, job.bond.gapMm);
  const tubeC = picks.tubeC ?? job.ambientC ?? settings.roomC;
  const leftMl = stock.liquids.get(liquid.id) ?? 0;
  const list = openings(job.device, job.bond);
  const { liquid: where } = methodOf(school);
  const stayOpen = openStretches(job.device, job.bond, bondMm);
  const arcs =
    where === 'torn'
      ? [{ fromMm: 0, toMm: Math.min(path.lengthMm, picks.tornMm) }]
      : where === 'stretches'
        ? runsBetween(path, [...runsBetween(path, beadOn), ...stayOpen])
        : runsBetween(path, stayOpen, startFarFrom(job.device, job.bond, list));
  if (!arcs.length) throw new CoreInputError('bead', 0, 'at least one stretch of the ring that has to be closed');
  const ringStrokes = arcs.map((a) => polyline(path, a));
  const lengthMm = arcs.reduce((m, a) => m + a.toMm - a.fromMm, 0);
  const bead = beadPlan({
    bondMm,
    gapMm,
    lengthMm,
    liquid,
    ...(picks.feedMmS === null ? {} : { feedMmS: picks.feedMmS }),
    seatMm: ringMm,
    outerMm: job.bond.insetMm + ringMm / 2,
    innerMm: ringMm / 2,
    leftMl,
  });
  const order = orderRuns(
    ringStrokes.map((s) => [s[0]!, s[s.length - 1]!] as const),
    ringStrokes[0]![0]!,
  );
  const ring = order.order.map(({ run, reversed }) =>
    reversed ? [...ringStrokes[run]!].reverse() : ringStrokes[run]!,
  );
  const lineMm = picks.coverage * picks.pitchMm;
  const cover = coverOf(job.device, job.bond).outline;
  const inner = [
    cover,
    list.map((o) => o.shape),
    job.bond.insetMm + ringMm,
    bead.cameraClearMm,
    picks.pitchMm,
  ] as const;
  const fill = where === 'fill' && picks.pattern === 'lines' ? fillStrokes(...inner, lineMm) : null;
  const box = boxOf(cover);
  const dots =
    where === 'fill' && picks.pattern === 'dots'
      ? {
          at: fillDots(...inner),
          figures: dotsPattern(
            box.max[0] - box.min[0] - 2 * inner[2],
            box.max[1] - box.min[1] - 2 * inner[2],
            gapMm,
            picks.coverage,
            picks.pitchMm,
            true,
          ),
        }
      : null;
  const lost = 1 - flashOf(liquid);
  const fillMl = fill
    ? (fill.layMm * lineMm * gapMm * 1e-3) / lost
    : dots
      ? (dots.at.length * dots.figures.ulPerDot * 1e-3) / lost
      : 0;
  const strokes = [...ring, ...(fill?.strokes ?? []), ...(dots?.at.map((p): Pt[] => [p, p]) ?? [])];
  const open = openTime(tubeC, Math.max(0.05, bead.heightMm), liquid.cure);
  const near = distances(
    ring.flat(),
    list.filter((o) => o.kind !== 'port'),
  );
  // what it gets while it is held, over its width
  const lineNmm = (beadPressKPa.value * bondMm) / 1e3;
  return {
    liquid,
    bondMm,
    gapMm,
    tubeC,
    leftMl,
    expired: expired(liquid, now),
    bead,
    ringMl: bead.ml,
    fill,
    dots,
    fillMl,
    ml: bead.ml + fillMl,
    strokes,
    order,
    pace: paceOf(strokes, bead.feedMmS),
    open,
    nearCamera: near.find((d) => d.kind === 'camera') ?? null,
    nearSound: near.find((d) => d.kind === 'mic' || d.kind === 'speaker') ?? null,
    squeeze: squeeze(
      bead.sectionMm2,
      liquid.viscosityPaS,
      liquid.yieldPa,
      lineNmm,
      Math.max(bead.heightMm, gapMm * 1.01),
      gapMm,
    ),
    cureMm: fill ? Math.max(bondMm, lineMm) : dots ? Math.max(bondMm, 2 * dots.figures.discRadiusMm) : bondMm,
  };
}
