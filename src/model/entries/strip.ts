import { z } from 'zod';

import { id, mm } from './parts';

/** Entries of the inside: screws, plugs, brackets. */
export const stripEntries = {
  /** a screw: out into a cell, missing when it was opened, back in, or taken out again on the way back */
  screw: {
    hole: id,
    to: z.enum(['out', 'missing', 'in', 'open', 'untouched']),
    spec: z
      .object({
        head: z.enum(['cross', 'fiveLobe', 'threeWing', 'hex', 'slot']),
        diaMm: mm(0.4, 6),
        lengthMm: mm(0.5, 30),
        colour: z.enum(['silver', 'black', 'gold']).optional(),
      })
      .optional(),
    cell: z.string().max(4).optional(),
  },
  /** a zone whose screws have all been started, one turn each, and then tightened */
  tightened: { zone: id, done: z.boolean() },
  /** plugs, brackets and small pieces; parts have partState */
  stripped: {
    itemId: id,
    to: z.enum(['out', 'in', 'moved', 'renewed', 'peeled', 'asItWas']),
    /** how it lay: which line crosses over which */
    note: z.string().max(200).optional(),
  },
  /** found at the bench: this comes off only after that, or does not after all */
  under: { itemId: id, over: id, on: z.boolean() },
  stripTarget: { ids: z.array(id).max(60) },
  cellChoice: { fit: z.enum(['new', 'same']), flat: z.boolean(), bent: z.boolean(), punctured: z.boolean() },
} as const;
