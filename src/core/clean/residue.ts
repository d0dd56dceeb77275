import { bondPerimeter } from '../device/perimeter';
import { boxOf } from '../device/shapes';
import type { Bond, Device } from '../device/types';
import type { KeepOut } from '../lift/depth';
import { commonPractice } from '../source';

export interface CleanArc {
  index: number;
  fromMm: number;
  toMm: number;
  /** near a camera: wiped dry, no liquid */
  dry: boolean;
}

export const dryWithinMm = commonPractice(12, 'dry only around cameras: droplets on a lens leave haze');
/** The frame is cool enough for tape and alcohol below this, °C. */
export const coolC = commonPractice(35, 'tape is laid on a cool, dry frame');

/** The ring in stretches of about 50 mm to be wiped and looked over one after the other. */
export function cleanArcs(device: Device, bond: Bond, outs: readonly KeepOut[]): CleanArc[] {
  const path = bondPerimeter(device, bond);
  const n = Math.max(8, Math.round(path.lengthMm / 50));
  const step = path.lengthMm / n;
  const cameras = outs.filter((k) => k.why === 'camera').map((k) => boxOf(k.shape));
  return Array.from({ length: n }, (_, index) => {
    const fromMm = (index - 0.5) * step;
    const toMm = (index + 0.5) * step;
    let dry = false;
    for (let s = fromMm; s <= toMm; s += 2) {
      const [x, y] = path.point(s).at;
      for (const b of cameras) {
        const dx = Math.max(b.min[0] - x, 0, x - b.max[0]);
        const dy = Math.max(b.min[1] - y, 0, y - b.max[1]);
        if (Math.hypot(dx, dy) < dryWithinMm.value) dry = true;
      }
    }
    return { index, fromMm, toMm, dry };
  });
}
