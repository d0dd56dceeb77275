import { distanceToLoops } from '../../device/polygon';
import type { Outline } from '../../device/types';
import { judgement } from '../../source';
import { bladeEntry, type BladeEntry } from './bladeEntry';
import type { Piece } from './pieces';

/** What a blade must not meet under a piece. */
export interface CrackKeepOut {
  id: string;
  name: string;
  kind: 'coil' | 'flex' | 'battery' | 'camera';
  shape: Outline;
}

export type PieceReason =
  'outerEdge' | 'edgeFreedByNeighbour' | 'noFreeEdge' | 'sliver' | 'overPart' | 'cameraLast' | 'farFromParts';

export interface PieceStep {
  pieceId: number;
  /** 0 plain, 1 over a part, 2 at a camera */
  risk: 0 | 1 | 2;
  areaMm2: number;
  /** to the nearest keep-out, up to 30 mm */
  distanceMm: number;
  nearest: CrackKeepOut | null;
  reasons: PieceReason[];
  /** blade entry: where, along which way inward, and how deep at most; null: no free edge to enter at */
  entry: BladeEntry | null;
}

/** Smallest first, away from parts, camera last is common practice; the weights are judgement. */
export const orderWeights = {
  distance: judgement(0.2, 'weight of the way to the nearest part, up to 30 mm'),
  freeEdge: judgement(0.1, 'weight of the share of free edge'),
  sliverMm2: judgement(4, 'a piece smaller than this is a sliver, mm²'),
  touchMm: judgement(0.5, 'nearer than this counts as over the part, mm'),
  leastEdgeMm: judgement(1, 'free edge that a blade can start at, mm'),
};
const farMm = 30;

/**
 * Order in which the pieces are lifted: pieces without risk before pieces over parts before pieces at a camera; only
 * pieces with a free edge or one that a lifted neighbour has freed; among these the smallest, farthest from parts.
 * @param off ids of the pieces that are off already: they free their neighbours and are not in the order
 */
export function liftOrder(
  pieces: readonly Piece[],
  keepOuts: readonly CrackKeepOut[],
  off: ReadonlySet<number> = new Set(),
): PieceStep[] {
  const total = pieces.reduce((m, p) => m + p.areaMm2, 0);
  const w = orderWeights;
  const about = pieces.map((p) => {
    const near = keepOuts.map((k) => ({ k, d: distanceToLoops([p.outer, ...p.islands], k.shape) }));
    const nearest = near.reduce<(typeof near)[number] | null>((a, b) => (a && a.d <= b.d ? a : b), null);
    const touches = (...kinds: CrackKeepOut['kind'][]) =>
      near.some(({ k, d }) => d <= w.touchMm.value && kinds.includes(k.kind));
    const risk: PieceStep['risk'] =
      touches('camera') || p.cameraHoleMm > 0 ? 2 : touches('coil', 'flex', 'battery') ? 1 : 0;
    const d = Math.min(nearest?.d ?? farMm, farMm);
    const cost = p.areaMm2 / total - w.distance.value * (d / farMm) - w.freeEdge.value * (p.freeMm / p.perimeterMm);
    return { risk, d, nearest: nearest?.k ?? null, cost: Math.round(cost * 1e9) };
  });
  const left = new Set(pieces.map((p) => p.id).filter((i) => !off.has(i)));
  const done = new Set(off);
  const steps: PieceStep[] = [];
  const edge = w.leastEdgeMm.value;
  // a piece opens once, when it has an edge of its own or a neighbour that left it one
  const reachable = new Set([...left].filter((i) => pieces[i]!.freeMm >= edge));
  const frees = (id: number) => {
    for (const [j, mm] of pieces[id]!.neighbours) if (mm >= edge && left.has(j)) reachable.add(j);
  };
  for (const id of off) frees(id);
  const before = (a: number, b: number) => about[a]!.risk - about[b]!.risk || about[a]!.cost - about[b]!.cost || a - b;
  while (left.size) {
    const open = [...reachable];
    const candidates = open.length ? open : [...left];
    const next = candidates.reduce((a, b) => (before(b, a) < 0 ? b : a));
    const p = pieces[next]!;
    const f = about[next]!;
    const reasons: PieceReason[] = [
      !open.length ? 'noFreeEdge' : p.freeMm >= edge ? 'outerEdge' : 'edgeFreedByNeighbour',
    ];
    if (p.areaMm2 < w.sliverMm2.value) reasons.push('sliver');
    if (f.risk === 1) reasons.push('overPart');
    if (f.risk === 2) reasons.push('cameraLast');
    if (f.d >= farMm) reasons.push('farFromParts');
    steps.push({
      pieceId: next,
      risk: f.risk,
      areaMm2: p.areaMm2,
      distanceMm: f.d,
      nearest: f.nearest,
      reasons,
      entry: bladeEntry(p, done, keepOuts),
    });
    done.add(next);
    left.delete(next);
    reachable.delete(next);
    frees(next);
  }
  return steps;
}
