import { judgement, type Range } from '../source';

export interface ProbeReading {
  tS: number;
  /** null: the instrument says that it has no probe */
  tempC: number | null;
}

export type ProbeFault = 'dropout' | 'open' | 'frozen' | 'loose' | 'astray' | 'drift';

export interface ProbeState {
  fault: ProbeFault | null;
  /** since when, s */
  sinceS: number | null;
  /** newest reading that may be used, or null when there is none: a dead probe is not a cold device */
  good: { tS: number; tempC: number } | null;
}

export const probeLimits = {
  silentS: judgement(6, 'an instrument that says nothing for this long has dropped out'),
  frozenS: judgement(20, 'a real probe shows some noise within this time'),
  looseK: judgement(12, 'a probe that came off reads this much under the model, toward the air'),
  dropKS: judgement(1.5, 'no device cools faster than this at the line'),
  driftKMin: judgement(3, 'a trend against the model that heat does not explain, K per minute'),
};

const windowS = 150;

/**
 * What a live probe is worth, from its readings and what the model expects there. Order: nothing comes (dropout), no probe
 * (open), the same figure for ever (frozen), fallen toward the air (loose) or never at the line (astray), creeping away from the model (drift).
 */
export function watchProbe(
  readings: readonly ProbeReading[],
  expected: (tS: number) => Range,
  nowS: number,
  ambientC: number,
): ProbeState {
  const numbers = readings.filter((r): r is { tS: number; tempC: number } => r.tempC !== null);
  const newest = readings[readings.length - 1];
  const state = (fault: ProbeFault | null, sinceS: number | null): ProbeState => ({
    fault,
    sinceS,
    // of a creeping probe no reading is sure
    good:
      fault === 'drift'
        ? null
        : lastBefore(numbers, fault === 'loose' || fault === 'frozen' ? (sinceS ?? 0) : Infinity),
  });
  if (!newest) return { fault: 'dropout', sinceS: null, good: null };
  if (nowS - newest.tS > probeLimits.silentS.value) return { fault: 'dropout', sinceS: newest.tS, good: null };
  if (newest.tempC === null) {
    const k = readings.findLastIndex((r) => r.tempC !== null);
    return { fault: 'open', sinceS: readings[k + 1]?.tS ?? newest.tS, good: null };
  }
  // the same figure again and again, although the model moves or noise would show
  let k = numbers.length - 1;
  while (k > 0 && numbers[k - 1]!.tempC === newest.tempC) k--;
  if (numbers.length - k >= 8 && newest.tS - numbers[k]!.tS >= probeLimits.frozenS.value)
    return state('frozen', numbers[k]!.tS);

  // the model is asked for some forty of them, not for every second
  const recent = thin(
    numbers.filter((r) => r.tS > newest.tS - windowS),
    40,
  );
  const e = expected(newest.tS);
  const below = e.mean - newest.tempC;
  const towardAir = e.mean - ambientC > 15 && newest.tempC < ambientC + 0.6 * (e.mean - ambientC);
  if (below > probeLimits.looseK.value && newest.tempC < e.low && towardAir) {
    // when did it leave: the last reading that still was near the model, while that was warm enough to tell
    const warm = (r: { tS: number }) => expected(r.tS).mean - ambientC > 15;
    const near = (r: { tS: number; tempC: number }) => expected(r.tS).mean - r.tempC <= probeLimits.looseK.value / 2;
    const sample = thin(numbers, 80);
    const left = sample.findLastIndex((r) => warm(r) && near(r));
    // it never followed the line: then it did not come off, it was never on it (or the heater is not what was said)
    if (left < 0) return { fault: 'astray', sinceS: recent[0]!.tS, good: null };
    return state('loose', sample[left + 1]?.tS ?? newest.tS);
  }
  const fall = recent.findLast(
    (r, i) =>
      i > 0 &&
      r.tS - recent[i - 1]!.tS > 0.2 &&
      (recent[i - 1]!.tempC - r.tempC) / (r.tS - recent[i - 1]!.tS) > probeLimits.dropKS.value * 2 &&
      recent[i - 1]!.tempC - r.tempC > 6,
  );
  if (fall && newest.tempC < expected(newest.tS).low) return state('loose', fall.tS);

  if (recent.length >= 30 && newest.tS - recent[0]!.tS > 90) {
    const { slope } = trend(recent.map((r) => [r.tS, r.tempC - expected(r.tS).mean]));
    const outside = newest.tempC > e.high || newest.tempC < e.low;
    if (outside && Math.abs(slope) * 60 > probeLimits.driftKMin.value) return state('drift', recent[0]!.tS);
  }
  return state(null, null);
}

/** Every so manyth, the newest always among them. */
function thin<T>(list: readonly T[], most: number): T[] {
  const every = Math.max(1, Math.ceil(list.length / most));
  return list.filter((_, i) => (list.length - 1 - i) % every === 0);
}

const lastBefore = (list: readonly { tS: number; tempC: number }[], untilS: number) =>
  list.findLast((r) => r.tS < untilS) ?? null;

/** Least-squares line through points. */
export function trend(points: readonly (readonly [number, number])[]): { slope: number; intercept: number } {
  const n = points.length;
  const mx = points.reduce((m, p) => m + p[0], 0) / n;
  const my = points.reduce((m, p) => m + p[1], 0) / n;
  let sxx = 0;
  let sxy = 0;
  for (const [x, y] of points) {
    sxx += (x - mx) ** 2;
    sxy += (x - mx) * (y - my);
  }
  const slope = sxx > 0 ? sxy / sxx : 0;
  return { slope, intercept: my - slope * mx };
}
