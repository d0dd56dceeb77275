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
  // the plane under a pixel: where its ray meets it
  const ex = turn3(1, 0, 0).map((v, i) => v - turn3(0, 0, 0)[i]!);
  const ey = turn3(0, 1, 0).map((v, i) => v - turn3(0, 0, 0)[i]!);
  const ez = turn3(0, 0, 1).map((v, i) => v - turn3(0, 0, 0)[i]!);
  const onPlane = (px: number, py: number, zMm: number): Pt => {
    const [ud, vd] = [(px - size.width / 2) / focalPx, (py - size.height / 2) / focalPx];
    let [u, v] = [ud, vd];
    for (let i = 0; i < 4; i++) {
      const d = 1 + s.k1 * (u * u + v * v);
      [u, v] = [ud / d, vd / d];
    }
    // ray t·(u, v, 1) = away + a ex + b ey − z ez
    const o = [-zMm * ez[0]!, -zMm * ez[1]!, away - zMm * ez[2]!];
    const n = [ex[1]! * ey[2]! - ex[2]! * ey[1]!, ex[2]! * ey[0]! - ex[0]! * ey[2]!, ex[0]! * ey[1]! - ex[1]! * ey[0]!];
    const t = (n[0]! * o[0]! + n[1]! * o[1]! + n[2]! * o[2]!) / (n[0]! * u + n[1]! * v + n[2]!);
    const p = [t * u - o[0]!, t * v - o[1]!, t - o[2]!];
    const dot = (a: readonly number[], b: readonly number[]) => a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]!;
    return [dot(p, ex) + middle.x, dot(p, ey) + middle.y];
  };
  const device = rect(0, 0, s.widthMm, s.lengthMm, s.widthMm / 7);
  const [cw, ch] = [53.98, 85.6];
  const c = { x: middle.x, y: middle.y + s.lengthMm * 0.12, a: rad(s.cardTurn) };
  const cardAt = ([x, y]: Pt): Pt => {
    const [dx, dy] = [x - c.x, y - c.y];
    return [Math.cos(c.a) * dx + Math.sin(c.a) * dy + cw / 2, -Math.sin(c.a) * dx + Math.cos(c.a) * dy + ch / 2];
  };
  const cardShape = rect(0, 0, cw, ch, 0.1);
  const cardThickMm = 0.76;
  let seed = 12345;
  const random = () => {
    seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
    return seed / 2 ** 32;
  };
  const values = new Float32Array(size.width * size.height);
  const sub = [0.25, 0.75];
  for (let y = 0; y < size.height; y++)
    for (let x = 0; x < size.width; x++) {
      let sum = 0;
      for (const dy of sub)
        for (const dx of sub) {
          const [px, py] = [x + dx - 0.5, y + dy - 0.5];
          if (contains(cardShape, cardAt(onPlane(px, py, cardThickMm)))) sum += 225;
          else sum += contains(device, onPlane(px, py, 0)) ? 150 : 70;
        }
      const dither = s.noise ? s.noise * Math.sqrt(12) * (random() + random() - 1) * 0.707 : 0;
      values[y * size.width + x] = sum / 4 + dither;
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
