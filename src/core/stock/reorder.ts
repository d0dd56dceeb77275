import { jStat } from 'jstat';

import { CoreInputError, requireIn } from '../errors';
import { judgement } from '../source';

const pdf = (x: number) => Math.exp(-(x ** 2) / 2) / Math.sqrt(2 * Math.PI);
const cdf = (x: number): number => jStat.normal.cdf(x, 0, 1);

/** Standard normal loss: what is missing on average beyond z standard deviations (published, any operations text). */
export const normalLoss = (z: number): number => pdf(z) - z * (1 - cdf(z));

/**
 * How much to have when too little costs cu a piece and too much co (newsvendor; Arrow, Harris & Marschak 1951, published).
 * @returns quantity, share of cases in which it is enough, and the expected cost
 */
export function newsvendor(
  mean: number,
  sd: number,
  cu: number,
  co: number,
): { qty: number; share: number; cost: number } {
  requireIn('standard deviation', sd, 0, 1e9);
  if (!(cu > 0 && co > 0)) throw new CoreInputError('costs', `${cu} and ${co}`, 'both above 0');
  const share = cu / (cu + co);
  const z: number = jStat.normal.inv(share, 0, 1);
  return { qty: mean + z * sd, share, cost: (cu + co) * sd * pdf(z) };
}

/** Order size at which ordering and keeping cost the same (Harris 1913, published). */
export function orderQuantity(perYear: number, orderCost: number, holdPerYear: number): number {
  requireIn('use in a year', perYear, 0, 1e9);
  requireIn('cost of an order', orderCost, 0, 1e9);
  requireIn('cost of keeping one for a year', holdPerYear, 1e-9, 1e9);
  return Math.sqrt((2 * perYear * orderCost) / holdPerYear);
}

/** Scatter of what is used while a delivery is on its way: sqrt(L s² + d² sL²) (published, any operations text). */
export const leadSd = (days: number, perDay: number, sdPerDay: number, sdDays: number): number =>
  Math.sqrt(days * sdPerDay ** 2 + perDay ** 2 * sdDays ** 2);

/** Order size and point together, with what a shortage costs (Hadley & Whitin 1963, published), by iteration. */
export function orderAndPoint(
  perYear: number,
  orderCost: number,
  holdPerYear: number,
  shortCost: number,
  leadMean: number,
  leadScatter: number,
): { qty: number; point: number } {
  let qty = orderQuantity(perYear, orderCost, holdPerYear);
  let point = leadMean;
  for (let k = 0; k < 200; k++) {
    const miss = Math.min(0.5, (qty * holdPerYear) / (shortCost * perYear));
    const z: number = jStat.normal.inv(1 - miss, 0, 1);
    const nextPoint = leadMean + z * leadScatter;
    const nextQty = Math.sqrt((2 * perYear * (orderCost + shortCost * leadScatter * normalLoss(z))) / holdPerYear);
    const done = Math.abs(nextQty - qty) < 1e-6 && Math.abs(nextPoint - point) < 1e-6;
    qty = nextQty;
    point = nextPoint;
    if (done) break;
  }
  return { qty, point };
}

/** Fewest to have so that a Poisson demand is met in this share of cases. */
export function poissonStock(mean: number, share: number): number {
  requireIn('demand', mean, 0, 1e5);
  requireIn('share', share, 0, 0.999999);
  let p = Math.exp(-mean);
  let sum = p;
  let s = 0;
  while (sum < share && s < 1e6) {
    s++;
    p *= mean / s;
    sum += p;
  }
  return s;
}

/** What is known of how often a part is asked for: Gamma(a, b), b in days. */
export interface DemandRate {
  a: number;
  b: number;
}

export const demandPrior = {
  a: judgement(0.5, 'a part nobody asked for yet: half a request'),
  b: judgement(30, 'in a month, days'),
};

export const learnRate = (count: number, days: number): DemandRate => ({
  a: demandPrior.a.value + count,
  b: demandPrior.b.value + days,
});

/** Fewest to have for the next `days` when the rate itself is uncertain: the counts are negative binomial (published). */
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

/** The same for what is used by length or volume: normal demand while the delivery is on its way. */
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
