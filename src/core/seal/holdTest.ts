import { judgement, type Sourced } from '../source';
import { requireIn } from '../errors';

/** A tester reads no finer than this, Pa. */
export const uPressurePa: Sourced = judgement(20, 'repeatability of a small tester, Pa');

export interface HoldTest {
  kind: 'vacuum' | 'pressure';
  /** difference to the room at the start and at the end, Pa, both positive numbers */
  startPa: number;
  endPa: number;
  seconds: number;
}

export interface HoldResult {
  /** time constant of the decay, s; null when no loss could be seen */
  tauS: number | null;
  /** 95 % range of the time constant; the high end is open when no loss is sure */
  lowS: number;
  highS: number | null;
  /** share of the difference that is left at the end */
  keptShare: number;
}

/**
 * Two readings of a hold: V dp/dt = -C p, so p = p0 exp(-t/τ) and τ = t / ln(p0/p1) (isothermal, small differences). Only
 * for the comparison of one device before and after on the same tester: nothing about water follows from it.
 * @throws CoreInputError that names start, end, time when out of range
 */
export function holdResult(t: HoldTest): HoldResult {
  requireIn('start', t.startPa, 200, 50_000, 'Pa');
  requireIn('end', t.endPa, 0, t.startPa, 'Pa');
  requireIn('time', t.seconds, 5, 3600, 's');
  const u = uPressurePa.value;
  const tau = (end: number) => (end <= 0 ? 0 : end >= t.startPa ? Infinity : t.seconds / Math.log(t.startPa / end));
  const spread = 1.96 * Math.SQRT2 * u;
  const mean = tau(t.endPa);
  const high = tau(Math.min(t.startPa, t.endPa + spread));
  return {
    tauS: Number.isFinite(mean) ? mean : null,
    lowS: tau(Math.max(0, t.endPa - spread)),
    highS: Number.isFinite(high) ? high : null,
    keptShare: t.endPa / t.startPa,
  };
}
