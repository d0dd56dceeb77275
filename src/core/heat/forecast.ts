import type { Range } from '../source';
import { leadOf } from './heaterDefs';
import { requireIn } from '../errors';
import type { ArcCells } from './arcs';
import type { HeatRun } from './run';
import type { Member, Watched } from './member';

/** How long a forecast looks ahead for "ready", s. */
export const horizonS = 1200;

/** First t in [from, to] where a monotone test turns true, to 0.25 s; null when it never does. */
export function firstTrue(test: (tS: number) => boolean, fromS: number, toS: number, stepS: number): number | null {
  if (test(fromS)) return fromS;
  let a = fromS;
  for (let b = fromS + stepS; ; b += stepS) {
    const end = Math.min(b, toS);
    if (test(end)) {
      let lo = a;
      let hi = end;
      while (hi - lo > 0.25) {
        const m = (lo + hi) / 2;
        if (test(m)) hi = m;
        else lo = m;
      }
      return hi;
    }
    if (end >= toS) return null;
    a = end;
  }
}

/** A value this near to its level is there, K: far inside the grid's own error. */
const closeK = 0.01;

/** Where a value turns positive between two looks, to 0.25 s or 0.01 K: false position, with halving when one end stays (Illinois). */
function between(value: (tS: number) => number, a: number, va: number, b: number, vb: number): number {
  let side = 0;
  for (let i = 0; i < 30 && b - a > 0.25; i++) {
    const t = Math.min(b - 0.05, Math.max(a + 0.05, a + ((b - a) * va) / (va - vb)));
    const v = value(t);
    if (Math.abs(v) < closeK) return t;
    if (v >= 0) {
      b = t;
      vb = v;
      if (side === 1) va /= 2;
      side = 1;
    } else {
      a = t;
      va = v;
      if (side === -1) vb /= 2;
      side = -1;
    }
  }
  return b;
}

/** First instant in [from, to] at which a rising value gets to `level`, to 0.25 s; null when it does not. */
export function firstReach(value: (tS: number) => number, level: number, fromS: number, toS: number): number | null {
  let a = fromS;
  let va = value(a) - level;
  if (va >= 0) return a;
  for (let step = 30; a < toS; step = Math.min(120, step * 1.5)) {
    let b = Math.min(toS, a + step);
    let vb = value(b) - level;
    if (vb < 0) {
      a = b;
      va = vb;
      continue;
    }
    return between((t) => value(t) - level, a, va, b, vb);
  }
  return null;
}

/**
 * The same, looked for round an instant that is likely: a moved world is seldom far from the usual one.
 * @param nearS where it is expected, @param rise of the value there, per s
 * @param known that it lies below the level at `fromS`
 */
export function firstReachNear(
  value: (tS: number) => number,
  level: number,
  fromS: number,
  toS: number,
  nearS: number,
  rise: number,
  known: { below?: boolean | undefined } = {},
): number | null {
  if (!(rise > 1e-6) || nearS <= fromS || nearS >= toS) return firstReach(value, level, fromS, toS);
  if (!known.below && value(fromS) >= level) return fromS;
  let a = fromS;
  let va = NaN;
  let b = nearS;
  let vb = value(b) - level;
  // a step a little longer than the rise asks for, until the level lies between two looks
  for (let i = 0; i < 4 && vb < 0; i++) {
    a = b;
    va = vb;
    b = Math.min(toS, b + Math.max(1, (-1.3 * vb) / rise));
    vb = value(b) - level;
  }
  if (vb < 0) return firstReach(value, level, b, toS);
  for (let i = 0; i < 4 && Number.isNaN(va); i++) {
    const t = Math.max(fromS, b - Math.max(1, (1.3 * vb) / rise));
    const v = t === fromS ? -1 : value(t) - level;
    if (v >= 0) {
      b = t;
      vb = v;
    } else {
      a = t;
      va = t === fromS ? value(fromS) - level : v;
    }
  }
  return Number.isNaN(va) ? firstReach(value, level, fromS, b) : between((t) => value(t) - level, a, va, b, vb);
}

/** Nominal value ± 2 · root sum of squares of what each moved world makes of it. */
export function around(mean: number, moved: readonly number[], low = 0, high = 0): Range {
  const u = Math.sqrt(moved.reduce((m, v) => m + (v - mean) ** 2, 0));
  return { low: mean - 2 * u - low, mean, high: mean + 2 * u + high };
}

/** When the heat may end so that an arc is at a temperature `leadS` later: range, and each world's own instant. */
export interface Reached {
  range: Range;
  /** nominal first; null: that world does not get there within the horizon */
  own: (number | null)[];
}

/**
 * The usual instant, and its range: each uncertain direction's own instant, and what the grid's error and the swing of
 * moving air are worth in seconds (law 5). Null: usually not within the horizon.
 * @param after when each world was at a lower temperature: before that none is looked at
 * @throws CoreInputError that names temperature when out of range
 */
export function reached(
  run: HeatRun,
  arc: ArcCells,
  atC: number,
  fromS: number,
  leadS: number,
  after: { own: readonly (number | null)[]; atC: number } | null = null,
): Reached | null {
  requireIn('temperature', atC, -100, 1000, '°C');
  const endS = fromS + horizonS;
  const line = (m: Member, t: number) => m.lineAfterC(t, leadS, arc.cells);
  const nominal = run.members[0]!;
  const usual = firstReach((t) => line(nominal, t), atC, after?.own[0] ?? fromS, endS);
  if (usual === null) return null;
  const slope = (line(nominal, usual + 4) - line(nominal, usual)) / 4;
  const moved = run.members.slice(1).map((m, i) => {
    const before = after?.own[i + 1];
    const shift = before != null && after?.own[0] != null ? before - after.own[0] : 0;
    return firstReachNear((t) => line(m, t), atC, before ?? fromS, endS, usual + shift, slope, {
      below: before != null && before > fromS && after!.atC < atC - 1,
    });
  });
  const worth = (k: number) => (slope > 1e-3 ? Math.min(horizonS, k / slope) : 0);
  const r = around(
    usual,
    moved.map((t) => t ?? endS),
    worth(run.errorK.bondHigh),
    worth(run.errorK.bondLow + run.swingK(fromS).bond),
  );
  return {
    range: { low: Math.max(fromS, r.low), mean: usual, high: Math.min(endS, r.high) },
    own: [usual, ...moved],
  };
}

/**
 * When the device may leave the heater so that `arc` is at `easyC` after `leadS` (default: the way from the run's heater):
 * `mean` is the usual instant, `high` "at the latest". Null: usually not within the horizon.
 */
export const readyAt = (
  run: HeatRun,
  arc: ArcCells,
  easyC: number,
  fromS: number,
  leadS = leadOf(run.heater),
): Range | null => reached(run, arc, easyC, fromS, leadS)?.range ?? null;

/** When the coldest bound of the arc falls below a temperature after the device came off, absolute s of the run. */
export function fallsBelow(run: HeatRun, arc: ArcCells, limitC: number, fromS: number): Range {
  const by = (bound: keyof Range) =>
    firstTrue((t) => run.arcC(t, arc)[bound] < limitC, fromS, fromS + horizonS, 20) ?? fromS + horizonS;
  return { low: by('low'), mean: by('mean'), high: by('high') };
}

export interface Exposure {
  peakC: Range;
  /** seconds above the caution and the stop mark, by mean and by high bound */
  aboveCautionS: { mean: number; high: number };
  aboveStopS: { mean: number; high: number };
  cautionAtS: number | null;
  stopAtS: number | null;
}

/** Peak and dose of a watched part over [from, to]; one sample every `stepS`, crossings to the sample. */
export function exposure(
  run: HeatRun,
  id: Watched,
  marks: { cautionC: number; stopC: number },
  fromS: number,
  toS: number,
  stepS = Math.max(2, (toS - fromS) / 120),
): Exposure | null {
  if (run.partC(fromS, id) === null) return null;
  const out: Exposure = {
    peakC: { low: -Infinity, mean: -Infinity, high: -Infinity },
    aboveCautionS: { mean: 0, high: 0 },
    aboveStopS: { mean: 0, high: 0 },
    cautionAtS: null,
    stopAtS: null,
  };
  for (let t = fromS; t <= toS + 1e-9; t += stepS) {
    const c = run.partC(t, id)!;
    out.peakC = {
      low: Math.max(out.peakC.low, c.low),
      mean: Math.max(out.peakC.mean, c.mean),
      high: Math.max(out.peakC.high, c.high),
    };
    const share = Math.min(stepS, Math.max(0, toS - t));
    if (c.high >= marks.cautionC) {
      out.cautionAtS ??= t;
      out.aboveCautionS.high += share;
    }
    if (c.mean >= marks.cautionC) out.aboveCautionS.mean += share;
    if (c.high >= marks.stopC) {
      out.stopAtS ??= t;
      out.aboveStopS.high += share;
    }
    if (c.mean >= marks.stopC) out.aboveStopS.mean += share;
  }
  return out;
}
