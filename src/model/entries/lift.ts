import { z } from 'zod';

import { edge, id, mm, place, text, stretch } from './parts';
const computedCut = {
  /** low bound of the line there, °C */
  tC: z.number().min(-40).max(400).optional(),
  /** expected number of breaks of a cover that is to be saved, as computed at that moment */
  hazard: mm(0, 100).optional(),
};

/** Entries of lifting: what of a bond is cut, what came off and how. */
export const liftEntries = {
  edge: { edge, free: z.boolean(), ...computedCut },
  /** a stretch of the bond was cut, or holds again; with what was computed for it at that moment */
  cut: {
    ...stretch,
    free: z.boolean(),
    /** it was let down while warm and sticks again */
    stuck: z.boolean().optional(),
    ...computedCut,
  },
  liftMode: { mode: z.enum(['edges', 'pieces']) },
  /** a piece of cracked glass is off; its outline is kept, for pieces get other numbers when one breaks again */
  pieceOff: {
    offId: id,
    onFace: id,
    loops: z.array(z.array(place).min(3).max(2000)).min(1).max(40),
    areaMm2: mm(0, 1e6),
  },
  pieceBack: { offId: id },
  glassLeft: { markId: id, onFace: id, place },
  glassGone: { markId: id },
  cameraRing: { how: z.enum(['leftIn', 'pushedOut']) },
  clip: { index: z.number().int().min(0).max(100), state: z.enum(['holds', 'open', 'broken']) },
  writeOff: { why: z.enum(['broke', 'printLayer', 'cost', 'other']), note: text },
  /** a lens cover of the set: chosen for this job, off, tapped out, inspected, cleaned, the new one set and pressed */
  lens: {
    bondId: id,
    step: z.enum(['chosen', 'off', 'tapped', 'inspected', 'cleaned', 'set', 'pressed']),
    done: z.boolean(),
    newMm: mm(1, 60).optional(),
  },
} as const;
