import { stageMinutes } from '../../model/stages';
import fc from 'fast-check';

import { shippedDevices } from '../../model/shippedDevices';
import { bondPerimeter, coverOf, faceOf, Perimeter } from '../device/perimeter';
import { boxOf, inset } from '../device/shapes';
import type { Outline, Pt } from '../device/types';
import { tapeClocks } from '../../../test-support/cureForms';
import { buildShare, equivalentTimeS, rate, timeToShareS } from '../cure/tapeDwell';
import { earliestCollectionS } from '../intake/collection';
import { closingOrder } from './closing';
import { orderRuns, runsBetween } from './runs';
import { clampPlan, evenness, peakKPa, type Clip } from './clampPlan';
import { pieceOutline, roundRectAreaMm2, tapeGaps, tapePlan } from './tapePlan';

const rect = (w: number, h: number, r: number): Outline => ({ kind: 'roundRect', min: [0, 0], max: [w, h], rMm: r });

describe('tape plan', () => {
  it('square corners: length × width is the ring’s area (geometry)', () => {
    const p = tapePlan(rect(70, 140, 0), 0, 2, [], 1e5);
    expect(p.scheme).toBe('butt');
    expect(p.lengthMm * 2).toBeCloseTo(p.ringAreaMm2, 9);
    expect(p.lengthMm).toBe(412);
  });

  it('round corners equal the reference: 70 × 147, r 9, inset 0.5, 2 mm wide', () => {
    const p = tapePlan(rect(70, 147, 9), 0.5, 2, [], 50000);
    expect(p.scheme).toBe('facet');
    expect(p.facetsPerCorner).toBe(3);
    expect(p.pieces).toHaveLength(16);
    expect(p.lengthMm).toBeCloseTo(414.79909, 4);
    expect(p.rollUsedMm).toBeCloseTo(422.79909, 4);
    expect(p.ringAreaMm2).toBeCloseTo(818.24778, 4);
    expect(p.mitreDeg).toEqual({ straight: 7.5, facet: 15 });
    expect(p.jobsLeft).toBe(118);
  });

  it('an open stretch is left out and breaks the ring: 21 pieces, 420.43 mm', () => {
    const p = tapePlan(rect(72, 150, 10), 0, 2, [{ side: 'bottom', fromMm: 33, toMm: 39 }], 1e5);
    expect(p.pieces).toHaveLength(21);
    expect(p.lengthMm).toBeCloseTo(420.4289, 4);
    expect(p.brokenRing).toBe(true);
  });

  it('pieces never leave the cover, never overlap a gap, and use the roll with a cut each (property)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 50, max: 160 }),
        fc.integer({ min: 100, max: 250 }),
        fc.integer({ min: 0, max: 14 }),
        fc.integer({ min: 10, max: 40 }),
        (w, h, r, at) => {
          const p = tapePlan(rect(w, h, r), 0.2, 2, [{ side: 'left', fromMm: at, toMm: at + 5 }], 1e5);
          const inGap = p.pieces.some(
            (x) => x.where === 'left' && [x.from, x.to].some((q) => h - q[1] > at + 1e-9 && h - q[1] < at + 5 - 1e-9),
          );
          const outside = p.pieces.some((x) =>
            [x.from, x.to].some((q) => q[0] < 0 || q[1] < 0 || q[0] > w || q[1] > h),
          );
          return !inGap && !outside && Math.abs(p.rollUsedMm - p.lengthMm - 0.5 * p.pieces.length) < 1e-9;
        },
      ),
      { numRuns: 60 },
    );
  });

  it('mitred pieces laid out close the ring: areas are those of the mitres, every inner corner meets its neighbour’s (geometry)', () => {
    const w = 2;
    const p = tapePlan(rect(70, 147, 9), 0.5, w, [], 50000);
    const area = (pts: readonly (readonly [number, number])[]) =>
      Math.abs(
        pts.reduce((s, [x, y], i) => {
          const [u, v] = pts[(i + 1) % pts.length]!;
          return s + (x * v - u * y) / 2;
        }, 0),
      );
    const outlines = p.pieces.map((x) => pieceOutline(x.outer, x.mitreDeg, w, [35, 73.5]));
    const mitres = p.pieces.reduce(
      (m, x) => m + x.mitreDeg.reduce((t, d) => t + (w * w * Math.tan((d * Math.PI) / 180)) / 2, 0),
      0,
    );
    expect(outlines.reduce((m, o) => m + area(o), 0)).toBeCloseTo(p.lengthMm * w - mitres, 6);
    // every inner corner of a piece is an inner corner of its neighbour
    const inner = outlines.flatMap((o) => [o[2]!, o[3]!]);
    for (const q of inner) expect(inner.filter((r) => Math.hypot(r[0] - q[0], r[1] - q[1]) < 1e-6)).toHaveLength(2);
  });

  it('turns vents on the bond’s path into stretches of the sides', () => {
    const d = shippedDevices[0]!;
    const [g] = tapeGaps(coverOf(d, d.bonds[0]!).outline, bondPerimeter(d, d.bonds[0]!), d.bonds[0]!.gaps);
    if (!g || !('side' in g)) throw new Error('a gap on a side');
    expect(g.side).toBe('bottom');
    expect(g.fromMm).toBeCloseTo(33, 6);
    expect(g.toMm).toBeCloseTo(39, 6);
  });

  it('lays no tape across a vent in a corner: no piece comes within it, and nothing else is left out', () => {
    const outline = rect(72, 150, 10);
    const path = new Perimeter(inset(outline, 1));
    // from the straight of the bottom edge well into the round of the corner
    const { fromMm, toMm } = path.edgeSpan('bottom');
    const vent = { fromMm: toMm - 10, toMm: toMm + 2 };
    expect(fromMm).toBeLessThan(vent.fromMm);
    const whole = tapePlan(outline, 0, 2, [], 1e5);
    const open = tapePlan(outline, 0, 2, tapeGaps(outline, path, [vent]), 1e5);
    for (const p of open.pieces)
      for (let i = 0; i <= 20; i++) {
        const at: Pt = [p.from[0] + ((p.to[0] - p.from[0]) * i) / 20, p.from[1] + ((p.to[1] - p.from[1]) * i) / 20];
        const s = path.locate(at);
        expect(s > vent.fromMm + 0.6 && s < vent.toMm - 0.6).toBe(false);
      }
    expect(whole.lengthMm - open.lengthMm).toBeGreaterThan(10);
    expect(whole.lengthMm - open.lengthMm).toBeLessThan(14);
  });

  it('names the field of an impossible entry', () => {
    expect(() => tapePlan(rect(70, 140, 5), 0, -1, [], 10)).toThrow(/tape width.*0.5 to 30 mm/);
    expect(() => tapePlan(rect(70, 140, 5), Number.NaN, 2, [], 10)).toThrow(/inset/);
  });

  it('area of a rounded rectangle', () => {
    expect(roundRectAreaMm2(10, 10, 5)).toBeCloseTo(25 * Math.PI, 9);
    // no radius, or one that an inset used up, leaves a rectangle
    expect(roundRectAreaMm2(10, 20, 0)).toBe(200);
    expect(roundRectAreaMm2(10, 20, -3)).toBe(200);
  });
});

describe('pressure under a clip', () => {
  /** Winkler beam E I w'''' + k w = p by finite differences on a ring, loads as one cell: pressure under a load, N/mm². */
  function boundaryValue(ei: number, kPerMm: number, lengthMm: number, count: number, forceN: number): number {
    const n = 4000;
    const d = lengthMm / n;
    // circulant: its solution is a sum over harmonics of the same stencil
    const load = forceN / d;
    let w0 = 0;
    for (let m = 0; m < n / count; m++) {
      const q = m * count;
      const s = (2 - 2 * Math.cos((2 * Math.PI * q) / n)) / d ** 2;
      w0 += (load * count) / n / (ei * s * s + kPerMm);
    }
    return kPerMm * w0;
  }

  it('is 370 kPa for two clips of 15 N round a phone, not 102 (boundary-value solution, within 3 %)', () => {
    const width = 2;
    const k = 3;
    for (const [lengthMm, count, forceN] of [
      [421, 2, 15],
      [421, 8, 15],
      [421, 20, 6],
      [780, 2, 15],
    ] as const) {
      const ei = (72e3 * 15 * 0.8 ** 3) / 12;
      const lambda = ((k * width) / (4 * ei)) ** 0.25;
      const exact = (boundaryValue(ei, k * width, lengthMm, count, forceN) / width) * 1e3;
      expect(Math.abs(peakKPa(forceN, lambda, width, lengthMm / count) / exact - 1)).toBeLessThan(0.03);
    }
  });

  it('names a figure that is no number', () => {
    expect(() => peakKPa(NaN, 0.1, 2, 20)).toThrow('force: NaN');
  });
});

describe('clamps', () => {
  const gentle: Clip = { id: 'g', name: 'gentle', forceN: 6, owned: 24 };
  const strong: Clip = { id: 's', name: 'strong', forceN: 15, owned: 24 };
  const plan = (clips: Clip[]) => clampPlan(420, 2, 10_700, 0.8, 72, 2, clips);

  it('evenness on a Winkler beam equals the reference at 1, 2 and tends to 1 when close (Hetenyi 1946)', () => {
    expect(evenness(1)).toBeCloseTo(0.98967, 4);
    expect(evenness(2)).toBeCloseTo(0.85245, 4);
    expect(evenness(0.3)).toBeCloseTo(1, 3);
    expect(evenness(3.6)).toBeLessThan(0.4);
  });

  it('fifteen gentle clips hold, six strong ones lift between, fifteen strong ones exceed the limit (law 12)', () => {
    const p = plan([gentle, strong]);
    expect(p.clip?.id).toBe('g');
    expect(p.count).toBe(15);
    expect(p.evenness).toBeGreaterThan(0.85);
    expect(p.meanKPa).toBeGreaterThan(100);
    const s = p.ways.find((w) => w.clip.id === 's')!;
    expect(s.count).toBe(6);
    expect(s.against).toContain('uneven');
    const many = plan([{ ...strong, owned: 15 }]);
    expect(many.clip).toBeNull();
  });

  it('says when there are not enough of them', () => {
    expect(plan([{ ...gentle, owned: 4 }]).clip).toBeNull();
  });
});

describe('tape dwell', () => {
  it('goes through the guidance points: 50 % at 20 min, 90 % at 24 h, all at 72 h, 23 °C (from memory)', () => {
    expect(buildShare(1200)).toBeCloseTo(0.5, 9);
    expect(buildShare(86400)).toBeCloseTo(0.9, 9);
    expect(buildShare(259200)).toBe(1);
    expect(buildShare(600)).toBeCloseTo(0.43517, 4);
    // 1 h at 66 °C reaches the final bond
    expect(buildShare(3600 * rate(66))).toBeCloseTo(0.99973, 4);
  });

  it('is slower in the cold: half after 94 min at 10 °C, 90 % after 3.85 h at 40 °C', () => {
    expect(timeToShareS(0.5, 10).mean / 60).toBeCloseTo(94.0036, 3);
    expect(timeToShareS(0.9, 40).mean / 3600).toBeCloseTo(3.85029, 4);
  });

  it('time and share are inverse (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 0.999, noNaN: true }),
        (f) => Math.abs(buildShare(equivalentTimeS(f)) - f) < 1e-9,
      ),
    );
  });

  it('clocks have a range with the mean inside, and the marks come in order', () => {
    const c = tapeClocks(22);
    for (const r of Object.values(c)) expect(r.low <= r.mean && r.mean <= r.high).toBe(true);
    expect(c.clampOff.mean).toBeLessThan(c.sealTest.mean);
    expect(c.sealTest.mean).toBeLessThan(c.full.mean);
    expect(tapeClocks(15).clampOff.high).toBeGreaterThan(c.clampOff.high);
  });
});

it('earliest collection shrinks as stages are done and never promises less than the cure that is left', () => {
  const cure = tapeClocks(22).handOver;
  const all = earliestCollectionS(stageMinutes, new Set(), null, cure);
  const half = earliestCollectionS(
    stageMinutes,
    new Set(['intake', 'heat', 'lift', 'strip', 'clean', 'dryFit', 'bond']),
    0,
    cure,
  );
  expect(half.high).toBeLessThan(all.high);
  expect(half.high).toBeGreaterThan(cure.high);
  expect(all.low).toBeLessThan(all.mean);
  expect(
    earliestCollectionS(
      stageMinutes,
      new Set(['intake', 'heat', 'lift', 'strip', 'clean', 'dryFit', 'bond', 'check', 'handover']),
      1e6,
      cure,
    ),
  ).toEqual({ low: 0, mean: 0, high: 0 });
});

describe('runs laid one after the other', () => {
  const line = (from: number, to: number): [Pt, Pt] => [
    [from, 0],
    [to, 0],
  ];

  it('many in a row are taken one after the other, each from its near end (worked by hand)', () => {
    const many = Array.from({ length: 12 }, (_, i) => line(10 * i + 1, 10 * i + 6));
    const up = orderRuns(many, [0, 0]);
    expect(up).toMatchObject({ proven: false });
    expect(up.order).toEqual(many.map((_, run) => ({ run, reversed: false })));
    // one to the first, four between each two
    expect(up.travelMm).toBeCloseTo(1 + 11 * 5, 9);
    const down = orderRuns(many, [117, 0]);
    expect(down.order).toEqual(many.map((_, i) => ({ run: 11 - i, reversed: true })));
    expect(down.travelMm).toBeCloseTo(1 + 11 * 5, 9);
  });

  it('few are proven, and turned round where that is shorter', () => {
    const few = orderRuns([line(30, 20), line(10, 1)], [0, 0]);
    expect(few).toMatchObject({
      proven: true,
      order: [
        { run: 1, reversed: true },
        { run: 0, reversed: true },
      ],
    });
    expect(few.travelMm).toBeCloseTo(1 + 10, 9);
  });

  it('what stays open is left out wherever it lies, also where one gap lies in another', () => {
    const ring = shippedDevices.find((d) => d.id === 'ring61')!;
    const path = bondPerimeter(ring, ring.bonds[0]!);
    const l = path.lengthMm;
    const out = runsBetween(path, [
      { fromMm: 50, toMm: 90 },
      { fromMm: 20, toMm: 30 },
      { fromMm: 60, toMm: 70 },
    ]);
    const covered = (s: number) => out.some((a) => path.wrap(s - a.fromMm) < a.toMm - a.fromMm);
    for (let s = 0.5; s < l; s += 1) expect(covered(s)).toBe(!((s > 20 && s < 30) || (s > 50 && s < 90)));
  });
});

it('a cover goes down first where its cable or its camera is, and is pressed outward from there on both sides', () => {
  for (const d of shippedDevices)
    for (const b of d.bonds) {
      const { press, first, edge } = closingOrder(d, b);
      const path = bondPerimeter(d, b);
      const far = (s: number) => Math.min(path.wrap(s - press[0]!), path.wrap(press[0]! - s));
      press.forEach((s, i) => expect(far(s)).toBeCloseTo(Math.ceil(i / 2) * (path.lengthMm / press.length), 6));
      expect(new Set(press.map((s) => s.toFixed(6))).size).toBe(press.length);
      if (first !== 'cableEdge') continue;
      // the middle of that edge, as its box has it
      const { min, max } = boxOf(faceOf(d, b).cover.outline);
      const at = path.point(press[0]!).at;
      const k = edge === 'top' || edge === 'bottom' ? 0 : 1;
      expect(at[k]).toBeCloseTo((min[k] + max[k]) / 2, 1);
      expect(at[1 - k]).toBeCloseTo(
        edge === 'top' || edge === 'left'
          ? min[1 - k]! + b.insetMm + b.widthMm / 2
          : max[1 - k]! - b.insetMm - b.widthMm / 2,
        0,
      );
    }
});
