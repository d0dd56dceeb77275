import { z } from 'zod';

import { partExtras } from '../../core/intake/partExtras';
import { origins, works } from '../../core/intake/works';
import { edge, id, instant, mm, place, text } from './parts';
const pathLength = (pts: readonly (readonly [number, number])[]) =>
  pts.reduce((m, p, i) => (i ? m + Math.hypot(p[0] - pts[i - 1]![0], p[1] - pts[i - 1]![1]) : 0), 0);
const money = z.number().int().min(0).max(1e9);

/** Entries of taking in: what was found, what is to be done, what was quoted. */
export const intakeEntries = {
  finding: {
    kind: z.enum([
      'chip',
      'crack',
      'bent',
      'cellSwollen',
      'smokeOrWet',
      'paintGone',
      'looseLayer',
      'screwMissing',
      'earlierRepair',
    ]),
    answer: z.enum(['yes', 'no', 'unsure']),
    /** stretches of the cover's edge that the finding concerns, by edge */
    edges: z.array(edge).max(4).optional(),
    note: text.optional(),
    /** the "yes" that somebody knew of who takes it back: one that was not known stands (law 24) */
    takesBack: z.array(id).max(50).optional(),
  },
  crack: {
    crackId: id,
    onFace: id,
    pts: z
      .array(place)
      .min(2)
      .max(400)
      .refine((pts) => pathLength(pts) >= 0.5, {
        error: 'a crack is at least 0.5 mm long, its points are not all equal',
      }),
  },
  crackGone: { crackId: id },
  chipMark: { chipId: id, onFace: id, place },
  chipGone: { chipId: id },
  jobRoute: {
    bondId: id,
    work: z.enum(works),
    /** what else is done at the same joint */
    also: z.array(z.enum(works)).max(4).optional(),
    cover: z.enum(['save', 'new']),
    origin: z.enum(origins).nullable(),
    through: id,
    internalsOut: z.boolean(),
    partHas: z.array(z.enum(partExtras)).max(10),
    closedBy: z.enum(['tape', 'bead', 'nothing']),
  },
  partMeasured: {
    what: z.enum(['width', 'height', 'thickness', 'lensHole']),
    oldMm: mm(0.05, 500),
    newMm: mm(0.05, 500),
  },
  /** the new part laid beside the old one or its model, before anything is opened */
  partChecked: {
    holes: z.enum(['yes', 'no']),
    /** tried with its plug where it has one */
    works: z.enum(['yes', 'no', 'notTried']),
    right: z.boolean(),
  },
  partState: { partId: id, to: z.enum(['in', 'out', 'moved', 'onNew', 'missing']) },
  quoted: {
    currency: z.string().min(1).max(8),
    choices: z
      .array(
        z.object({
          id,
          name: z.string().max(120),
          grossMinor: money,
          taxMinor: money,
          netMinor: money,
          costMinor: money,
          minutes: mm(0, 10000),
          readyAt: instant,
        }),
      )
      .min(1)
      .max(5),
    chosenId: id,
    /** chance of further damage that the customer was told, with its range */
    risk: z.object({ mean: mm(0, 1), low: mm(0, 1), high: mm(0, 1) }),
    /** what to do when it happens: stop and ask, or go on up to this sum */
    upToMinor: money.nullable(),
    validUntil: instant,
  },
  charge: { percent: z.number().min(0).max(100) },
  route: { keepCover: z.boolean() },
  prep: {
    item: z.enum([
      'powerOff',
      'trayOut',
      'outerScrews',
      'boundMarked',
      'insideCovered',
      'outerBack',
      'paid',
      'toolsReady',
      'crumbsGone',
      'lensesBlown',
      'glanced',
      'strapOn',
      'closedTest',
      'batteryOffAgain',
      'tagDevice',
      'tagTray',
      'compared',
      'blownClosing',
      'photoClosing',
      'pressedRound',
      'squeezeWiped',
      'squeezePeeled',
      'lookedAlong',
      'oldRingWhole',
      'sealWanted',
      'faultsTold',
    ]),
    done: z.boolean(),
  },
} as const;
