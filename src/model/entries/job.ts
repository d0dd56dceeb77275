import { z } from 'zod';

import { learnedKinds } from '../../core/device/types';
import { works } from '../../core/intake/works';
import { deviceSchema } from '../device';
import { languageIds } from '../languages';
import { edge, id, instant, mm, place, text } from './parts';
import { stageIds } from '../stageIds';

export const happenings = [
  'broke',
  'stuckAgain',
  'givesHere',
  'wrongPart',
  'screw',
  'damaged',
  'calledAway',
  'changedMind',
  'foundDamage',
] as const;
export type Happening = (typeof happenings)[number];
/** Where a screw was found that nobody knew of. */
export const screwPlaces = ['underLabel', 'underCap', 'besidePort', 'underPart', 'elsewhere'] as const;

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
  /** another way from here on, and why */
  wayChange: {
    steps: z
      .array(z.object({ key: z.string().min(1).max(120), stage: z.string().min(1).max(40), joint: id.nullable() }))
      .min(1)
      .max(60),
    why: text,
  },
  stage: { stage: z.enum(stageIds), to: z.enum(['started', 'done', 'skipped']), why: text.optional() },
  promise: { promiseAt: instant.nullable() },
  /** something about this device that is worth keeping for its model; the place as somebody sees it who looks at the joint */
  learned: {
    itemId: id,
    what: z.enum(learnedKinds),
    place: place.nullable(),
    text: z.string().max(200),
    on: z.boolean(),
    /** a photo of it, among those of the job */
    photo: z.string().min(1).max(80).optional(),
    /** what it is, for what goes into the model as a thing */
    thing: z
      .discriminatedUnion('kind', [
        z.object({
          kind: z.literal('screw'),
          id,
          zone: id,
          head: z.enum(['cross', 'fiveLobe', 'threeWing', 'hex', 'slot']),
          diaMm: mm(0.4, 6),
          lengthMm: mm(0.5, 30),
          holds: id.optional(),
        }),
        z.object({
          kind: z.literal('plug'),
          id,
          plug: z.enum(['press', 'latch', 'coax']),
          battery: z.boolean(),
          of: id,
        }),
        z.object({ kind: z.literal('piece'), id }),
        z.object({ kind: z.literal('part'), id }),
      ])
      .optional(),
  },
  /** it went into the model, or it was dropped */
  learnedKept: { itemId: id, kept: z.boolean() },
  photo: {
    photoId: id,
    widthPx: z.number().int().min(1).max(10000),
    heightPx: z.number().int().min(1).max(10000),
    bytes: z.number().int().min(1).max(2e6),
    caption: z.string().max(200),
    /** step that it was taken at: the device as it was then */
    stage: z.enum(stageIds).optional(),
    /** it lies under the plan: straightened, of a face or of the inside behind it */
    under: z.object({ face: id, inside: z.boolean(), widthMm: mm(10, 500), lengthMm: mm(10, 500) }).optional(),
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
  /** what came in between, at which stage; what follows from it is noted with it */
  happened: {
    what: z.enum(happenings),
    stage: z.enum(stageIds),
    edge: edge.optional(),
    /** part, cable or plug of the model */
    partId: id.optional(),
    /** as the model calls it */
    partName: z.string().max(120).optional(),
    where: z.enum(screwPlaces).optional(),
  },
  /** what the customer said to it */
  customerSaid: {
    happenedId: id,
    answer: z.enum(['agreed', 'refused', 'notReached']),
    /** the sentence as it was read to them, in their language */
    told: text.optional(),
  },
  signed: {
    role: z.enum(['customer', 'repairer', 'checker']),
    text,
    /** what a customer signs for; entries before it had a name are told by their words */
    signedFor: z.enum(['quote', 'received']).optional(),
    mark: z.string().max(80),
    /** how a check was signed where nobody else was there: by who repaired it after a pause, or by the customer at the counter */
    how: z.enum(['afterPause', 'customer']).optional(),
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
