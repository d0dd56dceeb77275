import { z } from 'zod';

import './zodConfig';
import {
  defaultDryer,
  defaultGun,
  defaultMat,
  defaultNozzle,
  defaultPlate,
  type AirHeater,
  isAir,
  isContact,
  type ContactHeater,
  type Heater,
} from '../core/heat/heater';
import { defaultRoom } from '../core/alcohol/vapour';
import { schoolIds } from '../core/bond/schools';
import { uGapMm } from '../core/fit/dryFit';
import { uStepMm } from '../core/fit/flushness';
import { breakLimit } from '../core/lift/verdict';
import { contactHeaterSchema, heaterSchema } from './heater';
import {
  absence,
  hours,
  liquidStock,
  partStock,
  rota,
  stockId,
  stockMove,
  tapeStock,
  type LiquidStock,
  type TapeStock,
} from './settingsStock';

export type { LiquidStock, Lot, PartStock, StockMove, TapeStock } from './settingsStock';

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

const weight = z.object({
  id: stockId,
  name: z.string().min(1).max(60),
  massKg: z.number().min(0.05).max(50),
  owned: z.number().int().min(0).max(100),
});

const shelf = z.object({
  id: stockId,
  name: z.string().min(1).max(40),
  /** a warm box or a cold corner; the room when it is not said */
  tC: z.number().min(-10).max(60).nullable(),
});

const night = z.object({
  on: z.boolean(),
  fromH: z.number().int().min(0).max(23),
  toH: z.number().int().min(0).max(23),
  tC: z.number().min(-10).max(40),
});

const schoolFigures = z.object({
  materialCost: z.number().min(0).max(1000).optional(),
  hours: z.number().min(0).max(20).optional(),
  reworkChance: z.number().min(0).max(1).optional(),
  readyH: z.number().min(0).max(1000).optional(),
  gapVariationMm: z.number().min(0).max(3).optional(),
});

const cureSeen = z.object({
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

/** A roll as new shops have it. */
const defaultTape: TapeStock = {
  id: 'tape',
  name: 'foam tape',
  widthMm: 2,
  thicknessMm: 0.3,
  black: false,
  rolls: [{ id: 'roll', lengthMm: 25000, countedAt: 0 }],
  offcuts: [],
  offcutsAt: 0,
};

const liquid = (
  id: string,
  name: string,
  over: Partial<LiquidStock> & Pick<LiquidStock, 'cure' | 'solids' | 'viscosityPaS' | 'yieldPa'>,
): LiquidStock => ({
  id,
  name,
  nozzleDiaMm: 0.8,
  nozzleLengthMm: 12,
  barrelDiaMm: 12,
  tubeMl: 15,
  black: false,
  leftMl: 0,
  countedAt: 0,
  expiresAt: null,
  tubes: [],
  ...over,
});

/** Kinds of liquid that a bench has, with none of them in stock: viscosity and yield from memory, to be changed. */
export const defaultLiquids: LiquidStock[] = [
  liquid('clear', 'clear contact glue', { cure: 'solvent', solids: 0.35, viscosityPaS: 20, yieldPa: 100 }),
  liquid('black', 'black contact glue', { cure: 'solvent', solids: 0.35, viscosityPaS: 25, yieldPa: 120, black: true }),
  liquid('elastic', 'moisture-curing sealant', {
    cure: 'moisture',
    solids: 0.97,
    viscosityPaS: 60,
    yieldPa: 300,
    tubeMl: 30,
  }),
];

export const defaultWeights = [{ id: 'w1', name: 'weight', massKg: 1, owned: 4 }];
export const defaultShelves = [
  { id: 'A1', name: 'A1', tC: null },
  { id: 'A2', name: 'A2', tC: null },
  { id: 'A3', name: 'A3', tC: null },
];
const weekday = { fromMin: 9 * 60, toMin: 18 * 60 };
export const defaultHours: z.infer<typeof hours> = {
  days: [null, weekday, weekday, weekday, weekday, weekday, { fromMin: 9 * 60, toMin: 14 * 60 }],
};
export const defaultNight = { on: false, fromH: 20, toH: 8, tC: 16 };

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
  /** one roll, as it was kept before tapes had several; moved into `tapes` when it is read */
  tape: z
    .object({
      widthMm: z.number().min(0.5).max(30),
      rollMm: z.number().min(0).max(1e6),
      countedAt: z.number().min(0),
    })
    .optional(),
  tapes: z.array(tapeStock).max(20).default([]),
  liquids: z
    .array(liquidStock)
    .max(20)
    .default(() => defaultLiquids),
  weights: z
    .array(weight)
    .max(20)
    .default(() => defaultWeights),
  /** highest pressure of a vacuum bag, kPa; 0: there is none */
  bagKPa: z.number().min(0).max(95).default(0),
  shelves: z
    .array(shelf)
    .max(40)
    .default(() => defaultShelves),
  humidity: z.number().min(1).max(100).default(50),
  night: night.default(() => defaultNight),
  schools: z.partialRecord(z.enum(schoolIds), schoolFigures).default({}),
  delayCostPerH: z.number().min(0).max(1000).default(0),
  /** clamps that came off beads, and whether they held */
  cureSeen: z.array(cureSeen).max(500).default([]),
  ringsInStock: z.record(z.string(), z.number().int().min(0)),
  clips: z.array(clip).max(20),
  ratePerH: z.number().min(0).max(1000),
  reworkCost: z.number().min(0).max(10000),
  money: money.default(defaultMoney),
  /** air of the bench room, for what alcohol does to it */
  air: air.default(defaultRoom),
  /** lifts at which adhesives gave way, or did not: what their scale in this shop is made from */
  seen: z.array(seen).max(500).default([]),
  /** leak at 1 kPa that the shop lets pass, Pa m³/s; null: none is set */
  leakLimit: z.number().min(1e-9).max(1).nullable().default(null),
  hours: hours.default(() => defaultHours),
  rota: z.record(z.string().max(80), rota).default({}),
  absences: z.array(absence).max(200).default([]),
  /** pressure testers; 0: the check needs none */
  testers: z.number().int().min(0).max(20).default(0),
  /** scatter of the shop's own gauges: ten readings at one point, their standard deviation, mm */
  gaugeU: z
    .object({ stepMm: z.number().min(0.002).max(0.2), gapMm: z.number().min(0.005).max(0.3) })
    .default(() => ({ stepMm: uStepMm.value, gapMm: uGapMm.value })),
  /** a fan or a draught goes over the bench */
  draught: z.boolean().default(false),
  /** what unlocks clamps off, going on and hand-over: the usual end of a cure clock, or its late one (law 13) */
  cureBy: z.enum(['usual', 'late']).default('usual'),
  /** heaters that stand beyond arm's reach of the others */
  apart: z.array(z.string().max(60)).max(40).default([]),
  /** a device is opened although its part is not here yet */
  openBeforePart: z.boolean().default(false),
  parts: z.array(partStock).max(200).default([]),
  stockMoves: z.array(stockMove).max(1000).default([]),
  /** share of deliveries that stock is meant to bridge */
  stockShare: z.number().min(0.5).max(0.999).default(0.95),
  /** days that tape and liquids take to come, and their scatter */
  lead: z
    .object({ days: z.number().min(0).max(365), sdDays: z.number().min(0).max(120) })
    .default({ days: 4, sdDays: 1 }),
  /** own values in place of judgements, by the figure's key */
  figures: z
    .record(z.string().max(400), z.object({ value: z.number(), because: z.string().min(1).max(200) }))
    .default({}),
  /** under which address a phone on the same network reaches this page; empty: the one it was opened with */
  benchAddress: z
    .string()
    .max(200)
    .regex(/^(https?:\/\/[^\s/]+)?$/)
    .default(''),
});

export type Seen = z.infer<typeof seen>;
export type Settings = z.infer<typeof settingsSchema>;

/** What a setting is called where a file's settings are compared with those here. */
export const settingsNames: Readonly<Record<keyof Settings, string>> = {
  version: 'version',
  figures: 'own figures',
  temperature: 'unit of temperature',
  length: 'unit of length',
  theme: 'look',
  sound: 'sound',
  newCell: 'always a new cell',
  spoken: 'spoken counts',
  person: 'who is at the bench',
  people: 'people',
  roomC: 'room temperature',
  plate: 'plate and its calibration',
  heaters: 'other heaters',
  breakLimit: 'accepted chance of breaking',
  tape: 'tape',
  tapes: 'tapes',
  liquids: 'liquids',
  weights: 'weights',
  bagKPa: 'vacuum bag',
  shelves: 'shelf places',
  humidity: 'humidity',
  night: 'night',
  schools: 'figures of the ways of bonding',
  delayCostPerH: 'cost of waiting',
  cureSeen: 'cures seen',
  ringsInStock: 'rings in stock',
  clips: 'clips',
  ratePerH: 'rate',
  reworkCost: 'cost of a come-back',
  money: 'prices',
  air: 'air of the room',
  seen: 'what was seen of adhesives',
  leakLimit: 'leak limit',
  hours: 'opening hours',
  rota: 'breaks and days off',
  absences: 'times away',
  testers: 'testers',
  gaugeU: 'scatter of the gauges',
  draught: 'fan or draught',
  cureBy: 'end of a cure clock that unlocks',
  apart: 'heaters out of reach',
  openBeforePart: 'opened before the part is here',
  parts: 'parts in stock',
  stockMoves: 'changes of stock',
  stockShare: 'share that stock bridges',
  lead: 'days until tape and liquids come',
  benchAddress: 'address of the bench',
};

export const defaultSettings: Settings = {
  version: 1,
  figures: {},
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
  tapes: [defaultTape],
  liquids: defaultLiquids,
  weights: defaultWeights,
  bagKPa: 0,
  shelves: defaultShelves,
  humidity: 50,
  night: defaultNight,
  schools: {},
  delayCostPerH: 0,
  cureSeen: [],
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
  leakLimit: null,
  hours: defaultHours,
  rota: {},
  absences: [],
  testers: 0,
  gaugeU: { stepMm: uStepMm.value, gapMm: uGapMm.value },
  draught: false,
  cureBy: 'usual',
  apart: [],
  openBeforePart: false,
  parts: [],
  stockMoves: [],
  stockShare: 0.95,
  lead: { days: 4, sdDays: 1 },
  benchAddress: '',
};

/** Everything the shop heats with, the plate first. */
export const heatersOf = (s: Settings): Heater[] => [s.plate, ...s.heaters];

export const airsOf = (s: Settings): AirHeater[] => heatersOf(s).filter(isAir);

export const contactsOf = (s: Settings): ContactHeater[] => heatersOf(s).filter(isContact);

/** A heater by its id; the plate when it is not there any more. */
export const heaterOf = (s: Settings, id: string | undefined): Heater =>
  heatersOf(s).find((h) => h.id === id) ?? s.plate;

/** Settings of an older version as this one keeps them: its one roll becomes the first tape. */
export function upToDate(s: Settings): Settings {
  const { tape, ...rest } = s;
  if (!tape) return s;
  if (s.tapes.length) return rest;
  return {
    ...rest,
    tapes: [
      {
        ...defaultTape,
        widthMm: tape.widthMm,
        rolls: [{ id: 'roll', lengthMm: tape.rollMm, countedAt: tape.countedAt }],
      },
    ],
  };
}
