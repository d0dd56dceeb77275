import { z } from 'zod';

import './zodConfig';
import {
  defaultDryer,
  defaultGun,
  defaultMat,
  defaultNozzle,
  type AirHeater,
  isAir,
  isContact,
  type ContactHeater,
  type Heater,
} from '../core/heat/heater';
import { defaultRoom } from '../core/alcohol/vapour';
import { bondingMethodIds } from '../core/bond/bondingMethods';
import { uGapMm, uStepMm } from '../core/fit/gaugeFigures';
import { languageIds } from './languages';
import { contactHeaterSchema, heaterSchema } from './heater';
import {
  absence,
  hours,
  liquidStock,
  partStock,
  rota,
  stockMove,
  tapeStock,
  type LiquidStock,
  type TapeStock,
} from './settingsStock';
import {
  clip,
  air,
  seen,
  weight,
  shelf,
  night,
  bondingMethodFigures,
  cureSeen,
  money,
  defaultMoney,
} from './settingsParts';

export type { LiquidStock, Lot, PartStock, StockMove, TapeStock } from './settingsStock';

export { languageIds, type Language } from './languages';

/** A roll as new shops have it. */
export const defaultTape: TapeStock = {
  id: 'tape',
  name: 'foam tape',
  widthMm: 2,
  thicknessMm: 0.3,
  black: false,
  rolls: [{ id: 'roll', lengthMm: 25000, countedAt: 0 }],
  offcuts: [],
  offcutsAt: 0,
};

export const liquid = (
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

const hourOfDay = z.number().int().min(0).max(24);
const voiceSchema = z.object({
  on: z.boolean(),
  much: z.enum(['all', 'main']),
  volume: z.number().min(0).max(1),
  quiet: z.object({ fromH: hourOfDay, toH: hourOfDay }).nullable(),
});
export const defaultVoice: z.infer<typeof voiceSchema> = { on: true, much: 'main', volume: 1, quiet: null };

export const defaultHeaters: Heater[] = [defaultMat, defaultGun, defaultNozzle, defaultDryer];

export const settingsSchema = z.object({
  version: z.literal(1),
  temperature: z.enum(['C', 'F']),
  length: z.enum(['mm', 'in']),
  theme: z.enum(['system', 'light', 'dark']),
  /** letters and what is tapped: as usual, for gloves, or for gloves with the main button over the lower third */
  touch: z.enum(['usual', 'gloves', 'third']).default('usual'),
  /** what the bench reads and hears; a customer's sheet may speak another */
  language: z.enum(languageIds).default('en'),
  sound: z.boolean(),
  /** who hands the sheet over: name, how to reach it, its own terms */
  card: z
    .object({ name: z.string().max(60), contact: z.string().max(160), terms: z.string().max(600) })
    .default({ name: '', contact: '', terms: '' }),
  /** school of the cell: always a new one */
  newCell: z.boolean().default(false),
  /** calls are said aloud: all of them or the few that nobody may miss, how loud, and when the shop keeps quiet */
  voice: voiceSchema.default(() => defaultVoice),
  /** key that a pedal, ring or headset button sends for the main thing of each step; null: none was taught */
  pedalKey: z.string().min(1).max(40).nullable().default(null),
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
  schools: z.partialRecord(z.enum(bondingMethodIds), bondingMethodFigures).default({}),
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
  /** exercise that is asked for before somebody saves a cover on a ring; empty: none */
  asksExercise: z.string().max(20).default(''),
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
