import { jointOf } from './jointKinds';
import { adhesiveRecord } from '../adhesives';
import { CoreInputError, requireIn } from '../errors';
import { coverOf } from './perimeter';
import { boxOf, inset, mirrorX } from './shapes';
import type { Bond, Device, Outline, Part, Shape } from './types';

export interface StackZone {
  shape: Shape;
  material: string;
  from: string;
}

export interface StackLayer {
  thicknessMm: number;
  cells: number;
  fill: string;
  zones: StackZone[];
}

/** A place whose temperature is watched: cells of `partId` in a layer, read at the layer's outer face. */
export interface Watch {
  id: 'battery' | 'camera' | 'display';
  partId: string;
  layer: number;
}

/** The plan frame outline and the layers from the heated face inward. Pure data, made for the grid. */
export interface ThermalStack {
  outline: Outline;
  layers: StackLayer[];
  bondLayer: number;
  bondId: string;
  bondMaterial: string;
  watch: Watch[];
  ringWidthMm: number;
  /** where a mask goes over cameras, and where a camera bump keeps the glass off a plate */
  cameraZones: Outline[];
  /** the line along which places of the bond are counted */
  pathOutline: Outline;
}

const sliverMm = 0.05;

/** The glued band; a full-area bond reaches to the middle. */
export const bondZone = (outline: Outline, bond: Bond): Shape => ({
  kind: 'band',
  of: outline,
  fromMm: bond.insetMm,
  toMm: jointOf(bond).wholeFace ? 250 : bond.insetMm + bond.widthMm,
});

/** A cover that does not reach over its leaf, or is not glued, has no heat model of the whole device. */
export function heatModelled(device: Device, bond: Bond): boolean {
  if (!jointOf(bond).glued) return false;
  const leaf = device.leaves[0];
  if (!leaf) return false;
  const c = boxOf(coverOf(device, bond).outline);
  const l = boxOf(leaf.outline);
  return c.max[0] - c.min[0] > 0.85 * (l.max[0] - l.min[0]) && c.max[1] - c.min[1] > 0.85 * (l.max[1] - l.min[1]);
}

/**
 * Cuts the device into layers at every depth where a part begins or ends; slivers under 0.05 mm are merged into the layer
 * above. Parts that are not present turn into fill; at the far side the stack ends with the last part that is there. The cover gets two cells, other layers about one a millimetre.
 * @param present ids of the parts that are in the device now; absent parts neither conduct nor limit anything
 * @throws CoreInputError that names cover.hMm, bond.gapMm, leaf.thicknessMm, …, from depth when out of range; CoreInputError for device.leaves; CoreInputError for bond.gapMm
 */
export function toThermalStack(device: Device, bond: Bond, present: ReadonlySet<string>): ThermalStack {
  const cover = coverOf(device, bond);
  const leaf = device.leaves[0];
  if (!leaf) throw new CoreInputError('device.leaves', 0, 'at least one leaf');
  const parts = device.parts.filter((p) => present.has(p.id));
  requireIn('cover.hMm', cover.hMm, 0.05, 20, 'mm');
  requireIn('bond.gapMm', bond.gapMm, sliverMm, 10, 'mm');
  requireIn('leaf.thicknessMm', leaf.thicknessMm, 0.5, 100, 'mm');
  const bondFrom = cover.hMm;
  const bondTo = cover.hMm + bond.gapMm;
  const depths = [0, bondFrom, bondTo];
  const out = [...(device.out ?? []), ...device.parts.filter((p) => !present.has(p.id))];
  const farEnd = farFaceMm(leaf.thicknessMm, parts, out, bondTo);
  for (const p of parts) {
    requireIn(`${p.id}, from depth`, p.fromDepthMm, 0, leaf.thicknessMm, 'mm');
    requireIn(`${p.id}, to depth`, p.toDepthMm, 0, leaf.thicknessMm + 1e-9, 'mm');
    depths.push(p.fromDepthMm, p.toDepthMm);
  }
  depths.push(farEnd);
  const cuts = cutDepths(depths, leaf.thicknessMm);
  const layers: StackLayer[] = [];
  let bondLayer = -1;
  const bondMaterial = adhesiveRecord(bond.adhesive).bulkMaterial;
  for (let i = 0; i + 1 < cuts.length; i++) {
    const from = cuts[i]!;
    const to = cuts[i + 1]!;
    const mid = (from + to) / 2;
    const thicknessMm = to - from;
    if (mid < bondFrom) {
      layers.push({ thicknessMm, cells: 2, fill: cover.material, zones: [] });
      continue;
    }
    const zones: StackZone[] = [];
    const inBond = mid < bondTo;
    for (const p of out)
      if (p.fromDepthMm < mid && p.toDepthMm > mid) zones.push({ shape: p.shape, material: 'cavity', from: '' });
    for (const p of parts)
      if (p.fromDepthMm < mid && p.toDepthMm > mid) zones.push({ shape: p.shape, material: p.material, from: p.id });
    if (inBond) {
      bondLayer = layers.length;
      if (jointOf(bond).glued)
        zones.push({ shape: bondZone(cover.outline, bond), material: bondMaterial, from: bond.id });
      for (const shape of bond.patches) zones.push({ shape, material: bondMaterial, from: bond.id });
    }
    layers.push({ thicknessMm, cells: Math.max(1, Math.round(thicknessMm)), fill: leaf.fill, zones });
  }
  if (bondLayer < 0) throw new CoreInputError('bond.gapMm', bond.gapMm, `at least ${sliverMm} mm`);
  return {
    outline: leaf.outline,
    layers,
    bondLayer,
    bondId: bond.id,
    bondMaterial,
    watch: watches(parts, cuts),
    ringWidthMm: bond.widthMm,
    cameraZones: cameraZones(device, bond),
    pathOutline: inset(cover.outline, bond.insetMm + bond.widthMm / 2),
  };
}

/**
 * Where the device ends on the far side: what is out there leaves no air behind, the next part faces the room. A model
 * that has no part at its far side is closed there all the same.
 */
function farFaceMm(thicknessMm: number, left: readonly Part[], out: readonly Part[], bondToMm: number): number {
  const deepest = (parts: readonly Part[]) => parts.reduce((m, p) => Math.max(m, p.toDepthMm), bondToMm);
  return deepest(left) < deepest(out) - sliverMm ? deepest(left) : thicknessMm;
}

const maskMarginMm = 2;

/** A box round the lenses of the heated face, two millimetres wider than they are; none when the face has no lens. */
export function cameraZones(device: Device, bond: Bond): Outline[] {
  const face = device.faces.find((f) => f.id === bond.onFace);
  const lenses = (face?.holes ?? []).filter((h) => h.role === 'camera').map((h) => boxOf(h.shape));
  if (!lenses.length) return [];
  return [
    {
      kind: 'roundRect',
      min: [
        Math.min(...lenses.map((b) => b.min[0])) - maskMarginMm,
        Math.min(...lenses.map((b) => b.min[1])) - maskMarginMm,
      ],
      max: [
        Math.max(...lenses.map((b) => b.max[0])) + maskMarginMm,
        Math.max(...lenses.map((b) => b.max[1])) + maskMarginMm,
      ],
      rMm: 0,
    },
  ];
}

/** Depths in order, slivers merged into the layer above. */
function cutDepths(depths: number[], thicknessMm: number): number[] {
  const cuts: number[] = [];
  for (const d of depths.sort((a, b) => a - b)) {
    if (d < 0 || d > thicknessMm + 1e-9) throw new CoreInputError('part depth', d, `0 to ${thicknessMm} mm`);
    if (!cuts.length || d - cuts[cuts.length - 1]! >= sliverMm) cuts.push(d);
  }
  return cuts;
}

/** Glue of a cell: a film between its inner face and the plate behind the display. */
export const batteryGlueMm = 0.15;

/**
 * The device turned over on its display, to warm the glue of its cell from the front: the same stack with depth and x
 * reversed (law 17), the glue as a film under the cell. Null when no cell is in, or nothing is left to heat through.
 * @param device as seen from behind, with the parts that are in it now
 */
export function batteryGlueStack(device: Device): ThermalStack | null {
  const leaf = device.leaves[0];
  const battery = device.parts.find((p) => p.kind === 'battery');
  if (!leaf || !battery || battery.shape.kind === 'band') return null;
  const box = boxOf(leaf.outline);
  const width = box.min[0] + box.max[0];
  const d = leaf.thicknessMm;
  const parts = device.parts.map((p) => ({
    ...p,
    shape: mirrorX(p.shape, width),
    fromDepthMm: d - p.toDepthMm,
    toDepthMm: d - p.fromDepthMm,
  }));
  const cell = parts.find((p) => p.id === battery.id)!;
  const shape = cell.shape as Outline;
  const glueTo = cell.fromDepthMm;
  const glueFrom = glueTo - batteryGlueMm;
  if (glueFrom < sliverMm) return null;
  // the film needs room: what reaches into it from the front ends at it
  const cuts = cutDepths([0, glueFrom, glueTo, d, ...parts.flatMap((p) => [p.fromDepthMm, p.toDepthMm])], d);
  const layers: StackLayer[] = [];
  let bondLayer = -1;
  for (let i = 0; i + 1 < cuts.length; i++) {
    const mid = (cuts[i]! + cuts[i + 1]!) / 2;
    const thicknessMm = cuts[i + 1]! - cuts[i]!;
    const zones: StackZone[] = parts
      .filter((p) => p.fromDepthMm < mid && p.toDepthMm > mid)
      .map((p) => ({ shape: p.shape, material: p.material, from: p.id }));
    if (bondLayer < 0 && mid > glueFrom && mid < glueTo) {
      bondLayer = layers.length;
      zones.push({ shape, material: 'adhesive', from: batteryGlueId });
    }
    layers.push({ thicknessMm, cells: i ? Math.max(1, Math.round(thicknessMm)) : 2, fill: leaf.fill, zones });
  }
  if (bondLayer < 0) return null;
  return {
    outline: mirrorX(leaf.outline, width),
    layers,
    bondLayer,
    bondId: batteryGlueId,
    bondMaterial: 'adhesive',
    watch: watches(parts, cuts),
    // a large soft patch needs no fine ring: cells of 4 mm
    ringWidthMm: 8,
    cameraZones: [],
    pathOutline: shape,
  };
}

export const batteryGlueId = 'batteryGlue';

function watches(parts: Part[], cuts: number[]): Watch[] {
  const out: Watch[] = [];
  for (const p of parts) {
    if (p.kind !== 'battery' && p.kind !== 'camera' && p.kind !== 'display') continue;
    let layer = 0;
    for (let i = 0; i + 1 < cuts.length; i++) if (cuts[i]! <= p.fromDepthMm + sliverMm) layer = i;
    out.push({ id: p.kind, partId: p.id, layer });
  }
  return out;
}
