import { z } from 'zod';

import './zodConfig';
import { stockId } from './settingsStock';

export const clip = z.object({
  id: z.string().max(40),
  name: z.string().max(60),
  forceN: z.number().min(0.5).max(200),
  owned: z.number().int().min(0).max(500),
});

export const air = z.object({
  roomM3: z.number().min(2).max(10000),
  ach: z.number().min(0).max(100),
  nearM3: z.number().min(0.005).max(10),
});

export const seen = z.object({
  id: z.string().min(1).max(80),
  at: z.number().int().min(0).max(8.64e15),
  /** job that it was seen on, by its label */
  job: z.string().max(40),
  adhesive: z.string().min(1).max(60),
  gave: z.boolean(),
  liftMm: z.number().min(0.05).max(2),
  tC: z.number().min(15).max(260),
  uK: z.number().min(0.1).max(50),
  hMm: z.number().min(0.2).max(5),
  ringMm: z.number().min(0.5).max(30),
  fullArea: z.boolean(),
  cover: z.string().min(1).max(60),
  /** taken out again by somebody; kept, so that it can be put back */
  out: z.boolean(),
});

export const weight = z.object({
  id: stockId,
  name: z.string().min(1).max(60),
  massKg: z.number().min(0.05).max(50),
  owned: z.number().int().min(0).max(100),
});

export const shelf = z.object({
  id: stockId,
  name: z.string().min(1).max(40),
  /** a warm box or a cold corner; the room when it is not said */
  tC: z.number().min(-10).max(60).nullable(),
});

export const night = z.object({
  on: z.boolean(),
  fromH: z.number().int().min(0).max(23),
  toH: z.number().int().min(0).max(23),
  tC: z.number().min(-10).max(40),
});

export const bondingMethodFigures = z.object({
  materialCost: z.number().min(0).max(1000).optional(),
  hours: z.number().min(0).max(20).optional(),
  reworkChance: z.number().min(0).max(1).optional(),
  readyH: z.number().min(0).max(1000).optional(),
  gapVariationMm: z.number().min(0).max(3).optional(),
});

export const cureSeen = z.object({
  id: z.string().min(1).max(80),
  at: z.number().int().min(0).max(8.64e15),
  job: z.string().max(40),
  liquid: stockId,
  /** when the clamps came off, in units of the two-edge time */
  ratio: z.number().min(0).max(1000),
  held: z.boolean(),
  out: z.boolean(),
});

const minor = z.number().int().min(0).max(1e8);

/** What a quote is made from, in minor units (cents) where it is money. All of it is the shop's to change. */
export const money = z.object({
  currency: z.string().min(1).max(8),
  taxShare: z.number().min(0).max(1),
  marginShare: z.number().min(0).max(0.9),
  stepMinor: z.number().int().min(1).max(100000),
  offMinor: z.number().int().min(0).max(1000),
  overheadMinor: minor,
  /** what damage inside costs on average */
  damageMinor: minor,
  tapePerMMinor: minor,
  beadPerMlMinor: minor,
  ringMinor: minor,
  wasteShare: z.number().min(0).max(2),
  /** price list by kind of device: "glass.genuine" to its price */
  prices: z.record(z.string(), z.record(z.string().max(60), minor)),
});

export const defaultMoney: z.infer<typeof money> = {
  currency: '€',
  taxShare: 0.2,
  marginShare: 0.15,
  stepMinor: 100,
  offMinor: 10,
  overheadMinor: 400,
  damageMinor: 16000,
  tapePerMMinor: 90,
  beadPerMlMinor: 110,
  ringMinor: 600,
  wasteShare: 0.1,
  prices: {
    phone: {
      'glass.genuine': 4200,
      'glass.pulled': 3100,
      'glass.aftermarket': 1400,
      'assembly.genuine': 9800,
      'assembly.pulled': 6900,
      'housing.pulled': 8200,
      'housing.aftermarket': 5200,
      'lensSet.genuine': 1600,
      'lensSet.aftermarket': 500,
      'displayFrame.genuine': 18900,
      'displayFrame.pulled': 13500,
      'display.genuine': 14900,
      'display.pulled': 9900,
      'display.aftermarket': 7900,
      'inner.genuine': 3900,
      'inner.pulled': 2400,
      'inner.aftermarket': 1900,
    },
    tablet: {
      'glass.genuine': 7800,
      'glass.pulled': 5600,
      'glass.aftermarket': 3200,
      'assembly.genuine': 16900,
      'assembly.pulled': 11900,
      'housing.pulled': 14900,
      'housing.aftermarket': 9900,
      'lensSet.genuine': 1800,
      'lensSet.aftermarket': 600,
      'displayFrame.genuine': 26900,
      'displayFrame.pulled': 19900,
      'display.genuine': 21900,
      'display.pulled': 14900,
      'display.aftermarket': 11900,
      'inner.genuine': 6900,
      'inner.pulled': 4200,
      'inner.aftermarket': 3600,
    },
  },
};
