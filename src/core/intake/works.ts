import { coverKinds } from '../device/coverKinds';
import type { Construction } from '../device/types';

export const works = [
  'openClose',
  'glassOnly',
  'rearAssembly',
  'wholeHousing',
  'lensCovers',
  'displayWithFrame',
  'displayAlone',
  'inside',
] as const;

export type Work = (typeof works)[number];

export const origins = ['genuine', 'pulled', 'aftermarket'] as const;

export type Origin = (typeof origins)[number];

export type Side = 'back' | 'front';

/** A face as far as it is asked what can be done there. */
export interface WorkFace {
  construction: Construction;
  side: Side;
  /** the front of this device opens too: a display is swapped there, not through the back */
  frontOpens: boolean;
}

/** Everything that is asked of a kind of work. One that is added here answers everywhere. Common practice. */
export interface WorkDef {
  /** item of the price list that it buys; null: nothing */
  item: string | null;
  origins: readonly Origin[];
  /** the inside comes out */
  internalsOut: boolean;
  /** the cover that is opened goes back on where nothing is broken */
  keepsCover(side: Side): boolean;
  /** what it puts at risk beside opening and closing: steps of the table of causes */
  puts: readonly string[];
  /** the part has a plug: it can be tried before anything is opened */
  plugs: boolean;
  /** the part that a device may have to be told about */
  registers: 'display' | null;
  /** faces at which it makes sense; one under lenses is asked apart */
  at(face: WorkFace): boolean;
}

const nowhere = () => false;
const back = (f: WorkFace) => f.side === 'back';
const anywhere = () => true;
/** Through the front where it opens, else through the back. */
const display = (f: WorkFace) => f.side === 'front' || !f.frontOpens;
const always = () => true;
const never = () => false;

export const workDefs: Record<Work, WorkDef> = {
  openClose: {
    item: null,
    origins: [],
    internalsOut: false,
    keepsCover: always,
    puts: [],
    plugs: false,
    registers: null,
    at: anywhere,
  },
  glassOnly: {
    item: 'glass',
    origins,
    internalsOut: false,
    keepsCover: never,
    puts: [],
    plugs: false,
    registers: null,
    at: back,
  },
  rearAssembly: {
    item: 'assembly',
    origins: ['genuine', 'pulled'],
    internalsOut: true,
    keepsCover: never,
    puts: ['battDisconnect', 'coilRemove', 'cameraRemove'],
    plugs: true,
    registers: null,
    at: back,
  },
  wholeHousing: {
    item: 'housing',
    origins: ['pulled', 'aftermarket'],
    internalsOut: true,
    keepsCover: never,
    puts: ['battDisconnect', 'housingSwap'],
    plugs: false,
    registers: null,
    at: back,
  },
  lensCovers: {
    item: 'lensSet',
    origins: ['genuine', 'aftermarket'],
    internalsOut: false,
    keepsCover: never,
    puts: ['lensCoverSwap'],
    plugs: false,
    registers: null,
    at: nowhere,
  },
  displayWithFrame: {
    item: 'displayFrame',
    origins: ['genuine', 'pulled'],
    internalsOut: true,
    // through the back the cover is only opened, and closes the new frame
    keepsCover: (side) => side === 'back',
    puts: ['battDisconnect', 'housingSwap', 'displaySwap'],
    plugs: true,
    registers: 'display',
    at: display,
  },
  displayAlone: {
    item: 'display',
    origins,
    internalsOut: false,
    keepsCover: never,
    puts: ['battDisconnect', 'displaySwap'],
    plugs: true,
    registers: 'display',
    at: (f) => f.side === 'front',
  },
  inside: {
    item: 'inner',
    origins,
    internalsOut: true,
    keepsCover: always,
    puts: ['battDisconnect', 'coilRemove'],
    plugs: true,
    // a new cell is told of where it is chosen
    registers: null,
    at: anywhere,
  },
};

/** Works that make sense on a face. */
export function worksFor(face: WorkFace): readonly Work[] {
  if (coverKinds[face.construction].lens) return ['lensCovers'];
  return works.filter((w) => workDefs[w].at(face));
}

/** All that is done at a joint. */
export const worksAt = (route: { work: Work; also?: readonly Work[] | undefined }): readonly Work[] => [
  ...new Set([route.work, ...(route.also ?? [])]),
];

/** Something of it takes the inside out. */
export const internalsOutOf = (route: { work: Work; also?: readonly Work[] | undefined }): boolean =>
  worksAt(route).some((w) => workDefs[w].internalsOut);

/** What becomes of the cover in this work. */
export const coverOf = (work: Work, side: Side): 'save' | 'new' => (workDefs[work].keepsCover(side) ? 'save' : 'new');

/** The work that renews the cover alone, where one that was to be saved is written off. */
export const coverWork = (face: Pick<WorkFace, 'construction' | 'side'>): Work =>
  coverKinds[face.construction].lens ? 'lensCovers' : face.side === 'front' ? 'displayAlone' : 'glassOnly';
