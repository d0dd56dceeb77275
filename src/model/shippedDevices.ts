import type { Device } from '../core/device/types';
import {
  cable,
  coverOfKind,
  device,
  disc,
  grid,
  layOut,
  piece,
  plug,
  phoneFunctions,
  rect,
  ringBond,
  screws,
  type Layout,
} from './buildDevice';

/**
 * Invented devices of the demo shop, one for every construction. Sizes and layouts are made up; limits name their sources.
 */
const body = (l: Layout) => {
  const { parts, thicknessMm } = layOut(l);
  return { parts, leaf: { id: l.leaf ?? 'body', outline: l.outline, thicknessMm, fill: 'air' } };
};

const lens = (id: string, x: number, y: number, r: number) => ({ id, shape: disc(x, y, r), role: 'camera' as const });
const flash = (x: number, y: number, r = 2) => ({ id: 'flash', shape: disc(x, y, r), role: 'flash' as const });
const without = (...ids: string[]) => phoneFunctions.filter((f) => !ids.includes(f));

/** Charge port in the middle of the foot, in the core. */
const port = (midX: number, footY: number) => ({
  id: 'port',
  name: 'charge port',
  kind: 'port' as const,
  shape: rect(midX - 5, footY - 10, midX + 5, footY - 3),
  material: 'polymer',
  layer: 'core' as const,
});

const o61 = rect(0, 0, 72, 150, 10);
const ring61 = body({
  outline: o61,
  rimMm: 3,
  coil: disc(36, 78, 22),
  board: rect(48, 4, 66, 126),
  batteries: [rect(8, 38, 46, 126)],
  camera: rect(6, 6, 34, 34, 7),
  buttons: [{ name: 'side key', shape: rect(68, 48, 70.5, 60) }],
  more: [port(36, 150)],
  glassMm: 0.8,
  gapMm: 0.2,
  clearanceMm: 0.5,
  coreMm: 4.2,
  plateMm: 0.6,
  displayMm: 1.5,
});

const o54 = rect(0, 0, 64, 131, 12);
const ring54 = body({
  outline: o54,
  rimMm: 2.6,
  coil: disc(32, 72, 18),
  board: rect(5, 6, 24, 118),
  batteries: [rect(26, 42, 58, 112)],
  camera: rect(26, 5, 59, 20, 7),
  buttons: [
    { name: 'volume keys', shape: rect(1.5, 34, 3.6, 54) },
    { name: 'side key', shape: rect(60.4, 40, 62.5, 50) },
  ],
  more: [port(32, 131)],
  glassMm: 0.7,
  gapMm: 0.2,
  clearanceMm: 0.6,
  coreMm: 3.9,
  plateMm: 0.5,
  displayMm: 1.4,
});

const o10 = rect(0, 0, 160, 245, 10);
const tablet = body({
  outline: o10,
  rimMm: 10,
  board: rect(40, 10, 120, 45),
  batteries: [rect(12, 55, 76, 205), rect(84, 55, 148, 205)],
  camera: rect(12, 12, 30, 30, 6),
  buttons: [{ name: 'volume keys', shape: rect(154, 30, 157, 62) }],
  more: [port(80, 245)],
  glassMm: 1.1,
  gapMm: 0.3,
  clearanceMm: 0.5,
  coreMm: 3.5,
  plateMm: 1,
  displayMm: 2,
});

const o64 = rect(0, 0, 74, 158, 11);
const full64 = body({
  outline: o64,
  rimMm: 3,
  chassis: true,
  coil: disc(37, 86, 21),
  board: rect(44, 6, 68, 40),
  batteries: [rect(7, 46, 67, 132)],
  camera: rect(5, 5, 41, 41, 9),
  buttons: [{ name: 'side key', shape: rect(70, 54, 72.5, 66) }],
  more: [port(37, 158)],
  glassMm: 0.65,
  gapMm: 0.1,
  clearanceMm: 0.6,
  coreMm: 4.3,
  plateMm: 0.6,
  displayMm: 1.5,
});

const o60 = rect(0, 0, 73, 155, 8);
const plastic60 = body({
  outline: o60,
  rimMm: 3.2,
  board: rect(6, 5, 42, 40),
  batteries: [rect(8, 46, 65, 126)],
  camera: rect(45, 8, 65, 34, 5),
  buttons: [{ name: 'volume keys', shape: rect(69.4, 40, 71.6, 60) }],
  more: [port(36.5, 155)],
  glassMm: 1,
  gapMm: 0.25,
  clearanceMm: 0.5,
  coreMm: 4.6,
  plateMm: 0.6,
  displayMm: 1.6,
});

const o55 = rect(0, 0, 70, 146, 7);
const clip55 = body({
  outline: o55,
  rimMm: 2.5,
  board: rect(26, 5, 65, 36),
  batteries: [rect(7, 58, 63, 124)],
  camera: rect(7, 8, 23, 24, 4),
  buttons: [{ name: 'side keys', shape: rect(66, 36, 68.2, 62) }],
  more: [
    port(35, 146),
    {
      id: 'reader',
      name: 'rear fingerprint reader',
      kind: 'reader',
      shape: disc(35, 46, 6.5),
      material: 'board',
      layer: 'top',
    },
  ],
  glassMm: 1.2,
  gapMm: 0.3,
  clearanceMm: 0.9,
  coreMm: 4.6,
  plateMm: 0.6,
  displayMm: 1.7,
});

const oLeaf = rect(0, 0, 67, 156, 9);
const foldRear = body({
  outline: oLeaf,
  leaf: 'rear',
  rimMm: 2.8,
  coil: disc(34, 88, 17),
  board: rect(38, 5, 61, 48),
  batteries: [rect(9, 54, 60, 128)],
  camera: rect(10, 8, 32, 50, 8),
  buttons: [],
  more: [
    port(33.5, 156),
    { id: 'hinge', name: 'hinge', kind: 'hinge', shape: rect(0.6, 14, 4, 142), material: 'stainless', layer: 'core' },
  ],
  glassMm: 0.6,
  gapMm: 0.2,
  clearanceMm: 0.5,
  coreMm: 3.4,
  plateMm: 0.5,
  displayMm: 0.9,
});
const foldCover = body({
  outline: oLeaf,
  leaf: 'cover',
  rimMm: 2.8,
  board: rect(6, 120, 58, 146),
  batteries: [rect(8, 40, 57, 112)],
  buttons: [{ name: 'volume keys', shape: rect(2.2, 30, 4.4, 52) }],
  more: [
    {
      id: 'outerDisplay',
      name: 'outer display',
      kind: 'display',
      shape: rect(5, 6, 60, 116, 4),
      material: 'display',
      layer: 'top',
    },
    { id: 'hinge', name: 'hinge', kind: 'hinge', shape: rect(63, 14, 66.4, 142), material: 'stainless', layer: 'core' },
  ],
  glassMm: 0.6,
  gapMm: 0.2,
  clearanceMm: 1,
  coreMm: 2.9,
  plateMm: 0.5,
  displayMm: 0.9,
});

const o67 = rect(0, 0, 77, 161, 12);
const lens67 = body({
  outline: o67,
  rimMm: 3,
  coil: disc(38, 92, 23),
  board: rect(46, 6, 70, 52),
  batteries: [rect(8, 58, 69, 134)],
  camera: rect(7, 7, 43, 51, 12),
  buttons: [{ name: 'side key', shape: rect(73, 50, 75.4, 64) }],
  more: [port(38.5, 161)],
  glassMm: 0.7,
  gapMm: 0.2,
  clearanceMm: 0.6,
  coreMm: 4.4,
  plateMm: 0.6,
  displayMm: 1.5,
});
/** middle of each, radius of its glass and of what the camera sees through it */
const lensRings = [
  ['lens1', 18, 18, 7.2, 3.4],
  ['lens2', 18, 39, 7.2, 3.4],
  ['lens3', 34, 28.5, 5.6, 2.6],
] as const;

const o62 = rect(0, 0, 73, 152, 9);
const front62 = body({
  outline: o62,
  rimMm: 2.4,
  board: rect(31, 8, 66, 40),
  batteries: [rect(8, 46, 65, 128)],
  camera: rect(8, 9, 28, 37, 6),
  buttons: [{ name: 'side key', shape: rect(69.2, 44, 71.4, 58) }],
  more: [port(36.5, 152)],
  glassMm: 1,
  gapMm: 0.2,
  clearanceMm: 0.5,
  coreMm: 4.4,
  plateMm: 0.6,
  displayMm: 1.2,
  displayInsetMm: 2.6,
});
/** glass in front of the display and the ring that holds it to the frame, mm */
const frontGlassMm = 0.7;
const frontGapMm = 0.3;

const o65 = rect(0, 0, 75, 159, 10);
const both65 = body({
  outline: o65,
  rimMm: 2.6,
  chassis: true,
  coil: disc(37, 90, 20),
  board: rect(33, 8, 68, 44),
  batteries: [rect(8, 50, 67, 134)],
  camera: rect(6, 7, 30, 45, 9),
  buttons: [{ name: 'side key', shape: rect(71.2, 52, 73.4, 66) }],
  more: [
    port(37.5, 159),
    {
      id: 'reader',
      name: 'fingerprint reader in the side key',
      kind: 'reader',
      shape: rect(68.5, 53, 71, 65),
      material: 'board',
      layer: 'core',
    },
  ],
  glassMm: 0.7,
  gapMm: 0.1,
  clearanceMm: 0.6,
  coreMm: 4.3,
  plateMm: 0.6,
  displayMm: 1.3,
  displayInsetMm: 2.6,
});

/** A front that opens: the panel hangs under its glass, the ledge ends at the ring. */
const underFront = ({ parts, leaf }: ReturnType<typeof body>) =>
  parts.map((p) =>
    p.kind === 'display'
      ? { ...p, toDepthMm: leaf.thicknessMm - frontGlassMm }
      : p.kind === 'rim'
        ? { ...p, toDepthMm: leaf.thicknessMm - frontGlassMm - frontGapMm }
        : p,
  );

export const shippedDevices: Device[] = [
  device({
    id: 'ring61',
    name: 'Ring-bond 6.1',
    leaves: [ring61.leaf],
    faces: [
      {
        id: 'back',
        name: 'back',
        leaf: 'body',
        side: 'back',
        ...coverOfKind('ringGlass', o61, 0.8),
        holes: [
          lens('lens1', 13.5, 14, 4.4),
          lens('lens2', 13.5, 26, 4.4),
          lens('lens3', 26.5, 20, 4.4),
          flash(26.5, 10.5),
        ],
      },
    ],
    bonds: [ringBond('backRing', 'back', 2, { gaps: [{ fromMm: -3, toMm: 3 }] })],
    parts: ring61.parts,
    cables: [
      cable({ id: 'rearCable', name: 'rear cable', at: { fromMm: 318, toMm: 324 }, slackMm: 38, foldToward: 'right' }),
    ],
    screws: [
      ...screws(
        'bracket',
        [
          [51, 8],
          [57, 8],
          [63, 8],
          [51, 40],
          [63, 40],
        ],
        1.6,
        { holds: 'plateTop' },
      ),
      ...screws(
        'foot',
        [
          [14, 134],
          [36, 138],
          [58, 134],
        ],
        2.4,
        { head: 'threeWing', holds: 'speakerBox' },
      ),
    ],
    connectors: [
      plug('batteryPlug', 'battery plug', [50, 82], 'battery', { battery: true }),
      plug('cameraPlug', 'camera plug', [44, 20], 'camera'),
      plug('coilPlug', 'coil plug', [52, 66], 'coil'),
    ],
    pieces: [
      piece('plateTop', 'top plate', 'bracket', [57, 24], { covers: ['cameraPlug', 'board'] }),
      piece('speakerBox', 'speaker box', 'bracket', [36, 136], { covers: ['port'] }),
      piece('spreader', 'heat spreader', 'spreader', [57, 60]),
      piece('motor', 'vibration motor', 'motor', [20, 136]),
      piece('portGasket', 'port gasket', 'gasket', [36, 147], { singleUse: true }),
    ],
  }),
  device({
    id: 'ring54',
    name: 'Ring-bond 5.4',
    leaves: [ring54.leaf],
    faces: [
      {
        id: 'back',
        name: 'back',
        leaf: 'body',
        side: 'back',
        ...coverOfKind('ringGlass', o54, 0.7),
        holes: [lens('lens1', 34.5, 12.5, 4.2), lens('lens2', 46, 12.5, 4.2), flash(54, 12.5, 1.8)],
      },
    ],
    bonds: [ringBond('backRing', 'back', 1.8, { insetMm: 0.2 })],
    parts: ring54.parts,
    screws: screws(
      'bracket',
      [
        [8, 9],
        [14, 9],
        [20, 9],
        [8, 60],
        [20, 112],
      ],
      1.6,
    ),
    functions: without('ois', 'camAux'),
    connectors: [
      plug('batteryPlug', 'battery plug', [25, 78], 'battery', { battery: true }),
      plug('cameraPlug', 'camera plug', [22, 14], 'camera'),
    ],
  }),
  device({
    id: 'tablet10',
    name: 'Glass-back tablet 10',
    kind: 'tablet',
    leaves: [tablet.leaf],
    faces: [
      {
        id: 'back',
        name: 'back',
        leaf: 'body',
        side: 'back',
        ...coverOfKind('ringGlass', o10, 1.1, 0.2),
        holes: [lens('lens1', 21, 21, 5)],
      },
    ],
    bonds: [ringBond('backRing', 'back', 8, { gapMm: 0.3, adhesive: 'strongRing', gaps: [{ fromMm: 20, toMm: 32 }] })],
    parts: tablet.parts,
    cables: [
      cable({
        id: 'micCable',
        name: 'microphone cable',
        at: { fromMm: 395, toMm: 401 },
        reachMm: 18,
        slackMm: 25,
        foldToward: 'top',
        unplugFirst: true,
      }),
    ],
    screws: screws(
      'bracket',
      [
        [44, 14],
        [60, 14],
        [100, 14],
        [116, 14],
      ],
      3,
      { diaMm: 1.4 },
    ),
    outside: { screws: 0, stylus: true },
    functions: without('earpiece', 'prox', 'vibra', 'sim', 'cell', 'nfc', 'chargeQ', 'ois', 'camAux'),
    connectors: [plug('batteryPlug', 'battery plug', [80, 50], 'battery', { battery: true })],
  }),
  device({
    id: 'full64',
    name: 'Full-bond 6.4',
    leaves: [full64.leaf],
    faces: [
      {
        id: 'back',
        name: 'back',
        leaf: 'body',
        side: 'back',
        ...coverOfKind('fullGlass', o64, 0.65),
        holes: [lens('lens1', 14, 14, 6), lens('lens2', 14, 32, 6), lens('lens3', 31, 23, 6), flash(31, 10, 2.2)],
      },
    ],
    bonds: [ringBond('backFull', 'back', 3, { zone: 'fullArea', gapMm: 0.1, adhesive: 'fullAreaPu' })],
    parts: full64.parts,
    screws: [
      ...screws(
        'shield',
        [
          [46, 8],
          [66, 8],
          [46, 38],
          [66, 38],
        ],
        1.4,
      ),
      ...screws(
        'foot',
        [
          [16, 142],
          [37, 146],
          [58, 142],
        ],
        2.2,
        { head: 'fiveLobe' },
      ),
    ],
    connectors: [
      plug('batteryPlug', 'battery plug', [48, 43], 'battery', { battery: true }),
      plug('cameraPlug', 'camera plug', [44, 22], 'camera'),
    ],
  }),
  device({
    id: 'plastic60',
    name: 'Plastic-back 6.0',
    leaves: [plastic60.leaf],
    faces: [
      {
        id: 'back',
        name: 'back',
        leaf: 'body',
        side: 'back',
        ...coverOfKind('ringPlastic', o60, 1, 0.1),
        holes: [lens('lens1', 55, 15, 4.6), lens('lens2', 55, 27, 4.6)],
      },
    ],
    bonds: [ringBond('backRing', 'back', 2.6, { gapMm: 0.25 })],
    parts: plastic60.parts,
    screws: [
      ...screws('cover', grid([8, 22, 36, 50, 64], [3.5, 43]), 3.5, {
        diaMm: 1.4,
        holds: 'coverPlate',
        stackMm: 1.1,
      }),
      ...screws('board', grid([10, 20, 30, 40], [10, 36]), 2.5, { holds: 'board', stackMm: 0.7 }),
      ...screws('camera', grid([47, 63], [10, 32]), 2, { holds: 'camera' }),
      ...screws('foot', grid([8, 24, 49, 65], [130, 142]), 4, { diaMm: 1.4, holds: 'footPlate', stackMm: 1.2 }),
      ...screws(
        'plug',
        [
          [12, 42],
          [30, 42],
        ],
        1.6,
        { diaMm: 1, head: 'fiveLobe', colour: 'black', holds: 'plugBracket', minEngageMm: 0.7 },
      ),
      ...screws(
        'port',
        [
          [30, 148],
          [43, 148],
        ],
        3,
        { holds: 'port' },
      ),
    ],
    connectors: [
      plug('batteryPlug', 'battery plug', [20, 42], 'battery', { battery: true }),
      plug('cameraPlug', 'camera plug', [40, 14], 'camera'),
      plug('displayPlug', 'display plug', [34, 38], 'board', { kind: 'latch' }),
      plug('portPlug', 'port plug', [36, 128], 'port'),
      plug('antennaPlug', 'antenna plug', [9, 8], 'board', { kind: 'coax' }),
    ],
    pieces: [
      piece('coverPlate', 'cover plate', 'bracket', [36, 24], {
        covers: ['board', 'cameraPlug', 'displayPlug', 'antennaPlug', 'plugBracket'],
      }),
      piece('plugBracket', 'bracket of the battery plug', 'bracket', [20, 42], { covers: ['batteryPlug'] }),
      piece('footPlate', 'foot plate', 'bracket', [36, 136], { covers: ['portPlug', 'port'] }),
      piece('motor', 'vibration motor', 'motor', [14, 136]),
      piece('earpiece', 'earpiece', 'earpiece', [36, 5]),
      piece('volumeKeys', 'volume keys with their bracket', 'button', [70, 50]),
      piece('magnet', 'lid magnet', 'magnet', [68, 90]),
      piece('antennaLine', 'antenna line', 'antenna', [4, 80]),
      piece('earMesh', 'earpiece mesh', 'mesh', [36, 3], { singleUse: true }),
      piece('portGasket', 'port gasket', 'gasket', [36, 151], { singleUse: true }),
      piece('boardTape', 'insulating tape over the board', 'insulation', [24, 22], { singleUse: true }),
      piece('paste', 'thermal paste', 'paste', [24, 28], { singleUse: true }),
      piece('newFilm', 'protective film on the new shell', 'film', [36, 80], { singleUse: true }),
    ],
    functions: without('ois', 'chargeQ'),
  }),
  device({
    id: 'clip55',
    name: 'Clip-back 5.5',
    leaves: [clip55.leaf],
    faces: [
      {
        id: 'back',
        name: 'back',
        leaf: 'body',
        side: 'back',
        ...coverOfKind('clipped', o55, 1.2, 0.1),
        holes: [lens('lens1', 15, 16, 5), { id: 'readerHole', shape: disc(35, 46, 6), role: 'reader' }],
      },
    ],
    bonds: [
      ringBond('backClips', 'back', 2, {
        zone: 'clips',
        gapMm: 0.3,
        patches: [rect(26, 56, 44, 62, 1)],
        clipsAtMm: [30, 62, 92, 122, 152, 182, 214, 238, 270, 300, 330, 360, 392],
      }),
    ],
    parts: clip55.parts.map((p) => (p.kind === 'reader' ? { ...p, bound: true } : p)),
    cables: [
      cable({
        id: 'readerCable',
        name: 'reader cable',
        at: { fromMm: 318, toMm: 323 },
        widthMm: 5,
        reachMm: 26,
        slackMm: 12,
        foldToward: 'right',
        unplugFirst: true,
      }),
    ],
    screws: screws(
      'cover',
      [
        [9, 40],
        [61, 40],
        [9, 128],
        [35, 132],
        [61, 128],
      ],
      4,
      { diaMm: 1.6 },
    ),
    functions: [...without('ois', 'chargeQ', 'camAux'), 'finger'],
    connectors: [
      plug('batteryPlug', 'battery plug', [40, 38], 'battery', { battery: true }),
      plug('readerPlug', 'reader plug', [46, 34], 'reader'),
    ],
  }),
  device({
    id: 'fold78',
    name: 'Two-leaf 7.8',
    leaves: [foldRear.leaf, foldCover.leaf],
    faces: [
      {
        id: 'back',
        name: 'back of the rear leaf',
        leaf: 'rear',
        side: 'back',
        ...coverOfKind('ringGlass', oLeaf, 0.6),
        holes: [lens('lens1', 21, 16, 5.4), lens('lens2', 21, 29, 5.4), lens('lens3', 21, 42, 5.4), flash(30, 45, 1.4)],
      },
      {
        id: 'secondOuter',
        name: 'outer glass of the cover leaf',
        leaf: 'cover',
        side: 'back',
        ...coverOfKind('ringGlass', oLeaf, 0.6),
        holes: [lens('selfieLens', 33, 9, 1.8)],
      },
    ],
    bonds: [
      ringBond('backRing', 'back', 1.8, { insetMm: 0.2 }),
      ringBond('outerRing', 'secondOuter', 1.6, { insetMm: 0.2 }),
    ],
    parts: [...foldRear.parts, ...foldCover.parts],
    cables: [
      cable({
        id: 'outerCable',
        name: 'outer display cable',
        onFace: 'secondOuter',
        at: { fromMm: -4, toMm: 4 },
        widthMm: 8,
        reachMm: 12,
        slackMm: 30,
        foldToward: 'bottom',
      }),
    ],
    screws: screws(
      'hinge',
      [
        [8, 20],
        [8, 136],
      ],
      2,
      { leaf: 'rear', head: 'fiveLobe' },
    ),
    functions: [...without('chargeQ'), 'finger'],
    connectors: [plug('batteryPlug', 'battery plug', [50, 50], 'battery-rear', { battery: true, leaf: 'rear' })],
  }),
  device({
    id: 'lens67',
    name: 'Lens-ring 6.7',
    leaves: [lens67.leaf],
    faces: [
      {
        id: 'back',
        name: 'back',
        leaf: 'body',
        side: 'back',
        ...coverOfKind('ringGlass', o67, 0.7),
        holes: [...lensRings.map(([id, x, y]) => lens(`${id}Hole`, x, y, 8.4)), flash(35, 45, 2)],
      },
      ...lensRings.map(([id, x, y, rMm, viewMm], i) => ({
        id,
        name: `lens cover ${i + 1}`,
        leaf: 'body',
        side: 'back' as const,
        ...coverOfKind('lensInRing', disc(x, y, rMm), 0.5, 0.1),
        holes: [lens(`${id}View`, x, y, viewMm)],
      })),
    ],
    bonds: [
      ringBond('backRing', 'back', 2),
      ...lensRings.map(([id]) =>
        ringBond(`${id}Tape`, id, 1.4, { insetMm: 0.3, gapMm: 0.15, adhesive: 'transferTape' }),
      ),
    ],
    parts: lens67.parts,
    cables: [
      cable({ id: 'rearCable', name: 'rear cable', at: { fromMm: 345, toMm: 351 }, slackMm: 34, foldToward: 'right' }),
    ],
    screws: screws(
      'bracket',
      [
        [48, 10],
        [58, 10],
        [68, 10],
        [48, 50],
        [68, 50],
      ],
      1.6,
    ),
    connectors: [
      plug('batteryPlug', 'battery plug', [50, 54], 'battery', { battery: true }),
      plug('cameraPlug', 'camera plug', [45, 30], 'camera'),
    ],
  }),
  device({
    id: 'front62',
    name: 'Front-opening 6.2',
    leaves: [front62.leaf],
    faces: [
      {
        id: 'front',
        name: 'front',
        leaf: 'body',
        side: 'front',
        ...coverOfKind('ringGlass', o62, frontGlassMm),
        holes: [],
      },
      {
        id: 'lensGlass',
        name: 'lens glass in the camera frame',
        leaf: 'body',
        side: 'back',
        ...coverOfKind('frameLens', rect(9, 10, 27, 36, 5), 0.6, 0.1),
        holes: [lens('lens1', 18, 17, 4), lens('lens2', 18, 29, 4)],
      },
    ],
    bonds: [
      ringBond('frontRing', 'front', 1.6, { gapMm: frontGapMm }),
      ringBond('lensBond', 'lensGlass', 1.4, { gapMm: 0.15, adhesive: 'solventBorne' }),
    ],
    // the housing closes the back
    parts: underFront(front62),
    cables: [
      cable({
        id: 'displayCable',
        name: 'display cable',
        onFace: 'front',
        at: { fromMm: 98, toMm: 106 },
        widthMm: 8,
        reachMm: 12,
        slackMm: 28,
        foldToward: 'left',
      }),
    ],
    screws: [
      ...screws(
        'shield',
        [
          [9, 42],
          [36, 42],
          [64, 42],
        ],
        1.8,
      ),
      ...screws(
        'foot',
        [
          [16, 138],
          [57, 138],
        ],
        2.6,
        { head: 'fiveLobe' },
      ),
    ],
    functions: without('ois', 'nfc', 'chargeQ'),
    insideThrough: 'front',
    connectors: [
      plug('batteryPlug', 'battery plug', [34, 43], 'battery', { battery: true }),
      plug('displayPlug', 'display plug', [50, 36], 'board', { kind: 'latch' }),
    ],
  }),
  device({
    id: 'both65',
    name: 'Two-glass 6.5',
    leaves: [both65.leaf],
    faces: [
      {
        id: 'front',
        name: 'front',
        leaf: 'body',
        side: 'front',
        ...coverOfKind('ringGlass', o65, frontGlassMm),
        holes: [],
      },
      {
        id: 'back',
        name: 'back',
        leaf: 'body',
        side: 'back',
        ...coverOfKind('fullGlass', o65, 0.7),
        holes: [lens('lens1', 18, 15, 5.6), lens('lens2', 18, 30, 5.6), flash(18, 40, 1.6)],
      },
    ],
    bonds: [
      ringBond('frontRing', 'front', 1.6, { gapMm: frontGapMm }),
      ringBond('backFull', 'back', 3, { zone: 'fullArea', gapMm: 0.1, adhesive: 'fullAreaPu' }),
    ],
    parts: underFront(both65).map((p) => (p.id === 'reader' ? { ...p, bound: true } : p)),
    cables: [
      cable({
        id: 'displayCable',
        name: 'display cable',
        onFace: 'front',
        at: { fromMm: 100, toMm: 108 },
        widthMm: 8,
        reachMm: 12,
        slackMm: 34,
        foldToward: 'left',
      }),
    ],
    screws: [
      ...screws(
        'shield',
        [
          [36, 11],
          [65, 11],
          [36, 41],
          [65, 41],
        ],
        1.6,
        { holds: 'shieldPlate' },
      ),
      ...screws(
        'foot',
        [
          [15, 142],
          [60, 142],
        ],
        2.4,
        { head: 'fiveLobe', holds: 'speakerBox' },
      ),
    ],
    connectors: [
      plug('batteryPlug', 'battery plug', [44, 47], 'battery', { battery: true }),
      plug('displayPlug', 'display plug', [58, 20], 'board', { kind: 'latch' }),
      plug('cameraPlug', 'camera plug', [34, 26], 'camera'),
      plug('coilPlug', 'coil plug', [50, 47], 'coil'),
    ],
    pieces: [
      piece('shieldPlate', 'shield plate', 'bracket', [50, 26], { covers: ['board', 'displayPlug', 'cameraPlug'] }),
      piece('speakerBox', 'speaker box', 'bracket', [37, 142], { covers: ['port'] }),
      piece('motor', 'vibration motor', 'motor', [16, 146]),
      piece('frontFilm', 'film over the inside', 'film', [37, 80], { singleUse: true }),
    ],
    functions: [...without('ois'), 'finger'],
    insideThrough: 'front',
    outside: { screws: 2, stylus: false },
  }),
];
