/** So far apart a part is looked at: nothing inside a device warms or cools by more than a kelvin meanwhile, s. */
export const lookEveryS = 5;
/** So long after the last heat nothing of it is warm any more, s. */
export const coolAfterS = 1800;

/**
 * Seconds in which something is at or over a mark, counted from an instant on in even steps and kept: asked again a little later,
 * only what is new is looked at, so that a page that counts along costs the same at any hour of a job.
 */
export class SecondsAbove {
  /** steps that lie above, of those looked at */
  private above = 0;
  private steps = 0;

  constructor(
    private readonly isAbove: (tS: number) => boolean,
    private readonly fromS: number,
    private readonly stepS = lookEveryS,
  ) {}

  /** @param tS at or after the beginning; before it nothing is counted */
  upTo(tS: number): number {
    const whole = Math.max(0, Math.floor((tS - this.fromS) / this.stepS));
    if (whole < this.steps) [this.above, this.steps] = [0, 0];
    for (; this.steps < whole; this.steps++) if (this.isAbove(this.fromS + this.steps * this.stepS)) this.above++;
    const rest = tS - this.fromS - whole * this.stepS;
    return this.above * this.stepS + (rest > 0 && this.isAbove(this.fromS + whole * this.stepS) ? rest : 0);
  }
}

const kept = new WeakMap<object, Map<string, SecondsAbove>>();

/** The count that belongs to a run and a question about it. */
export function secondsAboveOf(run: object, question: string, make: () => SecondsAbove): SecondsAbove {
  let of = kept.get(run);
  if (!of) kept.set(run, (of = new Map()));
  let count = of.get(question);
  if (!count) of.set(question, (count = make()));
  return count;
}
