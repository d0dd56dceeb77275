import type { StockLength } from '../core/bond/cutStock';
import { judgement } from '../core/source';
import type { JobState } from './fold';
import type { LiquidStock, Settings, TapeStock } from './settings';

/** Shorter offcuts are thrown away, mm. */
export const keepOffcutMm = judgement(15, 'offcuts under this are not worth keeping');

export interface Stock {
  rolls: Map<string, number>;
  /** offcuts of each tape by its id */
  offcuts: Map<string, StockLength[]>;
  liquids: Map<string, number>;
  rings: Map<string, number>;
}

type Counted = Pick<Settings, 'tapes' | 'liquids' | 'ringsInStock'>;
type Log = Pick<JobState, 'bondings' | 'consumed' | 'device' | 'face'>;

/** Key of a roll: ids of rolls are only unique within their tape. */
export const rollKey = (tapeId: string, rollId: string) => `${tapeId}/${rollId}`;

const lensFace = (job: Log) => ['lensInRing', 'frameLens'].includes(job.face.construction);

/**
 * What is in stock now: as it was counted, less what the jobs took since. A job that was corrected counts with what it
 * really used. Offcuts are used up whole; what is left of them comes back as an offcut of its own.
 */
export function stockNow(s: Counted, jobs: readonly Log[]): Stock {
  const rolls = new Map<string, number>();
  const offcuts = new Map<string, StockLength[]>();
  const liquids = new Map<string, number>();
  const rings = new Map<string, number>();
  for (const t of s.tapes) {
    for (const r of t.rolls) rolls.set(rollKey(t.id, r.id), r.lengthMm);
    offcuts.set(t.id, [...t.offcuts]);
  }
  for (const l of s.liquids) liquids.set(l.id, l.leftMl);
  for (const [id, n] of Object.entries(s.ringsInStock)) rings.set(id, n);
  const all = jobs
    .flatMap((job) => job.bondings.map((e) => ({ job, e })))
    .sort((a, b) => a.e.at - b.e.at || (a.e.id < b.e.id ? -1 : 1));
  const less = (m: Map<string, number>, id: string, amount: number) => {
    const now = m.get(id);
    if (now !== undefined) m.set(id, Math.max(0, now - amount));
  };
  for (const { job, e } of all) {
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
        if (own && e.at > own.countedAt) less(liquids, u.id, amount);
      } else if (u.kind === 'ring') less(rings, u.id, amount);
      else {
        const tape = s.tapes.find((t) => t.id === e.itemId);
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
  return { rolls, offcuts, liquids, rings };
}

/** What is left of a tape on its rolls, as lengths that can be cut. */
export const rollsOf = (stock: Stock, t: TapeStock): StockLength[] =>
  t.rolls.map((r) => {
    const id = rollKey(t.id, r.id);
    return { id, lengthMm: stock.rolls.get(id) ?? 0 };
  });

export const expired = (l: LiquidStock, now: number): boolean => l.expiresAt !== null && l.expiresAt < now;
