import { jStat } from 'jstat';

import { requireIn } from '../errors';
import { judgement } from '../source';

/** Scatter of what is used while a delivery is on its way: sqrt(L s² + d² sL²) (published, any operations text). */
export const leadSd = (days: number, perDay: number, sdPerDay: number, sdDays: number): number =>
  Math.sqrt(days * sdPerDay ** 2 + perDay ** 2 * sdDays ** 2);

/** What is known of how often a part is asked for: Gamma(a, b), b in days. */
export interface DemandRate {
  a: number;
  b: number;
}

export const demandPrior = {
  a: judgement(0.5, 'a part nobody asked for yet: half a request'),
  b: judgement(30, 'in a month, days'),
};

/** Demand a day, with its scatter, from a count over so many days. */
export const learnRate = (count: number, days: number): DemandRate => ({
  a: demandPrior.a.value + count,
  b: demandPrior.b.value + days,
});

/**
 * Fewest to have for the next `days` when the rate itself is uncertain: the counts are negative binomial (published).
 * @throws CoreInputError that names days, share when out of range
 */
export function partStock(rate: DemandRate, days: number, share: number): number {
  requireIn('days', days, 0, 3650);
  requireIn('share', share, 0, 0.999999);
  const q = rate.b / (rate.b + days);
  let p = q ** rate.a;
  let sum = p;
  let s = 0;
  while (sum < share && s < 1e5) {
    p *= ((rate.a + s) / (s + 1)) * (1 - q);
    s++;
    sum += p;
  }
  return s;
}

export interface OrderAdvice {
  /** order when what is there and on its way is down to this */
  point: number;
  safety: number;
  qty: number;
  now: boolean;
  /** order less: more would go off before it is used */
  cappedByLife: boolean;
}

export const orderFigures = {
  share: judgement(0.95, 'share of deliveries that are bridged without running out'),
  reviewDays: judgement(14, 'an order is meant to last so long'),
};

/**
 * When and how much to order of something that is used by the piece: a point that bridges the delivery, and enough for the days
 * after it, never more than is used before it goes off.
 */
export function partOrder(
  rate: DemandRate,
  lead: { days: number; sdDays: number },
  have: number,
  lifeDays: number | null,
  share = orderFigures.share.value,
  reviewDays = orderFigures.reviewDays.value,
): OrderAdvice {
  const bridge = lead.days + lead.sdDays;
  // so many bridge it: with fewer than that, order. What is hardly ever asked for bridges with none
  const bridges = partStock(rate, bridge, share);
  const point = Math.max(0, bridges - 1);
  const upTo = partStock(rate, bridge + reviewDays, share);
  const most = lifeDays === null ? Infinity : Math.max(1, partStock(rate, lifeDays, 0.5));
  const wanted = Math.max(0, upTo - have);
  const qty = Math.max(0, Math.min(wanted, most - have));
  return {
    point,
    safety: Math.max(0, point - (rate.a / rate.b) * bridge),
    qty: have < bridges ? Math.max(1, qty) : 0,
    now: have < bridges,
    cappedByLife: qty < wanted,
  };
}

/**
 * The same for what is used by length or volume: normal demand while the delivery is on its way.
 * @throws CoreInputError that names use a day when out of range
 */
export function bulkOrder(
  perDay: number,
  sdPerDay: number,
  lead: { days: number; sdDays: number },
  have: number,
  pack: number,
  lifeDays: number | null,
  share = orderFigures.share.value,
): OrderAdvice {
  requireIn('use a day', perDay, 0, 1e9);
  const scatter = leadSd(lead.days, perDay, sdPerDay, lead.sdDays);
  const z: number = jStat.normal.inv(share, 0, 1);
  const safety = z * scatter;
  const point = perDay * lead.days + safety;
  const wanted = Math.max(1, Math.ceil((perDay * orderFigures.reviewDays.value + point - have) / pack));
  const most = lifeDays === null || perDay <= 0 ? Infinity : Math.max(1, Math.floor((perDay * lifeDays) / pack));
  return {
    point,
    safety,
    qty: have <= point ? Math.min(wanted, most) : 0,
    now: have <= point,
    cappedByLife: wanted > most,
  };
}
