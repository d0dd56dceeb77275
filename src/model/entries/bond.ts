import { z } from 'zod';

import { bondingMethodIds } from '../../core/bond/bondingMethods';
import { id, mm, stretch, text } from './parts';

/** Entries of closing: laid, closed, used, opened again. */
export const bondEntries = {
  /** a bead is being laid, is laid, or was wiped off again */
  bead: {
    phase: z.enum(['start', 'end', 'off']),
    /** how it was to be laid, kept with its start */
    plan: z
      .object({
        school: z.enum(bondingMethodIds),
        liquidId: z.string().min(1).max(60),
        bondMm: mm(0.3, 30),
        gapMm: mm(0.01, 5),
        feedMmS: mm(0.01, 100),
        tornMm: mm(0, 5000),
        coverage: mm(0.05, 0.95),
        pitchMm: mm(1, 40),
        pattern: z.enum(['lines', 'dots']).default('lines'),
        tubeC: z.number().min(-20).max(60),
        /** where it is laid, when that is not all round */
        beadOn: z.array(z.object(stretch)).max(40).optional(),
        /** what lies on the rest of the ring */
        base: z.enum(['strips', 'ring']).optional(),
        tapeId: id.optional(),
      })
      .optional(),
  },
  bonded: {
    adhesive: z.enum(bondingMethodIds),
    usedMm: z.number().min(0).max(5000),
    widthMm: z.number().min(0.5).max(30),
    /** tape when it is not said */
    cure: z.enum(['tape', 'solvent', 'moisture']).optional(),
    /** width that the cure goes by, and the gap that was filled, mm */
    bondMm: mm(0.3, 60).optional(),
    gapMm: mm(0.01, 5).optional(),
    /** tape or liquid by its id in the shop's stock */
    itemId: z.string().max(60).optional(),
    /** the tape beside a liquid, and the stretches that the liquid lies on */
    tapeId: z.string().max(60).optional(),
    beadOn: z.array(z.object(stretch)).max(40).optional(),
    /** what was taken from stock: mm of tape, pieces, ml */
    used: z
      .array(
        z.object({
          kind: z.enum(['roll', 'offcut', 'ring', 'liquid']),
          id: z.string().min(1).max(120),
          amount: mm(0, 1e6),
          /** what is left of an offcut */
          leftMm: mm(0, 1e6).optional(),
        }),
      )
      .max(80)
      .optional(),
  },
  /** what was really used, where it was not what the plan said */
  consumed: { items: z.array(z.object({ id: z.string().min(1).max(120), amount: mm(0, 1e6) })).max(80) },
  /** lifted again after closing: something was trapped, or it sat wrong */
  reopened: { why: text },
} as const;
