import { CoreInputError } from '../errors';
import { boxOf } from '../device/shapes';
import { type Material } from '../device/materials';
import type { ThermalStack } from '../device/thermalStack';
import type { Pt } from '../device/types';
import { fillCells } from './gridCells';

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
