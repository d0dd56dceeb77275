import type { Bond } from './types';

/** How a joint is shut again. */
export type Closing = 'tape' | 'bead' | 'nothing';

/** Everything that is asked of a kind of joint. One that is added here answers everywhere; what is missing does not compile. */
export interface JointKind {
  /** a shop's word for it; null: told by the width of its ring */
  name: string | null;
  /** an adhesive holds it: heat opens it and glue closes it */
  glued: boolean;
  /** the glue lies under the whole cover: it comes off piece by piece, by thicker blades, and is cleaned in the middle too */
  wholeFace: boolean;
  /** a band along the edge is all that is glued: holes have to keep clear of it */
  band: boolean;
  /** ways of closing it, the usual one first */
  closings: readonly [Closing, ...Closing[]];
}

export const jointKinds: Record<Bond['zone'], JointKind> = {
  ring: { name: null, glued: true, wholeFace: false, band: true, closings: ['tape', 'bead'] },
  fullArea: { name: 'glued all over', glued: true, wholeFace: true, band: false, closings: ['bead'] },
  clips: { name: 'clips', glued: false, wholeFace: false, band: false, closings: ['nothing'] },
};

/** What the kind of this joint answers. */
export const jointOf = (bond: Pick<Bond, 'zone'>): JointKind => jointKinds[bond.zone];
