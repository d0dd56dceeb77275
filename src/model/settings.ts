import { z } from 'zod';

import './zodConfig';
import { defaultDryer, defaultGun, defaultMat, defaultNozzle, defaultPlate, type Heater } from '../core/heat/heater';
import { defaultRoom } from '../core/alcohol/vapour';
import { breakLimit } from '../core/lift/verdict';
import { contactHeaterSchema, heaterSchema } from './heater';

const clip = z.object({
  id: z.string().max(40),
  name: z.string().max(60),
  forceN: z.number().min(0.5).max(200),
  owned: z.number().int().min(0).max(500),
});

const air = z.object({
  roomM3: z.number().min(2).max(10000),
  ach: z.number().min(0).max(100),
  nearM3: z.number().min(0.005).max(10),
});

const seen = z.object({
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

const minor = z.number().int().min(0).max(1e8);

/** What a quote is made from, in minor units (cents) where it is money. All of it is the shop's to change. */
const money = z.object({
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
    },
  },
};

export const defaultHeaters: Heater[] = [defaultMat, defaultGun, defaultNozzle, defaultDryer];

export const settingsSchema = z.object({
  version: z.literal(1),
  temperature: z.enum(['C', 'F']),
  length: z.enum(['mm', 'in']),
  theme: z.enum(['system', 'light', 'dark']),
  sound: z.boolean(),
  /** school of the cell: always a new one */
  newCell: z.boolean().default(false),
  /** counts of screws are said aloud */
  spoken: z.boolean().default(false),
  person: z.string().max(80),
  people: z.array(z.string().max(80)).max(20),
  roomC: z.number().min(0).max(45),
  plate: contactHeaterSchema,
  /** what else there is to heat with */
  heaters: z
    .array(heaterSchema)
    .max(20)
    .default(() => defaultHeaters),
  breakLimit: z.number().min(0.001).max(0.5),
  tape: z.object({
    widthMm: z.number().min(0.5).max(30),
    rollMm: z.number().min(0).max(1e6),
    countedAt: z.number().min(0),
  }),
  ringsInStock: z.record(z.string(), z.number().int().min(0)),
  clips: z.array(clip).max(20),
  ratePerH: z.number().min(0).max(1000),
  reworkCost: z.number().min(0).max(10000),
  money: money.default(defaultMoney),
  /** air of the bench room, for what alcohol does to it */
  air: air.default(defaultRoom),
  /** lifts at which adhesives gave way, or did not: what their scale in this shop is made from */
  seen: z.array(seen).max(500).default([]),
});

export type Seen = z.infer<typeof seen>;
export type Settings = z.infer<typeof settingsSchema>;

export const defaultSettings: Settings = {
  version: 1,
  temperature: 'C',
  length: 'mm',
  theme: 'system',
  sound: true,
  newCell: false,
  spoken: false,
  person: 'Bench',
  people: ['Bench'],
  roomC: 22,
  plate: defaultPlate,
  heaters: defaultHeaters,
  breakLimit: breakLimit.value,
  tape: { widthMm: 2, rollMm: 25000, countedAt: 0 },
  ringsInStock: {},
  clips: [
    { id: 'gentle', name: 'gentle clip', forceN: 6, owned: 24 },
    { id: 'strong', name: 'strong clip', forceN: 15, owned: 16 },
  ],
  ratePerH: 30,
  reworkCost: 40,
  money: defaultMoney,
  air: defaultRoom,
  seen: [],
};

/** Everything the shop heats with, the plate first. */
export const heatersOf = (s: Settings): Heater[] => [s.plate, ...s.heaters];

/** A heater by its id; the plate when it is not there any more. */
export const heaterOf = (s: Settings, id: string | undefined): Heater =>
  heatersOf(s).find((h) => h.id === id) ?? s.plate;
