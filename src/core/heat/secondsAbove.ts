/** Looks are so far apart at the least, and a share of the time since heat was switched last, s and 1: what is warm moves less and less. */
const leastS = 5;
const share = 1 / 50;

/**
 * Seconds in which something is at or over a mark, counted from an instant on and kept: asked again a little later, only what is new
 * is looked at. A device that was left on for days, or was heated again after days, costs a few hundred looks.
 * @param switchedAtS instants at which heat went on or off, rising, s
 */
export class SecondsAbove {
  private sumS = 0;
  private lookS: number;
  private passed = 0;

  constructor(
    private readonly isAbove: (tS: number) => boolean,
    private readonly fromS: number,
    private readonly switchedAtS: readonly number[] = [],
  ) {
    this.lookS = fromS;
  }

  private next(): number {
    const at = this.switchedAtS;
    while (this.passed < at.length && at[this.passed]! <= this.lookS) this.passed++;
    const last = this.passed ? Math.max(this.fromS, at[this.passed - 1]!) : this.fromS;
    const then = this.lookS + Math.max(leastS, share * (this.lookS - last));
    return this.passed < at.length ? Math.min(then, at[this.passed]!) : then;
  }

  /** @param tS at or after the beginning; before it nothing is counted */
  upTo(tS: number): number {
    if (tS < this.lookS) [this.sumS, this.lookS, this.passed] = [0, this.fromS, 0];
    for (let then = this.next(); then <= tS; then = this.next()) {
      if (this.isAbove(this.lookS)) this.sumS += then - this.lookS;
      this.lookS = then;
    }
    return this.sumS + (tS > this.lookS && this.isAbove(this.lookS) ? tS - this.lookS : 0);
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
