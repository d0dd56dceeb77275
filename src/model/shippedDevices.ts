import type { Device, Outline, Part, Shape } from '../core/device/types';
import { commonPractice, judgement, memory } from '../core/source';

/** Invented devices of the demo shop. Sizes and layouts are made up; limits name their sources. */
const rect = (x0: number, y0: number, x1: number, y1: number, rMm = 0): Outline => ({
  kind: 'roundRect',
  min: [x0, y0],
  max: [x1, y1],
  rMm,
});

const clear = judgement(1, 'room that a tool keeps');
const coilClear = commonPractice(1, 'never under the coil');

const batteryLimit = {
  caution: commonPractice(60, 'usual discharge limit on cell datasheets; lower for aged cells'),
  stop: judgement(80, 'film breakdown in the cell is put at 80-90 °C, from memory'),
};
const cameraLimit = {
  caution: memory(70, 'storage ratings of camera modules 70-85 °C'),
  stop: judgement(80, 'assumed'),
};
const displayLimit = { caution: memory(75, 'display stack'), stop: judgement(85, 'assumed') };

interface Layout {
  outline: Outline;
  rimMm: number;
  coil?: Shape;
  board: Outline;
  batteries: Outline[];
  camera: Outline;
  buttons: { name: string; shape: Outline }[];
  glassMm: number;
  gapMm: number;
  coreMm: number;
  plateMm: number;
  displayMm: number;
  /** depth over the core where coil, camera top and rim begin */
  clearanceMm: number;
}

function parts(l: Layout): { parts: Part[]; thicknessMm: number } {
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
    more: Partial<Part> = {},
  ): Part => ({
    id,
    name,
    kind,
    shape,
    fromDepthMm,
    toDepthMm,
    material,
    removable: !['rim', 'midPlate'].includes(kind),
    clearMm: clear,
    ...more,
  });
  return {
    thicknessMm: end,
    parts: [
      ...(l.coil ? [part('coil', 'charging coil', 'coil', l.coil, top, core, 'coil', { clearMm: coilClear })] : []),
      part('board', 'main board', 'board', l.board, core, plate, 'board'),
      ...l.batteries.map((b, i) =>
        part(`battery${i || ''}`, 'battery', 'battery', b, core, plate, 'battery', { limitC: batteryLimit }),
      ),
      part('camera', 'camera island', 'camera', l.camera, top, plate, 'camera', { limitC: cameraLimit }),
      ...l.buttons.map((b, i) => part(`button${i}`, b.name, 'button', b.shape, top, core, 'polymer')),
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
      part('display', 'display', 'display', l.outline, display, end, 'display', { limitC: displayLimit }),
    ],
  };
}

const phoneFunctions =
  'touch display bright earpiece speaker micMain micRear camMain camAux ois flash camFront prox motion vibra buttons chargeW chargeQ nfc sim cell wifiBt gps power'.split(
    ' ',
  );

const phone61Outline = rect(0, 0, 72, 150, 10);
const phone61 = parts({
  outline: phone61Outline,
  rimMm: 3,
  coil: { kind: 'disc', c: [36, 78], rMm: 22 },
  board: rect(48, 4, 66, 126),
  batteries: [rect(8, 38, 46, 126)],
  camera: rect(6, 6, 34, 34, 7),
  buttons: [{ name: 'side key', shape: rect(68, 48, 70.5, 60) }],
  glassMm: 0.8,
  gapMm: 0.2,
  clearanceMm: 0.5,
  coreMm: 4.2,
  plateMm: 0.6,
  displayMm: 1.5,
});

const phone54Outline = rect(0, 0, 64, 131, 12);
const phone54 = parts({
  outline: phone54Outline,
  rimMm: 2.6,
  coil: { kind: 'disc', c: [32, 72], rMm: 18 },
  board: rect(5, 6, 24, 118),
  batteries: [rect(26, 42, 58, 112)],
  camera: rect(26, 5, 59, 20, 7),
  buttons: [
    { name: 'volume keys', shape: rect(1.5, 34, 3.6, 54) },
    { name: 'side key', shape: rect(60.4, 40, 62.5, 50) },
  ],
  glassMm: 0.7,
  gapMm: 0.2,
  clearanceMm: 0.6,
  coreMm: 3.9,
  plateMm: 0.5,
  displayMm: 1.4,
});

const tabletOutline = rect(0, 0, 160, 245, 10);
const tablet = parts({
  outline: tabletOutline,
  rimMm: 10,
  board: rect(40, 10, 120, 45),
  batteries: [rect(12, 55, 76, 205), rect(84, 55, 148, 205)],
  camera: rect(12, 12, 30, 30, 6),
  buttons: [{ name: 'volume keys', shape: rect(154, 30, 157, 62) }],
  glassMm: 1.1,
  gapMm: 0.3,
  clearanceMm: 0.5,
  coreMm: 3.5,
  plateMm: 1,
  displayMm: 2,
});

export const shippedDevices: Device[] = [
  {
    id: 'ring61',
    version: 1,
    name: 'Ring-bond 6.1',
    kind: 'phone',
    leaves: [{ id: 'body', outline: phone61Outline, thicknessMm: phone61.thicknessMm, fill: 'air' }],
    faces: [
      {
        id: 'back',
        leaf: 'body',
        side: 'back',
        cover: {
          strength: 'glassStrengthened',
          material: 'glass',
          hMm: 0.8,
          outline: phone61Outline,
          printLayer: true,
          insetToFrameMm: 0.15,
        },
        holes: [
          { id: 'lens1', shape: { kind: 'disc', c: [13.5, 14], rMm: 4.4 }, role: 'camera' },
          { id: 'lens2', shape: { kind: 'disc', c: [13.5, 26], rMm: 4.4 }, role: 'camera' },
          { id: 'lens3', shape: { kind: 'disc', c: [26.5, 20], rMm: 4.4 }, role: 'camera' },
          { id: 'flash', shape: { kind: 'disc', c: [26.5, 10.5], rMm: 2 }, role: 'flash' },
        ],
      },
    ],
    bonds: [
      {
        id: 'backRing',
        onFace: 'back',
        widthMm: 2,
        insetMm: 0,
        gapMm: 0.2,
        adhesive: 'foamRing',
        gaps: [{ fromMm: -3, toMm: 3 }],
      },
    ],
    parts: phone61.parts,
    cables: [
      {
        id: 'rearCable',
        name: 'rear cable',
        at: { fromMm: 318, toMm: 324 },
        widthMm: 6,
        reachMm: 14,
        slackMm: 38,
        foldToward: 'right',
        unplugFirst: false,
      },
    ],
    functions: phoneFunctions,
  },
  {
    id: 'ring54',
    version: 1,
    name: 'Ring-bond 5.4',
    kind: 'phone',
    leaves: [{ id: 'body', outline: phone54Outline, thicknessMm: phone54.thicknessMm, fill: 'air' }],
    faces: [
      {
        id: 'back',
        leaf: 'body',
        side: 'back',
        cover: {
          strength: 'glassStrengthened',
          material: 'glass',
          hMm: 0.7,
          outline: phone54Outline,
          printLayer: true,
          insetToFrameMm: 0.15,
        },
        holes: [
          { id: 'lens1', shape: { kind: 'disc', c: [34.5, 12.5], rMm: 4.2 }, role: 'camera' },
          { id: 'lens2', shape: { kind: 'disc', c: [46, 12.5], rMm: 4.2 }, role: 'camera' },
          { id: 'flash', shape: { kind: 'disc', c: [54, 12.5], rMm: 1.8 }, role: 'flash' },
        ],
      },
    ],
    bonds: [{ id: 'backRing', onFace: 'back', widthMm: 1.8, insetMm: 0.2, gapMm: 0.2, adhesive: 'foamRing', gaps: [] }],
    parts: phone54.parts,
    cables: [],
    functions: phoneFunctions.filter((f) => f !== 'ois' && f !== 'camAux'),
  },
  {
    id: 'tablet10',
    version: 1,
    name: 'Glass-back tablet 10',
    kind: 'tablet',
    leaves: [{ id: 'body', outline: tabletOutline, thicknessMm: tablet.thicknessMm, fill: 'air' }],
    faces: [
      {
        id: 'back',
        leaf: 'body',
        side: 'back',
        cover: {
          strength: 'glassStrengthened',
          material: 'glass',
          hMm: 1.1,
          outline: tabletOutline,
          printLayer: true,
          insetToFrameMm: 0.2,
        },
        holes: [{ id: 'lens1', shape: { kind: 'disc', c: [21, 21], rMm: 5 }, role: 'camera' }],
      },
    ],
    bonds: [
      {
        id: 'backRing',
        onFace: 'back',
        widthMm: 8,
        insetMm: 0,
        gapMm: 0.3,
        adhesive: 'strongRing',
        gaps: [{ fromMm: 20, toMm: 32 }],
      },
    ],
    parts: tablet.parts,
    cables: [
      {
        id: 'micCable',
        name: 'microphone cable',
        at: { fromMm: 395, toMm: 401 },
        widthMm: 6,
        reachMm: 18,
        slackMm: 25,
        foldToward: 'top',
        unplugFirst: true,
      },
    ],
    functions: phoneFunctions.filter(
      (f) => !['earpiece', 'prox', 'vibra', 'sim', 'cell', 'nfc', 'chargeQ', 'ois', 'camAux'].includes(f),
    ),
  },
];
