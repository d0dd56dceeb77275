import { asPrior, fromQuantiles, learn, predictedS, type Belief } from './durations';
import type { Scatter } from './promise';
import { judgement } from '../source';

/** A stage that somebody worked through without being called away. */
export interface Worked {
  stage: string;
  /** kind of device */
  kind: string;
  person: string;
  workS: number;
}

export const learnFigures = {
  priorJobs: judgement(3, 'a usual duration counts as much as so many of the shop’s own'),
};

export interface Learned {
  /** durations that went in: of this person at this kind, of the kind, of the stage */
  counts: { own: number; kind: number; stage: number };
  belief: Belief;
  medianS: number;
  p80S: number;
  scatter: Scatter;
}

/** Belief from a usual and a long duration. */
export function usual(p50S: number, p90S: number): Belief {
  const { mu, sigma } = fromQuantiles(p50S, p90S);
  const alpha = learnFigures.priorJobs.value;
  return { mu, kappa: learnFigures.priorJobs.value, alpha, beta: alpha * sigma ** 2 };
}

/**
 * Durations learned from the shop's log, each level a beginning for the next: what is usual, the stage in this shop, the kind of
 * device, this person at it. A level without durations passes on what it was given.
 * Normal-inverse-gamma on the logarithm (Gelman et al., Bayesian Data Analysis, published); the weight that a level passes on is
 * a judgement, see `asPrior`.
 */
export class DurationBook {
  private readonly rows = new Map<string, Worked[]>();
  private readonly known = new Map<string, Learned>();

  constructor(
    worked: readonly Worked[],
    /** usual and long duration of a stage, s */
    private readonly usualS: (stage: string, kind: string) => { p50: number; p90: number },
  ) {
    for (const w of worked) {
      const list = this.rows.get(w.stage);
      if (list) list.push(w);
      else this.rows.set(w.stage, [w]);
    }
  }

  of(stage: string, kind: string, person: string): Learned {
    const key = `${stage}|${kind}|${person}`;
    let own = this.known.get(key);
    if (!own) this.known.set(key, (own = this.make(stage, kind, person)));
    return own;
  }

  private make(stage: string, kind: string, person: string): Learned {
    const rows = this.rows.get(stage) ?? [];
    const ofKind = rows.filter((r) => r.kind === kind);
    const ofOwn = ofKind.filter((r) => r.person === person);
    const u = this.usualS(stage, kind);
    const s = (list: readonly Worked[]) => list.map((r) => r.workS);
    // a level counts what the levels below it do not count again
    const shop = learn(usual(u.p50, u.p90), s(rows.filter((r) => r.kind !== kind)));
    const kindBelief = learn(asPrior(shop), s(ofKind.filter((r) => r.person !== person)));
    const belief = learn(asPrior(kindBelief), s(ofOwn));
    return {
      counts: { own: ofOwn.length, kind: ofKind.length, stage: rows.length },
      belief,
      medianS: predictedS(belief, 0.5),
      p80S: predictedS(belief, 0.8),
      scatter: {
        sigma: Math.sqrt((belief.beta * (belief.kappa + 1)) / (belief.alpha * belief.kappa)),
        dof: 2 * belief.alpha,
      },
    };
  }
}
