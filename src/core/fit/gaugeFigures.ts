import { judgement } from '../source';

/** Standard uncertainty of a step over an edge, mm. */
export const uStepMm = judgement(0.01, 'depth gauge repeatability; measure yours with 10 repeats at one point');
/** Standard uncertainty of a gap, mm. */
export const uGapMm = judgement(0.02, 'feeler or caliper in an edge gap; feeler steps 0.02-0.05 are common practice');
