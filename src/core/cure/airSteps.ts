import { CoreInputError, requireIn } from '../errors';
import { judgement } from '../source';

export const airFigures = {
  binS: judgement(1800, 'a log of the air is averaged over half an hour'),
  changeK: judgement(1, 'smaller changes of the air are not noted'),
  most: 200,
};

/**
 * A temperature log of the shelf as few steps: means of half an hour, one step where they differ by a kelvin or more from the
 * last. @throws CoreInputError naming the reading that no air has, or a log that is too long
 */
export function airSteps(tS: readonly number[], tempC: readonly number[]): { fromS: number; tC: number }[] {
  if (!tS.length) throw new CoreInputError('log', 'no readings', 'at least one reading');
  const bins = new Map<number, { sum: number; n: number }>();
  tS.forEach((t, i) => {
    requireIn(`temperature at ${Math.round(t)} s`, tempC[i]!, -20, 60, '°C');
    const k = Math.floor((t - tS[0]!) / airFigures.binS.value);
    const b = bins.get(k) ?? { sum: 0, n: 0 };
    b.sum += tempC[i]!;
    b.n++;
    bins.set(k, b);
  });
  const out: { fromS: number; tC: number }[] = [];
  for (const [k, b] of [...bins].sort((a, c) => a[0] - c[0])) {
    const tC = Math.round((b.sum / b.n) * 10) / 10;
    const last = out[out.length - 1];
    if (!last || Math.abs(tC - last.tC) >= airFigures.changeK.value) out.push({ fromS: k * airFigures.binS.value, tC });
  }
  if (out.length > airFigures.most)
    throw new CoreInputError('log', `${out.length} changes`, `up to ${airFigures.most} changes of a kelvin or more`);
  return out;
}
