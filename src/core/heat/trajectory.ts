import { dot } from '../numeric/dot';
import type { BackSpec } from './backPattern';
import type { ReducedModel } from './reduced';
import type { Face, Spectrum } from './spectrum';

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

/** Films of the two faces with radiation as it was made linear, W/m²K: a fan makes them differ (law 26). */
export interface Films {
  back: number;
  front: number;
}

/** Longest step between two looks at the radiation, s, and the share of the time since the switch. */
const lookS = { first: 4, most: 60, share: 1 };

/** The steps that a walk takes from its beginning on. */
const walkSteps = new Set<number>();
for (let t = 0; t < 2 * lookS.most;) {
  const dt = Math.min(lookS.most, Math.max(lookS.first, lookS.share * t));
  walkSteps.add(dt);
  t += dt;
}

const isJet = (p: HeatPhase) =>
  p.contactWm2K !== null && typeof p.contactWm2K === 'object' && p.contactWm2K.kind === 'jet';

const spectrumOf = (
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
class Stretch {
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

export interface TrajectoryOptions {
  /** `linear`: without what true radiation takes beyond the films; for checks against closed forms */
  radiation?: 'true' | 'linear' | undefined;
  /** radiation over wide patches under a jet too: for a world that is only held against the usual one */
  wide?: boolean | undefined;
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
      this.options.wide ?? false,
      afterJet && !this.options.wide,
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

  /** Coldest of some cells of the bond, K above ambient, `forS` after what is on has ended at `phase.startS`. */
  coldestSoonAfterK(phase: HeatPhase, forS: number, cells: Int32Array): number {
    // over so short a time the wide patches do, whatever heated
    const s = spectrumOf(this.model, phase, this.ambientC, phase.films ?? this.films, false);
    return this.model.soonAfter(s, cells, forS).coldestK(this.state(phase.startS), this.ambientC);
  }

  /** Coldest of some cells of the bond at an instant, K above ambient. */
  coldestK(tS: number, cells: Int32Array): number {
    const i = this.at(tS, this.phases.length);
    return i < 0 ? 0 : this.stretches[i]!.coldestK(Math.max(0, tS - this.phases[i]!.startS), cells);
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
  heating(tS: number): (Pick<Face, 'columns' | 'film' | 'share'> & { driveK: number }) | null {
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
