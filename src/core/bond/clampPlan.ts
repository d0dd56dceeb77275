import { requireIn } from '../errors';
import { judgement, memory, type Sourced } from '../source';

export interface Clip {
  id: string;
  name: string;
  forceN: number;
  owned: number;
}

export const evennessMin = judgement(0.85, 'least over greatest pressure between two clips');
export const bondLimitKPa = judgement(150, 'greatest pressure on cover and frame under a clip');
export const displayLimitKPa = judgement(20, 'mean pressure over the display');
export const tapePressKPa = memory(100, 'pressure-sensitive tape, data-sheet guidance about 15 psi');
export const beadPressKPa = judgement(20, 'a bead is held, not pressed thin: the frame’s ledge sets its height');
/** Stiffness of a bead under the edge, N/mm³. */
export const beadStiffness = {
  solvent: judgement(3, 'flexible contact glue, as for its opening'),
  moisture: judgement(1.5, 'soft sealant'),
};
const stripMm = judgement(15, 'width of the glass strip that spreads a clip');

export interface ClampPlan {
  clip: Clip | null;
  count: number;
  spacingMm: number;
  totalN: number;
  meanKPa: number;
  peakKPa: number;
  evenness: number;
  displayKPa: number;
  /** every way that was weighed, and what speaks against it */
  ways: {
    clip: Clip;
    count: number;
    evenness: number;
    peakKPa: number;
    meanKPa: number;
    against: ('force' | 'uneven' | 'peak' | 'display' | 'owned')[];
    /** fewest of them that are even, and what speaks against so many; null when even sixty are not */
    evenAt: { count: number; against: ClampPlan['ways'][number]['against'] } | null;
  }[];
}

/**
 * Equal point loads at a spacing along a beam on an elastic bed: sums of the influence φ = e^−x (cos x + sin x) under a load
 * and between two (Hetenyi 1946, published). @param ls spacing over decay length
 */
export function influence(ls: number): { under: number; between: number } {
  const phi = (x: number) => Math.exp(-Math.abs(x)) * (Math.cos(Math.abs(x)) + Math.sin(Math.abs(x)));
  const n = Math.ceil(40 / Math.max(ls, 0.05)) + 2;
  let between = 0;
  let under = 0;
  for (let m = -n; m <= n; m++) {
    if (m < n) between += phi((m + 0.5) * ls);
    under += phi(m * ls);
  }
  return { under, between };
}

/** Least over greatest pressure between two loads. 1: even; 0 or less: the tape lifts between two clips. */
export function evenness(ls: number): number {
  const { under, between } = influence(ls);
  return between / under;
}

/**
 * Greatest pressure under a clip, kPa: F λ/(2 w) Σφ. @param lambda 1/mm, widthMm of the joint
 * @throws CoreInputError when a figure is no number or out of range
 */
export function peakKPa(forceN: number, lambda: number, widthMm: number, spacingMm: number): number {
  requireIn('force', forceN, 0, 1e4, 'N');
  requireIn('decay', lambda, 1e-6, 100, '1/mm');
  requireIn('width', widthMm, 0.1, 200, 'mm');
  requireIn('spacing', spacingMm, 0.1, 1e5, 'mm');
  return ((forceN * lambda) / (2 * widthMm)) * influence(lambda * spacingMm).under * 1e3;
}

/** What clips bear on: the joint, the cover over it, and how far one clip's press reaches. */
export interface HoldBed {
  lengthMm: number;
  widthMm: number;
  coverAreaMm2: number;
  /** decay of a load along the edge, 1/mm */
  lambda: number;
  needKPa: number;
}

/** A strip of glass on its adhesive as a beam on an elastic bed (Hetenyi 1946, published). @param kNmm3 of the adhesive */
export function holdBed(about: Omit<HoldBed, 'lambda'>, hMm: number, eGPa: number, kNmm3: number): HoldBed {
  const ei = (eGPa * 1e3 * stripMm.value * hMm ** 3) / 12;
  return { ...about, lambda: ((kNmm3 * about.widthMm) / (4 * ei)) ** 0.25 };
}

export type ClipObjection = 'force' | 'uneven' | 'peak' | 'display';

/**
 * How so many clips of a force press, and what speaks against it, with what it is and what it may be.
 * @param count at least 1 @throws CoreInputError as `peakKPa`
 */
export function clipCheck(bed: HoldBed, forceN: number, count: number) {
  const { lengthMm, widthMm, coverAreaMm2, lambda, needKPa } = bed;
  const even = evenness((lambda * lengthMm) / count);
  const meanKPa = ((forceN * count) / (lengthMm * widthMm)) * 1e3;
  const peak = peakKPa(forceN, lambda, widthMm, lengthMm / count);
  const displayKPa = ((forceN * count) / coverAreaMm2) * 1e3;
  const figures: Record<ClipObjection, { value: number; limit: number }> = {
    force: { value: meanKPa, limit: needKPa },
    uneven: { value: even, limit: evennessMin.value },
    peak: { value: peak, limit: bondLimitKPa.value },
    display: { value: displayKPa, limit: displayLimitKPa.value },
  };
  const against: ClipObjection[] = [];
  if (meanKPa < needKPa) against.push('force');
  if (even < evennessMin.value) against.push('uneven');
  if (peak > bondLimitKPa.value) against.push('peak');
  if (displayKPa > displayLimitKPa.value) against.push('display');
  return { evenness: even, peakKPa: peak, meanKPa, displayKPa, against, figures };
}

/**
 * Number and force of clips solved together (law 12): the fewest clips of one kind that press enough, evenly enough
 * and nowhere too hard. Evenness wants many clips, the limits want gentle ones.
 */
export function clampPlan(
  lengthMm: number,
  widthMm: number,
  coverAreaMm2: number,
  hMm: number,
  eGPa: number,
  kNmm3: number,
  clips: readonly Clip[],
  needKPa: Sourced = tapePressKPa,
): ClampPlan {
  const bed = holdBed({ lengthMm, widthMm, coverAreaMm2, needKPa: needKPa.value }, hMm, eGPa, kNmm3);
  const judge = (clip: Clip, count: number) => {
    const { figures: _, ...c } = clipCheck(bed, clip.forceN, count);
    return { clip, count, ...c, against: count > clip.owned ? [...c.against, 'owned' as const] : c.against };
  };
  const ways = clips.map((clip) => {
    const tried = Array.from({ length: 60 }, (_, i) => judge(clip, i + 2));
    const even = tried.find((t) => !t.against.includes('uneven'));
    return {
      ...(tried.find((t) => t.against.length === 0) ??
        tried.find((t) => !t.against.includes('force')) ??
        tried[tried.length - 1]!),
      evenAt: even ? { count: even.count, against: even.against } : null,
    };
  });
  const good = ways.filter((w) => w.against.length === 0).sort((a, b) => a.count - b.count)[0];
  const shown = good ?? [...ways].sort((a, b) => a.against.length - b.against.length)[0];
  return {
    clip: good?.clip ?? null,
    count: shown?.count ?? 0,
    spacingMm: shown ? lengthMm / shown.count : 0,
    totalN: shown ? shown.clip.forceN * shown.count : 0,
    meanKPa: shown?.meanKPa ?? 0,
    peakKPa: shown?.peakKPa ?? 0,
    evenness: shown?.evenness ?? 0,
    displayKPa: shown?.displayKPa ?? 0,
    ways,
  };
}
