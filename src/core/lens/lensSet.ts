import { coverKindOf } from '../device/coverKinds';
import { boxOf } from '../device/shapes';
import { faceOf } from '../device/perimeter';
import type { Bond, Device, Face } from '../device/types';
import { commonPractice, judgement } from '../source';

export const lensToleranceMm = judgement(0.15, 'a new lens cover fits when its size is this near to the old one');
export const pressS = commonPractice(90, 'one to two minutes under the finger', 30);
export const underTape = commonPractice(0, 'blade under the tape, not through it; disc and tape come together');
export const bladeOverMm = judgement(0.5, 'room between blade and what is seen through the lens');

export interface LensCover {
  bond: Bond;
  face: Face;
  /** across, mm: a disc's diameter, else the longer side */
  sizeMm: number;
  /** how far in from its edge a blade may go: past the tape, short of what the camera sees */
  needMm: number;
  limitMm: number;
  /** height of the blade under the face of the glass: the glass and the tape, mm */
  bladeUnderMm: number;
  fromBehind: boolean;
}

/** The lens covers of a device that can be replaced one by one, in the order of the model. */
export function lensCovers(device: Device): LensCover[] {
  return device.bonds.flatMap((bond): LensCover[] => {
    const face = faceOf(device, bond);
    if (!coverKindOf(face).lens) return [];
    const { min, max } = boxOf(face.cover.outline);
    const half = Math.min(max[0] - min[0], max[1] - min[1]) / 2;
    const views = face.holes.filter((h) => h.role === 'camera').map((h) => boxOf(h.shape));
    const seen = views.reduce(
      (m, b) => Math.min(m, b.min[0] - min[0], b.min[1] - min[1], max[0] - b.max[0], max[1] - b.max[1]),
      half,
    );
    return [
      {
        bond,
        face,
        sizeMm: Math.max(max[0] - min[0], max[1] - min[1]),
        needMm: bond.insetMm + bond.widthMm,
        limitMm: Math.max(0, seen - bladeOverMm.value),
        bladeUnderMm: face.cover.hMm + bond.gapMm,
        fromBehind: coverKindOf(face).fromBehind,
      },
    ];
  });
}

export interface LensMatch {
  bondId: string;
  oldMm: number;
  newMm: number;
  fits: boolean;
}

/**
 * Which new cover goes where, by size: both sides in order of size, which is the pairing with the least total difference on a
 * line. More new ones than needed: the run of sizes that fits best.
 */
export function matchLenses(
  old: readonly { bondId: string; sizeMm: number }[],
  newMm: readonly number[],
  tolerance = lensToleranceMm.value,
): { pairs: LensMatch[]; missing: string[] } {
  const have = [...newMm].sort((a, b) => a - b);
  const want = [...old].sort((a, b) => a.sizeMm - b.sizeMm);
  const n = Math.min(have.length, want.length);
  if (!n) return { pairs: [], missing: want.map((w) => w.bondId) };
  // dynamic programme over sorted sizes: skip what fits nowhere on either side
  const cost: number[][] = Array.from({ length: want.length + 1 }, () => new Array<number>(have.length + 1).fill(0));
  const skip = 1e3;
  for (let i = 1; i <= want.length; i++) cost[i]![0] = i * skip;
  for (let i = 1; i <= want.length; i++)
    for (let j = 1; j <= have.length; j++)
      cost[i]![j] = Math.min(
        cost[i]![j - 1]!,
        cost[i - 1]![j]! + skip,
        cost[i - 1]![j - 1]! + Math.abs(want[i - 1]!.sizeMm - have[j - 1]!),
      );
  const pairs: LensMatch[] = [];
  const missing: string[] = [];
  let [i, j] = [want.length, have.length];
  while (i > 0) {
    const w = want[i - 1]!;
    if (j > 0 && cost[i]![j] === cost[i]![j - 1]) {
      j--;
      continue;
    }
    const size = have[j - 1];
    if (j > 0 && size !== undefined && cost[i]![j] === cost[i - 1]![j - 1]! + Math.abs(w.sizeMm - size)) {
      pairs.push({ bondId: w.bondId, oldMm: w.sizeMm, newMm: size, fits: Math.abs(w.sizeMm - size) <= tolerance });
      j--;
    } else missing.push(w.bondId);
    i--;
  }
  const place = new Map(old.map((o, k) => [o.bondId, k]));
  const byModel = (a: string, b: string) => place.get(a)! - place.get(b)!;
  return {
    pairs: pairs.sort((a, b) => byModel(a.bondId, b.bondId)),
    missing: missing.sort(byModel),
  };
}
