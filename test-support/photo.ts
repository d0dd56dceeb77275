import type { Pt } from '../src/core/device/types';
import { contains } from '../src/core/device/shapes';
import { rect } from '../src/model/buildDevice';
import type { Grey } from '../src/core/trace/snap';

export interface Scene {
  widthMm: number;
  lengthMm: number;
  /** tilt of the camera about both axes of the picture, degrees */
  tilt: readonly [number, number];
  /** how device and card are turned in the picture, degrees */
  turn: number;
  cardTurn: number;
  /** radial distortion of the lens, of normalised radius squared */
  k1: number;
  /** standard deviation of the noise, shades of 255 */
  noise: number;
  awayMm?: number;
  /** a stripe and a field of print on the card, a camera on the back, the grain and the edge of a mat under it */
  mess?: boolean;
  /** no card: the device alone */
  bare?: boolean;
}

const size = { width: 720, height: 960 };
const focalPx = 1150;

/** A made-up photo of a device with a bank card on its back, by a pinhole camera (no lens but its distortion), and where everything is. */
export function photoOf(s: Scene): { grey: Grey; toPx: (mm: Pt, zMm?: number) => Pt; card: Pt[] } {
  const rad = (d: number) => (d * Math.PI) / 180;
  const [ax, ay, az] = [rad(s.tilt[0]), rad(s.tilt[1]), rad(s.turn)];
  const away = s.awayMm ?? 300;
  // world to camera: turned in the plane, then tilted about x, then about y
  const turn3 = (x: number, y: number, z: number): [number, number, number] => {
    const [x1, y1] = [Math.cos(az) * x - Math.sin(az) * y, Math.sin(az) * x + Math.cos(az) * y];
    const [y2, z2] = [Math.cos(ax) * y1 - Math.sin(ax) * z, Math.sin(ax) * y1 + Math.cos(ax) * z];
    const [x3, z3] = [Math.cos(ay) * x1 + Math.sin(ay) * z2, -Math.sin(ay) * x1 + Math.cos(ay) * z2];
    return [x3, y2, z3 + away];
  };
  const middle = { x: s.widthMm / 2, y: s.lengthMm / 2 };
  const toPx = ([x, y]: Pt, zMm = 0): Pt => {
    // what stands up from the back comes nearer
    const [cx, cy, cz] = turn3(x - middle.x, y - middle.y, -zMm);
    const [u, v] = [cx / cz, cy / cz];
    const d = 1 + s.k1 * (u * u + v * v);
    return [size.width / 2 + focalPx * u * d, size.height / 2 + focalPx * v * d];
  };
  const [zero, ...axes] = [
    [0, 0, 0],
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ].map(([x, y, z]) => turn3(x!, y!, z!));
  const [ex, ey, ez] = axes.map((a) => a.map((v, i) => v - zero![i]!)) as [number[], number[], number[]];
  /** the plane under a pixel: where its ray meets it */
  const planeAt = (zMm: number) => {
    // ray t·(u, v, 1) = away + a ex + b ey − z ez
    const o = [-zMm * ez[0]!, -zMm * ez[1]!, away - zMm * ez[2]!] as const;
    const n = [
      ex[1]! * ey[2]! - ex[2]! * ey[1]!,
      ex[2]! * ey[0]! - ex[0]! * ey[2]!,
      ex[0]! * ey[1]! - ex[1]! * ey[0]!,
    ] as const;
    const on = n[0] * o[0] + n[1] * o[1] + n[2] * o[2];
    return (px: number, py: number): Pt => {
      const [ud, vd] = [(px - size.width / 2) / focalPx, (py - size.height / 2) / focalPx];
      let [u, v] = [ud, vd];
      for (let i = 0; s.k1 && i < 4; i++) {
        const d = 1 + s.k1 * (u * u + v * v);
        [u, v] = [ud / d, vd / d];
      }
      const t = on / (n[0] * u + n[1] * v + n[2]);
      const [x, y, z] = [t * u - o[0], t * v - o[1], t - o[2]];
      return [x * ex[0]! + y * ex[1]! + z * ex[2]! + middle.x, x * ey[0]! + y * ey[1]! + z * ey[2]! + middle.y];
    };
  };
  const device = rect(0, 0, s.widthMm, s.lengthMm, s.widthMm / 7);
  const [cw, ch] = [53.98, 85.6];
  const c = { x: middle.x, y: middle.y + s.lengthMm * 0.12, a: rad(s.cardTurn) };
  const cardAt = ([x, y]: Pt): Pt => {
    const [dx, dy] = [x - c.x, y - c.y];
    return [Math.cos(c.a) * dx + Math.sin(c.a) * dy + cw / 2, -Math.sin(c.a) * dx + Math.cos(c.a) * dy + ch / 2];
  };
  // corner radius: ISO/IEC 7810:2019, 3.18 mm
  const cardShape = rect(0, 0, cw, ch, 3.18);
  const onCard = ([x, y]: Pt) => {
    if (!s.mess) return 225;
    if (x > 38 && x < 50) return 60;
    return x > 8 && x < 26 && y > 12 && y < 60 ? 150 + 40 * Math.sign(Math.sin(2 * y)) : 225;
  };
  const camera = rect(6, 6, 30, 34, 6);
  const onBack = (p: Pt) => (s.mess && contains(camera, p) ? 95 : 150);
  const onMat = ([x, y]: Pt) => (s.mess ? 70 + 6 * Math.sin(1.7 * x + 0.6 * y) : 70);
  const cardThickMm = 0.76;
  let seed = 12345;
  const random = () => {
    seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
    return seed / 2 ** 32;
  };
  const [onCardPlane, onBackPlane] = [planeAt(cardThickMm), planeAt(0)];
  const [mat, desk] = [-1, -2];
  /** shade of what is seen, or that it is the mat with its grain, or the desk */
  const sees = (px: number, py: number): number => {
    if (!s.bare) {
      const card = cardAt(onCardPlane(px, py));
      if (contains(cardShape, card)) return onCard(card);
    }
    const at = onBackPlane(px, py);
    if (contains(device, at)) return onBack(at);
    return s.mess && at[1] > s.lengthMm + 14 ? desk : mat;
  };
  const shade = (px: number, py: number): number => {
    const what = sees(px, py);
    if (what === desk) return 120;
    return what === mat ? onMat(onBackPlane(px, py)) : what;
  };
  const values = new Float32Array(size.width * size.height);
  const sub = [0.25, 0.75];
  const row = (y: number) => Float32Array.from({ length: size.width + 1 }, (_, x) => sees(x - 0.5, y - 0.5));
  let above = row(0);
  for (let y = 0; y < size.height; y++) {
    const below = row(y + 1);
    for (let x = 0; x < size.width; x++) {
      const what = above[x]!;
      // where all corners of a pixel see the same, its middle is enough
      const whole = what === above[x + 1] && what === below[x] && what === below[x + 1];
      let sum = 0;
      if (whole) sum = what >= 0 ? 4 * what : 4 * shade(x, y);
      else for (const dy of sub) for (const dx of sub) sum += shade(x + dx - 0.5, y + dy - 0.5);
      const dither = s.noise ? s.noise * Math.sqrt(12) * (random() + random() - 1) * 0.707 : 0;
      values[y * size.width + x] = sum / 4 + dither;
    }
    above = below;
  }
  const back = ([x, y]: Pt): Pt => {
    const [dx, dy] = [x - cw / 2, y - ch / 2];
    return [Math.cos(c.a) * dx - Math.sin(c.a) * dy + c.x, Math.sin(c.a) * dx + Math.cos(c.a) * dy + c.y];
  };
  const corners: Pt[] = [
    [0, 0],
    [cw, 0],
    [cw, ch],
    [0, ch],
  ];
  return { grey: { ...size, values }, toPx, card: corners.map((p) => toPx(back(p), cardThickMm)) };
}
