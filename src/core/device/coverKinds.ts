import type { Construction, Face } from './types';

/** Everything that is asked of a kind of cover. One that is added here answers everywhere; what is missing does not compile. */
export interface CoverKind {
  /** a cover over the lenses, one of several that come off one by one: it lies in the back and is warmed on its own */
  lens: boolean;
  /** it can be got at from behind once the camera is out */
  fromBehind: boolean;
  /** what it makes of a job: nothing, one of its reasons, or work for somebody who has done it before */
  hard: 'no' | 'counts' | 'experienced';
  /** glass that is held all over: it breaks more often on the way */
  heldAllOver: boolean;
  /** it flexes and does not shatter: it may be pried off cold, hand-warm at most */
  cold: boolean;
}

const plain: CoverKind = { lens: false, fromBehind: false, hard: 'no', heldAllOver: false, cold: false };

export const coverKinds: Record<Construction, CoverKind> = {
  ringGlass: plain,
  ringPlastic: { ...plain, cold: true },
  fullGlass: { ...plain, hard: 'experienced', heldAllOver: true },
  clipped: { ...plain, cold: true },
  lensInRing: { ...plain, lens: true },
  frameLens: { ...plain, lens: true, fromBehind: true, hard: 'counts' },
};

/** What the kind of this cover answers. */
export const coverKindOf = (face: Pick<Face, 'construction'>): CoverKind => coverKinds[face.construction];
