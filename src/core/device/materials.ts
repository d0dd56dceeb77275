import { judgement, memory, published, type Sourced } from '../source';
import { bare } from '../bare';

/** Thermal properties: conductivity through and along the layer (W/mK), density (kg/m3), specific heat (J/kgK). */
export interface Material {
  kzWmK: Sourced;
  kxyWmK: Sourced;
  rhoKgM3: Sourced;
  cJkgK: Sourced;
}

const all = (
  make: (v: number, note: string) => Sourced,
  note: string,
  kz: number,
  kxy: number,
  rho: number,
  c: number,
): Material => ({
  kzWmK: make(kz, note),
  kxyWmK: make(kxy, note),
  rhoKgM3: make(rho, note),
  cJkgK: make(c, note),
});

export const materials: Record<string, Material> = bare({
  glass: all(memory, 'alkali-aluminosilicate cover glass', 1.1, 1.1, 2450, 800),
  adhesive: all(memory, 'acrylic or polyurethane film; polymer handbooks 0.15-0.25 W/mK', 0.19, 0.19, 1100, 1800),
  foamTape: all(memory, 'acrylic foam tape', 0.12, 0.12, 750, 1800),
  air: all(published, 'air at 350 K, Incropera & DeWitt Table A.4', 0.03, 0.03, 1, 1009),
  /** air where a part was: the grid adds what radiates across it */
  cavity: all(published, 'air at 350 K, Incropera & DeWitt Table A.4', 0.03, 0.03, 1, 1009),
  aluminium: all(published, 'wrought 6000-class alloy, metals handbook', 167, 167, 2700, 896),
  stainless: all(published, 'austenitic steel, Incropera & DeWitt Table A.1', 14.9, 14.9, 7900, 477),
  polymer: all(memory, 'polycarbonate, polymer handbook', 0.2, 0.2, 1200, 1250),
  battery: all(
    judgement,
    'assumed inside published ranges kz 0.2-3.4, kxy 20-32 (Maleki et al. 1999; Drake et al. 2014)',
    0.8,
    25,
    2400,
    1000,
  ),
  coil: all(judgement, 'coil, ferrite and graphite together, assumed', 1.5, 30, 4000, 600),
  board: all(judgement, 'laminate and copper, assumed; published kxy 10-40, kz 0.3-0.6', 0.6, 15, 2200, 1000),
  camera: all(judgement, 'camera module, assumed', 0.8, 1.5, 2000, 900),
  display: all(judgement, 'display stack, assumed', 0.7, 4, 2300, 850),
});
