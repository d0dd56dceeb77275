import { z } from 'zod';

import { mm } from './parts';

/** Entries of curing: clips, the shelf, the air. */
export const cureEntries = {
  /** after the clamps came off: did it hold */
  cureHeld: { held: z.boolean(), ratio: mm(0, 1000) },
  shelved: { place: z.string().min(1).max(40), tC: z.number().min(-10).max(60).nullable() },
  clampOn: { clip: z.string().max(80), count: z.number().int().min(0).max(100), forceN: z.number().min(0).max(500) },
  /** early: before the long end of the clock */
  clampOff: { early: z.boolean() },
  ambient: { tempC: z.number().min(-20).max(60), rh: z.number().min(1).max(100).optional() },
} as const;
