import { z } from 'zod';

import { works } from '../../core/intake/works';
import { deviceSchema } from '../device';
import { languageIds } from '../languages';
import { id, instant, text } from './parts';
import { stageIds } from '../stageIds';

/** Entries of the job as a whole. */
export const jobEntries = {
  opened: {
    label: z.string().min(1).max(40),
    device: deviceSchema,
    bondId: id,
    promiseAt: instant.nullable(),
    customerMark: z.string().max(80),
    /** what is to be done, each at its joint; none: it is said with the route */
    works: z
      .array(z.object({ joint: id, work: z.enum(works) }))
      .min(1)
      .max(12)
      .optional(),
    /** the steps that it goes through; none: the ten of before. A stage of a later version is kept as it is */
    steps: z
      .array(z.object({ key: z.string().min(1).max(120), stage: z.string().min(1).max(40), joint: id.nullable() }))
      .min(1)
      .max(60)
      .optional(),
  },
  stage: { stage: z.enum(stageIds), to: z.enum(['started', 'done', 'skipped']), why: text.optional() },
  promise: { promiseAt: instant.nullable() },
  photo: {
    photoId: id,
    widthPx: z.number().int().min(1).max(10000),
    heightPx: z.number().int().min(1).max(10000),
    bytes: z.number().int().min(1).max(2e6),
    caption: z.string().max(200),
  },
  /** taken out for good: its picture is no longer kept */
  photoGone: { photoId: id },
  customer: {
    backup: z.enum(['made', 'declined', 'asked']).nullable(),
    lock: z.enum(['noLock', 'codeGiven', 'customerUnlocks', 'testsWithout']).nullable(),
    note: text,
    /** what the customer reads; none: as the bench */
    language: z.enum(languageIds).optional(),
  },
  decision: {
    call: z.string().max(80),
    computed: z.unknown(),
    inputs: z.unknown(),
    chosen: z.unknown(),
    because: text.optional(),
  },
  note: { text },
  signed: {
    role: z.enum(['customer', 'repairer', 'checker']),
    text,
    /** what a customer signs for; entries before it had a name are told by their words */
    signedFor: z.enum(['quote', 'received']).optional(),
    mark: z.string().max(80),
    /** a signature as drawn: nothing but moves and lines of a path */
    drawing: z
      .string()
      .max(20000)
      .regex(/^[ML0-9 .-]*$/)
      .optional(),
  },
  undo: { eventId: id },
  /** something cannot be computed with this entry: it does not count until this is undone */
  leaveOut: { eventId: id, why: text },
  /** the instant that an event is moved to; `at` of the amend itself is when it was noted */
  amend: { eventId: id, movedTo: instant, note: text.optional() },
} as const;
