import { EigenvalueDecomposition, Matrix } from 'ml-matrix';

import type { Pt } from '../device/types';
import type { BackSpec } from './backPattern';
import { JetFace, projectContact, type FaceBasis, type Projected } from './faceProjection';
import { radiationForcing } from './faceRadiation';
import { makeJet } from './jet';
import { columnCenters, type ThermalModes } from './modes';
import { jetGrid, patchGrid } from './patches';
import { SoonAfter } from './soonAfter';
import type { Face, Patches, Spectrum } from './spectrum';
import type { Films } from './trajectory';

/** A jet's strength is told to 0.2 % (at 80 K over the room 0.05 K): its scale is known to 20 %. */
const strengthStep = 0.002;

/** What is kept for an arc's cells under one spectrum. */
interface CellMaps {
  rows: Float64Array | null;
  soon: Map<number, SoonAfter>;
}

/** Eigen-decompositions of the reduced operator by film coefficient; shared by all trajectories of a device. */
export class ReducedModel {
  private readonly spectra = new Map<string, Spectrum>();
  private centers: readonly Pt[] | null = null;
  private faceMean: Float64Array | null = null;
  private readonly evenPatches: Patches;
  private readonly jetPatches: Patches;
  private readonly frontPatches: Patches;
  private readonly jets = new Map<string, JetFace>();
  private readonly maps = new WeakMap<Spectrum, WeakMap<Int32Array, CellMaps>>();

  constructor(readonly modes: ThermalModes) {
    this.evenPatches = this.cutFace(patchGrid);
    this.jetPatches = this.cutFace(jetGrid);
    const front = this.rows('front');
    this.frontPatches = {
      areaM2: Float64Array.from(modes.frontAreaM2),
      rows: Float64Array.from(front.values),
      of: null,
    };
  }

  /** The heated face in patches of a grid over the device. */
  private cutFace({ across, along }: { across: number; along: number }): Patches {
    const { rank: r, nx, ny, columns, columnMm } = this.modes;
    const rows = this.rows('back');
    const n = across * along;
    const of = Int32Array.from(
      columns,
      (c) => Math.floor(((c % nx) * across) / nx) + across * Math.floor((Math.floor(c / nx) * along) / ny),
    );
    const area = (columnMm.step[0] * columnMm.step[1]) / 1e6;
    const areaM2 = new Float64Array(n);
    const mean = new Float64Array(n * r);
    of.forEach((p, c) => {
      areaM2[p] = areaM2[p]! + area;
      for (let i = 0; i < r; i++) mean[p * r + i] = mean[p * r + i]! + area * rows.values[c * r + i]!;
    });
    for (let p = 0; p < n; p++)
      for (let i = 0; i < r; i++) mean[p * r + i] = areaM2[p]! ? mean[p * r + i]! / areaM2[p]! : 0;
    return { areaM2, rows: mean, of };
  }

  /** Mean of the heated face over a state of the modes, K above ambient. */
  faceMeanK(y: Float64Array): number {
    const { rank: r } = this.modes;
    if (!this.faceMean) {
      const { values, count } = this.rows('back');
      const mean = new Float64Array(r);
      for (let c = 0; c < count; c++) for (let i = 0; i < r; i++) mean[i] = mean[i]! + values[c * r + i]! / count;
      this.faceMean = mean;
    }
    let sum = 0;
    for (let i = 0; i < r; i++) sum += this.faceMean[i]! * y[i]!;
    return sum;
  }

  /** Films of still air with radiation as it was made linear. */
  get stillAir(): Films {
    return { back: this.modes.hFreeWm2K, front: this.modes.hFrontWm2K };
  }

  /**
   * The same film all over the back.
   * @param contact something touches the face, so it does not radiate
   * @param uneven the face is still hot where a jet passed
   * @param raysWm2K film that a flux is told by (W/m²K): what drives it brings so much and no more, whatever the face gives off
   */
  spectrum(
    hWm2K: number,
    hFront = this.modes.hFrontWm2K,
    contact = true,
    uneven = false,
    raysWm2K: number | null = null,
  ): Spectrum {
    const { rank: r, k, b, forcing, firstHalfCellWm2K } = this.modes;
    return this.cached(`${hWm2K}|${hFront}|${contact}|${uneven}|${raysWm2K}`, () => {
      const u = 1 / (1 / hWm2K + 1 / firstHalfCellWm2K);
      const share = raysWm2K === null ? 1 : raysWm2K / hWm2K;
      const a = Matrix.zeros(r, r);
      for (let i = 0; i < r; i++) for (let j = 0; j < r; j++) a.set(i, j, k[i * r + j]! + u * b[i * r + j]!);
      const patches = uneven ? this.jetPatches : this.evenPatches;
      const n = patches.areaM2.length;
      return this.decompose(
        a,
        forcing.map((f) => u * f * share),
        hFront,
        contact ? 0 : hWm2K,
        {
          patches,
          free: new Float64Array(n).fill(contact ? 0 : 1),
          jet: new Float64Array(n),
          carried: new Float64Array(n).fill(raysWm2K ?? 0),
          columns: null,
          film: hWm2K,
          share,
        },
      );
    });
  }

  /** A film that differs from place to place, projected from the basis at the columns of the heated face. */
  patterned(
    spec: Exclude<BackSpec, { kind: 'rays' }>,
    ambientC: number,
    hFreeWm2K: number,
    hFront = this.modes.hFrontWm2K,
  ): Spectrum {
    if (spec.kind === 'jet') {
      const face = this.jetFace(spec, ambientC);
      // nearly the same at every setpoint, as warmer air is thinner too: a moving dial seldom needs a new decomposition
      const step = Math.round(Math.log(makeJet(spec.jet, ambientC).base) / strengthStep);
      return this.cached(`${face.key}|${step}|${hFreeWm2K}|${hFront}`, () =>
        this.withFace(face.at(Math.exp(step * strengthStep), hFreeWm2K), hFront, hFreeWm2K),
      );
    }
    return this.cached(JSON.stringify([spec, hFreeWm2K, hFront]), () =>
      this.withFace(projectContact(this.basis(), spec, this.evenPatches, hFreeWm2K), hFront, hFreeWm2K),
    );
  }

  private withFace(p: Projected, hFront: number, hFreeWm2K: number): Spectrum {
    const { rank: r, k } = this.modes;
    const a = Matrix.zeros(r, r);
    for (let i = 0; i < r; i++) for (let j = 0; j < r; j++) a.set(i, j, k[i * r + j]! + p.taken[i * r + j]!);
    return this.decompose(a, p.brought, hFront, hFreeWm2K, p.face, p.wide);
  }

  private basis(): FaceBasis {
    const { rank, firstHalfCellWm2K, outline, columnMm } = this.modes;
    this.centers ??= columnCenters(this.modes);
    return {
      rank,
      rows: this.rows('back').values,
      columnAreaM2: (columnMm.step[0] * columnMm.step[1]) / 1e6,
      halfCellWm2K: firstHalfCellWm2K,
      outline,
      centers: this.centers,
    };
  }

  /** One for each way of a nozzle: temperature and scale of its air only change how strong it is. */
  private jetFace(spec: Extract<BackSpec, { kind: 'jet' }>, ambientC: number): JetFace {
    const { nozzleMm, standoffMm, entrainMm } = spec.jet;
    const key = JSON.stringify([spec.path, spec.masks, nozzleMm, standoffMm, entrainMm]);
    const known = this.jets.get(key);
    if (known) return known;
    if (this.jets.size > 24) this.jets.clear();
    const made = new JetFace(key, this.basis(), spec, ambientC, this.jetPatches, this.evenPatches);
    this.jets.set(key, made);
    return made;
  }

  /** The bond's cells a fixed time after the heat ended; one for each spectrum of cooling, time and arc. */
  soonAfter(s: Spectrum, cells: Int32Array, forS: number): SoonAfter {
    const known = this.mapsOf(s, cells);
    let map = known.soon.get(forS);
    if (!map) {
      map = new SoonAfter(s, this.modes, this.frontPatches, this.rows('bond').values, cells, forS);
      known.soon.set(forS, map);
    }
    return map;
  }

  /** Rows of some cells of the bond in the eigenvectors of a spectrum, cell × rank. */
  turnedBond(s: Spectrum, cells: Int32Array): Float64Array {
    const known = this.mapsOf(s, cells);
    if (!known.rows) {
      const { rank: r } = this.modes;
      const { values } = this.rows('bond');
      const out = new Float64Array(cells.length * r);
      cells.forEach((cell, n) => {
        for (let i = 0; i < r; i++)
          for (let m = 0; m < r; m++) out[n * r + m] = out[n * r + m]! + values[cell * r + i]! * s.q[i * r + m]!;
      });
      known.rows = out;
    }
    return known.rows;
  }

  private mapsOf(s: Spectrum, cells: Int32Array): CellMaps {
    let byCells = this.maps.get(s);
    if (!byCells) this.maps.set(s, (byCells = new WeakMap()));
    let found = byCells.get(cells);
    if (!found) byCells.set(cells, (found = { rows: null, soon: new Map() }));
    return found;
  }

  private cached(key: string, make: () => Spectrum): Spectrum {
    const known = this.spectra.get(key);
    if (known) return known;
    const made = make();
    if (this.spectra.size > 96) this.spectra.clear();
    this.spectra.set(key, made);
    return made;
  }

  private decompose(
    a: Matrix,
    forcing: ArrayLike<number>,
    hFront: number,
    hBack: number,
    face: Face,
    wide: Face | null = null,
  ): Spectrum {
    const { rank: r, bFront, hFrontWm2K, frontHalfCellWm2K: g } = this.modes;
    if (hFront !== hFrontWm2K) {
      // the other face's film moved from the one that the modes were built with; `bFront` is weighted with (u/h)² there
      const through = (h: number) => 1 / (1 + h / g);
      const d = ((hFront - hFrontWm2K) * through(hFront)) / through(hFrontWm2K);
      for (let i = 0; i < r; i++) for (let j = 0; j < r; j++) a.set(i, j, a.get(i, j) + d * bFront[i * r + j]!);
    }
    const evd = new EigenvalueDecomposition(a, { assumeSymmetric: true });
    const q = new Float64Array(r * r);
    const f = new Float64Array(r);
    for (let m = 0; m < r; m++)
      for (let i = 0; i < r; i++) {
        const v = evd.eigenvectorMatrix.get(i, m);
        q[i * r + m] = v;
        f[m] = f[m]! + v * forcing[i]!;
      }
    const turned = (rows: Float64Array) => {
      const n = rows.length / r;
      const out = new Float64Array(rows.length);
      for (let p = 0; p < n; p++)
        for (let m = 0; m < r; m++) {
          let x = 0;
          for (let i = 0; i < r; i++) x += rows[p * r + i]! * q[i * r + m]!;
          out[p * r + m] = x;
        }
      return out;
    };
    return {
      lambda: Float64Array.from(evd.realEigenvalues),
      decays: new Map(),
      q,
      forcing: f,
      back: turned(face.patches.rows),
      front: turned(this.frontPatches.rows),
      face,
      wide: wide && { face: wide, back: turned(wide.patches.rows) },
      hBack,
      hFront,
    };
  }

  /** What true radiation takes beyond the linearised films, as a forcing of the modes. */
  radiation(
    s: Pick<Spectrum, 'face' | 'back' | 'front' | 'hBack' | 'hFront'>,
    z: Float64Array,
    driveK: number,
    ambientC: number,
    out: Float64Array,
  ): void {
    radiationForcing(s, this.modes, this.frontPatches, z, driveK, ambientC, out);
  }

  rows(id: ThermalModes['rows'][number]['id']) {
    const found = this.modes.rows.find((x) => x.id === id);
    if (!found) throw new Error(`no rows ${id}`);
    return found;
  }
}
