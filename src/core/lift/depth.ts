import { coverOf, bondPerimeter, type Perimeter } from '../device/perimeter';
import { jointOf } from '../device/jointKinds';
import { insideGuessed, placeMarginMm } from '../device/known';
import { boxOf, contains, type Box } from '../device/shapes';
import type { Bond, Device, EdgeId, Outline, Pt, Shape } from '../device/types';
import { judgement } from '../source';

/** Where no tool goes: derived from the parts that reach the tool's plane and the cables that cross to the cover. */
export interface KeepOut {
  id: string;
  name: string;
  shape: Shape;
  clearMm: number;
  why: 'coil' | 'camera' | 'cable' | 'button' | 'part' | 'guessed';
}

/** A pick needs this much room below the bond line, mm. */
const toolRoomMm = 0.5;
/** The blade passes the ring by this much, mm. */
export const overMm = judgement(1, 'past the ring, so that it is cut through');
/** Round a place that somebody marked as weak, mm. */
const weakRMm = judgement(5, 'a finger’s tap is no finer, and what is weak is not a point');
/** Beyond that where the inside is guessed, mm. */
const guessedRoomMm = judgement(0.5, 'a hand does not keep a depth any closer');

/** What a blade must not meet, with its margin, mm: parts that are present, cables, keys, cameras. */
export function keepOuts(device: Device, bond: Bond, present: ReadonlySet<string>): KeepOut[] {
  const floor = coverOf(device, bond).hMm + bond.gapMm + toolRoomMm;
  const frame = new Set(['rim', 'midPlate', 'display']);
  const out: KeepOut[] = device.parts
    .filter((p) => present.has(p.id) && !frame.has(p.kind) && p.fromDepthMm < floor - 1e-9)
    .map((p) => ({
      id: p.id,
      name: p.name,
      shape: p.shape,
      clearMm: p.clearMm.value + placeMarginMm(device, p),
      why: p.kind === 'coil' || p.kind === 'camera' || p.kind === 'button' ? p.kind : 'part',
    }));
  for (const n of device.notes ?? [])
    if (n.what === 'weak' && n.at && n.face === bond.onFace)
      out.push({
        id: n.id,
        name: 'weak place',
        shape: { kind: 'disc', c: n.at, rMm: weakRMm.value },
        clearMm: 0,
        why: 'part',
      });
  const path = bondPerimeter(device, bond);
  for (const c of device.cables)
    out.push({ id: c.id, name: c.name, shape: cableShape(path, bond, c), clearMm: 0, why: 'cable' });
  return out;
}

/**
 * What a blade must not meet while a joint is cut. Where nobody has seen the inside nothing goes further in than the joint
 * itself (one law 24); glue under the whole cover is cut all the same, with the margins of what is guessed.
 */
export function liftOuts(device: Device, bond: Bond, present: ReadonlySet<string>): KeepOut[] {
  const outs = keepOuts(device, bond, present);
  if (!insideGuessed(device) || jointOf(bond).wholeFace) return outs;
  const needMm = bond.insetMm + bond.widthMm + overMm.value;
  return [
    ...outs,
    {
      id: 'guessed',
      name: 'inside, guessed',
      shape: { kind: 'band', of: coverOf(device, bond).outline, fromMm: needMm + guessedRoomMm.value, toMm: 250 },
      clearMm: 0,
      why: 'guessed',
    },
  ];
}

/** A cable as a strip from the cover's edge inward. */
function cableShape(path: Perimeter, bond: Bond, c: Device['cables'][number]): Outline {
  const mid = path.point((c.at.fromMm + c.at.toMm) / 2);
  const [nx, ny] = mid.normal;
  const half = c.widthMm / 2 + 1;
  const out = bond.insetMm + bond.widthMm / 2;
  const corner = (along: number, depth: number): Pt => [
    mid.at[0] + nx * (out - depth) - ny * along,
    mid.at[1] + ny * (out - depth) + nx * along,
  ];
  return {
    kind: 'polygon',
    pts: [corner(-half, 0), corner(half, 0), corner(half, c.reachMm), corner(-half, c.reachMm)],
  };
}

/** How far in a limit is looked for, mm. */
const deepestMm = 30;

const boxes = new WeakMap<KeepOut, Box>();
/** What a keep-out can reach, its clearance included. */
function boxOfKeepOut(k: KeepOut): Box {
  let box = boxes.get(k);
  if (!box) {
    const { min, max } = boxOf(k.shape.kind === 'band' ? k.shape.of : k.shape);
    const grow = k.clearMm + 0.01 + (k.shape.kind === 'band' ? Math.max(0, -k.shape.fromMm) : 0);
    box = { min: [min[0] - grow, min[1] - grow], max: [max[0] + grow, max[1] + grow] };
    boxes.set(k, box);
  }
  return box;
}

/** Deepest the tool may go at s, from the cover's edge, and what stops it. Searches to 30 mm; a limit rounds down. */
export function depthLimitAt(
  path: Perimeter,
  bond: Bond,
  outs: readonly KeepOut[],
  sMm: number,
): { limitMm: number; by: KeepOut | null } {
  const p = path.point(sMm);
  const edge = bond.insetMm + bond.widthMm / 2;
  const place = (d: number): Pt => [p.at[0] + p.normal[0] * (edge - d), p.at[1] + p.normal[1] * (edge - d)];
  // most parts lie nowhere near the way in
  const [a, b] = [place(0), place(deepestMm)];
  const near = outs.filter((k) => {
    const { min, max } = boxOfKeepOut(k);
    return (
      Math.min(a[0], b[0]) <= max[0] &&
      Math.max(a[0], b[0]) >= min[0] &&
      Math.min(a[1], b[1]) <= max[1] &&
      Math.max(a[1], b[1]) >= min[1]
    );
  });
  const blockedBy = (d: number): KeepOut | null => {
    const at = place(d);
    return near.find((k) => contains(k.shape, at, k.clearMm)) ?? null;
  };
  if (!near.length) return { limitMm: deepestMm, by: null };
  for (let d = 0; d <= deepestMm; d += 0.25) {
    const by = blockedBy(d);
    if (!by) continue;
    let free = Math.max(0, d - 0.25);
    for (let hit = d; d > 0 && hit - free > 0.01;) {
      const mid = (free + hit) / 2;
      if (blockedBy(mid)) hit = mid;
      else free = mid;
    }
    return { limitMm: d > 0 ? Math.floor(free * 20) / 20 : 0, by };
  }
  return { limitMm: deepestMm, by: null };
}

export interface EdgeWindow {
  edge: EdgeId;
  /** least depth that cuts the ring through, deepest allowed, from the cover's edge, mm */
  needMm: number;
  limitMm: number;
  limitedBy: KeepOut | null;
  /** stretches where the tool must not enter at all, in s */
  closed: { fromMm: number; toMm: number; by: KeepOut }[];
}

/** Depth window of the pick per edge: enough to cut the ring, short of the nearest part. */
export function edgeWindows(device: Device, bond: Bond, outs: readonly KeepOut[]): EdgeWindow[] {
  const path = bondPerimeter(device, bond);
  const needMm = bond.insetMm + bond.widthMm + overMm.value;
  return (['bottom', 'left', 'top', 'right'] as const).map((edge) => {
    const span = path.edgeSpan(edge);
    const out: EdgeWindow = { edge, needMm, limitMm: 30, limitedBy: null, closed: [] };
    const n = Math.ceil(span.toMm - span.fromMm);
    // looked at every millimetre: what is shut begins and ends somewhere before the next look
    const step = (span.toMm - span.fromMm) / n;
    for (let i = 0; i <= n; i++) {
      const s = span.fromMm + ((span.toMm - span.fromMm) * i) / n;
      const { limitMm, by } = depthLimitAt(path, bond, outs, s);
      if (by && limitMm < needMm) {
        const last = out.closed[out.closed.length - 1];
        if (last && last.by.id === by.id && s - last.toMm < 2) last.toMm = s + step;
        else out.closed.push({ fromMm: s - step, toMm: s + step, by });
      } else if (limitMm < out.limitMm) {
        out.limitMm = limitMm;
        out.limitedBy = by;
      }
    }
    return out;
  });
}
