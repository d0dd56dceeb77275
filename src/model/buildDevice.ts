import type {
  Bond,
  Cable,
  Connector,
  Construction,
  Device,
  Face,
  Outline,
  Part,
  Pt,
  ScrewHole,
  Shape,
  SmallPiece,
} from '../core/device/types';
import { commonPractice, judgement, memory } from '../core/source';

export const rect = (x0: number, y0: number, x1: number, y1: number, rMm = 0): Outline => ({
  kind: 'roundRect',
  min: [x0, y0],
  max: [x1, y1],
  rMm,
});
export const disc = (x: number, y: number, rMm: number): Outline => ({ kind: 'disc', c: [x, y], rMm });

const clear = judgement(1, 'room that a tool keeps');
const coilClear = commonPractice(1, 'never under the coil');

const batteryLimit = {
  caution: commonPractice(60, 'usual discharge limit on cell datasheets; lower for aged cells'),
  stop: judgement(80, 'film breakdown in the cell is put at 80-90 °C, from memory'),
};
const cameraLimit = {
  caution: memory(70, 'storage ratings of camera modules 70-85 °C'),
  stop: memory(85, 'usual storage limit in data sheets of image sensors'),
};
const displayLimit = { caution: memory(75, 'display stack'), stop: judgement(85, 'assumed') };

/** Limits and tool clearance that a new part of a kind starts with. */
export const partDefaults = (kind: Part['kind']): Pick<Part, 'clearMm' | 'limitC'> => ({
  clearMm: kind === 'coil' ? coilClear : clear,
  ...(kind === 'battery'
    ? { limitC: batteryLimit }
    : kind === 'camera'
      ? { limitC: cameraLimit }
      : kind === 'display'
        ? { limitC: displayLimit }
        : {}),
});

/** One leaf of a device as it is laid out: what lies where, and how thick each layer is. */
export interface Layout {
  outline: Outline;
  leaf?: string;
  rimMm: number;
  coil?: Shape;
  board?: Outline;
  batteries: Outline[];
  camera?: Outline;
  buttons: { name: string; shape: Outline }[];
  /** parts beyond these; depths are filled in from the layer that they sit in */
  more?: { id: string; name: string; kind: Part['kind']; shape: Outline; material: string; layer: 'top' | 'core' }[];
  glassMm: number;
  gapMm: number;
  coreMm: number;
  plateMm: number;
  displayMm: number;
  /** the display does not reach the frame by this much; 0: it does */
  displayInsetMm?: number;
  /** depth over the core where coil, camera top and rim begin */
  clearanceMm: number;
  /** the cover lies on a metal chassis, not on a ledge */
  chassis?: boolean;
}

/** The parts of a leaf with their depths, and the leaf's thickness. Ids get the leaf's name behind them on a second leaf. */
export function layOut(l: Layout): { parts: Part[]; thicknessMm: number } {
  const top = l.glassMm + l.gapMm;
  const core = top + l.clearanceMm;
  const plate = core + l.coreMm;
  const display = plate + l.plateMm;
  const end = display + l.displayMm;
  const part = (
    id: string,
    name: string,
    kind: Part['kind'],
    shape: Shape,
    fromDepthMm: number,
    toDepthMm: number,
    material: string,
  ): Part => ({
    id: l.leaf ? `${id}-${l.leaf}` : id,
    name,
    kind,
    ...(l.leaf ? { leaf: l.leaf } : {}),
    shape,
    fromDepthMm,
    toDepthMm,
    material,
    removable: !['rim', 'midPlate', 'hinge'].includes(kind),
    ...partDefaults(kind),
  });
  const inner: Outline =
    l.displayInsetMm && l.outline.kind === 'roundRect'
      ? rect(
          l.outline.min[0] + l.displayInsetMm,
          l.outline.min[1] + l.displayInsetMm,
          l.outline.max[0] - l.displayInsetMm,
          l.outline.max[1] - l.displayInsetMm,
          Math.max(0, l.outline.rMm - l.displayInsetMm),
        )
      : l.outline;
  return {
    thicknessMm: end,
    parts: [
      ...(l.chassis ? [part('chassis', 'metal chassis', 'midPlate', l.outline, top, core, 'aluminium')] : []),
      ...(l.coil ? [part('coil', 'charging coil', 'coil', l.coil, top, core, 'coil')] : []),
      ...(l.board ? [part('board', 'main board', 'board', l.board, core, plate, 'board')] : []),
      ...l.batteries.map((b, i) => part(`battery${i || ''}`, 'battery', 'battery', b, core, plate, 'battery')),
      ...(l.camera ? [part('camera', 'camera island', 'camera', l.camera, top, plate, 'camera')] : []),
      ...l.buttons.map((b, i) => part(`button${i}`, b.name, 'button', b.shape, top, core, 'polymer')),
      ...(l.more ?? []).map((m) =>
        part(
          m.id,
          m.name,
          m.kind,
          m.shape,
          m.layer === 'top' ? top : core,
          m.layer === 'top' ? core : plate,
          m.material,
        ),
      ),
      part('midPlate', 'mid plate', 'midPlate', l.outline, plate, display, 'aluminium'),
      part(
        'rim',
        'frame ledge',
        'rim',
        { kind: 'band', of: l.outline, fromMm: 0, toMm: l.rimMm },
        top,
        display,
        'aluminium',
      ),
      part('display', 'display', 'display', inner, display, end, 'display'),
    ],
  };
}

const coverKinds: Record<Construction, { strength: string; material: string; printLayer: boolean }> = {
  ringGlass: { strength: 'glassStrengthened', material: 'glass', printLayer: true },
  fullGlass: { strength: 'glassStrengthened', material: 'glass', printLayer: true },
  ringPlastic: { strength: 'plastic', material: 'polymer', printLayer: false },
  clipped: { strength: 'plastic', material: 'polymer', printLayer: false },
  lensInRing: { strength: 'glassStrengthened', material: 'glass', printLayer: false },
  frameLens: { strength: 'glassPlain', material: 'glass', printLayer: false },
};

export const coverOfKind = (
  construction: Construction,
  outline: Outline,
  hMm: number,
  insetToFrameMm = 0.15,
): Pick<Face, 'construction' | 'cover'> => ({
  construction,
  cover: { ...coverKinds[construction], outline, hMm, insetToFrameMm },
});

export const ringBond = (id: string, onFace: string, widthMm: number, more: Partial<Bond> = {}): Bond => ({
  id,
  onFace,
  zone: 'ring',
  patches: [],
  clipsAtMm: [],
  widthMm,
  insetMm: 0,
  gapMm: 0.2,
  adhesive: 'foamRing',
  gaps: [],
  ...more,
});

export const cable = (c: Partial<Cable> & Pick<Cable, 'id' | 'name' | 'at' | 'slackMm' | 'foldToward'>): Cable => ({
  widthMm: 6,
  reachMm: 14,
  unplugFirst: false,
  ...c,
});

/** A row of screws of one kind. */
export const screws = (zone: string, at: readonly Pt[], lengthMm: number, more: Partial<ScrewHole> = {}): ScrewHole[] =>
  at.map((p, i) => ({
    id: `${zone}${i + 1}`,
    at: p,
    zone,
    head: 'cross',
    diaMm: 1.2,
    lengthMm,
    stackMm: 0.5,
    bossDepthMm: lengthMm - (more.stackMm ?? 0.5) + 0.3,
    minEngageMm: Math.min(1, lengthMm - 0.7),
    ...more,
  }));

export const grid = (xs: readonly number[], ys: readonly number[]): Pt[] =>
  ys.flatMap((y) => xs.map((x): Pt => [x, y]));

export const plug = (id: string, name: string, at: Pt, of: string, more: Partial<Connector> = {}): Connector => ({
  id,
  name,
  at,
  of,
  kind: 'press',
  battery: false,
  ...more,
});

export const piece = (
  id: string,
  name: string,
  kind: SmallPiece['kind'],
  at: Pt,
  more: Partial<SmallPiece> = {},
): SmallPiece => ({ id, name, kind, at, singleUse: false, qty: 1, covers: [], ...more });

export const phoneFunctions =
  'touch display bright earpiece speaker micMain micRear camMain camAux ois flash camFront prox motion vibra buttons chargeW chargeQ nfc sim cell wifiBt gps power'.split(
    ' ',
  );

type Optional = 'kind' | 'cables' | 'screws' | 'connectors' | 'pieces' | 'functions' | 'insideThrough';
export type DeviceSeed = Omit<Device, 'version' | Optional> & Partial<Pick<Device, Optional>>;

export const device = (d: DeviceSeed): Device => ({
  version: 1,
  kind: 'phone',
  cables: [],
  screws: [],
  connectors: [],
  pieces: [],
  functions: phoneFunctions,
  insideThrough: 'back',
  ...d,
});
