import { z } from 'zod';

import { edge, id, mm, place } from './parts';
const setC = z.number().min(20).max(400);
const share = z.number().min(-1).max(2);
/** way of the nozzle over the face */
const airPath = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('loop'),
    insetMm: mm(-40, 60),
    roundS: z.number().min(1).max(60),
    shares: z.array(z.number().min(0.001).max(1e3)).length(24).optional(),
  }),
  z.object({
    kind: z.literal('strip'),
    insetMm: mm(-40, 60),
    from: share,
    to: share,
    speedMmS: z.number().min(1).max(500),
  }),
  z.object({ kind: z.literal('spot'), at: place, radiusMm: mm(0, 40) }),
]);
/** how a heater is used on the device */
const use = z.object({
  path: airPath.optional(),
  standoffMm: mm(5, 300).optional(),
  /** cameras and hinge under tape and foil */
  masked: z.boolean().optional(),
  /** how the face lies on a plate: flat, on its camera bump, or with the bump over the edge */
  lies: z.enum(['flat', 'bump', 'over']).optional(),
});
export type UseRecord = z.infer<typeof use>;

/** Entries of heating: what was planned, heater on and off, what was noticed and read. */
export const heatEntries = {
  heatPlan: {
    setC,
    pickMm: z.number().min(0.05).max(3),
    preheated: z.boolean(),
    heater: id.optional(),
    use: use.optional(),
  },
  heatOn: {
    setC,
    preheated: z.boolean(),
    /** the shop's plate when it is not said */
    heater: id.optional(),
    use: use.optional(),
    startC: z.number().min(-40).max(200),
    modelRun: z.string().max(80),
    /** forecast when it was laid on: easy after, usually; worth a try after; easy at the latest, s */
    readyInS: z.number().min(0).max(86400).nullable(),
    tryInS: z.number().min(0).max(86400).nullable().optional(),
    latestInS: z.number().min(0).max(86400).nullable().optional(),
  },
  heatOff: {
    reason: z.enum(['ready', 'hold', 'emergency']),
    /** forecast when it came off: the next arc stays easy for and grips after at least, s */
    easyForS: z.number().min(0).max(86400).nullable(),
    gripsInS: z.number().min(0).max(86400).nullable(),
  },
  observed: {
    what: z.enum([
      'gaveWay',
      'grips',
      'calledAway',
      'back',
      'broke',
      'switchedOff',
      'missedAlarm',
      'cellTouched',
      'cellSmells',
      'cellSwells',
    ]),
    edge: edge.optional(),
    /** lift at which it gave way or did not, mm */
    liftMm: mm(0.01, 5).optional(),
    modelC: z.number().optional(),
  },
  /** a thermocouple at the line, read while the heat is on or after it */
  probe: { tempC: z.number().min(-100).max(500), sMm: mm(-100, 5000), from: z.enum(['typed', 'instrument']) },
} as const;
