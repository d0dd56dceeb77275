import type { EdgeStep } from '../lift/order';
import type { PracticeBench } from './bench';
import type { BenchState } from './happened';

export const middle = (a: { fromMm: number; toMm: number }) => (a.fromMm + a.toMm) / 2;

export const distance = (a: number, b: number, l: number) => {
  const d = (((a - b) % l) + l) % l;
  return Math.min(d, l - d);
};

export const within = (s: number, w: { fromMm: number; toMm: number }, l: number) =>
  (((s - w.fromMm) % l) + l) % l <= w.toMm - w.fromMm;

/** The ways that a pick goes along an edge: on from what is open, from the first gap to both sides. */
export function stretchesOf(
  bench: PracticeBench,
  s: BenchState,
  e: EdgeStep,
  gapAt: number,
): { fromMm: number; toMm: number }[] {
  const { path } = bench.about;
  const inside = [gapAt, gapAt - path.lengthMm, gapAt + path.lengthMm].find((g) => g > e.fromMm && g < e.toMm);
  if (inside !== undefined)
    return [
      { fromMm: inside, toMm: e.toMm },
      { fromMm: inside, toMm: e.fromMm },
    ];
  const openAt = (x: number) => s.cut.freeWithin({ fromMm: x - 4, toMm: x + 4 }) > 2;
  return openAt(e.toMm) && !openAt(e.fromMm)
    ? [{ fromMm: e.toMm, toMm: e.fromMm }]
    : [{ fromMm: e.fromMm, toMm: e.toMm }];
}

/** No hand goes on by less, mm: what rounding leaves of a step would be gone on by for ever. */
export const shortestMm = 0.1;

/**
 * How far a pick is pushed at a time, mm: so short that it is felt when it stops going, and short of what is shut.
 * @param speedMmS over 0
 * @param leftMm of the stretch, over `shortestMm`
 * @param shut a place so far on lies where nothing may enter
 */
export function pushMm(speedMmS: number, leftMm: number, shut: (mm: number) => boolean): number {
  let mm = Math.min(2, Math.max(0.3, 3 * speedMmS), leftMm);
  while (mm > 0.5 && shut(mm)) mm = Math.max(shortestMm, mm - 0.5);
  return mm;
}
