import fc from 'fast-check';

import { shippedDevices } from '../../model/shippedDevices';
import { bondPerimeter } from '../device/perimeter';
import type { Outline, Pt } from '../device/types';
import { steady } from '../cure/laws';
import { beadPlan, type Liquid } from './bead';
import { closingOrder } from './closing';
import { dotsPattern, fillDots, fillStrokes, touchingAt } from './fill';
import { distances, nearOpenings, openings, startFarFrom } from './keepClear';
import { openAgain } from './openAgain';
import { closingWindow, openTime } from './openTime';
import { laidParts, paceAt, paceOf } from './pace';
import { orderRuns, runsBetween, type Run } from './runs';
import { binghamForceNmm, squeeze, squeezeNewtonS, stopGapMm } from './squeeze';

const glue: Liquid = {
  id: 'clear',
  name: 'clear',
  cure: 'solvent',
  solids: 0.35,
  viscosityPaS: 20,
  yieldPa: 100,
  nozzleDiaMm: 0.8,
  nozzleLengthMm: 12,
  barrelDiaMm: 12,
  tubeMl: 15,
};
const input = {
  bondMm: 2,
  gapMm: 0.2,
  lengthMm: 420,
  liquid: glue,
  feedMmS: 5,
  seatMm: 2,
  outerMm: 1.2,
  innerMm: 1.5,
  leftMl: 15,
};

describe('bead', () => {
  it('equals the worked example: 2 × 0.2 mm, 420 mm, 5 mm/s', () => {
    const b = beadPlan(input);
    const want = {
      sectionMm2: 0.444444,
      heightMm: 0.531923,
      layWidthMm: 1.06385,
      ml: 0.186667,
      layS: 84,
      pressureMPa: 0.0530516,
      plungerN: 6,
      bondMinMm: 1.6,
      bondMaxMm: 2.4,
      dryFill: 0.388889,
      jobsPerTube: 30,
      cameraClearMm: 1.7,
      strandDiaMm: 0.752253,
      outMm: 0,
      inMm: 0,
    };
    for (const [k, v] of Object.entries(want)) expect(b[k as keyof typeof b] as number).toBeCloseTo(v, 4);
  });

  it('what is laid fills the closed gap: section × (1 − loss) = width × gap, half round as laid (volume, property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.9, max: 3, noNaN: true }),
        fc.double({ min: 0.05, max: 0.6, noNaN: true }),
        (bondMm, gapMm) => {
          const b = beadPlan({ ...input, bondMm, gapMm });
          return (
            Math.abs(b.sectionMm2 * 0.9 - bondMm * gapMm) < 1e-9 &&
            Math.abs((Math.PI * b.heightMm ** 2) / 2 - b.sectionMm2) < 1e-9
          );
        },
      ),
    );
  });

  it('a glue that keeps its volume fills gaps, one that dries does not (law 11)', () => {
    expect(beadPlan(input).fillsGaps).toBe(false);
    expect(beadPlan({ ...input, liquid: { ...glue, cure: 'moisture', solids: 0.97 } }).fillsGaps).toBe(true);
  });

  it('hand speed follows from the thumb when it is not set: never more than it presses, never faster than a hand', () => {
    const stiff = beadPlan({ ...input, liquid: { ...glue, viscosityPaS: 400 }, feedMmS: undefined as never });
    expect(stiff.plungerN).toBeCloseTo(30, 6);
    expect(stiff.feedMmS).toBeLessThan(2);
  });

  it('names no bond width and a nozzle wider than the ring', () => {
    expect(() => beadPlan({ ...input, bondMm: 0 })).toThrow(/bond width: 0 does not work; it takes 0.3 to 30 mm/);
    expect(() => beadPlan({ ...input, liquid: { ...glue, nozzleDiaMm: 3 } })).toThrow(
      /nozzle: 3 mm does not work; it takes up to 2 mm, the width of the ring/,
    );
  });
});

describe('open time', () => {
  it('60 s and 180 s for 0.5 mm at 23 °C; longer when cold and high; sealant need not wait', () => {
    expect(openTime(23, 0.5)).toEqual({ waitS: 60, skinS: 180 });
    expect(openTime(10, 0.5).waitS).toBeGreaterThan(100);
    expect(openTime(23, 1).skinS).toBe(360);
    expect(openTime(23, 0.5, 'moisture')).toEqual({ waitS: 0, skinS: 600 });
    expect(openTime(12, 0.5, 'moisture').skinS).toBeGreaterThan(1000);
  });

  it('refuses a frozen tube by name', () => {
    expect(() => openTime(-5, 0.5)).toThrow(/temperature of the tube: -5 does not work; it takes 5 to 40 °C/);
  });

  it('the oldest glue sets the end, the youngest the start; laid too slowly it is shut', () => {
    const o = { waitS: 60, skinS: 180 };
    expect(closingWindow(0, 84_000, o)).toEqual({ fromAt: 144_000, untilAt: 180_000, shut: false });
    expect(closingWindow(0, 154_000, o).shut).toBe(true);
  });

  it('a closed joint opens easily for minutes, with a little warmth until the clamps may come off', () => {
    const tape = openAgain('tape', 2, steady(23));
    expect(tape.heatS).toBeCloseTo(1200, 3);
    expect(tape.easyS).toBeLessThan(tape.heatS);
    const bead = openAgain('solvent', 2, steady(23));
    expect(bead.heatS / 60).toBeCloseTo(19.63, 1);
    expect(openAgain('solvent', 2, steady(10)).easyS).toBeGreaterThan(bead.easyS);
  });
});

describe('squeezing out', () => {
  it('closed form equals the integral of its own speed law (Stefan and Reynolds, slot form)', () => {
    const [a, mu, f, h0, hf] = [0.44, 20, 0.04, 0.5, 0.2];
    // dh/dt = -f h^6/(mu A^3), by Simpson over h
    const n = 2000;
    let t = 0;
    const g = (h: number) => (mu * 1e-6 * a ** 3) / (f * h ** 6);
    for (let i = 0; i < n; i++) {
      const [p, q] = [hf + ((h0 - hf) * i) / n, hf + ((h0 - hf) * (i + 1)) / n];
      t += ((q - p) / 6) * (g(p) + 4 * g((p + q) / 2) + g(q));
    }
    expect(squeezeNewtonS(a, mu, f, h0, hf)).toBeCloseTo(t, 8);
    expect(t).toBeCloseTo(0.0263474, 6);
  });

  it('with a yield stress: the worked value, Newton’s limit, and where it stops by itself', () => {
    const s = squeeze(0.44, 20, 100, 0.04, 0.5, 0.2);
    expect(s.timeS).toBeCloseTo(0.02712730251, 7);
    expect(s.stopMm).toBeCloseTo(0.06231679684, 9);
    expect(squeeze(0.44, 20, 1e-3, 0.04, 0.5, 0.2).timeS).toBeCloseTo(squeezeNewtonS(0.44, 20, 0.04, 0.5, 0.2), 4);
    expect(squeeze(0.44, 20, 5000, 0.04, 0.5, 0.2)).toMatchObject({ timeS: null });
  });

  it('force tends to the plastic limit τ b²/(2h) when it closes ever more slowly (analytic)', () => {
    const [h, a, tau] = [0.2, 0.4, 2e-2];
    expect(binghamForceNmm(1e-9, h, a, 2e-5, tau)).toBeCloseTo((tau * (a / h) ** 2) / (2 * h), 3);
    expect(stopGapMm(a, tau * 1e6, (tau * (a / h) ** 2) / (2 * h))).toBeCloseTo(h, 9);
  });
});

describe('runs', () => {
  const four: Run[] = [
    [
      [0, 0],
      [10, 0],
    ],
    [
      [12, 5],
      [12, 30],
    ],
    [
      [0, 33],
      [10, 33],
    ],
    [
      [-2, 30],
      [-2, 4],
    ],
  ];
  it('way through the air equals the worked example', () => {
    expect(orderRuns(four).travelMm).toBeCloseTo(12.596267, 6);
  });

  it('equals brute force over order and direction (property)', () => {
    const point = fc.tuple(fc.integer({ min: 0, max: 50 }), fc.integer({ min: 0, max: 50 }));
    fc.assert(
      fc.property(fc.array(fc.tuple(point, point), { minLength: 1, maxLength: 4 }), (runs) => {
        const way = (p: Pt, q: Pt) => Math.hypot(p[0] - q[0], p[1] - q[1]);
        let best = Infinity;
        const go = (left: number[], at: Pt, sum: number) => {
          if (!left.length) best = Math.min(best, sum);
          for (const i of left)
            for (const r of [0, 1])
              go(
                left.filter((x) => x !== i),
                runs[i]![1 - r]! as Pt,
                sum + way(at, runs[i]![r]! as Pt),
              );
        };
        go([...runs.keys()], [0, 0], 0);
        const got = orderRuns(runs as Run[]);
        return Math.abs(got.travelMm - best) < 1e-9 && new Set(got.order.map((o) => o.run)).size === runs.length;
      }),
      { numRuns: 60 },
    );
  });

  it('more than ten: every run is laid, and it is said that the order is not proven', () => {
    const many = Array.from({ length: 14 }, (_, i): Run => [
      [i * 3, 0],
      [i * 3, 20],
    ]);
    expect(orderRuns(many)).toMatchObject({ proven: false, order: { length: 14 } });
  });

  it('a ring without openings is one run; with two it is two that leave them out, over the start as well', () => {
    const d = shippedDevices[0]!;
    const path = bondPerimeter(d, d.bonds[0]!);
    expect(runsBetween(path, [], 40)).toEqual([{ fromMm: 40, toMm: 40 + path.lengthMm }]);
    const open = [
      { fromMm: -3, toMm: 3 },
      { fromMm: 100, toMm: 110 },
    ];
    const runs = runsBetween(path, open, 40);
    expect(runs).toHaveLength(2);
    expect(runs.reduce((m, r) => m + r.toMm - r.fromMm, 0)).toBeCloseTo(path.lengthMm - 16, 6);
    for (const r of runs) {
      const mid = path.wrap((r.fromMm + r.toMm) / 2);
      expect(open.some((o) => mid > path.wrap(o.fromMm) && mid < o.toMm)).toBe(false);
    }
  });
});

describe('full area', () => {
  it('dots equal the worked example; discs touch at π/4 and π/(2√3)', () => {
    const dots = dotsPattern(60, 120, 0.1, 0.75, 8);
    expect(dots).toMatchObject({ touching: false, count: 105 });
    expect(dots.ulPerDot).toBeCloseTo(4.8, 9);
    expect(dots.discRadiusMm).toBeCloseTo(3.90882, 5);
    expect(dots.ml).toBeCloseTo(0.504, 9);
    expect(dots.layRadiusMm).toBeCloseTo(1.31844, 5);
    expect(touchingAt(true)).toBeCloseTo(0.9069, 4);
  });

  const cover: Outline = { kind: 'roundRect', min: [0, 0], max: [70, 140], rMm: 6 };
  it('with nothing in the way it is one stroke of as many lines as fit', () => {
    const f = fillStrokes(cover, [], 3, 2, 8, 6);
    expect(f.strokes).toHaveLength(1);
    expect(f.lines).toBe(8);
    expect(f.strokes[0]).toHaveLength(16);
  });

  it('its length is that of its strokes, its share their strips over the box, and a cover of nothing has none', () => {
    const f = fillStrokes(cover, [{ kind: 'disc', c: [30, 60], rMm: 9 }], 3, 2, 8, 6);
    const steps = f.strokes.flatMap((s) => s.slice(1).map((p, i) => Math.hypot(p[0] - s[i]![0], p[1] - s[i]![1])));
    const length = steps.reduce((a, b) => a + b, 0);
    expect(f.layMm).toBeCloseTo(length, 6);
    expect(f.coveredShare).toBeCloseTo((length * 6) / (64 * 134), 6);
    const none = fillStrokes({ kind: 'roundRect', min: [0, 0], max: [5, 5], rMm: 0 }, [], 3, 2, 8, 6);
    expect(none).toMatchObject({ strokes: [], layMm: 0 });
  });

  it('dots lie a pitch apart, inside and clear of a hole; their count is near area over cell', () => {
    const at = fillDots(cover, [{ kind: 'disc', c: [35, 70], rMm: 8 }], 4, 2, 6);
    for (const [i, p] of at.entries()) {
      expect(Math.hypot(p[0] - 35, p[1] - 70)).toBeGreaterThanOrEqual(10);
      expect(p[0] >= 4 && p[0] <= 66 && p[1] >= 4 && p[1] <= 136).toBe(true);
      for (const q of at.slice(i + 1)) expect(Math.hypot(p[0] - q[0], p[1] - q[1])).toBeGreaterThan(6 - 1e-6);
    }
    const cells = (62 * 132 - Math.PI * 100) / (36 * (Math.sqrt(3) / 2));
    expect(at.length / cells).toBeGreaterThan(0.85);
    expect(at.length / cells).toBeLessThan(1.05);
  });

  it('keeps clear of every hole and of the edge (property)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 15, max: 55 }),
        fc.integer({ min: 15, max: 125 }),
        fc.integer({ min: 3, max: 10 }),
        (x, y, r) => {
          const f = fillStrokes(cover, [{ kind: 'disc', c: [x, y], rMm: r }], 3, 1.5, 8, 6);
          return f.strokes.every((s) =>
            s.every((p, i) => {
              if (p[0] < 3 || p[0] > 67 || p[1] < 3 || p[1] > 137) return false;
              if (!i) return true;
              const q = s[i - 1]!;
              return Array.from({ length: 41 }, (_, k) => k / 40).every(
                (t) => Math.hypot(q[0] + (p[0] - q[0]) * t - x, q[1] + (p[1] - q[1]) * t - y) > r + 1.5 - 0.25,
              );
            }),
          );
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('pace and places', () => {
  it('is as long as the strokes at hand speed and the moves between; ends at the end', () => {
    const strokes: Pt[][] = [
      [
        [0, 0],
        [50, 0],
      ],
      [
        [50, 10],
        [0, 10],
      ],
    ];
    const p = paceOf(strokes, 5);
    expect(p.totalS).toBeCloseTo(20 + 1 + 10 / 40, 9);
    expect(paceAt(p, 4)).toMatchObject({ at: [20, 0], laying: true, stroke: 1, laidMm: 20, done: false });
    expect(paceAt(p, 10.5)).toMatchObject({ laying: false, laidMm: 50 });
    expect(paceAt(p, 99)).toMatchObject({ at: [0, 10], laidMm: 100, done: true });
    expect(paceAt(paceOf([], 5), 1)).toBeNull();
    expect(laidParts(strokes, 70)).toEqual([
      strokes[0],
      [
        [50, 10],
        [30, 10],
      ],
    ]);
    expect(laidParts(strokes, 0).flat()).toEqual([]);
  });

  it('a bead starts far from every camera and microphone, and names the nearest', () => {
    let seen = 0;
    for (const d of shippedDevices.filter((x) => x.faces[0]!.construction === 'ringGlass')) {
      const bond = d.bonds[0]!;
      const list = openings(d, bond);
      if (!list.length) continue;
      seen++;
      const path = bondPerimeter(d, bond);
      const near = (s: number) => distances([path.point(s).at], list)[0]!.mm;
      const best = near(startFarFrom(d, bond));
      for (let s = 0; s < path.lengthMm; s += 10)
        if (!path.point(s).corner) expect(near(s)).toBeLessThanOrEqual(best + 1);
    }
    expect(seen).toBeGreaterThan(0);
  });

  it('a stretch beside a microphone stays open', () => {
    const d = shippedDevices[0]!;
    const bond = d.bonds[0]!;
    const path = bondPerimeter(d, bond);
    const at = path.point(60).at;
    const arcs = nearOpenings(d, bond, 2, [{ id: 'm', kind: 'mic', shape: { kind: 'disc', c: at, rMm: 1 } }]);
    expect(arcs).toHaveLength(1);
    expect(arcs[0]!.fromMm).toBeLessThan(58);
    expect(arcs[0]!.toMm).toBeGreaterThan(62);
  });

  it('closes from the cable’s edge, and presses outward from there both ways', () => {
    const d = shippedDevices[0]!;
    const c = closingOrder(d, d.bonds[0]!);
    expect(c).toMatchObject({ first: 'cableEdge', edge: 'right', then: 'left' });
    const path = bondPerimeter(d, d.bonds[0]!);
    const away = c.press.map((s) => Math.min(path.wrap(s - c.press[0]!), path.wrap(c.press[0]! - s)));
    for (let i = 2; i < away.length; i++) expect(away[i]!).toBeGreaterThanOrEqual(away[i - 2]! - 1e-6);
  });
});
