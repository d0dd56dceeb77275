import type { Connector, Pt, ScrewHole } from './insideTypes';

export const learnedKinds = [
  'tip',
  'screw',
  'plug',
  'cable',
  'noCable',
  'bracket',
  'mesh',
  'magnet',
  'patch',
  'part',
  'weak',
  'pry',
  'bound',
  'hiddenScrew',
] as const;
/** What is worth remembering of a model: said in words, or where something is. */
export type LearnedKind = (typeof learnedKinds)[number];

/** What a thing is that was seen inside, beyond its place: as it goes into the model. */
export type LearnedThing =
  | {
      kind: 'screw';
      id: string;
      zone: string;
      head: ScrewHole['head'];
      diaMm: number;
      lengthMm: number;
      /** part or piece that it holds */
      holds?: string | undefined;
    }
  | { kind: 'plug'; id: string; plug: Connector['kind']; battery: boolean; of: string }
  | { kind: 'piece'; id: string }
  | { kind: 'part'; id: string };

/** Something that was learned at a joint of a job. */
export interface Learned {
  itemId: string;
  what: LearnedKind;
  /** as somebody sees it who looks at the joint's face */
  at: Pt | null;
  text: string;
  joint: string;
  thing?: LearnedThing | undefined;
  /** a photo of it, in the shop's own store */
  photo?: string | undefined;
}

/** A photo that lies under the plan: of a face, or of the inside as it is seen through that face once it is open. */
export interface ModelPicture {
  /** picture in the shop's own store */
  id: string;
  face: string;
  inside: boolean;
  /** what it shows of the plan, from its corner, mm */
  widthMm: number;
  lengthMm: number;
}

/** Something that was learned on a job and kept for its model. */
export interface ModelNote {
  id: string;
  what: LearnedKind;
  /** face that it was seen from, and the place as somebody sees it who looks at that face */
  face: string;
  at: Pt | null;
  text: string;
  /** label of the job that it was learned on */
  from: string;
  /** a photo of it, in the shop's own store */
  photo?: string | undefined;
}
