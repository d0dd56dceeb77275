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

/** A time constant and its uncertainty, or only that it is longer than something: no loss was seen. */
export interface Tau {
  tauS: number | null;
  u: number;
  atLeastS?: number | null | undefined;
}

/**
 * Leak after over leak before on the same device from two time constants: the unknown free volume cancels. Where no loss
 * was seen after, it is at most so much; where none was seen before, at least so much; where in neither, null.
 */
export function leakRatio(before: Tau, after: Tau): LeakRatio | null {
  const margin = Math.exp(2 * ratioFigures.uRepeat.value);
  const worse = ratioFigures.worse.value;
  if (before.tauS !== null && after.tauS !== null) return ratioOf(before.tauS, before.u, after.tauS, after.u);
  if (before.tauS !== null && after.atLeastS) {
    const most = before.tauS / after.atLeastS;
    return { ratio: most, low: 0, high: most * margin, verdict: most * margin <= worse ? 'noWorse' : 'undecided' };
  }
  if (after.tauS !== null && before.atLeastS) {
    const least = before.atLeastS / after.tauS;
    return {
      ratio: least,
      low: least / margin,
      high: Infinity,
      verdict: least / margin > worse ? 'leakier' : 'undecided',
    };
  }
  return null;
}

function ratioOf(tauBefore: number, uBefore: number, tauAfter: number, uAfter: number): LeakRatio {
  const before = { tauS: tauBefore, u: uBefore };
  const after = { tauS: tauAfter, u: uAfter };
  requireIn('time constant before', before.tauS, 1e-3, 1e7, 's');
  requireIn('time constant after', after.tauS, 1e-3, 1e7, 's');
  const l = Math.log(before.tauS / after.tauS);
  const u = Math.hypot(before.u / before.tauS, after.u / after.tauS, ratioFigures.uRepeat.value);
  const [low, high] = [Math.exp(l - 2 * u), Math.exp(l + 2 * u)];
  const lim = ratioFigures.worse.value;
  return { ratio: Math.exp(l), low, high, verdict: high <= lim ? 'noWorse' : low > lim ? 'leakier' : 'undecided' };
}
