import { z } from 'zod';

import './zodConfig';
import { defaultPlate } from '../core/heat/heater';
import { breakLimit } from '../core/lift/verdict';
import { sourcedSchema } from './device';

const clip = z.object({
  id: z.string().max(40),
  name: z.string().max(60),
  forceN: z.number().min(0.5).max(200),
  owned: z.number().int().min(0).max(500),
});

const plate = z.object({
  id: z.string().max(40),
  name: z.string().min(1).max(60),
  dialUnit: z.enum(['C', 'F']),
  maxSetC: z.number().min(60).max(300),
  conductanceWm2K: sourcedSchema,
  offsetK: sourcedSchema,
  lagS: sourcedSchema,
});

export const settingsSchema = z.object({
  version: z.literal(1),
  temperature: z.enum(['C', 'F']),
  length: z.enum(['mm', 'in']),
  theme: z.enum(['system', 'light', 'dark']),
  sound: z.boolean(),
  person: z.string().max(80),
  people: z.array(z.string().max(80)).max(20),
  roomC: z.number().min(0).max(45),
  plate,
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
});

export type Settings = z.infer<typeof settingsSchema>;

export const defaultSettings: Settings = {
  version: 1,
  temperature: 'C',
  length: 'mm',
  theme: 'system',
  sound: true,
  person: 'Bench',
  people: ['Bench'],
  roomC: 22,
  plate: defaultPlate,
  breakLimit: breakLimit.value,
  tape: { widthMm: 2, rollMm: 25000, countedAt: 0 },
  ringsInStock: {},
  clips: [
    { id: 'gentle', name: 'gentle clip', forceN: 6, owned: 24 },
    { id: 'strong', name: 'strong clip', forceN: 15, owned: 16 },
  ],
  ratePerH: 30,
  reworkCost: 40,
};
