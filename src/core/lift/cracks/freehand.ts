import simplify from 'simplify-js';

import { CoreInputError } from '../../errors';
import type { Pt } from '../../device/types';
import { checkCrack } from './pieces';

/** A finger is not steadier than this, mm. */
export const freehandToleranceMm = 0.4;
export const maxRawPoints = 5000;

/**
 * A freehand stroke as a polyline (Douglas & Peucker 1973, published), rounded to 0.01 mm.
 * @throws CoreInputError when it has too many points or no length
 */
export function polylineOf(stroke: readonly Pt[], field = 'crack'): Pt[] {
  if (stroke.length > maxRawPoints) throw new CoreInputError(`${field}: points`, stroke.length, `2 to ${maxRawPoints}`);
  const thin = simplify(
    stroke.map(([x, y]) => ({ x, y })),
    freehandToleranceMm,
    true,
  ).map(({ x, y }): Pt => [Math.round(x * 100) / 100, Math.round(y * 100) / 100]);
  checkCrack(thin, field);
  return thin;
}

/**
 * Reads a crack as it is typed: "x,y x,y …" in mm of the plan; semicolons, spaces or new lines between points.
 * @throws CoreInputError naming the point that cannot be read
 */
export function typedCrack(text: string, field = 'crack'): Pt[] {
  const words = text
    .trim()
    .split(/[\s;]+/)
    .filter(Boolean);
  if (words.length > maxRawPoints) throw new CoreInputError(`${field}: points`, words.length, `2 to ${maxRawPoints}`);
  const pts = words.map((w, i): Pt => {
    const m = /^(-?\d+(?:\.\d+)?),(-?\d+(?:\.\d+)?)$/.exec(w);
    if (!m) throw new CoreInputError(`${field}: point ${i + 1}`, w.slice(0, 20), 'x,y in mm, as in 12,40.5');
    return [Number(m[1]), Number(m[2])];
  });
  return polylineOf(pts, field);
}
