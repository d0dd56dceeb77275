import { z } from 'zod';

import { id } from './parts';

/** Entries of the dry fit: read, or judged by eye and finger. */
export const dryFitEntries = {
  reading: {
    quantity: z.enum(['gapMm', 'stepMm', 'seatMm']),
    point: id,
    value: z.number().min(-5).max(5),
    u: z.number().min(0).max(1),
  },
  /** judged by eye and finger: fine all round, or off at these points; of a gap, high is wide and low is tight; of a camera cover, high is proud and low touches its ring */
  eye: {
    of: z.enum(['gap', 'step', 'seat', 'cover']),
    fine: z.boolean(),
    spots: z.array(z.object({ point: id, how: z.enum(['high', 'low']) })).max(40),
  },
} as const;
