import { CoreInputError, requireIn } from '../errors';
import { boxOf, contains, discLies, insideDistanceMm } from '../device/shapes';
import { materials as table, type Material } from '../device/materials';
import type { ThermalStack } from '../device/thermalStack';
import type { Pt } from '../device/types';
import { judgement } from '../source';

const sub = 8;

/**
 * Finite-volume grid of a device: nx × ny columns of nz cells, index (j·nx + i)·nz + k with k inward from the heated
 * face. Conductances in W/K, capacities in J/K; lengths inside are metres (mm come in, m are used in the sums).
 * Every cell is supersampled 8 × 8 in plan; a column is active when at least half of it lies in the outline.
 */
export interface HeatGrid {
  nx: number;
  ny: number;
  nz: number;
  dxMm: number;
  dyMm: number;
  origin: Pt;
  active: Uint8Array;
  /** heat capacity of a cell, J/K (1 where inactive) */
  capacity: Float64Array;
  /** conductance to the cell at i+1, j+1, k+1 */
  east: Float64Array;
  south: Float64Array;
  inward: Float64Array;
  /** conductance from a column's first cell centre to the outer face (g0), and its last to the inner face */
  toBack: Float64Array;
  toFront: Float64Array;
  /** conductance of a cell's exposed side faces to the surroundings, film included */
  sideX: Float64Array;
  sideY: Float64Array;
  cellAreaM2: number;
  dzM: Float64Array;
  kz: Float64Array;
  bondCells: Int32Array;
  bondK: [number, number];
  watch: { id: 'battery' | 'camera' | 'display'; partId: string; columns: Int32Array; k: number }[];
  center(column: number): Pt;
}

/** Cell size of the check grid: 2 mm for rings up to 4 mm, half the ring up to 4 mm for wide ones. */
export function checkGridSize(stack: ThermalStack): { nx: number; ny: number } {
  const cell = Math.min(4, Math.max(2, stack.ringWidthMm / 2));
  const box = boxOf(stack.outline);
  return {
    nx: Math.max(1, Math.round((box.max[0] - box.min[0]) / cell)),
    ny: Math.max(1, Math.round((box.max[1] - box.min[1]) / cell)),
  };
}

/** What every cell is made of. */
function fillCells(
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
      // radiation across the space that a part left, as more conductivity of its air: from wall to wall, however it is cut into layers
      for (let li = 0; li < airShare.length; li++) {
        let end = li;
        let gapMm = 0;
        while (end < airShare.length && airShare[end]! >= 0.5) gapMm += stack.layers[end++]!.thicknessMm;
        if (gapMm >= cavityFromMm)
          for (let l = li; l < end; l++)
            for (let c = 0; c < stack.layers[l]!.cells; c++) {
              const cell = col * nz + layerFirst[l]! + c;
              kz[cell] = kz[cell]! + emptied[l]! * cavityWm2K.value * (gapMm / 1e3);
            }
        li = Math.max(li, end - 1);
      }
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

/** @throws CoreInputError when a material is unknown or nothing of the bond lies on the grid */
export function makeGrid(
  stack: ThermalStack,
  size: { nx: number; ny: number },
  options: { materials?: Record<string, Material>; sideWm2K?: number } = {},
): HeatGrid {
  const {
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
  } = fillCells(stack, size, options);

  const east = new Float64Array(n);
  const south = new Float64Array(n);
  const inward = new Float64Array(n);
  const sideX = new Float64Array(n);
  const sideY = new Float64Array(n);
  const toBack = new Float64Array(columns);
  const toFront = new Float64Array(columns);
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const col = j * nx + i;
      if (!active[col]) continue;
      const right = i + 1 < nx && active[col + 1] === 1;
      const left = i > 0 && active[col - 1] === 1;
      const below = j + 1 < ny && active[col + nx] === 1;
      const above = j > 0 && active[col - nx] === 1;
      for (let k = 0; k < nz; k++) {
        const c = col * nz + k;
        const dz = dzM[k]!;
        if (right) east[c] = (dy * dz) / (dx / 2 / kxy[c]! + dx / 2 / kxy[c + nz]!);
        if (below) south[c] = (dx * dz) / (dy / 2 / kxy[c]! + dy / 2 / kxy[c + nx * nz]!);
        if (k + 1 < nz) inward[c] = area / (dz / 2 / kz[c]! + dzM[k + 1]! / 2 / kz[c + 1]!);
        // conductances of exposed faces with a film of h = hSide are formed by the solver from these two
        sideX[c] = (left ? 0 : 1) + (right ? 0 : 1);
        sideY[c] = (above ? 0 : 1) + (below ? 0 : 1);
      }
      toBack[col] = kz[col * nz]! / (dzM[0]! / 2);
      toFront[col] = kz[col * nz + nz - 1]! / (dzM[nz - 1]! / 2);
    }
  // turn counts of exposed faces into area and keep the half-cell resistance beside it
  for (let c = 0; c < n; c++) {
    const dz = dzM[c % nz]!;
    sideX[c] = sideX[c]! && (sideX[c]! * dy * dz) / sideFilm(dx / 2 / kxy[c]!);
    sideY[c] = sideY[c]! && (sideY[c]! * dx * dz) / sideFilm(dy / 2 / kxy[c]!);
  }

  const most = bondShare.reduce((m, v) => Math.max(m, v), 0);
  const bondCells: number[] = [];
  for (let col = 0; col < columns; col++)
    if (active[col] && bondShare[col]! > 0 && bondShare[col]! >= Math.min(0.5, 0.5 * most)) bondCells.push(col);
  if (!bondCells.length && stack.bondLayer >= 0 && stack.ringWidthMm > 0)
    throw new CoreInputError('bond', stack.bondId, 'a zone that covers at least one cell of the grid');
  const bl = stack.layers[stack.bondLayer];
  const bf = layerFirst[stack.bondLayer] ?? 0;
  const half = bl ? Math.floor(bl.cells / 2) : 0;
  const bondK: [number, number] = bl && bl.cells % 2 === 0 ? [bf + half - 1, bf + half] : [bf + half, bf + half];

  return {
    nx,
    ny,
    nz,
    dxMm,
    dyMm,
    origin,
    active,
    capacity,
    east,
    south,
    inward,
    toBack,
    toFront,
    sideX,
    sideY,
    cellAreaM2: area,
    dzM,
    kz,
    bondCells: Int32Array.from(bondCells),
    bondK,
    watch: stack.watch.map((w, wi) => {
      const share = watchShare[wi]!;
      const top = share.reduce((m, v) => Math.max(m, v), 0);
      const cells: number[] = [];
      // lower thresholds make cells that are mixed with air read falsely hot
      for (let col = 0; col < columns; col++) if (active[col] && top > 0 && share[col]! >= 0.95 * top) cells.push(col);
      return { id: w.id, partId: w.partId, columns: Int32Array.from(cells), k: layerFirst[w.layer]! };
    }),
    center: (column) => [origin[0] + ((column % nx) + 0.5) * dxMm, origin[1] + (Math.floor(column / nx) + 0.5) * dyMm],
  };
}

/** Radiation between the walls of an empty space: ε 4 σ T³ at 340 K with ε = 0.5 between painted, bare and plastic walls. */
export const cavityWm2K = judgement(4.5, 'ε 4 σ T³ at 340 K, effective emissivity 0.5 assumed');
/** Thinner gaps conduct so well that radiation does not count. */
const cavityFromMm = 1;

/** Sides of the device: convection and radiation together, constant. */
export const sideTotalWm2K = judgement(14, '8 W/m2K convection and 6 W/m2K radiation, assumed');
