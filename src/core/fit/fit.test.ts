import fc from 'fast-check';

import { shippedDevices } from '../../model/shippedDevices';
import { CoreInputError } from '../errors';
import { dryFit, minClearMm, type GapReading } from './dryFit';
import { flushness } from './flushness';
import { gaugePoints } from './gaugePoints';

/** Readings of the paper, turned from its axes (centred, y up) into the plan's (y down). One adapter, one round trip. */
const gaps: [string, number, number, number, number, number][] = [
  ['right1', 35, 40, 1, 0, 0.1],
  ['right2', 35, -40, 1, 0, 0.12],
  ['top1', 0, 73, 0, 1, 0.27],
  ['left1', -35, 40, -1, 0, 0.19],
  ['left2', -35, -40, -1, 0, 0.16],
  ['bottom1', 0, -73, 0, -1, 0.03],
];
const reading = ([id, x, y, nx, ny, gapMm]: (typeof gaps)[number]): GapReading => ({
  id,
  at: [x + 40, 80 - y],
  normal: [nx, -ny],
  gapMm,
});
const centre = [40, 80] as const;

/** Gaps of a rectangle that is off by an exact pose. */
const posed = (dx: number, dy: number, theta: number, mean: number) =>
  Array.from({ length: 16 }, (_, i): GapReading => {
    const side = i % 4;
    const along = Math.floor(i / 4) / 3 - 0.5;
    const [nx, ny] = [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ][side]!;
    const x = side < 2 ? 35 * nx! : 60 * along;
    const y = side < 2 ? 120 * along : 73 * ny!;
    const gapMm = mean + nx! * dx + ny! * dy + theta * (x * ny! - y * nx!);
    return reading([`p${i}`, x, y, nx!, ny!, gapMm]);
  });

describe('dry fit', () => {
  it('equals the worked example: up 0.12, left 0.0325, turn 0.0179 degree, least gap 0.14', () => {
    const f = dryFit(gaps.map(reading), centre);
    expect(f.use).toBe('even');
    expect(f.move.towardTopMm).toBeCloseTo(0.12, 9);
    expect(f.move.towardRightMm).toBeCloseTo(-0.0325, 9);
    expect(f.move.clockwiseDeg).toBeCloseTo(-0.017905, 6);
    expect(f.meanGapMm).toBeCloseTo(0.145, 9);
    expect(f.rmsMm).toBeCloseTo(0.0070711, 6);
    expect(f.u.towardRightMm).toBeCloseTo(0.01, 9);
    expect(f.u.towardTopMm).toBeCloseTo(0.014142, 5);
    expect(f.bestLeastGapMm).toBeCloseTo(0.14, 6);
    expect(f.minAfterMm).toBeCloseTo(0.14, 9);
    expect(f.say).toEqual({ vertical: true, horizontal: true, turn: false });
  });

  it('recovers an exact pose (0.12, -0.07, 0.001 rad) of a 70 x 146 rectangle to 1e-9', () => {
    const f = dryFit(posed(0.12, -0.07, 0.001, 0.25), centre);
    expect(f.move.towardRightMm).toBeCloseTo(0.12, 9);
    expect(f.move.towardTopMm).toBeCloseTo(-0.07, 9);
    expect(f.move.clockwiseDeg).toBeCloseTo((-0.001 * 180) / Math.PI, 9);
    f.gapsAfterMm.forEach((g) => expect(g).toBeCloseTo(0.25, 9));
  });

  it('largest least gap is the mean gap when the pose can be undone, and no move beats it (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.2, max: 0.2, noNaN: true }),
        fc.double({ min: -0.2, max: 0.2, noNaN: true }),
        (dx, dy) => {
          const f = dryFit(posed(dx, dy, 0, 0.3), centre);
          return Math.abs(f.bestLeastGapMm - 0.3) < 1e-6 && f.bestLeastGapMm >= f.minAfterMm - 1e-9;
        },
      ),
      { numRuns: 25 },
    );
  });

  it('says that it does not fit when no move gives the clearance', () => {
    const f = dryFit(posed(0, 0, 0, 0.01), centre);
    expect(f.use).toBe('noFit');
    expect(f.bestLeastGapMm).toBeLessThan(minClearMm.value);
  });

  it('leaves it when it is fine', () => {
    expect(dryFit(posed(0.004, 0, 0, 0.15), centre).use).toBe('leave');
  });

  it('names the point of an impossible reading', () => {
    expect(() =>
      dryFit([...gaps.map(reading).slice(1), reading(['right1', 35, 40, 1, 0, Number.NaN])], centre),
    ).toThrow(/gap at right1.*0 to 5 mm/);
    expect(() => dryFit(gaps.map(reading).slice(0, 2), centre)).toThrow(CoreInputError);
  });
});

const steps = (list: [string, number, number, number][]) =>
  list.map(([id, x, y, stepMm]) => ({ id, at: [x, -y] as const, stepMm }));
const oval = (bump: number) =>
  steps(
    Array.from({ length: 16 }, (_, i) => {
      const a = (2 * Math.PI * i) / 16;
      const x = 34 * Math.cos(a);
      const y = 70 * Math.sin(a);
      return [
        `p${i}`,
        x,
        y,
        0.01 + 0.02 * (x / 34) - 0.015 * (y / 70) + (i === 5 ? bump : 0) + 0.004 * Math.sin(7 * i),
      ];
    }),
  );

describe('flushness', () => {
  it('equals the worked example: twist -0.0325, pass, corner-only sets have no bow terms', () => {
    const f = flushness(
      steps([
        ['TL', -34, 70, 0.03],
        ['TR', 34, 70, -0.03],
        ['R', 34, 0, 0],
        ['BR', 34, -70, 0.04],
        ['BL', -34, -70, -0.03],
        ['L', -34, 0, 0.01],
      ]),
      [0, 0],
      34,
      70,
      { uMm: 0.01, lowMm: -0.08, highMm: 0.08 },
    );
    expect(f.terms).toEqual(['1', 'X', 'Y', 'XY']);
    expect(f.coef['1']).toBeCloseTo(0.0033333, 6);
    expect(f.coef.XY).toBeCloseTo(-0.0325, 9);
    expect(f.se.X).toBeCloseTo(0.0040825, 6);
    expect(f.rmsMm).toBeCloseTo(0.006455, 5);
    expect(f.pConform[3]).toBeCloseTo(0.99997, 5);
    expect(f.verdict).toBe('pass');
    expect(f.rocks).toBe('topLeft-bottomRight');
    expect(f.highEdge).toBe('bottom');
    expect(f.action).toBe('accept');
    expect(f.smallestBumpMm).toEqual([null, null, null, null, null, null]);
  });

  it('finds a crumb of 0.09 mm among 16 points as the reference does: point p5, 0.0915 mm', () => {
    const f = flushness(oval(0.09), [0, 0], 34, 70);
    expect(f.bumps.map((b) => b.id)).toEqual(['p5']);
    expect(f.bumps[0]!.heightMm).toBeCloseTo(0.091494, 5);
    expect(f.action).toBe('clearDebris');
    expect(f.verdict).toBe('fail');
    expect(f.coef.X).toBeCloseTo(0.02082, 5);
    expect(f.coef.XY).toBeCloseTo(0.006988, 5);
  });

  it('sees no bump where there is none, and says which height it would have seen', () => {
    const f = flushness(oval(0), [0, 0], 34, 70);
    expect(f.bumps).toEqual([]);
    f.smallestBumpMm.forEach((v) => expect(v).toBeGreaterThan(0.02));
  });

  it('decides with a guard band of 2u (ISO 14253-1): inside passes, at the limit is not decided, beyond fails', () => {
    const flat = (mm: number) =>
      flushness(
        steps(Array.from({ length: 9 }, (_, i) => [`p${i}`, (i % 3) * 30 - 30, Math.floor(i / 3) * 60 - 60, mm])),
        [0, 0],
        34,
        70,
      );
    expect(flat(0).verdict).toBe('pass');
    expect(flat(0.045).verdict).toBe('undecided');
    expect(flat(0.045).action).toBe('remeasureFiner');
    expect(flat(0.08)).toMatchObject({ verdict: 'fail', action: 'standsProud' });
    expect(flat(-0.15)).toMatchObject({ verdict: 'fail', action: 'sitsLow' });
    // largest specific consumer's risk at the guarded limit: Phi(-2) = 2.3 % (JCGM 106:2012)
    expect(1 - flat(0.03).pConform[0]!).toBeCloseTo(0.0228, 3);
  });

  it('does not change when the plan is moved (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 }), (dx, dy) => {
        const a = flushness(oval(0.05), [0, 0], 34, 70);
        const b = flushness(
          oval(0.05).map((p) => ({ ...p, at: [p.at[0] + dx, p.at[1] + dy] as const })),
          [dx, dy],
          34,
          70,
        );
        return a.verdict === b.verdict && Math.abs(a.coef.X! - b.coef.X!) < 1e-9;
      }),
      { numRuns: 15 },
    );
  });
});

it('gauge points: 16 on phones, 20 on the tablet, spread evenly, two at every corner region', () => {
  const counts = shippedDevices.map((d) => gaugePoints(d, d.bonds[0]!).length);
  expect(counts).toEqual(shippedDevices.map((d) => (d.kind === 'tablet' ? 20 : 16)));
  for (const d of shippedDevices) {
    const [x1, y1] = d.leaves[0]!.outline.kind === 'roundRect' ? d.leaves[0]!.outline.max : [0, 0];
    const points = gaugePoints(d, d.bonds[0]!);
    for (const c of [
      [0, 0],
      [x1, 0],
      [x1, y1],
      [0, y1],
    ] as const)
      expect(points.filter((p) => Math.hypot(p.at[0] - c[0], p.at[1] - c[1]) < 60).length).toBeGreaterThanOrEqual(2);
  }
});

it('how long a normal is drawn says nothing: only its direction counts', () => {
  const d = shippedDevices.find((x) => x.id === 'ring61')!;
  const points = gaugePoints(d, d.bonds[0]!);
  const long = (k: number): GapReading[] =>
    points.map((p, i) => ({ id: p.id, at: p.at, normal: [p.normal[0] * k, p.normal[1] * k], gapMm: 0.2 + 0.01 * i }));
  const [one, three] = [dryFit(long(1), [35, 75]), dryFit(long(3), [35, 75])];
  expect(three.rmsMm).toBeCloseTo(one.rmsMm, 9);
  three.gapsAfterMm.forEach((g, i) => expect(g).toBeCloseTo(one.gapsAfterMm[i]!, 9));
});
