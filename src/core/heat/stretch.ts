import { dot } from '../numeric/dot';
import type { ReducedModel } from './reduced';
import type { Face, Spectrum } from './spectrum';
import { type HeatPhase, type Films } from './trajectory';

/** Longest step between two looks at the radiation, s, and the share of the time since the switch. */
export const lookS = { first: 4, most: 60, share: 1 };

/** The steps that a walk takes from its beginning on. */
export const walkSteps = new Set<number>();

/** Rates at which the reduced model settles under one boundary, 1/s, with their shapes. */
export const spectrumOf = (
  model: ReducedModel,
  phase: HeatPhase,
  ambientC: number,
  films: Films,
  afterJet: boolean,
): Spectrum => {
  const c = phase.contactWm2K;
  if (c !== null && typeof c === 'object' && c.kind === 'rays')
    return model.spectrum(films.back, films.front, false, afterJet, c.filmWm2K);
  return c !== null && typeof c === 'object'
    ? model.patterned(c, ambientC, films.back, films.front)
    : model.spectrum(c ?? films.back, films.front, c !== null, afterJet);
};

/** One phase of a run, walked once: states at the instants at which radiation was looked at. */
export class Stretch {
  private readonly points: { t: number; z: Float64Array; gain: Float64Array }[] = [];
  private readonly spectrum: Spectrum;
  private readonly scratch: Float64Array;
  /** the face as radiation sees it */
  private readonly radiating: Parameters<ReducedModel['radiation']>[0];

  constructor(
    private readonly model: ReducedModel,
    private readonly phase: HeatPhase,
    start: Float64Array,
    private readonly ambientC: number,
    films: Films,
    private readonly radiates: boolean,
    wide: boolean,
    afterJet: boolean,
  ) {
    this.spectrum = spectrumOf(model, phase, ambientC, films, afterJet);
    const r = model.modes.rank;
    this.scratch = new Float64Array(r);
    const s = this.spectrum;
    this.radiating = wide && s.wide ? { ...s.wide, front: s.front, hBack: s.hBack, hFront: s.hFront } : s;
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
    if (this.radiates) this.model.radiation(this.radiating, z, this.driveK(t), this.ambientC, out);
    return out;
  }

  /** Temperature of what heats above ambient, K. */
  driveK(t: number): number {
    const { contactWm2K, targetC, plateStartC, lagS } = this.phase;
    if (contactWm2K === null) return 0;
    const d = lagS > 0 ? (targetC - plateStartC) * Math.exp(-t / lagS) : 0;
    return targetC - this.ambientC - d;
  }

  /** State in the phase's own eigenvectors, t seconds after it began. */
  private zAt(t: number): Float64Array {
    while (this.radiates && this.points[this.points.length - 1]!.t < t) this.walk();
    let i = this.points.length - 1;
    while (i > 0 && this.points[i]!.t > t) i--;
    const a = this.points[i]!;
    const b = this.points[i + 1];
    return this.advance(a.z, a.t, t - a.t, a.gain, b ? b.gain : a.gain, b ? b.t - a.t : 1);
  }

  /** State of the modes, t seconds after the phase began. */
  at(t: number): Float64Array {
    return this.unturned(this.zAt(t));
  }

  /** Coldest of some cells of the bond, K above ambient: without the whole state. */
  coldestK(t: number, cells: Int32Array): number {
    const z = this.zAt(t);
    const rows = this.model.turnedBond(this.spectrum, cells);
    const r = z.length;
    let least = Infinity;
    for (let c = 0; c < cells.length; c++) {
      const v = dot(rows, c * r, z, r);
      if (v < least) least = v;
    }
    return least;
  }

  private unturned(z: Float64Array): Float64Array {
    const r = z.length;
    const y = new Float64Array(r);
    const { q } = this.spectrum;
    for (let k = 0; k < r; k++) y[k] = dot(q, k * r, z, r);
    return y;
  }

  /** One step of second order (exponential Runge-Kutta; Cox & Matthews 2002, published): modes exact, radiation linear in time. */
  private walk(): void {
    const last = this.points[this.points.length - 1]!;
    const dt = Math.min(lookS.most, Math.max(lookS.first, lookS.share * last.t));
    const z = this.advance(last.z, last.t, dt, last.gain, last.gain, 1);
    const gain = this.gain(last.t + dt, z);
    const { lambda } = this.spectrum;
    const decay = this.decay(dt);
    // what the radiation changed by meanwhile, put on top of the first guess
    for (let m = 0; m < z.length; m++) {
      const lam = lambda[m]!;
      z[m] = z[m]! + ((gain[m]! - last.gain[m]!) / dt) * ((dt - (1 - decay[m]!) / lam) / lam);
    }
    this.points.push({ t: last.t + dt, z, gain });
  }

  /** e^(-λ dt) of each mode; steps of the walk are few and come again in every run. */
  private decay(dt: number): Float64Array {
    const { decays, lambda } = this.spectrum;
    const often = walkSteps.has(dt);
    const known = often ? decays.get(dt) : undefined;
    if (known) return known;
    const out = often ? new Float64Array(lambda.length) : this.scratch;
    for (let m = 0; m < lambda.length; m++) {
      const x = lambda[m]! * dt;
      // what is left of a fast mode is nothing long before the exponential is
      out[m] = x > 36 ? 0 : Math.exp(-x);
    }
    if (often) decays.set(dt, out);
    return out;
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
    const decay = this.decay(dt);
    const out = new Float64Array(z0.length);
    for (let m = 0; m < z0.length; m++) {
      const lam = lambda[m]!;
      const e = decay[m]!;
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
  get face(): Pick<Face, 'columns' | 'film' | 'share'> | null {
    return this.phase.contactWm2K === null ? null : this.spectrum.face;
  }
}
