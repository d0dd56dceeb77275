import { CoreInputError } from '../errors';

/** A stretch of the ring, s in mm; `toMm` is larger than `fromMm` and may lie beyond the ring's length: it wraps. */
export interface Stretch {
  fromMm: number;
  toMm: number;
}

/**
 * What has been cut of a ring: stretches without overlap, sorted, each in [0, length). Immutable; the log's marks are folded
 * into it one after the other.
 */
export class Advance {
  private constructor(
    readonly lengthMm: number,
    readonly free: readonly Stretch[],
  ) {}

  static none(lengthMm: number): Advance {
    if (!(lengthMm > 0)) throw new CoreInputError('ring length', lengthMm, 'greater than 0 mm');
    return new Advance(lengthMm, []);
  }

  /** A stretch as one or two pieces that do not wrap; a full turn or more is the whole ring. */
  private pieces({ fromMm, toMm }: Stretch): Stretch[] {
    const l = this.lengthMm;
    if (![fromMm, toMm].every(Number.isFinite) || toMm < fromMm)
      throw new CoreInputError('stretch', `${fromMm} to ${toMm}`, 'a stretch that ends after it begins');
    if (toMm - fromMm >= l) return [{ fromMm: 0, toMm: l }];
    const a = ((fromMm % l) + l) % l;
    const b = a + (toMm - fromMm);
    const out =
      b <= l
        ? [{ fromMm: a, toMm: b }]
        : [
            { fromMm: a, toMm: l },
            { fromMm: 0, toMm: b - l },
          ];
    return out.filter((s) => s.toMm - s.fromMm > 1e-9);
  }

  cut(s: Stretch): Advance {
    const all = [...this.free, ...this.pieces(s)].sort((x, y) => x.fromMm - y.fromMm);
    const out: Stretch[] = [];
    for (const x of all) {
      const last = out[out.length - 1];
      if (last && x.fromMm <= last.toMm + 1e-9) out[out.length - 1] = { ...last, toMm: Math.max(last.toMm, x.toMm) };
      else out.push(x);
    }
    return new Advance(this.lengthMm, out);
  }

  /** A stretch holds again. */
  grip(s: Stretch): Advance {
    let free = [...this.free];
    for (const g of this.pieces(s))
      free = free.flatMap((f) =>
        [
          { fromMm: f.fromMm, toMm: Math.min(f.toMm, g.fromMm) },
          { fromMm: Math.max(f.fromMm, g.toMm), toMm: f.toMm },
        ].filter((x) => x.toMm - x.fromMm > 1e-9),
      );
    return new Advance(this.lengthMm, free);
  }

  get freeMm(): number {
    return this.free.reduce((m, s) => m + s.toMm - s.fromMm, 0);
  }

  /** Length of a stretch that is free, mm. */
  freeWithin(s: Stretch): number {
    return this.pieces(s).reduce(
      (m, p) =>
        m + this.free.reduce((k, f) => k + Math.max(0, Math.min(f.toMm, p.toMm) - Math.max(f.fromMm, p.fromMm)), 0),
      0,
    );
  }

  /** Is a stretch free but for what a finger leaves at its ends? */
  isFree(s: Stretch, slackMm = 4): boolean {
    const length = s.toMm - s.fromMm;
    return this.freeWithin(s) >= length - Math.min(slackMm, length / 4);
  }

  /** Stretches of an edge that still hold, in its own s. */
  heldWithin(s: Stretch): Stretch[] {
    const n = Math.max(1, Math.ceil((s.toMm - s.fromMm) / 0.5));
    const step = (s.toMm - s.fromMm) / n;
    const out: Stretch[] = [];
    for (let i = 0; i < n; i++) {
      const bit = { fromMm: s.fromMm + i * step, toMm: s.fromMm + (i + 1) * step };
      if (this.freeWithin(bit) > step / 2) continue;
      const last = out[out.length - 1];
      if (last && bit.fromMm - last.toMm < 1e-6) last.toMm = bit.toMm;
      else out.push(bit);
    }
    return out;
  }
}

/**
 * The stretch that a finger has been dragged along, from where it was put down to where it is: the short way round, so that
 * it does not matter where s begins. Null when it is too short to mean anything.
 */
export function draggedStretch(fromMm: number, toMm: number, lengthMm: number, leastMm = 3): Stretch | null {
  let d = (((toMm - fromMm) % lengthMm) + lengthMm) % lengthMm;
  if (d > lengthMm / 2) d -= lengthMm;
  if (Math.abs(d) < leastMm) return null;
  return d > 0 ? { fromMm, toMm: fromMm + d } : { fromMm: fromMm + d, toMm: fromMm };
}
