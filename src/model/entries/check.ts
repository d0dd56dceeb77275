import { z } from 'zod';

import { id, mm, place, text } from './parts';

/** What a come-back is put down to, as far as somebody can tell at the counter. */
export const comeBackCauses = [
  'bondLifted',
  'trappedCrumb',
  'bentFrame',
  'glassStress',
  'newFall',
  'function',
  'lensDust',
  'other',
] as const;
export type ComeBackCause = (typeof comeBackCauses)[number];

/** Entries of the tests: air, camera, functions, and what follows from them. */
export const checkEntries = {
  holdTest: {
    phase: z.enum(['before', 'after']),
    kind: z.enum(['vacuum', 'pressure']),
    startPa: mm(200, 50000),
    endPa: mm(0, 50000),
    seconds: mm(5, 3600),
  },
  /** a log of the pressure: of a hold with a tester, or of presses on the glass with the device's own barometer */
  sealLog: {
    phase: z.enum(['before', 'after']),
    test: z.enum(['hold', 'press']),
    t: z.array(mm(0, 1e5)).min(5).max(1500),
    /** hold: difference to the room; press: as the barometer says, Pa */
    p: z.array(z.number().min(-60_000).max(200_000)).min(5).max(1500),
    /** temperature of the air inside, where the tester gives it: then the device may cool meanwhile, °C */
    gasC: z.array(mm(-40, 150)).min(5).max(1500).optional(),
    /** air pressure of the place, where the log or somebody said it, Pa */
    roomPa: mm(50_000, 110_000).optional(),
    /** where the thumb pressed, on the face that is worked on */
    place: place.optional(),
    /** press and release as they were prompted, s */
    cues: z
      .array(z.tuple([mm(0, 1e5), mm(0, 1e5)]))
      .max(20)
      .optional(),
  },
  /** a picture of the target through a lens: how sharp its edges are, and how black its black */
  cameraShot: {
    phase: z.enum(['before', 'after']),
    lens: id,
    photoId: id.optional(),
    /** edges by their place on the target; contrast is half there, cycles per pixel */
    edges: z.array(z.object({ key: z.string().max(20), mtf50: mm(0.001, 2) })).max(40),
    patch: z
      .object({ white: mm(0, 2), black: mm(0, 2), dark: mm(0, 2), uBlack: mm(0, 1), uWhite: mm(0, 1) })
      .nullable(),
  },
  /** a picture of an even field through a lens */
  flatShot: {
    phase: z.enum(['before', 'after']),
    lens: id,
    dark: z.number().int().min(0).max(10000),
    bright: z.number().int().min(0).max(10000),
    /** most that a speck dims, share */
    deepest: mm(0, 1),
  },
  /** ring gap right, top, left and bottom of a camera cover, and its step at three places 120 degrees apart, mm */
  coverSeat: {
    lens: id,
    gaps: z.array(mm(-0.5, 3)).length(4),
    steps: z.array(mm(-2, 2)).length(3),
  },
  function: {
    fn: id,
    /** open: tested with the device open, before a new cover goes on */
    phase: z.enum(['before', 'open', 'after']),
    result: z.enum(['ok', 'fail', 'untested', 'absent']),
    why: text.optional(),
  },
  /** a likely cause of a failure was looked at: it was that, or not */
  cause: { causeId: z.string().min(1).max(40), found: z.boolean(), note: text.optional() },
  /** the device was told about a part that was fitted */
  registered: {
    part: z.string().min(1).max(60),
    outcome: z.enum(['registered', 'notNeeded', 'refused', 'notPossible']),
    note: text.optional(),
  },
  /** this job is a come-back of an earlier one */
  comeBack: {
    firstJobId: id.nullable(),
    firstLabel: z.string().max(40),
    presumed: z.enum(comeBackCauses),
    note: text.optional(),
  },
} as const;
