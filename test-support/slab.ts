import type { Material } from '../src/core/device/materials';
import type { ThermalStack } from '../src/core/device/thermalStack';
import { makeGrid, type HeatGrid } from '../src/core/heat/grid';
import { memory } from '../src/core/source';

/** Material with the given conductivity (W/mK) and volumetric heat capacity (J/m3K). */
export const material = (k: number, rhoC: number): Material => ({
  kzWmK: memory(k, 'test'),
  kxyWmK: memory(k, 'test'),
  rhoKgM3: memory(rhoC / 1000, 'test'),
  cJkgK: memory(1000, 'test'),
});

export interface SlabLayer {
  thicknessMm: number;
  cells: number;
  material: string;
}

/** A plain block of layers without bond or watched places, for checks against analytic solutions. */
export function slab(
  layers: SlabLayer[],
  materials: Record<string, Material>,
  plan: { wMm: number; hMm: number; nx: number; ny: number; sideWm2K?: number } = { wMm: 10, hMm: 10, nx: 1, ny: 1 },
): HeatGrid {
  const stack: ThermalStack = {
    outline: { kind: 'roundRect', min: [0, 0], max: [plan.wMm, plan.hMm], rMm: 0 },
    layers: layers.map((l) => ({ thicknessMm: l.thicknessMm, cells: l.cells, fill: l.material, zones: [] })),
    bondLayer: -1,
    bondId: 'none',
    bondMaterial: '',
    watch: [],
    cameraZones: [],
    pathOutline: { kind: 'roundRect', min: [0, 0], max: [plan.wMm, plan.hMm], rMm: 0 },
    ringWidthMm: 0,
  };
  return makeGrid(stack, { nx: plan.nx, ny: plan.ny }, { materials, sideWm2K: plan.sideWm2K ?? 0 });
}
