import { requireIn } from '../errors';
import { judgement } from '../source';

export const ratioFigures = {
  uRepeat: judgement(0.1, 'two holds of the same device differ by this share'),
  worse: judgement(1.5, 'leakier than this many times counts as worse'),
};

export interface LeakRatio {
  ratio: number;
  low: number;
  high: number;
  verdict: 'noWorse' | 'leakier' | 'undecided';
}

/** Leak after over leak before on the same device from two time constants: the unknown free volume cancels. */
export function leakRatio(before: { tauS: number; u: number }, after: { tauS: number; u: number }): LeakRatio {
  requireIn('time constant before', before.tauS, 1e-3, 1e7, 's');
  requireIn('time constant after', after.tauS, 1e-3, 1e7, 's');
  const l = Math.log(before.tauS / after.tauS);
  const u = Math.hypot(before.u / before.tauS, after.u / after.tauS, ratioFigures.uRepeat.value);
  const [low, high] = [Math.exp(l - 2 * u), Math.exp(l + 2 * u)];
  const lim = ratioFigures.worse.value;
  return { ratio: Math.exp(l), low, high, verdict: high <= lim ? 'noWorse' : low > lim ? 'leakier' : 'undecided' };
}

/** Free volume from a stroke of a closed syringe (Boyle), m³. */
export const strokeVolumeM3 = (strokeM3: number, p0: number, riseM: number) => (strokeM3 * (p0 + riseM)) / riseM;

/** Smallest leak that n even readings of a scatter over a time can show, Pa m³/s: slope of a line, three sigma. */
export function detectableLeak(n: number, timeS: number, scatterPa: number, volumeM3: number): number {
  requireIn('readings', n, 3, 1e6);
  return 3 * volumeM3 * ((scatterPa * Math.sqrt((12 * (n - 1)) / (n * (n + 1)))) / timeS);
}
