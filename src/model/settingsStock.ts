import { z } from 'zod';

import './zodConfig';

export const stockId = z.string().min(1).max(60);
export const instantMs = z.number().min(0).max(8.64e15);
const rollLength = z.number().min(0).max(1e6);

/** A tape that strips are cut from: rolls and offcuts as they were counted. */
export const tapeStock = z.object({
  id: stockId,
  name: z.string().min(1).max(60),
  widthMm: z.number().min(0.5).max(30),
  thicknessMm: z.number().min(0.03).max(2),
  black: z.boolean(),
  rolls: z.array(z.object({ id: stockId, lengthMm: rollLength, countedAt: instantMs })).max(20),
  offcuts: z.array(z.object({ id: stockId, lengthMm: rollLength })).max(60),
  offcutsAt: instantMs,
});

/** A tube or a packet: what goes off together. */
export const lot = z.object({
  id: stockId,
  qty: z.number().min(0).max(1e5),
  expiresAt: instantMs.nullable(),
  openedAt: instantMs.nullable(),
  openLifeDays: z.number().min(0).max(3650).nullable(),
});

/** A part on the shelf, by device, item of the price list and origin. */
export const partStock = z.object({
  id: stockId,
  deviceId: stockId,
  item: z.string().min(1).max(40),
  origin: z.string().min(1).max(40),
  lots: z.array(lot).max(40),
  countedAt: instantMs,
  leadDays: z.number().min(0).max(365),
  leadSdDays: z.number().min(0).max(120),
  onOrder: z
    .array(
      z.object({ id: stockId, qty: z.number().int().min(1).max(10000), at: instantMs, dueAt: instantMs.nullable() }),
    )
    .max(20),
});

/** A change of stock by hand, kept so that it can be followed. */
export const stockMove = z.object({
  id: stockId,
  at: instantMs,
  who: z.string().max(80),
  item: z.string().max(120),
  what: z.enum(['counted', 'ordered', 'arrived', 'scrapped', 'imported']),
  before: z.number().min(0).max(1e7).nullable(),
  after: z.number().min(0).max(1e7),
  /** how many were ordered */
  count: z.number().int().min(0).max(1e6).optional(),
  /** the tube or packet, and what of it changed */
  lot: z.object({ id: stockId, change: z.enum(['qty', 'date', 'openLife', 'open', 'gone', 'new']) }).optional(),
  /** a person's own words; entries of before hold what was done in words here */
  note: z.string().max(200),
});

const minuteOfDay = z.number().int().min(0).max(1440);
const openDay = z
  .object({ fromMin: minuteOfDay, toMin: minuteOfDay })
  .refine((d) => d.toMin > d.fromMin, { error: 'closes before it opens' })
  .nullable();
/** opening hours by weekday, Sunday first */
export const hours = z.object({ days: z.array(openDay).length(7) });
export const rota = z.object({
  breakFromMin: minuteOfDay.nullable(),
  breakMin: z.number().int().min(0).max(480),
  off: z.array(z.number().int().min(0).max(6)).max(7),
});
export const absence = z.object({ id: stockId, person: z.string().max(80), fromAt: instantMs, toAt: instantMs });

/** A liquid adhesive: what it is, and what is left of it. */
export const liquidStock = z.object({
  id: stockId,
  name: z.string().min(1).max(60),
  cure: z.enum(['solvent', 'moisture']),
  solids: z.number().min(0.05).max(1),
  viscosityPaS: z.number().min(0.01).max(2000),
  yieldPa: z.number().min(0).max(5000),
  nozzleDiaMm: z.number().min(0.1).max(5),
  nozzleLengthMm: z.number().min(1).max(100),
  barrelDiaMm: z.number().min(2).max(60),
  tubeMl: z.number().min(0.5).max(500),
  black: z.boolean(),
  /** what comes out is wiped at once, or peeled off when dry; by its kind where it is not said */
  squeezeOut: z.enum(['now', 'dry']).optional(),
  leftMl: z.number().min(0).max(1e5),
  countedAt: instantMs,
  expiresAt: instantMs.nullable(),
  /** tubes as they were counted; none: all of it is one */
  tubes: z.array(lot).max(40).default([]),
});

export type Lot = z.infer<typeof lot>;
export type PartStock = z.infer<typeof partStock>;
export type StockMove = z.infer<typeof stockMove>;
export type TapeStock = z.infer<typeof tapeStock>;
export type LiquidStock = z.infer<typeof liquidStock>;
