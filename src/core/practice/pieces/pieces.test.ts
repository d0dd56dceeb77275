import { practisedCase } from '../../../../test-support/practised';
import { bondPerimeter, faceOf } from '../../device/perimeter';
import { boxOf } from '../../device/shapes';
import { defaultPlate } from '../../heat/heater';
import { bladeEntry } from '../../lift/cracks/bladeEntry';
import { crackPieces } from '../../lift/cracks/pieces';
import { meanUnderC, ringUnder } from '../../lift/cracks/underPiece';
import { leverMm } from '../../lift/leverage';
import { breakHazard, chipFlawUm, coverStrengthMPa } from '../../lift/strength';
import type { Truth } from '../truth';
import { PiecesBench, piecesFigures, type PiecesAction, type PiecesCase, type PiecesState } from './bench';
import { workPieces, type PiecesCalls } from './hands';
import { shatter } from './shatter';

const ring = practisedCase();
const face = faceOf(ring.device, ring.bond);
const { outline } = face.cover;
const caseOf = (seed: number): PiecesCase => ({
  ...ring,
  lift: { ...ring.lift, keepCover: false, flawUm: chipFlawUm.yes.value },
  cracks: {
    ...{ outline, holes: face.holes.map((h) => ({ shape: h.shape, role: h.role })) },
    cracks: shatter(seed, outline, boxOf(outline)),
    keepOuts: [{ id: 'pack', name: 'battery', kind: 'battery', shape: { kind: 'disc', c: [35, 75], rMm: 31 } }],
  },
});
const plain: Truth = {
  ...{ seed: 1, heaterZ: [0, 0], ambientK: 0, lnScale: 0, chips: [], nerve: 1e9, partsMm: 0, crackTurn: 0 },
};
const about = caseOf(3);
const bench = (over: Partial<Truth> = {}) => new PiecesBench(about, { ...plain, ...over });
const warm = (b: PiecesBench): PiecesState => {
  const on = b.step(b.start(), { kind: 'heat', heater: defaultPlate, use: {}, setC: 110, preheated: true }, 170).state;
  return b.step(on, { kind: 'off' }, 1).state;
};
const lever = (b: PiecesBench, s: PiecesState, liftShare = 0.4, deeperMm = 0): PiecesAction => {
  const { pieceId, entry } = b.order(s)[0]!;
  const depthMm = (entry?.depthMm ?? 0.5) + deeperMm;
  return { kind: 'lever', piece: pieceId, depthMm, liftMm: b.limitMm(depthMm) * liftShare };
};

it('a blow makes pieces that fill the cover (Euler: none is lost), another seed others', () => {
  const area = (seed: number) =>
    crackPieces(outline, [], shatter(seed, outline, boxOf(outline))).pieces.reduce((m, p) => m + p.areaMm2, 0);
  const whole = crackPieces(outline, [], []).pieces[0]!.areaMm2;
  for (const seed of [1, 2, 3, 4]) {
    const map = crackPieces(outline, [], shatter(seed, outline, boxOf(outline)));
    expect(map.pieces.length).toBeGreaterThan(5);
    expect(map.eulerResidual).toBe(0);
    expect(area(seed)).toBeCloseTo(whole, 3);
  }
  expect(shatter(5, outline, boxOf(outline))).toEqual(shatter(5, outline, boxOf(outline)));
  expect(shatter(5, outline, boxOf(outline))).not.toEqual(shatter(6, outline, boxOf(outline)));
});

it('the pieces of the edge cover the ring once, the others none of it; an even field has its own mean under each', () => {
  const path = bondPerimeter(ring.device, ring.bond);
  const { pieces } = crackPieces(outline, [], shatter(3, outline, boxOf(outline)));
  const places = pieces.flatMap((p) => ringUnder(p, path));
  expect(places.length * 3).toBeGreaterThan(path.lengthMm * 0.9);
  expect(places.length * 3).toBeLessThan(path.lengthMm * 1.2);
  for (const p of pieces) expect(ringUnder(p, path).length > 0).toBe(p.freeMm > 0);
  const { nx, ny } = ring.model!.modes.picture;
  const field = new Float64Array(nx * ny).fill(61);
  const big = pieces.reduce((a, b) => (b.areaMm2 > a.areaMm2 ? b : a));
  expect(meanUnderC(ring.model!, field, big.outer)).toBeCloseTo(61, 9);
  expect(
    meanUnderC(ring.model!, field, [
      [0, 0],
      [0.1, 0],
      [0, 0.1],
    ]),
  ).toBeNull();
});

it('cold it holds, warm it comes, in the order that is told; under the ring alone is it held', () => {
  const b = bench();
  const cold = b.step(b.start(), lever(b, b.start(), 0.1), 5);
  expect(cold.happened[0]).toMatchObject({ what: 'pieceHolds' });
  let s = warm(b);
  const first = b.step(s, lever(b, s), 5);
  expect(first.happened[0]).toMatchObject({ what: 'pieceOff', piece: b.order(s)[0]!.pieceId });
  expect(first.happened[0]).toHaveProperty('tC', b.pieceC(s, b.order(s)[0]!.pieceId, s.tS));
  // an inner piece, once it is its turn, is not held by a ring
  s = first.state;
  for (let n = 0; n < 60 && !b.allOff(s); n++) s = b.step(s, lever(b, s), 5).state;
  expect(b.allOff(s)).toBe(true);
  expect(b.step(s, { kind: 'lever', piece: 0, depthMm: 1, liftMm: 0.1 }, 5).happened[0]).toMatchObject({
    what: 'refused',
  });
});

it('too deep over a part hits it, on the heat nobody levers, a piece without an edge is told', () => {
  const { min, max } = boxOf(outline);
  // a battery as large as the inside
  const shape = {
    ...{ kind: 'roundRect' as const, min: [min[0] + 5, min[1] + 5] as const, max: [max[0] - 5, max[1] - 5] as const },
    rMm: 3,
  };
  const keepOuts = [{ id: 'pack', name: 'battery', kind: 'battery' as const, shape }];
  const b = new PiecesBench({ ...about, cracks: { ...about.cracks, keepOuts } }, plain);
  const s = warm(b);
  const over = b.map.pieces.find((p) => bladeEntry(p, new Set(), keepOuts)?.stoppedBy)!;
  const depthMm = bladeEntry(over, new Set(), keepOuts)!.depthMm + 2;
  const hit = b.step(s, { kind: 'lever', piece: over.id, depthMm, liftMm: 0.1 }, 5);
  expect(hit.happened[0]).toMatchObject({ what: 'pieceHit', name: 'battery' });
  expect(b.step(hit.state, lever(b, s), 5).happened[0]).toMatchObject({ what: 'refused', why: 'over' });
  const on = b.step(b.start(), { kind: 'heat', heater: defaultPlate, use: {}, setC: 110, preheated: true }, 5).state;
  expect(b.step(on, lever(b, on), 5).happened[0]).toMatchObject({ what: 'refused', why: 'onHeat' });
  const inner = b.map.pieces.find((p) => p.freeMm === 0 && p.cameraHoleMm === 0);
  if (inner)
    expect(b.step(s, { kind: 'lever', piece: inner.id, depthMm: 1, liftMm: 0.1 }, 5).happened[0]).toMatchObject({
      what: 'noEdge',
    });
});

it('pieces snap as often as their chance says: 1 − exp(−hazard), over 400 made-up devices (cantilever strip, Weibull)', () => {
  const { cover, hMm } = about.lift;
  const { charMPa, designMPa } = coverStrengthMPa(cover, hMm, chipFlawUm.yes.value);
  const depthMm = 8;
  const limit = leverMm(cover, hMm, chipFlawUm.yes.value, depthMm);
  // so high that about half of them snap
  let share = 1;
  while (breakHazard(designMPa * share, charMPa, piecesFigures.spanMm.value) < 0.7) share += 0.01;
  const chance = 1 - Math.exp(-breakHazard(designMPa * share, charMPa, piecesFigures.spanMm.value));
  let snaps = 0;
  for (let seed = 1; seed <= 400; seed++) {
    const b = bench({ seed });
    const { pieceId } = b.order(b.start())[0]!;
    snaps += b.step(b.start(), { kind: 'lever', piece: pieceId, depthMm, liftMm: limit * share }, 5).state.snaps;
  }
  expect(Math.abs(snaps / 400 - chance)).toBeLessThan(4 * Math.sqrt((chance * (1 - chance)) / 400));
});

it('by the calls all of it comes off; forced, cold and high, it snaps; the same seed, the same end', () => {
  const calls: PiecesCalls = { heater: defaultPlate, use: {}, setC: 110, targetC: 62, workC: 45, modelK: 1.5 };
  for (const seed of [1, 2, 3]) {
    const b = new PiecesBench(caseOf(seed), { ...plain, seed });
    const guided = workPieces(b, calls, 'guided', seed);
    expect(b.allOff(guided.state)).toBe(true);
    expect(guided.state.snaps).toBeLessThanOrEqual(piecesFigures.shards.value);
    expect(workPieces(b, calls, 'guided', seed).state.tS).toBe(guided.state.tS);
  }
  const b = new PiecesBench(caseOf(1), plain);
  const { state } = workPieces(b, calls, 'reckless', 1);
  expect(state.snaps > piecesFigures.shards.value || state.hit !== null).toBe(true);
});
