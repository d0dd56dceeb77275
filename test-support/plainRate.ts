import { linearBackWm2K, linearFrontWm2K, type Environment } from '../src/core/heat/environment';
import type { HeatGrid } from '../src/core/heat/grid';

/**
 * The conduction problem of a grid as plain rates dT/dt, K/s, written without the solver's code: for general-purpose
 * integrators that it is compared with. Linearised films; a contact all over the back, or none.
 */
export function plainRate(grid: HeatGrid, env: Environment, contact: { hWm2K: number; plateC: number } | null) {
  const { nx, ny, nz } = grid;
  const cells: number[] = [];
  for (let c = 0; c < nx * ny * nz; c++) if (grid.active[Math.floor(c / nz)]) cells.push(c);
  const place = new Map(cells.map((c, i) => [c, i]));
  const hb = contact?.hWm2K ?? linearBackWm2K(env);
  const hf = linearFrontWm2K(env);
  /** neighbours by number in the list, with conductances, W/K */
  const links = cells.map((c) => {
    const out: [number, number][] = [];
    const link = (to: number, g: number) => {
      const i = place.get(to);
      if (i !== undefined && g > 0) out.push([i, g]);
    };
    link(c + nz, grid.east[c]!);
    link(c - nz, c >= nz ? grid.east[c - nz]! : 0);
    link(c + nx * nz, grid.south[c]!);
    link(c - nx * nz, c >= nx * nz ? grid.south[c - nx * nz]! : 0);
    if (c % nz < nz - 1) link(c + 1, grid.inward[c]!);
    if (c % nz > 0) link(c - 1, grid.inward[c - 1]!);
    return out;
  });
  /** conductance to the plate or the room, and the temperature there */
  const faces = cells.map((c) => {
    const col = Math.floor(c / nz);
    const k = c % nz;
    const back = k === 0 ? grid.cellAreaM2 / (1 / hb + 1 / grid.toBack[col]!) : 0;
    const front = k === nz - 1 ? grid.cellAreaM2 / (1 / hf + 1 / grid.toFront[col]!) : 0;
    return { back, room: front + grid.sideX[c]! + grid.sideY[c]! };
  });
  const backC = contact?.plateC ?? env.ambientC;
  return {
    cells,
    rate: (_t: number, y: readonly number[]): number[] =>
      cells.map((c, i) => {
        const f = faces[i]!;
        let q = f.back * (backC - y[i]!) + f.room * (env.ambientC - y[i]!);
        for (const [j, g] of links[i]!) q += g * (y[j]! - y[i]!);
        return q / grid.capacity[c]!;
      }),
  };
}
