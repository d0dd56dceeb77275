import { Fraction } from 'fraction.js';

import { CoreInputError } from '../errors';

/** What a price is made from. Money in minor units (cents); shares as plain numbers. */
export interface QuoteInput {
  parts: readonly { name: string; unit: number; qty: number }[];
  consumables: readonly { name: string; unit: number; qty: number; waste: number }[];
  minutes: number;
  ratePerHour: number;
  reserves: readonly { name: string; p: number; cost: number }[];
  overhead: number;
  /** share of the net price that stays with the shop */
  margin: number;
  tax: number;
  /** prices end on multiples of this, less `off` */
  step: number;
  off: number;
}

export interface QuoteLine {
  kind: 'part' | 'consumable' | 'labour' | 'reserve' | 'overhead';
  name: string;
  amount: number;
}

export interface Quote {
  lines: QuoteLine[];
  cost: number;
  /** before rounding */
  grossExact: number;
  /** what the customer pays, minor units */
  gross: number;
  tax: number;
  net: number;
  margin: number;
}

/** Decimal text, so that 0.1 is a tenth and not its binary neighbour. */
const exact = (v: number) => new Fraction(String(v));
const floor = (f: Fraction) => f.floor();

/**
 * A price in exact fractions, rounded once at the end: C = parts + consumables (1 + waste) + minutes · rate + Σ p · cost
 * + overhead; net = C / (1 - margin); gross = net (1 + tax); the price is the smallest k · step - off at or above it, the
 * tax in it is rounded half up.
 * @throws CoreInputError for margin; CoreInputError for rounding step
 */
export function quote(q: QuoteInput): Quote {
  if (!(q.margin >= 0 && q.margin < 1)) throw new CoreInputError('margin', q.margin, '0 to under 1');
  if (!(q.step >= 1)) throw new CoreInputError('rounding step', q.step, 'at least 1');
  const lines: { kind: QuoteLine['kind']; name: string; amount: Fraction }[] = [
    ...q.parts.map((p) => ({ kind: 'part' as const, name: p.name, amount: exact(p.unit).mul(exact(p.qty)) })),
    ...q.consumables.map((c) => ({
      kind: 'consumable' as const,
      name: c.name,
      amount: exact(c.unit).mul(exact(c.qty)).mul(exact(c.waste).add(1)),
    })),
    { kind: 'labour', name: 'labour', amount: exact(q.minutes).mul(exact(q.ratePerHour)).div(60) },
    ...q.reserves.map((r) => ({ kind: 'reserve' as const, name: r.name, amount: exact(r.p).mul(exact(r.cost)) })),
    { kind: 'overhead', name: 'overhead', amount: exact(q.overhead) },
  ];
  const cost = lines.reduce((m, l) => m.add(l.amount), new Fraction(0));
  const t = exact(q.tax);
  const gross0 = cost.div(exact(1).sub(exact(q.margin))).mul(t.add(1));
  const k = gross0.add(q.off).div(q.step).ceil();
  const gross = k.mul(q.step).sub(q.off);
  const tax = floor(gross.mul(t).div(t.add(1)).add(new Fraction(1, 2)));
  const net = gross.sub(tax);
  return {
    lines: lines.map((l) => ({ ...l, amount: l.amount.valueOf() })),
    cost: cost.valueOf(),
    grossExact: gross0.valueOf(),
    gross: gross.valueOf(),
    tax: tax.valueOf(),
    net: net.valueOf(),
    margin: net.valueOf() > 0 ? net.sub(cost).div(net).valueOf() : 0,
  };
}
