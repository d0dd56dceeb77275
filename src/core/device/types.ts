import type { Sourced } from '../source';
import type { Connector, Pt, ScrewHole, SmallPiece } from './insideTypes';
import type { ModelNote, ModelPicture } from './learnedTypes';

export * from './insideTypes';
export * from './learnedTypes';

export type Outline =
  | { kind: 'disc'; c: Pt; rMm: number }
  | { kind: 'roundRect'; min: Pt; max: Pt; rMm: number }
  | { kind: 'polygon'; pts: readonly Pt[] };

/** A band lies between two inset distances from an outline: rings and rims. */
export type Shape = Outline | { kind: 'band'; of: Outline; fromMm: number; toMm: number };

/** A stretch of a bond: s along its centre line from bottom middle, clockwise as looked at. All stages join on it. */
export interface Arc {
  fromMm: number;
  toMm: number;
}

export type EdgeId = 'bottom' | 'left' | 'top' | 'right';

export type PartKind =
  | 'battery'
  | 'camera'
  | 'display'
  | 'coil'
  | 'board'
  | 'rim'
  | 'midPlate'
  | 'button'
  | 'magnet'
  | 'speaker'
  | 'mic'
  | 'flash'
  | 'hinge'
  | 'reader'
  | 'port'
  | 'other';

/** How a cover is held; decides method, heat and tools. */
export type Construction = 'ringGlass' | 'ringPlastic' | 'fullGlass' | 'clipped' | 'lensInRing' | 'frameLens';

/** Anything inside with an extent. The same list makes heat zones, keep-outs, watched places and depth limits. */
export interface Part {
  id: string;
  name: string;
  kind: PartKind;
  /** leaf that it sits in; the first one when it is not said */
  leaf?: string | undefined;
  shape: Shape;
  /** depth from the outer surface of the back, mm */
  fromDepthMm: number;
  toDepthMm: number;
  material: string;
  removable: boolean;
  /** paired with this board: a new one does not work in it, nobody can replace it */
  bound?: boolean | undefined;
  /** margin that a tool keeps from this part, mm */
  clearMm: Sourced;
  limitC?: { caution: Sourced; stop: Sourced } | undefined;
  /** what has to be off before it comes out: one of these sets, whichever; made from the geometry when it is not said */
  needs?: string[][] | undefined;
}

export interface Cable {
  id: string;
  name: string;
  /** face whose cover it crosses to; the back when it is not said */
  onFace?: string | undefined;
  /** place along the bond and the edge that the cover is turned over, both as somebody sees them who looks at the face */
  at: Arc;
  widthMm: number;
  /** how far the cable and its connector reach in from the edge, mm */
  reachMm: number;
  slackMm: number;
  foldToward: EdgeId;
  unplugFirst: boolean;
}

export interface Hole {
  id: string;
  shape: Outline;
  role: 'camera' | 'flash' | 'mic' | 'reader' | 'port';
}

export interface Cover {
  /** row of the strength table */
  strength: string;
  material: string;
  hMm: number;
  outline: Outline;
  printLayer: boolean;
  /** nominal gap between cover edge and frame, mm: the datum of the dry fit */
  insetToFrameMm: number;
}

export interface Face {
  id: string;
  name: string;
  leaf: string;
  construction: Construction;
  side: 'back' | 'front';
  cover: Cover;
  holes: Hole[];
}

/**
 * What is softened, cut, cleaned and laid again. `ring`: a band along the cover's edge; `fullArea`: everything inside the
 * inset; `clips`: nothing is glued but the patches.
 */
export interface Bond {
  id: string;
  onFace: string;
  zone: 'ring' | 'fullArea' | 'clips';
  /** glued spots besides the zone: at a camera, an antenna, a reader */
  patches: Outline[];
  /** places of clips along the edge, s in mm */
  clipsAtMm: number[];
  /** ring width and its inset from the cover's outline, mm */
  widthMm: number;
  insetMm: number;
  gapMm: number;
  adhesive: string;
  /** vents and microphone paths left open */
  gaps: Arc[];
}

export interface Leaf {
  id: string;
  outline: Outline;
  thicknessMm: number;
  fill: string;
}

export const howKnown = ['guessed', 'seen', 'measured', 'drawing'] as const;
/** How a fact of a model is known: guessed from construction and size, seen on the device, measured, from a drawing. */
export type HowKnown = (typeof howKnown)[number];

/** An immutable, versioned model; a job copies the version that it started with. */
export interface Device {
  id: string;
  version: number;
  name: string;
  /** phone or tablet, a word for lists and durations */
  kind: 'phone' | 'tablet';
  leaves: Leaf[];
  faces: Face[];
  bonds: Bond[];
  parts: Part[];
  /** on the bench: parts that are out now; they leave empty space, or nothing at all at the far side */
  out?: Part[] | undefined;
  cables: Cable[];
  screws: ScrewHole[];
  connectors: Connector[];
  pieces: SmallPiece[];
  functions: string[];
  /** face through which the inside is reached */
  insideThrough: string;
  /** what the shop has learned of it on its jobs */
  notes?: ModelNote[] | undefined;
  /** what comes out before what, as it was done on a job: things by their id, screws by their zone */
  order?: string[] | undefined;
  /** photos that lie under its plan */
  pictures?: ModelPicture[] | undefined;
  /** model that this one is the same as but for some differences: what was learned on one is told on the other */
  sisterOf?: string | undefined;
  /** how its facts are known, where they are not from a drawing; keys as in `known.ts` */
  known?: Record<string, HowKnown> | undefined;
  /** what comes out from outside before any heat, besides the card tray */
  outside?: { screws: number; stylus: boolean } | undefined;
}
