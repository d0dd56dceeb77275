import { coverKinds } from '../device/coverKinds';
import type { Construction, PartKind } from '../device/types';

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
  /** a display is glued to this cover: a front, or the outer screen of a folding device */
  hasDisplay: boolean;
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
  /** the part that a device may have to be told about, and whether it commonly leaves a notice when it is not */
  registers: { part: 'display' | 'back' | 'inner'; asked: boolean } | null;
  /** what it throws away: nothing inside has to spare it any more */
  scraps: PartKind | null;
  /** faces at which it makes sense; one under lenses is asked apart */
  at(face: WorkFace): boolean;
}

const nowhere = () => false;
const back = (f: WorkFace) => f.side === 'back' && !f.hasDisplay;
const anywhere = () => true;
/** Through the front where it opens, else through the back. */
const display = (f: WorkFace) => f.side === 'front' || (!f.frontOpens && !f.hasDisplay);
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
    scraps: null,
    at: anywhere,
  },
  glassOnly: {
    item: 'glass',
    origins,
    internalsOut: false,
    keepsCover: never,
    puts: [],
    plugs: false,
    registers: { part: 'back', asked: false },
    scraps: null,
    at: back,
  },
  rearAssembly: {
    item: 'assembly',
    origins: ['genuine', 'pulled'],
    internalsOut: true,
    keepsCover: never,
    puts: ['battDisconnect', 'coilRemove', 'cameraRemove'],
    plugs: true,
    registers: { part: 'back', asked: false },
    scraps: null,
    at: back,
  },
  wholeHousing: {
    item: 'housing',
    origins: ['pulled', 'aftermarket'],
    internalsOut: true,
    keepsCover: never,
    puts: ['battDisconnect', 'housingSwap'],
    plugs: false,
    registers: { part: 'back', asked: false },
    scraps: null,
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
    scraps: null,
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
    registers: { part: 'display', asked: true },
    scraps: 'display',
    at: display,
  },
  displayAlone: {
    item: 'display',
    origins,
    internalsOut: false,
    keepsCover: never,
    puts: ['battDisconnect', 'displaySwap'],
    plugs: true,
    registers: { part: 'display', asked: true },
    scraps: 'display',
    at: (f) => f.hasDisplay,
  },
  inside: {
    item: 'inner',
    origins,
    internalsOut: true,
    keepsCover: always,
    puts: ['battDisconnect', 'coilRemove'],
    plugs: true,
    // a new cell is told of where it is chosen
    registers: { part: 'inner', asked: false },
    scraps: null,
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
export const coverWork = (face: Pick<WorkFace, 'construction' | 'hasDisplay'>): Work =>
  coverKinds[face.construction].lens ? 'lensCovers' : face.hasDisplay ? 'displayAlone' : 'glassOnly';

/** Something of it throws this away. */
export const scraps = (route: { work: Work; also?: readonly Work[] | undefined } | null, kind: PartKind): boolean =>
  route !== null && worksAt(route).some((w) => workDefs[w].scraps === kind);
