import type { Perimeter } from '../device/perimeter';
import { insideDistanceMm } from '../device/shapes';
import type { Device, Face, Outline, Part } from '../device/types';
import { requireIn } from '../errors';
import { judgement } from '../source';
import { bondLimitKPa, displayLimitKPa } from './clampPlan';

const gravity = 9.80665;
export const coilLimitKPa = judgement(20, 'mean pressure over a wireless coil and its ferrite');

export interface WeightWay {
  kind: 'weight' | 'bag';
  /** N on the whole cover */
  forceN: number;
  massKg: number;
  /** on the adhesive, and over the face that lies under it */
  bondKPa: number;
  faceKPa: number;
  /** pressure of a vacuum or air bag that gives it, kPa */
  bagKPa: number;
  against: ('force' | 'display' | 'coil' | 'peak')[];
}

/**
 * What a weight on a stiff padded board, or an even bag, has to press so that the adhesive gets its pressure. The board
 * bears on the rim; the bag presses everywhere, so the middle gets as much as the rim.
 * @param needKPa pressure that the adhesive wants, @param bondAreaMm2 of the adhesive, @param coverAreaMm2 of the cover
 * @throws CoreInputError that names pressure, area of the adhesive, area of the cover when out of range
 */
export function spreadHold(
  kind: WeightWay['kind'],
  needKPa: number,
  bondAreaMm2: number,
  coverAreaMm2: number,
  overCoil: boolean,
): WeightWay {
  requireIn('pressure', needKPa, 0.1, 1000, 'kPa');
  requireIn('area of the adhesive', bondAreaMm2, 1, 1e6, 'mm²');
  requireIn('area of the cover', coverAreaMm2, bondAreaMm2 * 0.5, 1e6, 'mm²');
  const forceN = (needKPa * bondAreaMm2) / 1e3;
  const faceKPa = (forceN / coverAreaMm2) * 1e3;
  const against: WeightWay['against'] = [];
  if (needKPa > bondLimitKPa.value) against.push('peak');
  if (faceKPa > displayLimitKPa.value) against.push('display');
  if (kind === 'bag' && overCoil && faceKPa > coilLimitKPa.value) against.push('coil');
  return { kind, forceN, massKg: forceN / gravity, bondKPa: needKPa, faceKPa, bagKPa: faceKPa, against };
}

export interface NoPress {
  id: string;
  name: string;
  kind: Part['kind'];
  shape: Outline;
}

/** Parts that no clip, thumb or weight presses on: what lies close under the cover and does not bear load. */
export function noPress(device: Device, face: Face): NoPress[] {
  const kinds: Part['kind'][] = ['camera', 'coil', 'battery', 'board', 'reader', 'flash'];
  return device.parts.flatMap((p): NoPress[] =>
    kinds.includes(p.kind) && p.shape.kind !== 'band' && (p.leaf ?? face.leaf) === face.leaf
      ? [{ id: p.id, name: p.name, kind: p.kind, shape: p.shape }]
      : [],
  );
}

const jawMm = judgement(5, 'half the width of a clip’s jaw, mm');
const jawInMm = judgement(6, 'how far a clip’s jaw reaches in from the edge, mm');

/**
 * Places of clips at equal spacing, each moved along the edge, by up to a third of the spacing, off what must not be
 * pressed: cameras near the edge, keys and ports in the side.
 * @returns s along the bond; `forced` where no free place was near
 */
export function clipPlaces(
  path: Perimeter,
  count: number,
  device: Device,
  face: Face,
): { sMm: number; movedMm: number; forced: boolean }[] {
  const keys = device.parts.filter((p) => p.kind === 'button' || p.kind === 'port');
  const bad = [
    ...noPress(device, face).filter((p) => p.kind === 'camera' || p.kind === 'flash'),
    ...face.holes.filter((h) => h.role === 'camera' || h.role === 'mic'),
  ];
  const hits = (s: number) => {
    const { at, normal } = path.point(s);
    return (
      bad.some((b) =>
        [0, jawInMm.value / 2, jawInMm.value].some(
          (depth) =>
            insideDistanceMm(b.shape, [at[0] - normal[0] * depth, at[1] - normal[1] * depth]) > -jawMm.value / 2,
        ),
      ) ||
      keys.some(
        (k) =>
          k.shape.kind !== 'band' &&
          insideDistanceMm(k.shape, [at[0] + normal[0] * 2, at[1] + normal[1] * 2]) > -jawMm.value,
      )
    );
  };
  const spacing = path.lengthMm / Math.max(1, count);
  return path.spread(count).map(({ sMm }) => {
    for (let m = 0; m <= spacing / 3; m += 1)
      for (const sign of m ? [1, -1] : [1]) {
        const s = path.wrap(sMm + sign * m);
        if (!hits(s)) return { sMm: s, movedMm: sign * m, forced: false };
      }
    return { sMm, movedMm: 0, forced: true };
  });
}
