/** Plan frame: mm, origin at the top-left of the outline box seen FROM BEHIND, x right, y down to the charge port. */
export type Pt = readonly [xMm: number, yMm: number];

/** A plug inside; the battery's is the first off and the last on. */
export interface Connector {
  id: string;
  name: string;
  at: Pt;
  leaf?: string | undefined;
  /** part whose cable it ends */
  of: string;
  kind: 'press' | 'latch' | 'coax';
  battery: boolean;
}

export const pieceKinds = [
  'bracket',
  'mesh',
  'gasket',
  'magnet',
  'motor',
  'earpiece',
  'button',
  'antenna',
  'insulation',
  'paste',
  'spreader',
  'film',
] as const;

/** Small things that have to be on the new shell, or off it; the ones that get forgotten. */
export interface SmallPiece {
  id: string;
  name: string;
  kind: (typeof pieceKinds)[number];
  at: Pt;
  leaf?: string | undefined;
  /** renewed, not moved */
  singleUse: boolean;
  qty: number;
  /** connectors, parts or pieces that it lies over */
  covers: string[];
}

export interface ScrewHole {
  id: string;
  at: Pt;
  leaf?: string | undefined;
  zone: string;
  head: 'cross' | 'fiveLobe' | 'threeWing' | 'hex' | 'slot';
  diaMm: number;
  lengthMm: number;
  /** what the screw passes before the boss, the boss's depth and the least engagement, mm */
  stackMm: number;
  bossDepthMm: number;
  minEngageMm: number;
  colour?: 'silver' | 'black' | 'gold' | undefined;
  /** part or piece that it holds; nothing but itself when it is not said */
  holds?: string | undefined;
}
