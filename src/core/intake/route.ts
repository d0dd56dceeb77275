import { coverKindOf } from '../device/coverKinds';
import { faceOf } from '../device/perimeter';
import type { Bond, Construction, Device } from '../device/types';
import {
  learned,
  optionCost,
  probCheaper,
  breakEven,
  type BreakEven,
  type OptionCost,
  type Risk,
} from '../money/choices';
import { judgement } from '../source';
import type { PartExtra } from './partExtras';
import { coverOf, coverWork, workDefs, worksFor, type Origin, type Side, type Work } from './works';
import {
  workMinutes,
  constructionMinutes,
  minutesPerPiece,
  extraSaves,
  priorWeight,
  breakWeight,
  comebackChance,
  bentComeback,
  damageChance,
  fullBondDamage,
} from './routeFigures';

export interface RouteFacts {
  construction: Construction;
  side: Side;
  /** the front of this device opens too */
  frontOpens: boolean;
  hasDisplay: boolean;
  coverCracked: boolean;
  looseLayer: boolean;
  /** what was asked for, where it was: ways of doing that are compared, the rest only shown */
  asked?: Work | null | undefined;
  /** what is done at the same joint besides */
  also?: readonly Work[] | undefined;
  bent: boolean;
  swollen: boolean;
  pieces: number;
  /** chance that a cover that is to be saved breaks at the planned temperature, for this chip state */
  breakChance: number;
  /** the shop's own counts */
  counts: { saved: number; broke: number; done: number; comebacks: number };
}

/** Money in minor units. */
export interface RouteMoney {
  /** price of an item by origin, "glass.genuine"; a missing one is not to be had */
  prices: Readonly<Record<string, number>>;
  ratePerHour: number;
  /** consumables of one closing */
  closing: number;
  /** what damage inside costs on average */
  damage: number;
}

export type RouteBlock = 'coverCracked' | 'looseLayer' | 'swollen' | 'noPrice';

export interface RouteOption {
  id: string;
  work: Work;
  cover: 'save' | 'new';
  origin: Origin | null;
  minutes: number;
  partCost: number;
  base: number;
  risks: Risk[];
  cost: OptionCost;
  blocks: RouteBlock[];
}

export interface RouteAdvice {
  options: RouteOption[];
  /** cheapest in expectation among those that are not blocked */
  best: RouteOption | null;
  /** chance that it is cheaper than the next one; null when there is no next one */
  next: { option: RouteOption; probBest: number; close: boolean } | null;
  /** saving against the cheapest new cover, on the chance of breaking */
  saveOrNew: (BreakEven & { save: RouteOption; new: RouteOption }) | null;
}

const others = (work: Work, f: Pick<RouteFacts, 'also'>) => (f.also ?? []).filter((w) => w !== work);

/** Hands-on minutes of a route in this shop, with what construction, pieces and the part take or save. */
export function routeMinutes(
  work: Work,
  f: Pick<RouteFacts, 'construction' | 'pieces' | 'also'>,
  has: readonly PartExtra[] = [],
): number {
  const saved = has.reduce((m, e) => m + extraSaves[e].value, 0);
  const pieces = work === 'lensCovers' ? 0 : Math.max(0, f.pieces - 1) * minutesPerPiece.value;
  // beside the first work the device lies open already
  const beside = others(work, f).reduce(
    (m, w) => m + Math.max(0, workMinutes[w].value - workMinutes.openClose.value),
    0,
  );
  return Math.max(5, workMinutes[work].value + beside + constructionMinutes[f.construction].value + pieces - saved);
}

/**
 * The ways to do this job with what each is expected to cost the shop, and which one comes out cheapest. Nested fallback:
 * a saved cover that breaks costs a new one, its extra minutes, and clearing up.
 */
export function routeOptions(f: RouteFacts, money: RouteMoney, close: { low: number; high: number }): RouteAdvice {
  // what was asked for stands first
  const order = worksFor(f);
  const list = f.asked ? [...order.filter((w) => w === f.asked), ...order.filter((w) => w !== f.asked)] : order;
  const options = list.flatMap((work): RouteOption[] => {
    const own = workDefs[work].origins;
    const from: (Origin | null)[] = own.length ? [...own] : [null];
    return from.map((origin) => option(f, money, work, origin));
  });
  const can = options.filter((o) => !o.blocks.length).sort((a, b) => a.cost.mean - b.cost.mean);
  const asked = can.filter((o) => o.work === f.asked);
  const free = asked.length ? asked : can;
  const [best, second] = free;
  const probBest = best && second ? probCheaper(best, second) : 1;
  // against a new cover stands the cover that goes back on with nothing else done
  const save = can.find((o) => o.work === 'openClose');
  const fresh = can.find((o) => o.cover === 'new');
  // saving is weighed where the cover is what it is about
  const cover = !f.asked || f.asked === 'openClose' || f.asked === coverWork(f);
  const risk = cover ? save?.risks.find((r) => r.id === 'break') : undefined;
  return {
    options,
    best: best ?? null,
    next: best && second ? { option: second, probBest, close: probBest > close.low && probBest < close.high } : null,
    saveOrNew:
      save && fresh && risk
        ? {
            save,
            new: fresh,
            ...breakEven(save.cost.mean - (risk.a / (risk.a + risk.b)) * risk.cost, risk, fresh.cost.mean),
          }
        : null,
  };
}

function option(f: RouteFacts, money: RouteMoney, work: Work, origin: Origin | null): RouteOption {
  const cover = coverOf(work, f.side);
  const { item } = workDefs[work];
  const priceOf = (i: string | null, o: Origin | null) => (i && o ? money.prices[`${i}.${o}`] : 0);
  // what is bought besides comes new where it is not to be had like this
  const besides = others(work, f).map((w) => {
    const own = workDefs[w];
    const fresh = own.origins[0]!;
    return own.item === null ? 0 : (priceOf(own.item, origin ?? fresh) ?? priceOf(own.item, fresh));
  });
  const first = priceOf(item, origin);
  const price =
    first === undefined || besides.includes(undefined) ? undefined : besides.reduce<number>((m, x) => m + x!, first);
  const minutes = routeMinutes(work, f);
  const perMinute = money.ratePerHour / 60;
  const base = (price ?? 0) + minutes * perMinute + money.closing;
  const w = priorWeight.value;
  // a shop's come-backs are counted over all its jobs: shared out as one more piece of what is known of this chance
  const comeback =
    comebackChance[origin ?? 'saved'].value +
    (f.bent && work !== 'wholeHousing' && work !== 'rearAssembly' ? bentComeback.value : 0);
  const risks: Risk[] = [
    learned(
      `comeback.${origin ?? 'saved'}`,
      comeback,
      w,
      f.counts.comebacks,
      f.counts.done,
      minutes * perMinute * 0.8 + money.closing + (origin === 'aftermarket' ? (price ?? 0) : 0),
    ),
    learned(
      `damage.${work}`,
      damageChance[work].value +
        others(work, f).reduce((m, w) => m + Math.max(0, damageChance[w].value - damageChance.openClose.value), 0) +
        (coverKindOf(f).heldAllOver ? fullBondDamage.value : 0),
      w,
      0,
      0,
      money.damage,
    ),
  ];
  if (cover === 'save') {
    const fallback = coverWork(f);
    const spare = money.prices[`${workDefs[fallback].item}.genuine`] ?? 0;
    const more = Math.max(0, workMinutes[fallback].value - workMinutes.openClose.value) + clearUpMinutes.value;
    risks.unshift(
      learned('break', f.breakChance, breakWeight.value, f.counts.broke, f.counts.saved, spare + more * perMinute),
    );
  }
  const blocks: RouteBlock[] = [];
  if (f.swollen) blocks.push('swollen');
  if (cover === 'save' && f.coverCracked) blocks.push('coverCracked');
  if (cover === 'save' && f.looseLayer) blocks.push('looseLayer');
  if (price === undefined) blocks.push('noPrice');
  return {
    id: origin ? `${work}.${origin}` : work,
    work,
    cover,
    origin,
    minutes,
    partCost: price ?? 0,
    base,
    risks,
    cost: optionCost(base, risks),
    blocks,
  };
}

export const clearUpMinutes = judgement(18, 'glass out of the frame after a cover broke');

/** Pieces on the old part that have to move to the new one, or are on it already. */
export function piecesToMove(
  device: Device,
  bond: Bond,
  work: Work,
): { id: string; name: string; extra: PartExtra | null }[] {
  if (work === 'openClose' || work === 'inside') return [];
  const face = faceOf(device, bond);
  // a display with its frame that goes in through the back takes everything along, but for the display
  const whole = work === 'wholeHousing' || (work === 'displayWithFrame' && face.side === 'back');
  const out: { id: string; name: string; extra: PartExtra | null }[] = [];
  const lenses = face.holes.filter((h) => h.role === 'camera').length;
  if (lenses && face.side === 'back' && work !== 'lensCovers')
    out.push({ id: 'lenses', name: `${lenses} lens ${lenses === 1 ? 'cover' : 'covers'} and ring`, extra: 'lens' });
  if (face.holes.some((h) => h.role === 'flash')) out.push({ id: 'flash', name: 'flash window', extra: 'flash' });
  if (face.holes.some((h) => h.role === 'mic') || bond.gaps.length)
    out.push({ id: 'mesh', name: 'microphone mesh', extra: 'mesh' });
  for (const p of device.parts) {
    if (p.kind === 'coil' && face.side === 'back') out.push({ id: p.id, name: p.name, extra: 'coil' });
    if (p.kind === 'reader') out.push({ id: p.id, name: p.name, extra: null });
    if (whole || work === 'rearAssembly') {
      if (p.kind === 'button') out.push({ id: p.id, name: p.name, extra: 'frame' });
      const stays = work === 'displayWithFrame' && p.kind === 'display';
      if (
        whole &&
        !stays &&
        p.removable &&
        ['battery', 'board', 'camera', 'speaker', 'mic', 'display'].includes(p.kind)
      )
        out.push({ id: p.id, name: p.name, extra: null });
    }
  }
  for (const c of device.cables) out.push({ id: c.id, name: c.name, extra: null });
  return out;
}
