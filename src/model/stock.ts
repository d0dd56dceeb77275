import { coverKindOf } from '../core/device/coverKinds';
import type { StockLength } from '../core/bond/cutStock';
import { workDefs, worksAt } from '../core/intake/works';
import { judgement } from '../core/source';
import { firstOut, goodUntil } from '../core/stock/firstOut';
import type { JobState } from './fold';
import { atEachJoint } from './joints';
import type { LiquidStock, Lot, PartStock, Settings, TapeStock } from './settings';

/** Shorter offcuts are thrown away, mm. */
export const keepOffcutMm = judgement(15, 'offcuts under this are not worth keeping');

export interface Stock {
  rolls: Map<string, number>;
  /** offcuts of each tape by its id */
  offcuts: Map<string, StockLength[]>;
  liquids: Map<string, number>;
  rings: Map<string, number>;
  /** tubes of each liquid, and packets of each part, as they are now */
  tubes: Map<string, Lot[]>;
  parts: Map<string, Lot[]>;
  /** parts that open jobs will take */
  reserved: Map<string, number>;
}

type Counted = Pick<Settings, 'tapes' | 'liquids' | 'ringsInStock' | 'parts'>;
type Log = Pick<
  JobState,
  'bondings' | 'consumed' | 'device' | 'face' | 'model' | 'route' | 'stages' | 'effective' | 'closedAt'
>;

/** Tubes of a liquid; one that was never counted by the tube is one. */
export const tubesOf = (l: LiquidStock): Lot[] =>
  l.tubes.length
    ? l.tubes
    : l.leftMl > 0
      ? [{ id: 'all', qty: l.leftMl, expiresAt: l.expiresAt, openedAt: null, openLifeDays: null }]
      : [];

/** Takes from lots, first what goes off first; what is taken from is open from then on. Over its date last, for it was used. */
function take(lots: readonly Lot[], amount: number, at: number): Lot[] {
  const r = firstOut(lots, amount, at);
  const out = new Map(r.takes.map((t) => [t.id, t.qty]));
  let more = r.short;
  for (const id of r.off) {
    const l = lots.find((x) => x.id === id)!;
    const qty = Math.min(more, l.qty);
    if (qty > 0) out.set(id, qty);
    more -= qty;
  }
  return lots.map((l) => {
    const qty = out.get(l.id);
    return qty === undefined ? l : { ...l, qty: Math.max(0, l.qty - qty), openedAt: l.openedAt ?? at };
  });
}

export const partKey = (deviceId: string, item: string, origin: string) => `${deviceId}|${item}|${origin}`;
export const keyOfPart = (p: Pick<PartStock, 'deviceId' | 'item' | 'origin'>) => partKey(p.deviceId, p.item, p.origin);

/** Parts that a job's route takes. */
export function partsOfJob(job: Pick<Log, 'route' | 'model'>): string[] {
  const { route } = job;
  if (!route?.origin) return [];
  return worksAt(route).flatMap((w) => {
    const { item } = workDefs[w];
    return item ? [partKey(job.model.id, item, route.origin!)] : [];
  });
}

/** When a job took its part: as it was bonded, or checked where nothing is bonded; null: not yet. */
export function partTakenAt(job: Pick<Log, 'route' | 'model' | 'face' | 'bondings' | 'effective'>): number | null {
  if (!partsOfJob(job).length) return null;
  const set = job.effective.find(
    (e) =>
      (lensFace(job) && e.type === 'lens' && e.step === 'set' && e.done) ||
      (e.type === 'stage' && e.stage === 'check' && e.to === 'done'),
  );
  const at = Math.min(job.bondings[0]?.at ?? Infinity, set?.at ?? Infinity);
  return Number.isFinite(at) ? at : null;
}

/** Key of a roll: ids of rolls are only unique within their tape. */
export const rollKey = (tapeId: string, rollId: string) => `${tapeId}/${rollId}`;

const lensFace = (job: Pick<Log, 'face'>) => coverKindOf(job.face).lens;

/**
 * What is in stock now: as it was counted, less what the jobs took since. A job that was corrected counts with what it
 * really used. Offcuts are used up whole; what is left of them comes back as an offcut of its own.
 */
export function stockNow(s: Counted, all: readonly JobState[]): Stock {
  // a second joint takes its own part and its own glue
  const jobs = all.flatMap(atEachJoint);
  const rolls = new Map<string, number>();
  const offcuts = new Map<string, StockLength[]>();
  const liquids = new Map<string, number>();
  const rings = new Map<string, number>();
  const tubes = new Map<string, Lot[]>(s.liquids.map((l) => [l.id, tubesOf(l)]));
  const parts = new Map<string, Lot[]>(s.parts.map((p) => [p.id, p.lots]));
  const reserved = new Map<string, number>();
  const partOf = new Map(s.parts.map((p) => [keyOfPart(p), p]));
  for (const t of s.tapes) {
    for (const r of t.rolls) rolls.set(rollKey(t.id, r.id), r.lengthMm);
    offcuts.set(t.id, [...t.offcuts]);
  }
  for (const [id, n] of Object.entries(s.ringsInStock)) rings.set(id, n);
  const closings = jobs
    .flatMap((job) => job.bondings.map((e) => ({ job, e })))
    .sort((a, b) => a.e.at - b.e.at || (a.e.id < b.e.id ? -1 : 1));
  const less = (m: Map<string, number>, id: string, amount: number) => {
    const now = m.get(id);
    if (now !== undefined) m.set(id, Math.max(0, now - amount));
  };
  for (const { job, e } of closings) {
    const real = job.consumed.get(e.id);
    if (!e.used) {
      // as it was noted before stock had items: a length of the first tape, or a ring of the device
      const [tape] = s.tapes;
      const [roll] = tape?.rolls ?? [];
      if (e.adhesive === 'cutTape' && tape && roll && e.at > roll.countedAt)
        less(rolls, rollKey(tape.id, roll.id), e.usedMm);
      if (e.adhesive === 'precutRing' && !lensFace(job)) less(rings, job.device.id, 1);
      continue;
    }
    for (const [i, u] of e.used.entries()) {
      const amount = real?.get(u.id) ?? u.amount;
      if (u.kind === 'roll') {
        const roll = s.tapes
          .flatMap((t) => t.rolls.map((r) => ({ t, r })))
          .find((x) => rollKey(x.t.id, x.r.id) === u.id);
        if (roll && e.at > roll.r.countedAt) less(rolls, u.id, amount);
      } else if (u.kind === 'liquid') {
        const own = s.liquids.find((l) => l.id === u.id);
        if (own && e.at > own.countedAt) tubes.set(u.id, take(tubes.get(u.id)!, amount, e.at));
      } else if (u.kind === 'ring') less(rings, u.id, amount);
      else {
        const tape = s.tapes.find((t) => t.id === (e.tapeId ?? e.itemId));
        if (!tape || e.at <= tape.offcutsAt) continue;
        const list = offcuts.get(tape.id)!;
        const at = list.findIndex((o) => o.id === u.id);
        if (at < 0) continue;
        const [was] = list.splice(at, 1);
        const leftMm = Math.max(0, Math.min(u.leftMm ?? 0, was!.lengthMm - amount));
        if (leftMm >= keepOffcutMm.value) list.push({ id: `${e.id}.${i}`, lengthMm: leftMm });
      }
    }
  }
  for (const job of [...jobs].sort((a, b) => (partTakenAt(a) ?? Infinity) - (partTakenAt(b) ?? Infinity))) {
    const at = partTakenAt(job);
    for (const key of partsOfJob(job)) {
      const own = partOf.get(key);
      if (!own) continue;
      if (at === null) {
        if (job.closedAt === null) reserved.set(own.id, (reserved.get(own.id) ?? 0) + 1);
      } else if (at > own.countedAt) parts.set(own.id, takeOne(parts.get(own.id)!, at));
    }
  }
  for (const [id, lots] of tubes) liquids.set(id, sum(lots));
  return { rolls, offcuts, liquids, rings, tubes, parts, reserved };
}

const takeOne = (lots: readonly Lot[], at: number) =>
  take(lots, 1, at).map((l, i) => ({ ...l, openedAt: lots[i]!.openedAt }));
const sum = (lots: readonly Lot[]) => lots.reduce((m, l) => m + l.qty, 0);
export const quantityOf = sum;

/** What is left of a tape on its rolls, as lengths that can be cut. */
export const rollsOf = (stock: Stock, t: TapeStock): StockLength[] =>
  t.rolls.map((r) => {
    const id = rollKey(t.id, r.id);
    return { id, lengthMm: stock.rolls.get(id) ?? 0 };
  });

/** Is nothing of a liquid good any more; its date as printed, or the end of what is open. */
export const expired = (l: LiquidStock, now: number): boolean => {
  const full = tubesOf(l).filter((t) => t.qty > 0);
  return full.length ? full.every((t) => goodUntil(t) < now) : l.expiresAt !== null && l.expiresAt < now;
};
