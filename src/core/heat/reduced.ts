import { EigenvalueDecomposition, Matrix } from 'ml-matrix';

import { backPattern, type BackSpec } from './backPattern';
import { linearRadiationWm2K, radiationWm2K } from './environment';
import { jetGrid, patchGrid } from './patches';
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
  /** films of the two faces in this phase, when they are not the run's */
  films?: Films | undefined;
}

/** What heats the face in one spectrum, averaged over the patches that radiate; and, where it is local, by column. */
interface Face {
  patches: Patches;
  /** share of a patch that lies on no contact; film of a jet, W/m²K, and what it carries of (air − ambient) */
  free: Float64Array;
  jet: Float64Array;
  carried: Float64Array;
  /** by column of the face: film of the contact or the jet, and its share of (drive − ambient); null: `film` everywhere */
  columns: { film: Float64Array; share: Float64Array } | null;
  film: number;
}

interface Spectrum {
  lambda: Float64Array;
  /** rank × rank, columns are eigenvectors */
  q: Float64Array;
  forcing: Float64Array;
  /** rows of the patches of the heated and the other face, in eigenvectors: patch × rank */
  back: Float64Array;
  front: Float64Array;
  face: Face;
  /** films that the spectrum was made with, radiation linearised, W/m²K */
  hBack: number;
  hFront: number;
}

/** Films of the two faces with radiation as it was made linear, W/m²K: a fan makes them differ (law 26). */
export interface Films {
  back: number;
  front: number;
}

/** A face cut into patches, small enough that radiation is even over one. */
interface Patches {
  areaM2: Float64Array;
  /** patch × rank: mean over the patch */
  rows: Float64Array;
  /** patch of each column, for the heated face */
  of: Int32Array | null;
}

/** Eigen-decompositions of the reduced operator by film coefficient; shared by all trajectories of a device. */
export class ReducedModel {
  private readonly spectra = new Map<string, Spectrum>();
  private centers: readonly Pt[] | null = null;
  private readonly evenPatches: Patches;
  private readonly jetPatches: Patches;
  private readonly frontPatches: Patches;

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

  /** Films of still air with radiation as it was made linear. */
  get stillAir(): Films {
    return { back: this.modes.hFreeWm2K, front: this.modes.hFrontWm2K };
  }

  /**
   * The same film all over the back.
   * @param contact something touches the face, so it does not radiate
   * @param uneven the face is still hot where a jet passed
   */
  spectrum(hWm2K: number, hFront = this.modes.hFrontWm2K, contact = true, uneven = false): Spectrum {
    const { rank: r, k, b, forcing, firstHalfCellWm2K } = this.modes;
    return this.cached(`${hWm2K}|${hFront}|${contact}|${uneven}`, () => {
      const u = 1 / (1 / hWm2K + 1 / firstHalfCellWm2K);
      const a = Matrix.zeros(r, r);
      for (let i = 0; i < r; i++) for (let j = 0; j < r; j++) a.set(i, j, k[i * r + j]! + u * b[i * r + j]!);
      const patches = uneven ? this.jetPatches : this.evenPatches;
      const n = patches.areaM2.length;
      return this.decompose(
        a,
        forcing.map((f) => u * f),
        hFront,
        contact ? 0 : hWm2K,
        {
          patches,
          free: new Float64Array(n).fill(contact ? 0 : 1),
          jet: new Float64Array(n),
          carried: new Float64Array(n),
          columns: null,
          film: hWm2K,
        },
      );
    });
  }

  /** A film that differs from place to place, projected from the basis at the columns of the heated face. */
  patterned(spec: BackSpec, ambientC: number, hFreeWm2K: number, hFront = this.modes.hFrontWm2K): Spectrum {
    return this.cached(JSON.stringify([spec, spec.kind === 'jet' ? ambientC : 0, hFreeWm2K, hFront]), () => {
      const { rank: r, k, firstHalfCellWm2K, outline } = this.modes;
      this.centers ??= columnCenters(this.modes);
      const p = backPattern(spec, outline, this.centers, ambientC);
      const rows = this.rows('back');
      const area = (this.modes.columnMm.step[0] * this.modes.columnMm.step[1]) / 1e6;
      const sum = new Float64Array(r * r);
      const f = new Float64Array(r);
      const v = new Float64Array(r);
      const films = new Float64Array(rows.count);
      const shares = new Float64Array(rows.count);
      const patches = spec.kind === 'jet' ? this.jetPatches : this.evenPatches;
      const face: Face = {
        patches,
        free: new Float64Array(patches.areaM2.length),
        jet: new Float64Array(patches.areaM2.length),
        carried: new Float64Array(patches.areaM2.length),
        columns: { film: films, share: shares },
        film: 0,
      };
      for (let c = 0; c < rows.count; c++) {
        const touch = p.contact[c]!;
        const film = touch || hFreeWm2K + p.jet[c]!;
        const share = touch ? 1 : (p.jet[c]! * p.share[c]!) / film;
        films[c] = film;
        shares[c] = share;
        if (!touch) {
          const q = patches.of![c]!;
          const w = area / patches.areaM2[q]!;
          face.free[q] = face.free[q]! + w;
          face.jet[q] = face.jet[q]! + w * p.jet[c]!;
          face.carried[q] = face.carried[q]! + w * p.jet[c]! * p.share[c]!;
        }
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
      return this.decompose(a, f, hFront, hFreeWm2K, face);
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

  private decompose(a: Matrix, forcing: ArrayLike<number>, hFront: number, hBack: number, face: Face): Spectrum {
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
      q,
      forcing: f,
      back: turned(face.patches.rows),
      front: turned(this.frontPatches.rows),
      face,
      hBack,
      hFront,
    };
  }

  /**
   * What true radiation takes beyond the linearised films, as a forcing of the modes: dz/dt gains it. Patch by patch; the
   * surface is found from its cell and the half cell between.
   * @param z state in the spectrum's eigenvectors, @param driveK temperature of what heats, above ambient
   */
  radiation(s: Spectrum, z: Float64Array, driveK: number, ambientC: number, out: Float64Array): void {
    const r = this.modes.rank;
    out.fill(0);
    const g0 = this.modes.firstHalfCellWm2K;
    const lin = linearRadiationWm2K('back');
    const { free, jet, carried, patches } = s.face;
    const { areaM2 } = patches;
    for (let p = 0; p < areaM2.length; p++) {
      const share = free[p]!;
      if (share === 0 || areaM2[p] === 0) continue;
      let cellK = 0;
      for (let m = 0, at = p * r; m < r; m++, at++) cellK += s.back[at]! * z[m]!;
      const film = s.hBack + jet[p]! / share;
      const pull = (carried[p]! / share) * driveK;
      const surfaceK = (pull + g0 * cellK) / (film + g0);
      const trueFilm = film - lin + radiationWm2K(ambientC + surfaceK, ambientC);
      const q = (f: number) => (pull - f * cellK) / (1 + f / g0);
      const gain = areaM2[p]! * share * (q(trueFilm) - q(film));
      for (let m = 0, at = p * r; m < r; m++, at++) out[m] = out[m]! + gain * s.back[at]!;
    }
    const g1 = this.modes.frontHalfCellWm2K;
    const linF = linearRadiationWm2K('front');
    const front = this.frontPatches.areaM2;
    const through = 1 / (1 + this.modes.hFrontWm2K / g1);
    for (let p = 0; p < front.length; p++) {
      if (front[p] === 0) continue;
      let cellK = 0;
      for (let m = 0, at = p * r; m < r; m++, at++) cellK += s.front[at]! * z[m]!;
      const surfaceK = (g1 * cellK) / (s.hFront + g1);
      const trueFilm = s.hFront - linF + radiationWm2K(ambientC + surfaceK, ambientC);
      // areas are weighted with (u/h)² of the film that the modes were built with
      const gain = (-front[p]! * (trueFilm - s.hFront) * cellK) / (1 + trueFilm / g1) / through;
      for (let m = 0, at = p * r; m < r; m++, at++) out[m] = out[m]! + gain * s.front[at]!;
    }
  }

  rows(id: ThermalModes['rows'][number]['id']) {
    const found = this.modes.rows.find((x) => x.id === id);
    if (!found) throw new Error(`no rows ${id}`);
    return found;
  }
}

/** Longest step between two looks at the radiation, s, and the share of the time since the switch. */
const lookS = { first: 2, most: 40, share: 0.8 };

const isJet = (p: HeatPhase) =>
  p.contactWm2K !== null && typeof p.contactWm2K === 'object' && p.contactWm2K.kind === 'jet';

/** One phase of a run, walked once: states at the instants at which radiation was looked at. */
class Stretch {
  private readonly points: { t: number; z: Float64Array; gain: Float64Array }[] = [];
  private readonly spectrum: Spectrum;

  constructor(
    private readonly model: ReducedModel,
    private readonly phase: HeatPhase,
    start: Float64Array,
    private readonly ambientC: number,
    films: Films,
    private readonly radiates: boolean,
    afterJet: boolean,
  ) {
    const c = phase.contactWm2K;
    this.spectrum =
      c !== null && typeof c === 'object'
        ? model.patterned(c, ambientC, films.back, films.front)
        : model.spectrum(c ?? films.back, films.front, c !== null, afterJet);
    const r = model.modes.rank;
    const z = new Float64Array(r);
    for (let m = 0; m < r; m++) {
      let v = 0;
      for (let i = 0; i < r; i++) v += this.spectrum.q[i * r + m]! * start[i]!;
      z[m] = v;
    }
    this.points.push({ t: 0, z, gain: this.gain(0, z) });
  }

  private gain(t: number, z: Float64Array): Float64Array {
    const out = new Float64Array(z.length);
    if (this.radiates) this.model.radiation(this.spectrum, z, this.driveK(t), this.ambientC, out);
    return out;
  }

  /** Temperature of what heats above ambient, K. */
  driveK(t: number): number {
    const { contactWm2K, targetC, plateStartC, lagS } = this.phase;
    if (contactWm2K === null) return 0;
    const d = lagS > 0 ? (targetC - plateStartC) * Math.exp(-t / lagS) : 0;
    return targetC - this.ambientC - d;
  }

  /** State of the modes, t seconds after the phase began. */
  at(t: number): Float64Array {
    while (this.radiates && this.points[this.points.length - 1]!.t < t) this.walk();
    let i = this.points.length - 1;
    while (i > 0 && this.points[i]!.t > t) i--;
    const a = this.points[i]!;
    const b = this.points[i + 1];
    return this.unturned(this.advance(a.z, a.t, t - a.t, a.gain, b ? b.gain : a.gain, b ? b.t - a.t : 1));
  }

  /** The same with radiation as it was at the beginning: for the seconds between a heater and the first cut. */
  soonAt(t: number): Float64Array {
    const a = this.points[0]!;
    return this.unturned(this.advance(a.z, 0, t, a.gain, a.gain, 1));
  }

  private unturned(z: Float64Array): Float64Array {
    const r = z.length;
    const y = new Float64Array(r);
    const { q } = this.spectrum;
    for (let k = 0; k < r; k++) {
      let v = 0;
      for (let m = 0, at = k * r; m < r; m++, at++) v += q[at]! * z[m]!;
      y[k] = v;
    }
    return y;
  }

  /** One step of second order (exponential Runge-Kutta; Cox & Matthews 2002, published): modes exact, radiation linear in time. */
  private walk(): void {
    const last = this.points[this.points.length - 1]!;
    const dt = Math.min(lookS.most, Math.max(lookS.first, lookS.share * last.t));
    const guess = this.advance(last.z, last.t, dt, last.gain, last.gain, 1);
    const gain = this.gain(last.t + dt, guess);
    this.points.push({ t: last.t + dt, z: this.advance(last.z, last.t, dt, last.gain, gain, dt), gain });
  }

  /** From z0 at t0 over dt; the gain goes from g0 at t0 to g1 at t0 + over. */
  private advance(
    z0: Float64Array,
    t0: number,
    dt: number,
    g0: Float64Array,
    g1: Float64Array,
    over: number,
  ): Float64Array {
    const { lambda, forcing } = this.spectrum;
    const p = this.phase;
    const heated = p.contactWm2K !== null;
    const P = p.targetC - this.ambientC;
    const D = heated && p.lagS > 0 ? (p.targetC - p.plateStartC) * Math.exp(-t0 / p.lagS) : 0;
    const mu = p.lagS > 0 ? 1 / p.lagS : 0;
    const fade = D !== 0 ? Math.exp(-mu * dt) : 0;
    const out = new Float64Array(z0.length);
    for (let m = 0; m < z0.length; m++) {
      const lam = lambda[m]!;
      const e = Math.exp(-lam * dt);
      const even = (1 - e) / lam;
      let z = z0[m]! * e + g0[m]! * even + ((g1[m]! - g0[m]!) / over) * ((dt - even) / lam);
      if (heated) {
        const a = forcing[m]!;
        z += a * P * even;
        if (D !== 0) z -= Math.abs(lam - mu) < 1e-9 * lam ? a * D * dt * e : ((a * D) / (lam - mu)) * (fade - e);
      }
      out[m] = z;
    }
    return out;
  }

  /** Film and share of what heats, by column of the face or all over; null when nothing does. */
  get face(): Pick<Face, 'columns' | 'film'> | null {
    return this.phase.contactWm2K === null ? null : this.spectrum.face;
  }
}

export interface TrajectoryOptions {
  /** `linear`: without what true radiation takes beyond the films; for checks against closed forms */
  radiation?: 'true' | 'linear' | undefined;
}

/**
 * State of the reduced model through a list of phases. Each mode in closed form,
 *   y(t) = y0 e^(−λt) + (a P/λ)(1 − e^(−λt)) − (a D/(λ − 1/lag)) (e^(−t/lag) − e^(−λt)),  λ = 1/lag: the limit a D t e^(−λt)
 * with P = target − ambient, D = target − plate start; what true radiation takes beyond the linearised films is looked at
 * at a few instants and put in as a forcing. All temperatures come out above ambient.
 */
export class Trajectory {
  private readonly stretches: Stretch[] = [];
  /** states that were asked for; nobody writes into one */
  private readonly seen = new Map<number, Float64Array>();
  private readonly films: Films;

  /** @param films of both faces, W/m²K, radiation linearised; one number: the heated face, the other one in still air */
  constructor(
    readonly model: ReducedModel,
    readonly phases: readonly HeatPhase[],
    readonly ambientC: number,
    films: number | Films,
    private readonly options: TrajectoryOptions = {},
  ) {
    this.films = typeof films === 'number' ? { back: films, front: model.modes.hFrontWm2K } : films;
    phases.forEach((p, i) => {
      const y =
        i > 0 ? this.stretches[i - 1]!.at(p.startS - phases[i - 1]!.startS) : new Float64Array(model.modes.rank);
      this.stretches.push(this.stretch(p, y, phases.slice(0, i).some(isJet)));
    });
  }

  private stretch(p: HeatPhase, y: Float64Array, afterJet: boolean): Stretch {
    return new Stretch(
      this.model,
      p,
      y,
      this.ambientC,
      p.films ?? this.films,
      (this.options.radiation ?? 'true') === 'true',
      afterJet,
    );
  }

  /** The same run continued: earlier phases are kept as they are, not computed again. */
  with(phase: HeatPhase): Trajectory {
    const next = new Trajectory(this.model, [], this.ambientC, this.films, this.options);
    const kept = this.phases.filter((p) => p.startS < phase.startS);
    Object.assign(next, { phases: [...kept, phase] });
    next.stretches.push(
      ...this.stretches.slice(0, kept.length),
      this.stretch(phase, this.state(phase.startS, kept.length), kept.some(isJet)),
    );
    return next;
  }

  /** State `forS` after a phase that begins at `phase.startS` and ends what was on; the phase is not kept. */
  soonAfter(phase: HeatPhase, forS: number): Float64Array {
    return this.stretch(phase, this.state(phase.startS), this.phases.some(isJet)).soonAt(forS);
  }

  state(tS: number, among = this.phases.length): Float64Array {
    const whole = among === this.phases.length;
    const known = whole ? this.seen.get(tS) : undefined;
    if (known) return known;
    const i = this.at(tS, among);
    const y =
      i < 0 ? new Float64Array(this.model.modes.rank) : this.stretches[i]!.at(Math.max(0, tS - this.phases[i]!.startS));
    if (whole) {
      if (this.seen.size > 300) this.seen.clear();
      this.seen.set(tS, y);
    }
    return y;
  }

  /** What heats the face at an instant: film and share by column or all over, and its temperature above ambient. */
  heating(tS: number): { film: number; columns: Face['columns']; driveK: number } | null {
    const i = this.at(tS, this.phases.length);
    const face = i < 0 ? null : this.stretches[i]!.face;
    return face ? { ...face, driveK: this.stretches[i]!.driveK(Math.max(0, tS - this.phases[i]!.startS)) } : null;
  }

  private at(tS: number, among: number): number {
    let i = among - 1;
    while (i > 0 && this.phases[i]!.startS > tS) i--;
    return i;
  }
}
