import { coverKinds } from '../device/coverKinds';
import { cableFold, openEnoughDeg } from '../device/cableFold';
import { faceOf } from '../device/perimeter';
import type { Bond, Construction, Device } from '../device/types';
import { judgement } from '../source';

/** Why a job is hard: not a score, the reasons, each with its number. */
export type HardReason =
  | { why: 'construction'; construction: Construction }
  | { why: 'pieces'; count: number; atCamera: number; noFreeEdge: number }
  | { why: 'partsToMove'; count: number }
  | { why: 'shortCable'; name: string; maxDeg: number }
  | { why: 'saveChipped' }
  | { why: 'bent'; maxGapMm: number | null }
  | { why: 'twoLeaves' }
  | { why: 'largeGlass'; perimeterMm: number }
  | { why: 'internalsOut' };

export const hardMarks = {
  pieces: judgement(12, 'more pieces than this need a practised hand'),
  partsToMove: judgement(5, 'more pieces to move than this get forgotten'),
  perimeterMm: judgement(600, 'a ring longer than this cools faster than it is cut, mm'),
};

export interface HardInput {
  device: Device;
  bond: Bond;
  pieces: number;
  piecesAtCamera: number;
  piecesNoFreeEdge: number;
  partsToMove: number;
  internalsOut: boolean;
  keepCover: boolean;
  chip: 'yes' | 'no' | 'unsure';
  bent: boolean;
  maxGapMm: number | null;
  perimeterMm: number;
}

/** Reasons in the order in which they weigh, and whether one of them asks for experienced hands. */
export function howHard(i: HardInput): { reasons: HardReason[]; experienced: boolean } {
  const reasons: HardReason[] = [];
  let experienced = false;
  const add = (r: HardReason, heavy: boolean) => {
    reasons.push(r);
    experienced ||= heavy;
  };
  const { construction } = faceOf(i.device, i.bond);
  const { hard } = coverKinds[construction];
  if (hard !== 'no') add({ why: 'construction', construction }, hard === 'experienced');
  if (i.pieces > 1)
    add(
      { why: 'pieces', count: i.pieces, atCamera: i.piecesAtCamera, noFreeEdge: i.piecesNoFreeEdge },
      i.pieces > hardMarks.pieces.value,
    );
  if (i.keepCover && i.chip !== 'no') add({ why: 'saveChipped' }, true);
  if (i.bent) add({ why: 'bent', maxGapMm: i.maxGapMm }, false);
  if (i.internalsOut) add({ why: 'internalsOut' }, false);
  if (i.partsToMove > 0) add({ why: 'partsToMove', count: i.partsToMove }, i.partsToMove > hardMarks.partsToMove.value);
  for (const c of i.device.cables) {
    const { maxDeg } = cableFold(i.device, i.bond, c);
    if (c.unplugFirst || maxDeg < openEnoughDeg.value) add({ why: 'shortCable', name: c.name, maxDeg }, false);
  }
  if (i.device.parts.some((p) => p.kind === 'hinge')) add({ why: 'twoLeaves' }, true);
  if (i.perimeterMm > hardMarks.perimeterMm.value) add({ why: 'largeGlass', perimeterMm: i.perimeterMm }, false);
  return { reasons, experienced };
}
