import { EigenvalueDecomposition, Matrix } from 'ml-matrix';

import { backPattern, type BackSpec } from './backPattern';
import { columnCenters, type ThermalModes } from './modes';
import type { Pt } from '../device/types';

/** One stretch of a run: heat (contact, plate temperature with lag) or free cooling. Times in s from the run's start. */
export interface HeatPhase {
  startS: number;
  /** contact conductance all over, W/m2K, a pattern of its own, or null when nothing heats the back */
  contactWm2K: number | BackSpec | null;
  /** plate target (setpoint + offset), plate temperature at the phase start, °C, and its lag, s */
  targetC: number;
  plateStartC: number;
  lagS: number;
}

interface Spectrum {
  lambda: Float64Array;
  /** rank × rank, columns are eigenvectors */
  q: Float64Array;
  forcing: Float64Array;
}

/** Eigen-decompositions of the reduced operator by film coefficient; shared by all trajectories of a device. */
export class ReducedModel {
  private readonly spectra = new Map<string, Spectrum>();
  private centers: readonly Pt[] | null = null;

  constructor(readonly modes: ThermalModes) {}

  /** The same film all over the back. */
  spectrum(hWm2K: number): Spectrum {
    const { rank: r, k, b, forcing, firstHalfCellWm2K } = this.modes;
    return this.cached(String(hWm2K), () => {
      const u = 1 / (1 / hWm2K + 1 / firstHalfCellWm2K);
      const a = Matrix.zeros(r, r);
      for (let i = 0; i < r; i++) for (let j = 0; j < r; j++) a.set(i, j, k[i * r + j]! + u * b[i * r + j]!);
      return this.decompose(
        a,
        forcing.map((f) => u * f),
      );
    });
  }

  /** A film that differs from place to place, projected from the basis at the columns of the heated face. */
  patterned(spec: BackSpec, ambientC: number, hFreeWm2K: number): Spectrum {
    return this.cached(JSON.stringify([spec, spec.kind === 'jet' ? ambientC : 0, hFreeWm2K]), () => {
      const { rank: r, k, firstHalfCellWm2K, outline } = this.modes;
      this.centers ??= columnCenters(this.modes);
      const p = backPattern(spec, outline, this.centers, ambientC);
      const rows = this.rows('back');
      const area = (this.modes.columnMm.step[0] * this.modes.columnMm.step[1]) / 1e6;
      const sum = new Float64Array(r * r);
      const f = new Float64Array(r);
      const v = new Float64Array(r);
      for (let c = 0; c < rows.count; c++) {
        const touch = p.contact[c]!;
        const film = touch || hFreeWm2K + p.jet[c]!;
        const share = touch ? 1 : (p.jet[c]! * p.share[c]!) / film;
        const u = area / (1 / film + 1 / firstHalfCellWm2K);
        for (let i = 0; i < r; i++) v[i] = rows.values[c * r + i]!;
        for (let i = 0; i < r; i++) {
          const uv = u * v[i]!;
          f[i] = f[i]! + uv * share;
          for (let j = 0, at = i * r; j <= i; j++, at++) sum[at] = sum[at]! + uv * v[j]!;
        }
      }
      const a = Matrix.zeros(r, r);
      for (let i = 0; i < r; i++)
        for (let j = 0; j <= i; j++) {
          const x = k[i * r + j]! + sum[i * r + j]!;
          a.set(i, j, x);
          a.set(j, i, x);
        }
      return this.decompose(a, f);
    });
  }

  private cached(key: string, make: () => Spectrum): Spectrum {
    const known = this.spectra.get(key);
    if (known) return known;
    const made = make();
    if (this.spectra.size > 96) this.spectra.clear();
    this.spectra.set(key, made);
    return made;
  }

  private decompose(a: Matrix, forcing: ArrayLike<number>): Spectrum {
    const r = this.modes.rank;
    const evd = new EigenvalueDecomposition(a, { assumeSymmetric: true });
    const q = new Float64Array(r * r);
    const f = new Float64Array(r);
    for (let m = 0; m < r; m++)
      for (let i = 0; i < r; i++) {
        const v = evd.eigenvectorMatrix.get(i, m);
        q[i * r + m] = v;
        f[m] = f[m]! + v * forcing[i]!;
      }
    return { lambda: Float64Array.from(evd.realEigenvalues), q, forcing: f };
  }

  rows(id: ThermalModes['rows'][number]['id']) {
    const found = this.modes.rows.find((x) => x.id === id);
    if (!found) throw new Error(`no rows ${id}`);
    return found;
  }
}

/**
 * State of the reduced model through a list of phases, each mode in closed form:
 *   y(t) = y0 e^(−λt) + (a P/λ)(1 − e^(−λt)) − (a D/(λ − 1/lag)) (e^(−t/lag) − e^(−λt)),  λ = 1/lag: the limit a D t e^(−λt)
 * P = target − ambient, D = target − plate start. All temperatures come out above ambient.
 */
export class Trajectory {
  private readonly starts: Float64Array[] = [];

  constructor(
    readonly model: ReducedModel,
    readonly phases: readonly HeatPhase[],
    readonly ambientC: number,
    private readonly hFree: number,
  ) {
    let y: Float64Array = new Float64Array(model.modes.rank);
    phases.forEach((p, i) => {
      if (i > 0) y = this.advance(phases[i - 1]!, y, p.startS - phases[i - 1]!.startS);
      this.starts.push(y);
    });
  }

  /** The same run continued: earlier phases are kept as they are, not computed again. */
  with(phase: HeatPhase): Trajectory {
    const next = new Trajectory(this.model, [], this.ambientC, this.hFree);
    const kept = this.phases.filter((p) => p.startS < phase.startS);
    Object.assign(next, { phases: [...kept, phase] });
    next.starts.push(...this.starts.slice(0, kept.length), this.state(phase.startS, kept.length));
    return next;
  }

  state(tS: number, among = this.phases.length): Float64Array {
    let i = among - 1;
    while (i > 0 && this.phases[i]!.startS > tS) i--;
    const p = this.phases[i];
    if (!p) return new Float64Array(this.model.modes.rank);
    return this.advance(p, this.starts[i]!, Math.max(0, tS - p.startS));
  }

  private advance(p: HeatPhase, y0: Float64Array, t: number): Float64Array {
    const r = this.model.modes.rank;
    const s =
      p.contactWm2K !== null && typeof p.contactWm2K === 'object'
        ? this.model.patterned(p.contactWm2K, this.ambientC, this.hFree)
        : this.model.spectrum(p.contactWm2K ?? this.hFree);
    const P = p.targetC - this.ambientC;
    const D = p.lagS > 0 ? p.targetC - p.plateStartC : 0;
    const out = new Float64Array(r);
    for (let m = 0; m < r; m++) {
      let z = 0;
      for (let i = 0; i < r; i++) z += s.q[i * r + m]! * y0[i]!;
      const lam = s.lambda[m]!;
      const e = Math.exp(-lam * t);
      z *= e;
      if (p.contactWm2K !== null) {
        const a = s.forcing[m]!;
        z += ((a * P) / lam) * (1 - e);
        if (D !== 0) {
          const mu = 1 / p.lagS;
          z -= Math.abs(lam - mu) < 1e-9 * lam ? a * D * t * e : ((a * D) / (lam - mu)) * (Math.exp(-mu * t) - e);
        }
      }
      for (let i = 0; i < r; i++) out[i] = out[i]! + s.q[i * r + m]! * z;
    }
    return out;
  }
}
