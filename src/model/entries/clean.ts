import { z } from 'zod';

import { zoneStates } from '../../core/clean/zones';
import { mm, stretch, text } from './parts';

/** Entries of cleaning: zones as they were seen, alcohol. */
export const cleanEntries = {
  alcohol: {
    ml: mm(0.001, 100),
    use: z.enum(['gap', 'wipe']),
    stretch: z.object(stretch).optional(),
    /** what was said to be so when it was given */
    checks: z.object({ sourcesAway: z.boolean(), ventilated: z.boolean(), masked: z.boolean() }),
    tC: z.number().min(-40).max(200),
  },
  /** looked at and dry: heat may come near again before the computed time is up */
  alcoholDry: { note: text.optional() },
  cleanZone: {
    on: z.enum(['frame', 'cover']),
    index: z.number().int().min(0).max(200),
    state: z.enum(zoneStates),
    tC: z.number().min(-40).max(200).optional(),
  },
  cleaned: { index: z.number().int().min(0).max(100), done: z.boolean() },
} as const;
