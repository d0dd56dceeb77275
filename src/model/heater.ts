import { z } from 'zod';

import { sourcedSchema } from './device';

const instant = z.number().int().min(0).max(8.64e15);

/** What a thermocouple log said about a heater, and when. */
export const calibrationSchema = z.object({
  at: instant,
  device: z.string().max(120),
  setC: z.number().min(-100).max(400),
  /** points and length of the log, spread of its residuals */
  count: z.number().int().min(1).max(1e6),
  durationS: z.number().min(0).max(1e6),
  residualSdK: z.number().min(0).max(100),
  /** covariance of conductance, offset, lag, row after row */
  covariance: z.array(z.number()).length(9),
});

const common = {
  id: z.string().max(40),
  name: z.string().min(1).max(60),
  dialUnit: z.enum(['C', 'F']),
  minSetC: z.number().min(20).max(300).default(50),
  maxSetC: z.number().min(60).max(400),
  offsetK: sourcedSchema,
  lagS: sourcedSchema,
  autoOffS: z.number().min(30).max(86400).nullable().default(null),
};

export const contactHeaterSchema = z.object({
  ...common,
  kind: z.enum(['plate', 'mat']).default('plate'),
  conductanceWm2K: sourcedSchema,
  calibration: calibrationSchema.optional(),
});

export const airHeaterSchema = z.object({
  ...common,
  kind: z.literal('air'),
  nozzleMm: z.number().min(2).max(80),
  flowLpm: z.number().min(5).max(3000),
  standoffMm: z.number().min(5).max(300),
  entrainMm: z.number().min(5).max(400),
  hScale: sourcedSchema,
});

export const lampHeaterSchema = z.object({
  ...common,
  kind: z.literal('lamp'),
  viewShare: sourcedSchema,
});

export const heaterSchema = z.union([airHeaterSchema, lampHeaterSchema, contactHeaterSchema]);
