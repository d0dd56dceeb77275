import { CoreInputError, requireIn } from '../core/errors';
import { factOf } from '../core/device/known';
import { boxOf } from '../core/device/shapes';
import type { Bond, Construction, Device, EdgeId, Face, Hole, HowKnown, Outline, Pt } from '../core/device/types';
import { judgement } from '../core/source';
import { coverOfKind, device, disc, layOut, phoneFunctions, plug, rect, ringBond, type Layout } from './buildDevice';

/** A key as it is felt along an edge: where it begins and ends, mm from the top for the sides, from the left for the others. */
export interface KeyAnswer {
  edge: EdgeId;
  fromMm: number;
  toMm: number;
}

/** Cameras as they are seen from behind: the block that they stand in, and how many. */
export interface CameraAnswer {
  min: Pt;
  max: Pt;
  lenses: number;
}

export const insideKinds = ['boardTop', 'boardSide', 'twoCells'] as const;
/** Board over the cell, board beside the cell, two cells. */
export type InsideKind = (typeof insideKinds)[number];

/** What is known of a device after a look at it: the five answers. */
export interface ModelAnswers {
  id: string;
  name: string;
  construction: Construction;
  opensFrom: 'back' | 'front';
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
  /** was a ruler held to it */
  sizeMeasured: boolean;
  thicknessMeasured: boolean;
  camera: CameraAnswer | null;
  cameraSeen: boolean;
  keys: readonly KeyAnswer[];
  keysSeen: boolean;
  inside: InsideKind;
  /** charged through its back; null: not known, the usual for its construction */
  coil: boolean | null;
}

/** Sizes that a phone or tablet has, mm. */
export const sizeLimits = { lengthMm: [80, 330], widthMm: [45, 240], thicknessMm: [4, 20] } as const;
/** From this width on it is a tablet, mm. */
export const tabletFromMm = 110;
export const keyMaxMm = 60;
export const lensMax = 6;

/** What is usual for a construction: thickness of the cover, the gap under it, its ring, mm, and its glue. */
interface Usual {
  glassMm: number;
  gapMm: number;
  ringMm: number;
  insetMm: number;
  adhesive: string;
  coil: boolean;
}
const usualOf = (construction: Construction, tablet: boolean): Usual => {
  const ring: Usual = {
    glassMm: judgement(0.7, 'glass backs are 0.6 to 0.8 mm thick').value,
    gapMm: 0.2,
    ringMm: judgement(2, 'rings of phones are 1.6 to 2.6 mm wide').value,
    insetMm: 0.1,
    adhesive: 'foamRing',
    coil: true,
  };
  const of: Record<Construction, Usual> = {
    ringGlass: ring,
    lensInRing: ring,
    frameLens: ring,
    ringPlastic: {
      ...ring,
      glassMm: judgement(1, 'plastic backs are 0.9 to 1.2 mm thick').value,
      gapMm: 0.25,
      ringMm: judgement(2.5, 'rings under plastic are 2 to 3 mm wide').value,
      coil: false,
    },
    fullGlass: { ...ring, glassMm: 0.65, gapMm: 0.1, ringMm: 3, adhesive: 'fullAreaPu' },
    clipped: { ...ring, glassMm: 1.2, gapMm: 0.3, coil: false },
  };
  const u = of[construction];
  return tablet
    ? { ...u, glassMm: u.glassMm + 0.4, gapMm: 0.3, ringMm: Math.max(u.ringMm, 7), adhesive: 'strongRing', coil: false }
    : u;
};

/** Thickness of a layer over the whole device, mm (judgement, from models at hand). */
const layerMm = { clearance: 0.55, plate: 0.6, display: 1.5, frontDisplay: 1.25, tabletPlate: 1, tabletDisplay: 2 };
/** The ledge that carries the ring is a little wider than it, mm. */
const ledgeOverMm = 0.9;
/** Between parts inside, mm. */
const roomMm = 2;
/** Between the ledge and what lies inside: side cables and keys, mm. */
const sideRoomMm = 3;
/** A phone's foot: port, loudspeaker and motor, as a share of its length. */
const footShare = judgement(0.16, 'the cell ends 20 to 30 mm above the port');
/** A smaller coil charges nothing, mm. */
const leastCoilMm = 8;
/** The board over the cell, as a share of the length. */
const headShare = judgement(0.25, 'a board over the cell ends a quarter down');

const round = (v: number) => Math.round(v * 10) / 10;

interface Room {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}
const roomRect = (r: Room, rMm = 0): Outline => rect(round(r.x0), round(r.y0), round(r.x1), round(r.y1), rMm);

/** @throws CoreInputError that names length, width, thickness, lenses, a key or the camera when they cannot be */
function checkAnswers(a: ModelAnswers): void {
  requireIn('length', a.lengthMm, ...sizeLimits.lengthMm, 'mm');
  requireIn('width', a.widthMm, ...sizeLimits.widthMm, 'mm');
  requireIn('thickness', a.thicknessMm, ...sizeLimits.thicknessMm, 'mm');
  const u = usualOf(a.construction, a.widthMm >= tabletFromMm);
  for (const k of a.keys) {
    const along = k.edge === 'left' || k.edge === 'right' ? a.lengthMm : a.widthMm;
    requireIn('key: from', k.fromMm, 0, along, 'mm');
    requireIn('key: to', k.toMm, k.fromMm + 1, Math.min(along, k.fromMm + keyMaxMm), 'mm');
  }
  if (a.camera) {
    requireIn('lenses', a.camera.lenses, 1, lensMax, '');
    const keep = u.insetMm + u.ringMm;
    const { min, max } = a.camera;
    const inside = min[0] >= 0 && min[1] >= 0 && max[0] <= a.widthMm && max[1] <= a.lengthMm;
    if (!inside || max[0] - min[0] < 4 || max[1] - min[1] < 4)
      throw new CoreInputError(
        'camera',
        `${round(max[0] - min[0])} × ${round(max[1] - min[1])} mm`,
        `a block of 4 mm and more inside the outline, ${round(keep)} mm from its edge`,
      );
  }
}

/** The block moved so that the ring passes outside it, and made smaller where it is too large for that. */
function clearOfRing(c: CameraAnswer, a: Pick<ModelAnswers, 'widthMm' | 'lengthMm'>, keepMm: number): CameraAnswer {
  const fit = (lo: number, hi: number, end: number): [number, number] => {
    const size = Math.min(hi - lo, end - 2 * keepMm);
    const from = Math.min(Math.max(lo, keepMm), end - keepMm - size);
    return [round(from), round(from + size)];
  };
  const [x0, x1] = fit(c.min[0], c.max[0], a.widthMm);
  const [y0, y1] = fit(c.min[1], c.max[1], a.lengthMm);
  return { ...c, min: [x0, y0], max: [x1, y1] };
}

/** Lenses of a block: in as many columns and rows as fit it best, all alike. */
export function lensesIn(c: CameraAnswer): { at: Pt; rMm: number }[] {
  const [w, h] = [c.max[0] - c.min[0], c.max[1] - c.min[1]];
  const n = Math.max(1, Math.round(c.lenses));
  let best = { cols: 1, rows: n, size: 0 };
  for (let cols = 1; cols <= n; cols++) {
    const rows = Math.ceil(n / cols);
    const size = Math.min(w / cols, h / rows);
    if (size > best.size + 1e-9) best = { cols, rows, size };
  }
  const rMm = Math.max(1.5, Math.min(6, best.size * 0.36));
  return Array.from({ length: n }, (_, i) => ({
    at: [
      round(c.min[0] + (w * ((i % best.cols) + 0.5)) / best.cols),
      round(c.min[1] + (h * (Math.floor(i / best.cols) + 0.5)) / best.rows),
    ] as Pt,
    rMm: round(rMm),
  }));
}

/** Where board and cells usually are, round a camera that stands where it was seen. */
function insideOf(a: ModelAnswers, camera: CameraAnswer | null, edgeMm: number): Pick<Layout, 'board' | 'batteries'> {
  const all: Room = { x0: edgeMm, y0: edgeMm, x1: a.widthMm - edgeMm, y1: a.lengthMm - edgeMm };
  const tablet = a.widthMm >= tabletFromMm;
  const foot = a.lengthMm * (1 - footShare.value);
  const head = a.lengthMm * (tablet ? 0.2 : headShare.value);
  const cam = camera && {
    x0: camera.min[0] - roomMm,
    y0: camera.min[1] - roomMm,
    x1: camera.max[0] + roomMm,
    y1: camera.max[1] + roomMm,
  };
  // what is left of a room round the camera: the largest of its four sides
  const clear = (r: Room): Room => {
    if (!cam || cam.y0 >= r.y1 || cam.y1 <= r.y0 || cam.x0 >= r.x1 || cam.x1 <= r.x0) return r;
    const sides = [
      { ...r, x1: Math.min(r.x1, cam.x0) },
      { ...r, x0: Math.max(r.x0, cam.x1) },
      { ...r, y0: Math.max(r.y0, cam.y1) },
      { ...r, y1: Math.min(r.y1, cam.y0) },
    ];
    const size = (x: Room) => Math.max(0, x.x1 - x.x0) * Math.max(0, x.y1 - x.y0);
    return sides.reduce((best, x) => (size(x) > size(best) ? x : best));
  };
  if (a.inside === 'boardSide' && !tablet) {
    const wide = (all.x1 - all.x0) * 0.3;
    const right = !cam || (cam.x0 + cam.x1) / 2 < a.widthMm / 2;
    const board = right ? { ...all, x0: all.x1 - wide, y1: foot } : { ...all, x1: all.x0 + wide, y1: foot };
    const cell = right ? { ...all, x1: board.x0 - roomMm } : { ...all, x0: board.x1 + roomMm };
    const clash = cam !== null && (right ? cam.x1 > board.x0 : cam.x0 < board.x1);
    return {
      board: roomRect(clash ? clear(board) : board),
      batteries: [roomRect(clear({ ...cell, y0: Math.max(cell.y0, head), y1: foot }))],
    };
  }
  const zone = clear({ ...all, y1: Math.max(head, all.y0 + 14) });
  // a bar of cameras across the top leaves the board its place under it
  const narrow = zone.y1 - zone.y0 < 8 || zone.x1 - zone.x0 < 12;
  const board = narrow && cam ? { ...all, y0: cam.y1, y1: cam.y1 + 14 } : zone;
  const cell = clear({ ...all, y0: board.y1 + roomMm, y1: foot });
  if (a.inside !== 'twoCells') return { board: roomRect(board), batteries: [roomRect(cell)] };
  const mid = (cell.x0 + cell.x1) / 2;
  return {
    board: roomRect(board),
    batteries: [roomRect({ ...cell, x1: mid - roomMm }), roomRect({ ...cell, x0: mid + roomMm })],
  };
}

/** A key's room inside the frame, mm in from the edge. */
const keyMm = { from: 1.4, to: 4 };
function keyShape(k: KeyAnswer, a: Pick<ModelAnswers, 'widthMm' | 'lengthMm'>): Outline {
  const { from, to } = keyMm;
  if (k.edge === 'left') return rect(from, k.fromMm, to, k.toMm);
  if (k.edge === 'right') return rect(a.widthMm - to, k.fromMm, a.widthMm - from, k.toMm);
  if (k.edge === 'top') return rect(k.fromMm, from, k.toMm, to);
  return rect(k.fromMm, a.lengthMm - to, k.toMm, a.lengthMm - from);
}

const frontMm = { glass: 0.7, gap: 0.3, ring: 1.6 };

/**
 * A model from the five answers: everything that was not said is laid out as is usual for that construction and size, and is
 * marked as guessed.
 * @throws CoreInputError that names the answer and its range
 */
export function guessDevice(a: ModelAnswers): Device {
  checkAnswers(a);
  const tablet = a.widthMm >= tabletFromMm;
  const u = usualOf(a.construction, tablet);
  const outline = rect(0, 0, round(a.widthMm), round(a.lengthMm), round(Math.min(a.widthMm / 7.2, 12)));
  const keep = round(u.insetMm + u.ringMm + 0.4);
  const camera = a.camera && clearOfRing(a.camera, a, keep);
  const rimMm = round((a.opensFrom === 'front' ? frontMm.ring : u.ringMm + u.insetMm) + ledgeOverMm);
  const edge = Math.max(rimMm, 4) + sideRoomMm;
  const front = a.opensFrom === 'front';
  const bare = a.construction === 'frameLens' && front;
  const displayMm = tablet ? layerMm.tabletDisplay : front ? layerMm.frontDisplay : layerMm.display;
  const plateMm = tablet ? layerMm.tabletPlate : layerMm.plate;
  const hasCoil = (a.coil ?? u.coil) && !bare;
  const { board, batteries } = insideOf(a, camera, edge);
  const coil = hasCoil && batteries[0] ? coilOver(batteries[0], a.widthMm) : null;
  const coreMm = a.thicknessMm - u.glassMm - u.gapMm - layerMm.clearance - plateMm - displayMm;
  if (coreMm < 1)
    throw new CoreInputError(
      'thickness',
      a.thicknessMm,
      `${round(a.thicknessMm - coreMm + 1)} mm or more for this construction`,
    );
  const layout: Layout = {
    outline,
    rimMm,
    chassis: a.construction === 'fullGlass',
    ...(coil ? { coil } : {}),
    ...(board ? { board } : {}),
    batteries,
    ...(camera ? { camera: rect(...camera.min, ...camera.max, 3) } : {}),
    buttons: a.keys.map((k) => ({ name: 'keys', shape: keyShape(k, a) })),
    more: [
      {
        id: 'port',
        name: 'charge port',
        kind: 'port',
        shape: rect(a.widthMm / 2 - 5, a.lengthMm - 10, a.widthMm / 2 + 5, a.lengthMm - 4),
        material: 'polymer',
        layer: 'core',
      },
    ],
    glassMm: u.glassMm,
    gapMm: u.gapMm,
    clearanceMm: layerMm.clearance,
    coreMm,
    plateMm,
    displayMm,
    ...(front ? { displayInsetMm: 2.6 } : {}),
  };
  const { parts, thicknessMm } = layOut(layout);
  const { faces, bonds } = facesOf(a, u, outline, camera);
  return device({
    id: a.id,
    name: a.name,
    kind: tablet ? 'tablet' : 'phone',
    leaves: [{ id: 'body', outline, thicknessMm, fill: 'air' }],
    faces,
    bonds,
    parts: front
      ? parts.map((p) =>
          p.kind === 'display'
            ? { ...p, toDepthMm: thicknessMm - frontMm.glass }
            : p.kind === 'rim'
              ? { ...p, toDepthMm: thicknessMm - frontMm.glass - frontMm.gap }
              : p,
        )
      : parts,
    // its plug is the first off, wherever it is: between board and cell until somebody has looked
    connectors:
      batteries[0] && board
        ? [plug('batteryPlug', 'battery plug', between(board, batteries[0]), 'battery', { battery: true })]
        : [],
    functions: functionsOf(tablet, hasCoil),
    insideThrough: front ? 'front' : 'back',
    known: knownOf(
      a,
      parts.map((p) => p.id),
      faces,
      bonds,
    ),
  });
}

/** The coil over the cell and no wider than it, so that it lies clear of the cameras too; null: no room for one. */
function coilOver(cell: Outline, widthMm: number): Outline | null {
  const { min, max } = boxOf(cell);
  const rMm = round(Math.min(widthMm * 0.29, (max[0] - min[0]) / 2, (max[1] - min[1]) / 2));
  if (rMm < leastCoilMm) return null;
  return disc(round((min[0] + max[0]) / 2), round(Math.min((min[1] + max[1]) / 2, min[1] + rMm + 12)), rMm);
}

/** The middle of the gap between two parts, mm. */
function between(a: Outline, b: Outline): Pt {
  const [p, q] = [boxOf(a), boxOf(b)];
  const mid = (i: 0 | 1) => {
    const [from, to] = [Math.max(p.min[i], q.min[i]), Math.min(p.max[i], q.max[i])];
    return round((from + to) / 2);
  };
  return [mid(0), mid(1)];
}

const functionsOf = (tablet: boolean, coil: boolean): string[] =>
  phoneFunctions.filter(
    (f) =>
      !(f === 'chargeQ' && !coil) &&
      !(tablet && ['earpiece', 'prox', 'vibra', 'sim', 'cell', 'nfc', 'ois', 'camAux'].includes(f)),
  );

function facesOf(
  a: ModelAnswers,
  u: Usual,
  outline: Outline,
  camera: CameraAnswer | null,
): { faces: Face[]; bonds: Bond[] } {
  const lenses = camera ? lensesIn(camera) : [];
  const ringHoles = lenses.map((l, i): Hole => ({ id: `lens${i + 1}`, shape: disc(...l.at, l.rMm), role: 'camera' }));
  const face = (
    id: string,
    name: string,
    side: Face['side'],
    cover: Pick<Face, 'construction' | 'cover'>,
    holes: Hole[],
  ) => ({
    ...{ id, name, leaf: 'body', side, holes },
    ...cover,
  });
  const faces: Face[] = [];
  const bonds: Bond[] = [];
  if (a.opensFrom === 'front') {
    faces.push(face('front', 'front', 'front', coverOfKind('ringGlass', outline, frontMm.glass), []));
    bonds.push(ringBond('frontRing', 'front', frontMm.ring, { gapMm: frontMm.gap }));
  }
  const lensWork = a.construction === 'lensInRing' || a.construction === 'frameLens';
  if (!(a.construction === 'frameLens' && a.opensFrom === 'front')) {
    const back: Construction = lensWork ? 'ringGlass' : a.construction;
    faces.push(face('back', 'back', 'back', coverOfKind(back, outline, u.glassMm), ringHoles));
    bonds.push(
      ringBond('backBond', 'back', u.ringMm, {
        insetMm: u.insetMm,
        gapMm: u.gapMm,
        adhesive: u.adhesive,
        zone: back === 'fullGlass' ? 'fullArea' : back === 'clipped' ? 'clips' : 'ring',
        ...(back === 'clipped' ? { clipsAtMm: clipsAlong(a) } : {}),
      }),
    );
  }
  if (a.construction === 'lensInRing')
    lenses.forEach((l, i) => {
      const id = `lensCover${i + 1}`;
      faces.push(
        face(
          id,
          `lens cover ${i + 1}`,
          'back',
          coverOfKind('lensInRing', disc(...l.at, round(l.rMm * 0.9)), 0.5, 0.1),
          [{ id: `view${i + 1}`, shape: disc(...l.at, round(l.rMm * 0.45)), role: 'camera' }],
        ),
      );
      bonds.push(
        ringBond(`tape${i + 1}`, id, round(Math.max(0.5, l.rMm * 0.2)), {
          insetMm: 0.2,
          gapMm: 0.15,
          adhesive: 'transferTape',
        }),
      );
    });
  if (a.construction === 'frameLens' && camera) {
    const o = rect(camera.min[0] + 1, camera.min[1] + 1, camera.max[0] - 1, camera.max[1] - 1, 2);
    faces.push(
      face(
        'lensGlass',
        'lens glass in the camera frame',
        'back',
        coverOfKind('frameLens', o, 0.6, 0.1),
        lenses.map((l, i): Hole => ({ id: `view${i + 1}`, shape: disc(...l.at, round(l.rMm * 0.6)), role: 'camera' })),
      ),
    );
    bonds.push(ringBond('lensBond', 'lensGlass', 1, { gapMm: 0.15, adhesive: 'solventBorne' }));
  }
  return { faces, bonds };
}

/** A clip about every three centimetres, mm along the edge. */
const clipEveryMm = 30;
const clipsAlong = (a: Pick<ModelAnswers, 'widthMm' | 'lengthMm'>): number[] =>
  Array.from(
    { length: Math.floor((2 * (a.widthMm + a.lengthMm) - 20) / clipEveryMm) },
    (_, i) => clipEveryMm * (i + 0.5),
  );

/** What is said is seen or measured; all the rest is guessed. */
function knownOf(a: ModelAnswers, parts: readonly string[], faces: Face[], bonds: Bond[]): Record<string, HowKnown> {
  const size: HowKnown = a.sizeMeasured ? 'measured' : 'guessed';
  const seen = (id: string) => (id === 'camera' ? a.cameraSeen : id.startsWith('button') && a.keysSeen);
  const lens: HowKnown = a.cameraSeen ? 'seen' : 'guessed';
  // shells follow the outline
  const shells = new Set(['rim', 'midPlate', 'display', 'chassis']);
  return {
    size,
    thickness: a.thicknessMeasured ? 'measured' : 'guessed',
    layers: 'guessed',
    cables: 'guessed',
    small: 'guessed',
    ...Object.fromEntries(bonds.map((b) => [factOf.bond(b.id), 'guessed' as const])),
    ...Object.fromEntries(faces.flatMap((f) => f.holes.map((h) => [factOf.hole(h.id), lens] as const))),
    ...Object.fromEntries(
      parts
        .filter((id) => !shells.has(id))
        .map((id) => [factOf.part(id), seen(id) ? ('seen' as const) : ('guessed' as const)]),
    ),
  };
}
