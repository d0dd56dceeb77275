import { jointOf } from '@/core/device/jointKinds';
import { beadFigures } from '@/core/bond/bead';
import { planCuts, type CutPlan } from '@/core/bond/cutStock';
import { openStretches } from '@/core/bond/keepClear';
import {
  chooseBondingMethod,
  methodOf,
  type BondingMethodChoice,
  type BondingMethodId,
} from '@/core/bond/bondingMethods';
import { kerfMm, tapeGaps, tapePlan, type TapePlan } from '@/core/bond/tapePlan';
import { unlocksAtS } from '@/core/cure/policy';
import { cureClocks } from '@/core/cure/laws';
import { bondPerimeter, coverOf, type Perimeter } from '@/core/device/perimeter';
import type { Arc, Outline } from '@/core/device/types';
import { CoreInputError } from '@/core/errors';
import type { BentFrame } from '@/core/fit/bentFrame';
import type { EventOf } from '@/model/event';
import type { JobState, JointSeen } from '@/model/fold';
import type { LiquidStock, Settings, TapeStock } from '@/model/settings';
import { expired, rollsOf, type Stock } from '@/model/stock';
import { climateOf, edgesOf } from '@/work/cure/cureJob';
import { badStretches, frameOf } from './frameOf';
import { type Picks, type BeadWork, type Bleed, bleedsAt } from './beadWork';

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

export interface BondWork {
  path: Perimeter;
  cover: Outline;
  stock: Stock;
  frame: BentFrame | null;
  bleeds: Bleed | null;
  fullArea: boolean;
  rings: number;
  tape: TapeWork | null;
  liquids: LiquidStock[];
  choices: BondingMethodChoice[];
  open: Arc[];
  /** stretches that get a bead where tape does the rest */
  beadOn: readonly Arc[];
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
export function tapeFor(
  job: JointSeen,
  settings: Settings,
  stock: Stock,
  tapeId: string | null,
  /** stretches that get a bead in its place */
  without: readonly Arc[] = [],
): TapeWork | null {
  const tapes = tapesFor(settings, job, bleedsAt(job) !== null);
  const tape = tapes.find((t) => t.id === tapeId) ?? tapes[0];
  if (!tape || coverOf(job.device, job.bond).outline.kind !== 'roundRect') return null;
  return tapeWork(job, tape, stock, bondPerimeter(job.device, job.bond), without);
}

function tapeWork(job: JointSeen, tape: TapeStock, stock: Stock, path: Perimeter, without: readonly Arc[]): TapeWork {
  const cover = coverOf(job.device, job.bond).outline;
  const widthMm = tapeWidth(tape, job);
  const rolls = rollsOf(stock, tape);
  const rollMm = rolls.reduce((m, r) => m + r.lengthMm, 0);
  const plan = tapePlan(
    cover,
    job.bond.insetMm + (job.bond.widthMm - widthMm) / 2,
    widthMm,
    tapeGaps(cover, path, [...openStretches(job.device, job.bond, widthMm), ...without]),
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
  const beadOn = picks.beadOn ?? beadStretches(job, path, frame, picks.beadEdges);
  const hasTape = cut !== null && cut.cuts.lacking.length === 0;
  const hasLiquid = liquid !== null && (stock.liquids.get(liquid.id) ?? 0) > 0 && !expired(liquid, now);
  const choices = chooseBondingMethod({
    wantSeal: job.prep.has('sealWanted'),
    inStock: {
      precutRing: rings > 0,
      cutTape: hasTape,
      liquidBead: hasLiquid,
      reuseTopup: hasLiquid,
      fullFill: hasLiquid,
      // what is on the part or on the frame already is taken from nowhere
      preGlued: true,
      reuseRing: true,
      tapeAndBead: hasLiquid && (hasTape || rings > 0),
    },
    partGlued: job.route?.partHas.includes('adhesive') === true && job.route.cover === 'new',
    partGenuine: job.route?.origin === 'genuine',
    beadSomewhere: beadOn.length > 0,
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
      preGlued: readyH('tape', 2),
      reuseRing: readyH('tape', 2),
      ...(liquid
        ? {
            liquidBead: readyH(liquid.cure, bondMm, liquid.id),
            reuseTopup: readyH(liquid.cure, bondMm, liquid.id),
            tapeAndBead: readyH(liquid.cure, bondMm, liquid.id),
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
    beadOn,
    open: openStretches(job.device, job.bond, job.bond.widthMm),
  };
}

/** Whole edges that somebody named, or where the seat was measured to be out of reach of tape. */
function beadStretches(
  job: JobState,
  path: Perimeter,
  frame: BentFrame | null,
  edges: Picks['beadEdges'],
): readonly Arc[] {
  if (edges) return edges.map((e) => path.edgeSpan(e));
  return frame ? badStretches(job, frame, path) : [];
}

/** What lies dry under this way: strips or a ring where it may be either. */
export const layOf = (school: BondingMethodId, picks: Pick<Picks, 'base'>, rings: number) => {
  const { lays, liquid } = methodOf(school);
  return lays === 'strips' && liquid === 'stretches' ? (picks.base ?? (rings > 0 ? 'ring' : 'strips')) : lays;
};

/** What a bonding takes from stock, as the plan has it. */
export function usedOf(
  lays: ReturnType<typeof layOf>,
  job: Pick<JointSeen, 'device'>,
  tape: TapeWork | null,
  bead: BeadWork | null,
): NonNullable<EventOf<'bonded'>['used']> {
  const r = (v: number, d = 10) => Math.round(v * d) / d;
  return [
    ...(lays === 'ring' ? [{ kind: 'ring' as const, id: job.device.id, amount: 1 }] : []),
    ...(lays === 'strips' ? (tape?.cuts.cuts ?? []) : []).map((c) => ({
      kind: c.from,
      id: c.id,
      amount: r(c.usedMm),
      ...(c.from === 'offcut' ? { leftMm: r(c.leftMm) } : {}),
    })),
    ...(bead ? [{ kind: 'liquid' as const, id: bead.liquid.id, amount: r(bead.ml, 1000) }] : []),
  ];
}

export const problemOf = (e: unknown): string | null =>
  e instanceof CoreInputError ? `${e.field}: ${String(e.given)} does not work; it takes ${e.allowed}.` : null;
