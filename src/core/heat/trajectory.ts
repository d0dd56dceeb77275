import type { BackSpec } from './backPattern';
import type { ReducedModel } from './reduced';
import type { Face } from './spectrum';
import { Stretch, lookS, walkSteps, spectrumOf } from './stretch';

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

for (let t = 0; t < 2 * lookS.most;) {
  const dt = Math.min(lookS.most, Math.max(lookS.first, lookS.share * t));
  walkSteps.add(dt);
  t += dt;
}

const isJet = (p: HeatPhase) =>
  p.contactWm2K !== null && typeof p.contactWm2K === 'object' && p.contactWm2K.kind === 'jet';

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
