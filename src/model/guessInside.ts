import { boxOf } from '../core/device/shapes';
import type { Outline, Pt } from '../core/device/types';
import { judgement } from '../core/source';
import { disc, rect, type Layout } from './buildDevice';
import { round, tabletFromMm, type CameraAnswer, type KeyAnswer, type ModelAnswers } from './guessAnswers';

/** Between parts inside, mm. */
const roomMm = 2;
/** Between the ledge and what lies inside: side cables and keys, mm. */
export const sideRoomMm = 3;
/** A phone's foot: port, loudspeaker and motor, as a share of its length. */
const footShare = judgement(0.16, 'the cell ends 20 to 30 mm above the port');
/** A smaller coil charges nothing, mm. */
const leastCoilMm = 8;
/** The board over the cell, as a share of the length. */
const headShare = judgement(0.25, 'a board over the cell ends a quarter down');

interface Room {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}
const roomRect = (r: Room, rMm = 0): Outline => rect(round(r.x0), round(r.y0), round(r.x1), round(r.y1), rMm);

/** Where board and cells usually are, round a camera that stands where it was seen. */
export function insideOf(
  a: ModelAnswers,
  camera: CameraAnswer | null,
  edgeMm: number,
): Pick<Layout, 'board' | 'batteries'> {
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
export function keyShape(k: KeyAnswer, a: Pick<ModelAnswers, 'widthMm' | 'lengthMm'>): Outline {
  const { from, to } = keyMm;
  if (k.edge === 'left') return rect(from, k.fromMm, to, k.toMm);
  if (k.edge === 'right') return rect(a.widthMm - to, k.fromMm, a.widthMm - from, k.toMm);
  if (k.edge === 'top') return rect(k.fromMm, from, k.toMm, to);
  return rect(k.fromMm, a.lengthMm - to, k.toMm, a.lengthMm - from);
}

/** The coil over the cell and no wider than it, so that it lies clear of the cameras too; null: no room for one. */
export function coilOver(cell: Outline, widthMm: number): Outline | null {
  const { min, max } = boxOf(cell);
  const rMm = round(Math.min(widthMm * 0.29, (max[0] - min[0]) / 2, (max[1] - min[1]) / 2));
  if (rMm < leastCoilMm) return null;
  return disc(round((min[0] + max[0]) / 2), round(Math.min((min[1] + max[1]) / 2, min[1] + rMm + 12)), rMm);
}

/** The middle of the gap between two parts, mm. */
export function between(a: Outline, b: Outline): Pt {
  const [p, q] = [boxOf(a), boxOf(b)];
  const mid = (i: 0 | 1) => {
    const [from, to] = [Math.max(p.min[i], q.min[i]), Math.min(p.max[i], q.max[i])];
    return round((from + to) / 2);
  };
  return [mid(0), mid(1)];
}
