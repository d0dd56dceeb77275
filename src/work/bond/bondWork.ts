import { jointOf } from '@/core/device/jointKinds';
import { beadFigures, beadPlan, flashOf, type BeadPlan } from '@/core/bond/bead';
import { beadPressKPa } from '@/core/bond/clampPlan';
import { planCuts, type CutPlan } from '@/core/bond/cutStock';
import { dotsPattern, fillDots, fillFigures, fillStrokes, type Dots, type FillPlan } from '@/core/bond/fill';
import { distances, openings, openStretches, startFarFrom, type Distance } from '@/core/bond/keepClear';
import { openTime, type OpenTime } from '@/core/bond/openTime';
import { paceOf, type Pace } from '@/core/bond/pace';
import { orderRuns, runsBetween, type RunOrder } from '@/core/bond/runs';
import { chooseSchool, type SchoolChoice, type SchoolId } from '@/core/bond/schools';
import { squeeze, type Squeeze } from '@/core/bond/squeeze';
import { kerfMm, tapeGaps, tapePlan, type TapePlan } from '@/core/bond/tapePlan';
import { unlocksAtS } from '@/core/cure/policy';
import { cureClocks } from '@/core/cure/laws';
import { bondPerimeter, coverOf, type Perimeter } from '@/core/device/perimeter';
import { boxOf, insideDistanceMm } from '@/core/device/shapes';
import type { Arc, Outline, Pt } from '@/core/device/types';
import { CoreInputError } from '@/core/errors';
import type { BentFrame } from '@/core/fit/bentFrame';
import { judgement } from '@/core/source';
import type { EventOf } from '@/model/event';
import type { JobState, JointSeen } from '@/model/fold';
import type { WholeJobSlice } from '@/model/stages/wholeJob';
import type { LiquidStock, Settings, TapeStock } from '@/model/settings';
import { expired, rollsOf, type Stock } from '@/model/stock';
import { climateOf, edgesOf } from '@/work/cure/cureJob';
import { frameOf } from './frameOf';

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
};

/** Light comes through where a flash or a display is this near to the bond, mm. */
export const bleedMm = judgement(6, 'light shows through a clear joint within this distance');

export interface TapeWork {
  tape: TapeStock;
  widthMm: number;
  plan: TapePlan;
  cuts: CutPlan;
  rollMm: number;
  jobsLeft: number;
  /** too wide for its seat: trimmed by this much, mm */
  trimMm: number;
}

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

export interface BondWork {
  path: Perimeter;
  cover: Outline;
  stock: Stock;
  frame: BentFrame | null;
  bleeds: string | null;
  fullArea: boolean;
  rings: number;
  tape: TapeWork | null;
  liquids: LiquidStock[];
  choices: SchoolChoice[];
  open: Arc[];
}

/** Where light would show through a clear joint, in words; null where it would not. */
export function bleedsAt(job: JointSeen): string | null {
  if (job.face.side === 'front') return 'the display shines to the edge';
  const path = bondPerimeter(job.device, job.bond);
  const flash = job.face.holes.find((h) => h.role === 'flash');
  if (!flash) return null;
  const n = 240;
  let mm = Infinity;
  for (let i = 0; i < n; i++) mm = Math.min(mm, -insideDistanceMm(flash.shape, path.point((i * path.lengthMm) / n).at));
  return mm < bleedMm.value ? `the flash is ${mm.toFixed(1)} mm from the joint` : null;
}

export const tapeWidth = (t: TapeStock, job: Pick<JointSeen, 'bond'>) => Math.min(t.widthMm, job.bond.widthMm);

/** Tapes in the order in which they suit: black where light bleeds, then the widest that fits the seat. */
function tapesFor(settings: Settings, job: Pick<JointSeen, 'bond'>, bleeds: boolean): TapeStock[] {
  const fits = (t: TapeStock) => t.widthMm <= job.bond.widthMm + 1e-9;
  return [...settings.tapes].sort(
    (a, b) =>
      Number(bleeds && b.black) - Number(bleeds && a.black) ||
      Number(fits(b)) - Number(fits(a)) ||
      (fits(a) ? b.widthMm - a.widthMm : a.widthMm - b.widthMm),
  );
}

/** The tape that is taken, and how it is cut; the search over offcuts is worth keeping. */
export function tapeFor(job: JointSeen, settings: Settings, stock: Stock, tapeId: string | null): TapeWork | null {
  const tapes = tapesFor(settings, job, bleedsAt(job) !== null);
  const tape = tapes.find((t) => t.id === tapeId) ?? tapes[0];
  if (!tape || coverOf(job.device, job.bond).outline.kind !== 'roundRect') return null;
  return tapeWork(job, tape, stock, bondPerimeter(job.device, job.bond));
}

function tapeWork(job: JointSeen, tape: TapeStock, stock: Stock, path: Perimeter): TapeWork {
  const cover = coverOf(job.device, job.bond).outline;
  const widthMm = tapeWidth(tape, job);
  const rolls = rollsOf(stock, tape);
  const rollMm = rolls.reduce((m, r) => m + r.lengthMm, 0);
  const plan = tapePlan(
    cover,
    job.bond.insetMm + (job.bond.widthMm - widthMm) / 2,
    widthMm,
    tapeGaps(cover, path, openStretches(job.device, job.bond, widthMm)),
    rollMm,
  );
  const cuts = planCuts(
    plan.pieces.map((p) => p.lengthMm),
    stock.offcuts.get(tape.id) ?? [],
    rolls,
    kerfMm.value,
  );
  const jobsLeft = rolls.reduce((m, r) => m + Math.floor(r.lengthMm / plan.rollUsedMm + 1e-9), 0);
  return { tape, widthMm, plan, cuts, rollMm, jobsLeft, trimMm: Math.max(0, tape.widthMm - widthMm) };
}

/** Liquids in the order in which they suit this job. */
function liquidsFor(settings: Settings, stock: Stock, bleeds: boolean, gaps: boolean, now: number): LiquidStock[] {
  const has = (l: LiquidStock) => (stock.liquids.get(l.id) ?? 0) > 0 && !expired(l, now);
  const keeps = (l: LiquidStock) => l.cure === 'moisture';
  return [...settings.liquids].sort(
    (a, b) =>
      Number(has(b)) - Number(has(a)) ||
      Number(gaps && keeps(b)) - Number(gaps && keeps(a)) ||
      Number(bleeds && b.black) - Number(bleeds && a.black),
  );
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
  school: SchoolId,
  picks: Picks,
  now: number,
): BeadWork {
  const path = bondPerimeter(job.device, job.bond);
  const ringMm = job.bond.widthMm;
  const bondMm = picks.bondMm ?? Math.min(ringMm, beadFigures.usualBondMm.value);
  const gapMm = picks.gapMm ?? Math.min(1, job.bond.gapMm);
  const tubeC = picks.tubeC ?? job.ambientC ?? settings.roomC;
  const leftMl = stock.liquids.get(liquid.id) ?? 0;
  const list = openings(job.device, job.bond);
  const arcs =
    school === 'reuseTopup'
      ? [{ fromMm: 0, toMm: Math.min(path.lengthMm, picks.tornMm) }]
      : runsBetween(path, openStretches(job.device, job.bond, bondMm), startFarFrom(job.device, job.bond, list));
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
  const fill = school === 'fullFill' && picks.pattern === 'lines' ? fillStrokes(...inner, lineMm) : null;
  const box = boxOf(cover);
  const dots =
    school === 'fullFill' && picks.pattern === 'dots'
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

/** Everything that the choice of adhesive is made from. */
export function bondWork(
  job: JobState,
  settings: Settings,
  stock: Stock,
  cut: TapeWork | null,
  picks: Picks,
  now: number,
  clean: boolean,
): BondWork {
  const path = bondPerimeter(job.device, job.bond);
  const cover = coverOf(job.device, job.bond).outline;
  const bleeds = bleedsAt(job);
  const fullArea = jointOf(job.bond).wholeFace;
  const frame = frameOf(job, cut?.tape.thicknessMm);
  const liquids = liquidsFor(settings, stock, bleeds !== null, fullArea || (frame?.maxGapMm ?? 0) > 0.05, now);
  const liquid = liquids.find((l) => l.id === picks.liquidId) ?? liquids[0] ?? null;
  const rings = stock.rings.get(job.device.id) ?? 0;
  const steps = climateOf(job, settings, now);
  const readyH = (kind: 'tape' | 'solvent' | 'moisture', bondMm: number, id?: string) => {
    const c = cureClocks(kind, Math.min(60, Math.max(0.3, bondMm)), steps, edgesOf(settings, id));
    return unlocksAtS(c.handOver, 'handOver', settings.cureBy) / 3600;
  };
  const bondMm = picks.bondMm ?? Math.min(job.bond.widthMm, beadFigures.usualBondMm.value);
  const lineMm = Math.max(bondMm, picks.coverage * picks.pitchMm);
  const hasLiquid = liquid !== null && (stock.liquids.get(liquid.id) ?? 0) > 0 && !expired(liquid, now);
  const choices = chooseSchool({
    wantSeal: job.prep.has('sealWanted'),
    inStock: {
      precutRing: rings > 0,
      cutTape: cut !== null && cut.cuts.lacking.length === 0,
      liquidBead: hasLiquid,
      reuseTopup: hasLiquid,
      fullFill: hasLiquid,
    },
    gapVariationMm: frame?.maxGapMm ?? null,
    tapeTouches: frame ? frame.badArcs.length === 0 : null,
    hoursLeft: job.promiseAt === null ? null : (job.promiseAt - now) / 3600e3,
    ratePerH: settings.ratePerH,
    reworkCost: settings.reworkCost,
    delayCostPerH: settings.delayCostPerH,
    residueClean: clean,
    oldRingIntact: job.prep.has('oldRingWhole'),
    fullArea,
    fillsGaps: liquid?.cure === 'moisture',
    readyH: {
      precutRing: readyH('tape', 2),
      cutTape: readyH('tape', 2),
      ...(liquid
        ? {
            liquidBead: readyH(liquid.cure, bondMm, liquid.id),
            reuseTopup: readyH(liquid.cure, bondMm, liquid.id),
            fullFill: readyH(liquid.cure, lineMm, liquid.id),
          }
        : {}),
    },
    figures: settings.schools,
  });
  return {
    path,
    cover,
    stock,
    frame,
    bleeds,
    fullArea,
    rings,
    tape: cut,
    liquids,
    choices,
    open: openStretches(job.device, job.bond, job.bond.widthMm),
  };
}

/** What a bonding takes from stock, as the plan has it. */
export function usedOf(
  school: SchoolId,
  job: Pick<JointSeen, 'device'>,
  tape: TapeWork | null,
  bead: BeadWork | null,
): NonNullable<EventOf<'bonded'>['used']> {
  const r = (v: number, d = 10) => Math.round(v * d) / d;
  if (school === 'precutRing') return [{ kind: 'ring', id: job.device.id, amount: 1 }];
  if (school === 'cutTape')
    return (tape?.cuts.cuts ?? []).map((c) => ({
      kind: c.from,
      id: c.id,
      amount: r(c.usedMm),
      ...(c.from === 'offcut' ? { leftMm: r(c.leftMm) } : {}),
    }));
  return bead ? [{ kind: 'liquid', id: bead.liquid.id, amount: r(bead.ml, 1000) }] : [];
}

export const problemOf = (e: unknown): string | null =>
  e instanceof CoreInputError ? `${e.field}: ${String(e.given)} is not possible, allowed is ${e.allowed}.` : null;
