import { commonPractice, memory } from '../source';
import type { Joint } from '../adhesives';
import { requireIn } from '../errors';
import { openRing } from '../lift/ringOpening';
import { coverStrengthMPa, type CoverStrength } from '../lift/strength';

export const lastingShare = memory(
  0.35,
  'glass under lasting stress in moist air holds about a third of what it holds for a moment',
);
export const crumbRule = commonPractice(0, 'new glass cracks over a crumb');

export interface CrumbInput {
  cover: CoverStrength;
  hMm: number;
  flawUm: number;
  kNmm3: number;
  ringMm: number;
  gapMm: number;
  /** tape that is laid over it; null: a liquid bead */
  joint: Joint | null;
}

/** How much of a crumb the joint swallows, mm: the bead its whole gap, a tape what it can still be pressed thinner. */
export function swallowedMm({ gapMm, joint }: Pick<CrumbInput, 'gapMm' | 'joint'>): number {
  return joint ? Math.max(0, gapMm - joint.thicknessMm.value * (1 - joint.compressMax.value)) : gapMm;
}

export interface CrumbState {
  /** how far the glass is lifted off its seat there, mm */
  liftMm: number;
  stressMPa: number;
  /** what the edge is allowed for months: design strength and lasting share */
  lastingMPa: number;
  margin: number;
  cracks: boolean;
}

/**
 * Local bending over one crumb left under the ring: the glass on its line spring, lifted at a point and held on both sides,
 * as a pick that does not open the bond (the same numerical fit, α = 0).
 * @throws CoreInputError when a figure is no number or out of range: a guard fails closed
 */
export function crumbState(i: CrumbInput, crumbMm: number): CrumbState {
  requireIn('crumb', crumbMm, 0, 20, 'mm');
  requireIn('glass', i.hMm, 0.05, 20, 'mm');
  requireIn('gap', i.gapMm, 0, 10, 'mm');
  requireIn('ring', i.ringMm, 0.1, 100, 'mm');
  requireIn('edge flaw', i.flawUm, 1, 1e4, 'µm');
  requireIn('stiffness', i.kNmm3, 1e-3, 1e4, 'N/mm³');
  const liftMm = Math.max(0, crumbMm - swallowedMm(i));
  const lastingMPa = coverStrengthMPa(i.cover, i.hMm, i.flawUm).designMPa * (i.cover.yieldMPa ? 1 : lastingShare.value);
  const stressMPa = liftMm > 0 ? openRing('insert', i.cover, i.hMm, liftMm, 1e9, i.kNmm3, i.ringMm).stressMPa : 0;
  return {
    liftMm,
    stressMPa,
    lastingMPa,
    margin: stressMPa > 0 ? lastingMPa / stressMPa : Infinity,
    cracks: stressMPa >= lastingMPa,
  };
}

/** Highest crumb that the glass holds for months, mm; the stress is proportional to what stands out of the joint. */
export function crumbLimitMm(i: CrumbInput): number {
  const one = crumbState({ ...i, gapMm: 0, joint: null }, 1);
  return swallowedMm(i) + one.lastingMPa / one.stressMPa;
}
