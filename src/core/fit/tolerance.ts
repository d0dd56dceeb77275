import { jStat } from 'jstat';

import { judgement } from '../source';

/** One length of a chain: result = Σ coef · value; plus and minus are its tolerances, both ≥ 0. */
export interface Contributor {
  coef: number;
  nominal: number;
  plus: number;
  minus: number;
}

export interface StackUp {
  nominal: number;
  mean: number;
  worst: [number, number];
  rss: [number, number];
  /** root sum of squares × 1.5 (Bender 1962, published) */
  inflated: [number, number];
  sigma: number;
  pBelow: number;
  pAbove: number;
  verdict: 'safe' | 'likely' | 'usual' | 'measureTheParts';
}

/** Tolerance stack-up: worst case, root sum of squares (half bands as 3 σ, independent) and the same inflated by 1.5. */
export function stackUp(contributors: readonly Contributor[], low: number, high: number): StackUp {
  let nominal = 0;
  let mean = 0;
  let wc = 0;
  let ss = 0;
  for (const c of contributors) {
    nominal += c.coef * c.nominal;
    mean += c.coef * (c.nominal + (c.plus - c.minus) / 2);
    const h = (Math.abs(c.coef) * (c.plus + c.minus)) / 2;
    wc += h;
    ss += h * h;
  }
  const rss = Math.sqrt(ss);
  const band = (h: number): [number, number] => [mean - h, mean + h];
  const inside = ([a, b]: [number, number]) => a >= low && b <= high;
  const sigma = rss / 3;
  const cdf = (x: number) => (sigma > 0 ? jStat.normal.cdf(x, mean, sigma) : x >= mean ? 1 : 0);
  return {
    nominal,
    mean,
    worst: band(wc),
    rss: band(rss),
    inflated: band(1.5 * rss),
    sigma,
    pBelow: cdf(low),
    pAbove: 1 - cdf(high),
    verdict: inside(band(wc))
      ? 'safe'
      : inside(band(1.5 * rss))
        ? 'likely'
        : inside(band(rss))
          ? 'usual'
          : 'measureTheParts',
  };
}

/** What is not measured varies by this much, mm. */
export const partTolerance = {
  opening: judgement(0.05, 'opening of a frame, half band, mm'),
  newGlass: judgement(0.08, 'aftermarket glass, half band, mm'),
  measured: judgement(0.03, 'what was measured with a caliper, half band, mm'),
};
/** Least gap on each side; the largest that still looks right. */
export const sideGapMm = {
  least: judgement(0.05, 'must exceed what heat takes, mm'),
  most: judgement(0.3, 'a wider gap shows and lets tape edge be seen, mm'),
};

/**
 * Gap on each side of a new part in the old opening, one dimension: (opening - part) / 2.
 * @param openingMm frame opening, @param partMm the new part, both with their half bands
 */
export function sideGap(
  openingMm: number,
  partMm: number,
  openingTol = partTolerance.opening.value,
  partTol = partTolerance.newGlass.value,
): StackUp {
  return stackUp(
    [
      { coef: 0.5, nominal: openingMm, plus: openingTol, minus: openingTol },
      { coef: -0.5, nominal: partMm, plus: partTol, minus: partTol },
    ],
    sideGapMm.least.value,
    sideGapMm.most.value,
  );
}

export interface RingGap {
  minMm: number;
  maxMm: number;
  meanMm: number;
  areaMm2: number;
  touches: boolean;
}

/**
 * Gap round a camera ring in the enlarged hole of a glass, for circles: at bearing φ from the offset
 * e cos φ + √(R² - e² sin² φ) - r (geometry).
 */
export function ringGap(holeDiaMm: number, ringDiaMm: number, offsetMm = 0): RingGap {
  const R = holeDiaMm / 2;
  const r = ringDiaMm / 2;
  const e = offsetMm;
  const n = 720;
  let sum = 0;
  for (let k = 0; k < n; k++) {
    const phi = (2 * Math.PI * k) / n;
    sum += e * Math.cos(phi) + Math.sqrt(Math.max(0, R * R - (e * Math.sin(phi)) ** 2)) - r;
  }
  return {
    minMm: R - r - e,
    maxMm: R - r + e,
    meanMm: sum / n,
    areaMm2: Math.PI * (R * R - r * r),
    touches: R - r - e <= 0,
  };
}

export interface RoundRectRing {
  widthMm: number;
  heightMm: number;
  cornerMm: number;
}

/**
 * Gap between a rounded rectangular ring and its hole: the four sides, and along the diagonal of each corner the distance
 * between the two arcs (geometry). `shift`: hole middle minus ring middle, x right, y up.
 */
export function ringGapRect(
  hole: RoundRectRing,
  ring: RoundRectRing,
  shift: readonly [number, number] = [0, 0],
): Omit<RingGap, 'meanMm'> {
  const [A, B] = [hole.widthMm / 2, hole.heightMm / 2];
  const [a, b] = [ring.widthMm / 2, ring.heightMm / 2];
  const R = hole.cornerMm;
  const r = ring.cornerMm;
  const [ex, ey] = shift;
  const gaps = [A - a + ex, A - a - ex, B - b + ey, B - b - ey];
  for (const sx of [1, -1])
    for (const sy of [1, -1]) {
      const D = [sx * (A - R - (a - r)) + ex, sy * (B - R - (b - r)) + ey] as const;
      const q = (D[0] * sx + D[1] * sy) / Math.SQRT2;
      gaps.push(q + Math.sqrt(Math.max(0, q * q - (D[0] ** 2 + D[1] ** 2) + R * R)) - r);
    }
  const minMm = Math.min(...gaps);
  return {
    minMm,
    maxMm: Math.max(...gaps),
    areaMm2: 4 * (A * B - a * b) - (4 - Math.PI) * (R * R - r * r),
    touches: minMm <= 0,
  };
}

/** How proud the new glass stands: seat depth is what the old one and its adhesive filled. */
export const flushMm = {
  low: judgement(-0.1, 'lower is felt as a step down, mm'),
  high: judgement(0.05, 'higher catches a nail and takes the knock, mm'),
};

/**
 * Step of the glass over the frame: new thickness + pressed adhesive − (old thickness + old adhesive), the old one taken
 * as flush.
 */
export function flushStack(oldMm: number, newMm: number, adhesiveMm: number, oldAdhesiveMm: number): StackUp {
  const t = partTolerance.measured.value;
  return stackUp(
    [
      { coef: 1, nominal: newMm, plus: t, minus: t },
      { coef: 1, nominal: adhesiveMm, plus: 0.03, minus: 0.03 },
      { coef: -1, nominal: oldMm, plus: t, minus: t },
      { coef: -1, nominal: oldAdhesiveMm, plus: 0.03, minus: 0.03 },
    ],
    flushMm.low.value,
    flushMm.high.value,
  );
}
