import { thinGapMm } from '../../bond/bondingMethods';
import { lawEdges } from '../../cure/laws';
import { activationKJ, roomU } from '../../cure/tapeDwell';
import { normalOf, randomOf } from '../../numeric/random';
import { judgement } from '../../source';
import { truthFigures } from '../truth';
import { closingFigures, type ClosingCase } from './case';

export const closingTruthFigures = {
  rubs: judgement(3, 'rubs until old glue is off, usually'),
  rubsLn: judgement(0.35, 'standard deviation of ln(rubs) from patch to patch'),
  patchMm: judgement(30, 'old glue is alike over about so much of the joint'),
  crumbs: judgement(1.5, 'crumbs of glass or glue on a ledge that was wiped: on average'),
  crumbMm: judgement(0.15, 'height of a crumb, usually'),
  crumbLn: judgement(0.6, 'standard deviation of ln(height)'),
  seenAtOnce: judgement(0.85, 'share of crumbs that a slow look with the lamp finds'),
  flowLn: judgement(0.15, 'standard deviation of ln(what a steady thumb presses out)'),
  pulls: judgement(0.3, 'share of covers that pull at their frame, bent or sprung'),
  needLow: judgement(0.3, 'a cover that pulls needs from this share of a mark up to all of it'),
};

/** One crumb on the ledge. */
export interface Crumb {
  sMm: number;
  mm: number;
  /** slow looks until it is seen */
  looks: number;
}

/** What a seed makes of a joint: hidden until it is told after the exercise. */
export interface ClosingTruth {
  seed: number;
  /** of each cell: rubs until its old glue is off */
  rubs: readonly number[];
  crumbs: readonly Crumb[];
  /** of each cell, mm */
  gapMm: readonly number[];
  /** of what was planned to come out of the nozzle */
  flow: number;
  /** how much slower a bead cures than between two open edges */
  edge: number;
  /** warmer than the air that was noted, K */
  airK: number;
  eaKJ: number;
  /** share of a mark at which it truly holds; 0: nothing pulls at it */
  need: number;
}

export const cellsOf = (lengthMm: number): number => Math.max(8, Math.round(lengthMm / closingFigures.cellMm.value));

/**
 * The truth of a seed. The order of the draws never changes: a seed that is handed to somebody else makes the same joint.
 */
export function drawClosing(
  seed: number,
  { path, crumb }: Pick<ClosingCase, 'path'> & { crumb: { gapMm: number } },
): ClosingTruth {
  const f = closingTruthFigures;
  const random = randomOf(seed * 2246822519 + 71);
  const most = truthFigures.within.value;
  const z = () => Math.max(-most, Math.min(most, normalOf(random)));
  const n = cellsOf(path.lengthMm);
  const flow = Math.exp(z() * f.flowLn.value);
  const edge = Math.exp(Math.log(lawEdges.low) + random() * Math.log(lawEdges.high / lawEdges.low));
  const airK = z() * roomU.value;
  const eaKJ = activationKJ.value + z() * (activationKJ.u ?? 0);
  const pulls = random() < f.pulls.value;
  const need = pulls ? f.needLow.value + random() * (1 - f.needLow.value) : 0;
  const [wave, turn] = [random() * thinGapMm.value, random() * 2 * Math.PI];
  const gapMm = Array.from({ length: n }, (_, i) =>
    Math.max(0.02, crumb.gapMm + (wave / 2) * Math.cos((2 * Math.PI * i) / n + turn)),
  );
  const patches = Math.max(4, Math.round(path.lengthMm / f.patchMm.value));
  const patch = Array.from({ length: patches }, () => f.rubs.value * Math.exp(z() * f.rubsLn.value));
  const rubs = Array.from({ length: n }, (_, i) => patch[Math.floor((i * patches) / n)]!);
  // exponential gaps between crumbs: as many as a Poisson law gives (textbook)
  const crumbs: Crumb[] = [];
  const apart = () => (-Math.log(1 - random()) * path.lengthMm) / f.crumbs.value;
  for (let sMm = apart(); sMm < path.lengthMm; sMm += apart())
    crumbs.push({
      sMm,
      mm: f.crumbMm.value * Math.exp(z() * f.crumbLn.value),
      // each slow look finds it with the same chance
      looks: 1 + Math.floor(Math.log(1 - random()) / Math.log(1 - f.seenAtOnce.value)),
    });
  return { seed, rubs, crumbs, gapMm, flow, edge, airK, eaKJ, need };
}
