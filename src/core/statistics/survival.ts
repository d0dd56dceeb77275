/** A job that has stayed so long, and whether it came back then. */
export interface Stay {
  days: number;
  cameBack: boolean;
}

export interface SurvivalStep {
  days: number;
  /** jobs that had been out at least so long */
  atRisk: number;
  stays: number;
  /** standard error (Greenwood 1926, published) */
  se: number;
}

/** Share that has not come back after so many days; jobs that are out for less are censored (Kaplan & Meier 1958, published). */
export function kaplanMeier(list: readonly Stay[]): SurvivalStep[] {
  const times = [...new Set(list.filter((s) => s.cameBack).map((s) => s.days))].sort((a, b) => a - b);
  const out: SurvivalStep[] = [];
  let s = 1;
  let v = 0;
  for (const t of times) {
    const atRisk = list.filter((x) => x.days >= t).length;
    const d = list.filter((x) => x.cameBack && x.days === t).length;
    s *= 1 - d / atRisk;
    if (atRisk > d) v += d / (atRisk * (atRisk - d));
    out.push({ days: t, atRisk, stays: s, se: s * Math.sqrt(v) });
  }
  return out;
}

/** Difference of two shares with its 95 % interval (Newcombe 1998, method 10, published). */
export function shareDifference(
  a: { hits: number; of: number; low: number; high: number },
  b: { hits: number; of: number; low: number; high: number },
): { diff: number; low: number; high: number } {
  const [p, q] = [a.hits / a.of, b.hits / b.of];
  return {
    diff: p - q,
    low: p - q - Math.sqrt((p - a.low) ** 2 + (b.high - q) ** 2),
    high: p - q + Math.sqrt((a.high - p) ** 2 + (q - b.low) ** 2),
  };
}
