import { CoreInputError, requireIn } from '../errors';
import { boxOf, contains, discLies, insideDistanceMm } from '../device/shapes';
import { materials as table, type Material } from '../device/materials';
import type { ThermalStack } from '../device/thermalStack';
import type { Pt } from '../device/types';
import { judgement } from '../source';

const sub = 8;

/** Radiation between the walls of an empty space: ε 4 σ T³ at 340 K with ε = 0.5 between painted, bare and plastic walls. */
export const cavityWm2K = judgement(4.5, 'ε 4 σ T³ at 340 K, effective emissivity 0.5 assumed');
/** Thinner gaps conduct so well that radiation does not count. */
const cavityFromMm = 1;

/** Sides of the device: convection and radiation together, constant. */
export const sideTotalWm2K = judgement(14, '8 W/m2K convection and 6 W/m2K radiation, assumed');

type Layer = ThermalStack['layers'][number];

/** Shares of a column's area that each material and each part takes in one layer. */
function layerShares(
  layer: Layer,
  middle: Pt,
  halfDiagonalMm: number,
  inside: Uint8Array,
  points: readonly Pt[],
  count: number,
): { share: Map<string, number>; partShare: Map<string, number> } {
  const share = new Map<string, number>();
  const partShare = new Map<string, number>();
  // later zones lie over earlier ones; only those whose edge runs through the column are asked point by point
  let over = { material: layer.fill, from: '' };
  let edges: typeof layer.zones = [];
  for (const zone of layer.zones) {
    const at = discLies(zone.shape, middle, halfDiagonalMm);
    if (at === 'cut') edges = [...edges, zone];
    if (at !== 'in') continue;
    over = zone;
    edges = [];
  }
  if (!edges.length && count === sub * sub) {
    share.set(over.material, 1);
    if (over.from) partShare.set(over.from, 1);
  } else
    for (let q = 0; q < sub * sub; q++) {
      if (!inside[q]) continue;
      let { material, from } = over;
      for (const z of edges)
        if (contains(z.shape, points[q]!)) {
          material = z.material;
          from = z.from;
        }
      share.set(material, (share.get(material) ?? 0) + 1 / count);
      if (from) partShare.set(from, (partShare.get(from) ?? 0) + 1 / count);
    }
  return { share, partShare };
}

/**
 * Radiation across the space that a part left, as more conductivity of its air: from wall to wall, however it is cut into layers.
 * @param add called with layer, cell of the layer and what comes to its conductivity, W/mK
 */
function addCavityRadiation(
  layers: readonly Layer[],
  airShare: readonly number[],
  emptied: readonly number[],
  add: (layer: number, cell: number, wmK: number) => void,
): void {
  for (let li = 0; li < airShare.length; li++) {
    let end = li;
    let gapMm = 0;
    while (end < airShare.length && airShare[end]! >= 0.5) gapMm += layers[end++]!.thicknessMm;
    if (gapMm >= cavityFromMm)
      for (let l = li; l < end; l++)
        for (let c = 0; c < layers[l]!.cells; c++) {
          add(l, c, emptied[l]! * cavityWm2K.value * (gapMm / 1e3));
        }
    li = Math.max(li, end - 1);
  }
}

/**
 * What every cell is made of.
 * @throws CoreInputError that names layer …, thickness when out of range; CoreInputError for material
 */
export function fillCells(
  stack: ThermalStack,
  size: { nx: number; ny: number },
  options: { materials?: Record<string, Material>; sideWm2K?: number } = {},
) {
  const side = options.sideWm2K ?? sideTotalWm2K.value;
  const sideFilm = (halfCell: number) => 1 / side + halfCell;
  const { nx, ny } = size;
  stack.layers.forEach((l, i) => requireIn(`layer ${i + 1}, thickness`, l.thicknessMm, 1e-3, 100, 'mm'));
  const box = boxOf(stack.outline);
  const dxMm = (box.max[0] - box.min[0]) / nx;
  const dyMm = (box.max[1] - box.min[1]) / ny;
  const nz = stack.layers.reduce((n, l) => n + l.cells, 0);
  const columns = nx * ny;
  const n = columns * nz;
  const origin = box.min;
  const dx = dxMm / 1e3;
  const dy = dyMm / 1e3;
  const area = dx * dy;

  const look = (id: string): Material => {
    const m = options.materials?.[id] ?? table[id];
    if (!m) throw new CoreInputError('material', id, 'a row of the materials table');
    return m;
  };

  const active = new Uint8Array(columns);
  const dzM = new Float64Array(nz);
  const kz = new Float64Array(n).fill(1);
  const kxy = new Float64Array(n).fill(1);
  const capacity = new Float64Array(n).fill(1);
  const bondShare = new Float64Array(columns);
  const watchShare = stack.watch.map(() => new Float64Array(columns));
  const layerFirst: number[] = [];
  let first = 0;
  for (const l of stack.layers) {
    layerFirst.push(first);
    for (let c = 0; c < l.cells; c++) dzM[first + c] = l.thicknessMm / l.cells / 1e3;
    first += l.cells;
  }

  const inside = new Uint8Array(sub * sub);
  const points: Pt[] = new Array<Pt>(sub * sub);
  const halfDiagonalMm = Math.hypot(dxMm, dyMm) / 2;
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const col = j * nx + i;
      const middle: Pt = [origin[0] + (i + 0.5) * dxMm, origin[1] + (j + 0.5) * dyMm];
      const lies = discLies(stack.outline, middle, halfDiagonalMm);
      if (lies === 'out') continue;
      let count = 0;
      for (let b = 0; b < sub; b++)
        for (let a = 0; a < sub; a++) {
          const q = b * sub + a;
          const p: Pt = [origin[0] + (i + (a + 0.5) / sub) * dxMm, origin[1] + (j + (b + 0.5) / sub) * dyMm];
          points[q] = p;
          inside[q] = lies === 'in' || insideDistanceMm(stack.outline, p) >= 0 ? 1 : 0;
          count += inside[q]!;
        }
      if (count < (sub * sub) / 2) continue;
      active[col] = 1;
      const airShare: number[] = [];
      const emptied: number[] = [];
      stack.layers.forEach((layer, li) => {
        const { share, partShare } = layerShares(layer, middle, halfDiagonalMm, inside, points, count);
        emptied.push(share.get('cavity') ?? 0);
        airShare.push((share.get('air') ?? 0) + (share.get('cavity') ?? 0));
        let z = 0;
        let xy = 0;
        let rc = 0;
        for (const [id, f] of share) {
          const m = look(id);
          z += f * m.kzWmK.value;
          xy += f * m.kxyWmK.value;
          rc += f * m.rhoKgM3.value * m.cJkgK.value;
        }
        for (let c = 0; c < layer.cells; c++) {
          const k = layerFirst[li]! + c;
          kz[col * nz + k] = z;
          kxy[col * nz + k] = xy;
          capacity[col * nz + k] = rc * area * dzM[k]!;
        }
        if (li === stack.bondLayer) bondShare[col] = partShare.get(stack.bondId) ?? 0;
        stack.watch.forEach((w, wi) => {
          if (w.layer === li) watchShare[wi]![col] = partShare.get(w.partId) ?? 0;
        });
      });
      addCavityRadiation(stack.layers, airShare, emptied, (l, c, w) => {
        const cell = col * nz + layerFirst[l]! + c;
        kz[cell] = kz[cell]! + w;
      });
    }
  return {
    n,
    columns,
    ny,
    nx,
    active,
    nz,
    dzM,
    dy,
    dx,
    kxy,
    area,
    kz,
    sideFilm,
    bondShare,
    layerFirst,
    dxMm,
    dyMm,
    origin,
    capacity,
    watchShare,
  };
}
