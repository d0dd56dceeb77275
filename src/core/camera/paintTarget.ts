import { erf } from '../numeric/erf';
import { linearLight } from './compare';
import type { Pixels } from './shot';
import { sheetMm, squares, turnDeg } from './target';

interface PaintOptions {
  pxPerMm: number;
  /** blur, standard deviation of a Gaussian, pixels */
  sigmaPx: number;
  /** scatter of a pixel in linear light */
  noise?: number;
  /** light that lies over everything, share of white */
  haze?: number;
  white?: number;
  seed?: number;
}

/** Code of a linear light (IEC 61966-2-1, published): the inverse of `linearLight`. */
const codeOf = (l: number) => {
  const c = Math.min(1, Math.max(0, l));
  return 255 * (c <= 0.0031308 ? 12.92 * c : 1.055 * c ** (1 / 2.4) - 0.055);
};

/** The target as a camera with a known blur would see it: what the analysis is checked and timed against. */
export function paint({ pxPerMm, sigmaPx, noise = 0.002, haze = 0, white = 0.8, seed = 1 }: PaintOptions): Pixels {
  const [width, height] = [Math.round(sheetMm.width * pxPerMm), Math.round(sheetMm.height * pxPerMm)];
  const a = (turnDeg * Math.PI) / 180;
  let state = seed * 7919 + 1;
  const uniform = () => (state = (state * 16807) % 2147483647) / 2147483647;
  // two at a time (Box & Muller)
  let second: number | null = null;
  const normal = () => {
    if (second !== null) {
      const kept = second;
      second = null;
      return kept;
    }
    const r = Math.sqrt(-2 * Math.log(uniform()));
    const phi = 2 * Math.PI * uniform();
    second = r * Math.sin(phi);
    return r * Math.cos(phi);
  };
  const data = new Uint8ClampedArray(4 * width * height);
  // beyond six standard deviations a blurred edge is what it was, to 1e-9
  const step = (d: number) =>
    d > 6 * sigmaPx ? 1 : d < -6 * sigmaPx ? 0 : 0.5 * (1 + erf(d / (Math.SQRT2 * sigmaPx)));
  const floor = linearLight(20);
  const boxes = squares.map((s) => {
    const h = (s.sideMm * pxPerMm) / 2;
    return { x: s.c[0] * pxPerMm, y: s.c[1] * pxPerMm, h, reach: 1.1 * h + 6 * sigmaPx };
  });
  const cos = Math.cos(a);
  const sin = Math.sin(a);
  for (let y = 0; y < height; y++) {
    const inRow = boxes.filter((s) => Math.abs(y + 0.5 - s.y) <= s.reach);
    for (let x = 0; x < width; x++) {
      let dark = 0;
      for (const s of inRow) {
        const dx = x + 0.5 - s.x;
        const dy = y + 0.5 - s.y;
        if (Math.abs(dx) > s.reach) continue;
        const u = dx * cos + dy * sin;
        const v = -dx * sin + dy * cos;
        // a rectangle blurred by a Gaussian is a product of its two directions
        dark += (step(u + s.h) - step(u - s.h)) * (step(v + s.h) - step(v - s.h));
      }
      const light = white * (1 - dark) + floor * dark + haze * white + noise * normal();
      const code = codeOf(light) + (uniform() - 0.5);
      const i = 4 * (y * width + x);
      data[i] = data[i + 1] = data[i + 2] = code;
      data[i + 3] = 255;
    }
  }
  return { width, height, data };
}
