import type { Pt } from '../device/types';
import { CoreInputError } from '../errors';
import { homography, project } from './homography';

/** Red, green, blue and a fourth, row after row. */
export interface Rgba {
  width: number;
  height: number;
  data: Uint8ClampedArray;
}

/** A rectangle of the plan as it was photographed, straightened; white where the photo ends. */
export function straightened(
  photo: Rgba,
  toPicture: (mm: Pt) => Pt,
  widthMm: number,
  lengthMm: number,
  pxPerMm: number,
): Rgba {
  const [w, h] = [Math.max(1, Math.round(widthMm * pxPerMm)), Math.max(1, Math.round(lengthMm * pxPerMm))];
  const data = new Uint8ClampedArray(4 * w * h).fill(255);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const [px, py] = toPicture([((x + 0.5) * widthMm) / w, ((y + 0.5) * lengthMm) / h]);
      const [i, j] = [Math.round(px), Math.round(py)];
      if (!(i >= 0 && j >= 0 && i < photo.width && j < photo.height)) continue;
      const [to, from] = [4 * (y * w + x), 4 * (j * photo.width + i)];
      for (let k = 0; k < 3; k++) data[to + k] = photo.data[from + k]!;
    }
  return { width: w, height: h, data };
}

/**
 * Corners of a shape in a photo as those of a plan: top left, top right, bottom right, bottom left. The long sides are the plan's
 * long ones; which end is the top is taken to be the upper one in the photo, or the left one of a device that lies.
 */
export function upright(corners: readonly Pt[], longSidesDown = true): Pt[] {
  const cx = corners.reduce((s, p) => s + p[0], 0) / 4;
  const cy = corners.reduce((s, p) => s + p[1], 0) / 4;
  // down is positive: growing angles go clockwise as somebody sees them
  const round = [...corners].sort((a, b) => Math.atan2(a[1] - cy, a[0] - cx) - Math.atan2(b[1] - cy, b[0] - cx));
  const side = (i: number) => {
    const [a, b] = [round[i % 4]!, round[(i + 1) % 4]!];
    return Math.hypot(a[0] - b[0], a[1] - b[1]);
  };
  const evenIsShort = side(0) + side(2) <= side(1) + side(3);
  const first = evenIsShort === longSidesDown ? 0 : 1;
  const middle = (i: number): Pt => {
    const [a, b] = [round[i % 4]!, round[(i + 1) % 4]!];
    return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  };
  const [p, q] = [middle(first), middle(first + 2)];
  const lying = Math.abs(p[0] - q[0]) > Math.abs(p[1] - q[1]);
  const start = (lying ? p[0] <= q[0] : p[1] <= q[1]) ? first : first + 2;
  return [0, 1, 2, 3].map((i) => round[(start + i) % 4]!);
}

/**
 * Plan to photo, from where the corners of the plan's box are in it.
 * @param corners top left, top right, bottom right, bottom left, px
 * @throws CoreInputError that names corners: they cross, or lie on one line
 */
export function fitOf(corners: readonly Pt[], widthMm: number, lengthMm: number): (mm: Pt) => Pt {
  const turns = corners.map((p, i) => {
    const [q, r] = [corners[(i + 1) % 4]!, corners[(i + 2) % 4]!];
    return Math.sign((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]));
  });
  if (turns.some((t) => t !== 1)) throw new CoreInputError('corners', 'crossed or on one line', 'one at each corner');
  const h = homography(
    [
      [0, 0],
      [widthMm, 0],
      [widthMm, lengthMm],
      [0, lengthMm],
    ],
    corners,
  );
  return (mm) => project(h, mm);
}
