import { z } from 'zod';

import { id, instant, mm, text } from './parts';
import { stageIds } from '../stageIds';

/** Entries of the bench as a whole: who works at what, what is wished of the plan, what a job waits for. */
export const benchEntries = {
  /** somebody takes a stage up, or lays it aside; with what the plan had counted on, s */
  work: { stage: z.enum(stageIds), to: z.enum(['begun', 'aside']), plannedS: mm(0, 1e6).optional() },
  /** a constraint on the plan: not before, exactly then, by whom, on which heater; `free` takes it back */
  planWish: {
    task: z.string().regex(/^[A-Za-z]{1,24}$/),
    kind: z.enum(['notBefore', 'pinned', 'who', 'free']),
    wishAt: instant.nullable(),
    person: z.string().max(80).nullable(),
    heater: id.nullable(),
    because: text.optional(),
  },
  /** the part that a job waits for: when it comes, or that it is here */
  partDue: { part: z.string().max(120), dueAt: instant.nullable(), here: z.boolean() },
} as const;
