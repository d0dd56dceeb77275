import * as fc from 'fast-check';

import { asBelieved, closedCase } from '../../../../test-support/closing';
import { clipCheck } from '../../bond/clampPlan';
import { crumbLimitMm } from '../../clean/crumb';
import { cureClocks, lawEdges, steady } from '../../cure/laws';
import { styles } from '../manner';
import { ClosingBench } from './bench';
import type { ClosingAction, ClosingState } from './case';
import { workClosing, type ClosingCalls } from './hands';
import { closingTruthFigures, drawClosing, type ClosingTruth } from './truth';
import { bondWidths, whatCame } from './whatCame';

const tape = closedCase('tape');
const bead = closedCase('bead');
const dirty = (over: Partial<ClosingTruth> = {}) => new ClosingBench(tape, asBelieved(tape, over), 'dirty');
const bare = (over: Partial<ClosingTruth> = {}) => new ClosingBench(bead, asBelieved(bead, over), 'bare');
const length = tape.path.lengthMm;
const does = (b: ClosingBench, s: ClosingState, ...list: (readonly [ClosingAction, number])[]) =>
  list.reduce((at, [a, dtS]) => b.step(at, a, dtS).state, s);
const kinds = (b: ClosingBench, s: ClosingState) => whatCame(b, s).map((f) => f.what);
const rub = (fromMm: number, toMm: number, wet = false): ClosingAction => ({ kind: 'rub', fromMm, toMm, wet });

describe('truth of a seed', () => {
  const list = Array.from({ length: 4000 }, (_, i) => drawClosing(i + 1, tape));
  const mean = (f: (t: ClosingTruth) => number) => list.reduce((m, t) => m + f(t), 0) / list.length;

  it('the same seed makes the same joint', () => {
    for (const seed of [1, 7, 4711]) expect(drawClosing(seed, tape)).toEqual(drawClosing(seed, tape));
  });

  it('crumbs are Poisson, looks geometric, the edge factor even in its logarithm (textbook means, four standard errors)', () => {
    const crumbs = closingTruthFigures.crumbs.value;
    expect(Math.abs(mean((t) => t.crumbs.length) - crumbs)).toBeLessThan(4 * Math.sqrt(crumbs / 4000));
    // variance of a Poisson number is its mean
    const spread = mean((t) => (t.crumbs.length - crumbs) ** 2);
    expect(Math.abs(spread - crumbs)).toBeLessThan(0.25);
    const looks = list.flatMap((t) => t.crumbs.map((c) => c.looks));
    const p = closingTruthFigures.seenAtOnce.value;
    const meanLooks = looks.reduce((a, b) => a + b, 0) / looks.length;
    expect(Math.abs(meanLooks - 1 / p)).toBeLessThan((4 * Math.sqrt(1 - p)) / p / Math.sqrt(looks.length));
    expect(Math.abs(mean((t) => (t.edge < Math.sqrt(lawEdges.low * lawEdges.high) ? 1 : 0)) - 0.5)).toBeLessThan(0.032);
    expect(mean((t) => (t.need > 0 ? 1 : 0))).toBeCloseTo(closingTruthFigures.pulls.value, 1);
  });
});

describe('cleaning', () => {
  it('what a tool goes over adds up to the way it went, wherever that begins', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 400, noNaN: true }), fc.double({ min: 5, max: 90, noNaN: true }), (a, d) => {
        const b = dirty();
        const sum = b.passes(a, a + d, 12).reduce((m, p) => m + p.passes * b.cellMm, 0);
        return Math.abs(sum - d) < 0.6;
      }),
    );
  });

  it('three rubs take glue that asks for three, a film under it goes after that, and nothing grows back', () => {
    const b = dirty();
    const around = rub(0, length);
    let s = b.start();
    for (let n = 1; n <= 3; n++) {
      s = does(b, s, [around, 5]);
      expect(s.glue[40]).toBeCloseTo(Math.max(0, 1 - n / 3), 6);
    }
    expect(s.film[40]).toBe(1);
    s = does(b, s, [around, 5]);
    expect(s.film[40]).toBeLessThan(1);
    expect(kinds(b, does(b, s, [{ kind: 'close' }, 0]))).toEqual(['film']);
  });

  it('a way that is rubbed in halves comes to the same', () => {
    const b = dirty();
    const whole = does(b, b.start(), [rub(0, 60), 2]);
    const halves = does(b, b.start(), [rub(0, 30), 1], [rub(30, 60), 1]);
    whole.glue.forEach((g, i) => expect(halves.glue[i]).toBeCloseTo(g, 9));
  });

  it('alcohol beside a camera leaves a haze, elsewhere it takes the film; closed while it is wet the tape does not hold', () => {
    const b = dirty();
    const dry = b.about.zones.find((z) => z.dry)!.stretch!;
    const mid = (dry.fromMm + dry.toMm) / 2;
    const hazed = does(b, b.start(), [rub(mid, mid + 1, true), 1], [{ kind: 'close' }, 0]);
    expect(kinds(b, hazed)).toContain('haze');
    const wet = does(b, { ...b.start(), glue: b.start().glue.map(() => 0) }, [rub(0, 20, true), 1]);
    expect(wet.hazeAtMm).toBeNull();
    expect(kinds(b, does(b, wet, [{ kind: 'close' }, 0]))).toContain('wet');
    expect(kinds(b, does(b, wet, [{ kind: 'wait' }, 3600], [{ kind: 'close' }, 0]))).not.toContain('wet');
  });

  it('a crumb cracks the glass where the law of crumbs says so, and only while it is there', () => {
    const limit = crumbLimitMm(tape.crumb);
    const clean = (b: ClosingBench): ClosingState => ({
      ...b.start(),
      glue: b.start().glue.map(() => 0),
      film: b.start().film.map(() => 0),
    });
    for (const [mm, cracks] of [
      [limit * 1.05, true],
      [limit * 0.95, false],
    ] as const) {
      const b = dirty({ crumbs: [{ sMm: 100, mm, looks: 2 }] });
      expect(kinds(b, does(b, clean(b), [{ kind: 'close' }, 0]))).toEqual(cracks ? ['crumb'] : []);
      const out = does(b, clean(b), [{ kind: 'pick', sMm: 98 }, 2], [{ kind: 'close' }, 0]);
      expect(kinds(b, out)).toEqual([]);
    }
    const b = dirty({ crumbs: [{ sMm: 100, mm: 1, looks: 2 }] });
    const look: ClosingAction = { kind: 'look', fromMm: 80, toMm: 120 };
    const once = b.step(clean(b), look, 2);
    expect(once.happened).toEqual([]);
    expect(b.step(once.state, look, 2).happened).toMatchObject([{ what: 'crumbSeen', sMm: 100 }]);
    // under old glue nobody sees it
    expect(does(b, b.start(), [look, 2], [look, 2]).looks).toEqual([0]);
  });
});

describe('a bead', () => {
  const once = (b: ClosingBench, speed: number) => {
    const n = 24;
    const mm = length / n;
    return does(
      b,
      b.start(),
      ...Array.from(
        { length: n },
        (_, k) => [{ kind: 'lay', fromMm: k * mm, toMm: (k + 1) * mm }, mm / speed] as const,
      ),
    );
  };

  it('what comes out of the nozzle lies on the ring, and at the planned speed it closes to the planned width', () => {
    const b = bare();
    const s = once(b, bead.bead.feedMmS);
    const mm3 = s.laidMm2.reduce((m, v) => m + v * b.cellMm, 0);
    expect(mm3).toBeCloseTo(bead.bead.sectionMm2 * length, 6);
    const widths = bondWidths(b, s);
    expect(widths.reduce((a, w) => a + w, 0) / b.n).toBeCloseTo(1.4, 6);
  });

  it('faster is thinner, too fast opens; too long it skins, too soon it keeps its solvent', () => {
    const b = bare();
    const { waitS, skinS } = bead.bead.open;
    const closed = (s: ClosingState, waits: number) =>
      kinds(b, does(b, s, [{ kind: 'wait' }, waits], [{ kind: 'close' }, 0]));
    const good = once(b, bead.bead.feedMmS);
    expect(closed(good, waitS)).toEqual([]);
    expect(closed(good, 0)).toEqual(['early']);
    expect(closed(good, skinS)).toEqual(['skin']);
    expect(closed(once(b, bead.bead.feedMmS * 2.5), waitS)).toEqual(['thin']);
  });

  it('where an opening is near, a bead that is too wide runs into it', () => {
    const near = { ...bead, openMm: bead.openMm.map((_, i) => (i === 30 ? 0.9 : Infinity)) };
    const b = new ClosingBench(near, asBelieved(near), 'bare');
    const kindsAt = (speed: number) =>
      kinds(b, does(b, once(b, speed), [{ kind: 'wait' }, 60], [{ kind: 'close' }, 0]));
    expect(kindsAt(bead.bead.feedMmS)).not.toContain('opening');
    expect(kindsAt(bead.bead.feedMmS * 0.6)).toContain('opening');
  });
});

describe('held and let go', () => {
  const held = (over: Partial<ClosingTruth>) => new ClosingBench(bead, asBelieved(bead, over), 'closed');
  const clamp: ClosingAction = { kind: 'clamp', count: 2, forceN: 9.8, even: true };

  it('one that pulls holds from the instant at which the clocks say so for its edges, not before (cureClocks)', () => {
    for (const [edge, end] of [
      [1, 'low'],
      [4, 'high'],
    ] as const) {
      const b = held({ need: 1, edge });
      const dueS = cureClocks('solvent', 1.4, steady(23)).clampOff[end];
      const off = (afterS: number) =>
        does(b, b.start(), [clamp, 0], [{ kind: 'wait' }, afterS], [{ kind: 'unclamp' }, 0]);
      expect(off(dueS * 1.001).slippedAtS).toBeNull();
      expect(off(dueS * 0.999).slippedAtS).not.toBeNull();
    }
  });

  it('nothing pulls: it stays, however soon; handed over too soon one that pulls comes back', () => {
    const flat = held({ need: 0 });
    const s = does(flat, flat.start(), [clamp, 0], [{ kind: 'unclamp' }, 0], [{ kind: 'handOver' }, 0]);
    expect(kinds(flat, s)).toEqual([]);
    const b = held({ need: 1, edge: 1 });
    const clocks = cureClocks('solvent', 1.4, steady(23));
    const after = (hoursS: number) =>
      kinds(
        b,
        does(
          b,
          b.start(),
          [clamp, 0],
          [{ kind: 'wait' }, clocks.clampOff.low * 1.01],
          [{ kind: 'unclamp' }, 0],
          [{ kind: 'wait' }, hoursS],
          [{ kind: 'handOver' }, 0],
        ),
      );
    expect(after(60)).toEqual(['soft']);
    expect(after(clocks.handOver.low)).toEqual([]);
  });

  it('clips that press unevenly are a fault by the same figures that the plan of clips goes by; nothing at all is one too', () => {
    const b = held({});
    const few = does(b, b.start(), [{ kind: 'clamp', count: 4, forceN: 6, even: false }, 0]);
    const { against, figures } = clipCheck(bead.hold, 6, 4);
    expect(against).toContain('uneven');
    expect(whatCame(b, few)).toMatchObject([{ what: 'clips', against: against[0], ...figures[against[0]!] }]);
    expect(kinds(b, does(b, b.start(), [{ kind: 'handOver' }, 0]))).toEqual(['notHeld']);
  });
});

it('odd hands are refused by name, and time goes by all the same', () => {
  const b = bare();
  const s = b.start();
  const why = (at: ClosingState, a: ClosingAction) => {
    const { state, happened } = b.step(at, a, 3);
    expect(state.tS).toBe(at.tS + 3);
    return happened[0]!.what === 'no' ? happened[0]!.why : happened[0]!.what;
  };
  expect(why(s, { kind: 'close' })).toBe('nothingLaid');
  expect(why(s, { kind: 'clamp', count: 4, forceN: 6, even: false })).toBe('open');
  expect(why(s, { kind: 'handOver' })).toBe('open');
  expect(why(s, { kind: 'unclamp' })).toBe('notHeld');
  const shut = does(b, s, [{ kind: 'lay', fromMm: 0, toMm: 5 }, 1], [{ kind: 'close' }, 0]);
  expect(why(shut, rub(0, 5))).toBe('shut');
  expect(why(shut, { kind: 'close' })).toBe('shut');
  const on = does(b, shut, [{ kind: 'clamp', count: 4, forceN: 6, even: false }, 0]);
  expect(why(on, { kind: 'clamp', count: 4, forceN: 6, even: false })).toBe('held');
  expect(why(on, { kind: 'handOver' })).toBe('held');
  const gone = does(b, shut, [{ kind: 'handOver' }, 0]);
  expect(why(gone, { kind: 'unclamp' })).toBe('handed');
});

it('whoever follows what is said has few come back; reckless hands have nearly all', () => {
  const calls: ClosingCalls = {
    ...{ clip: { count: 2, forceN: 9.8, even: true }, edgeLate: 4 },
    clampOffS: cureClocks('solvent', 1.4, steady(23)).clampOff.high,
    handOverS: cureClocks('solvent', 1.4, steady(23)).handOver.high,
  };
  const seeds = 40;
  for (const [about, from] of [
    [tape, 'dirty'],
    [bead, 'bare'],
    [bead, 'closed'],
  ] as const) {
    const back = Object.fromEntries(
      styles.map((style) => {
        let n = 0;
        for (let seed = 1; seed <= seeds; seed++) {
          const bench = new ClosingBench(about, drawClosing(seed, about), from);
          const { state } = workClosing({ bench, style, seed, calls });
          expect(workClosing({ bench, style, seed, calls }).state).toEqual(state);
          if (whatCame(bench, state).length) n++;
        }
        return [style, n];
      }),
    );
    expect(back.guided).toBeLessThanOrEqual(2);
    expect(back.reckless).toBeGreaterThan(seeds / 2);
  }
});

it('a nozzle that stands still lays all of it where it stands: what comes out of it lies there', () => {
  const b = bare();
  const { sectionMm2, feedMmS } = bead.bead;
  const laid = (s: ClosingState) =>
    s.laidMm2.map((mm2, i) => [i, mm2 * b.cellMm] as const).filter(([, mm3]) => mm3 > 0);
  const still = laid(does(b, b.start(), [{ kind: 'lay', fromMm: 30, toMm: 30 }, 2]));
  expect(still).toHaveLength(1);
  // volume in is volume laid
  expect(still[0]![1]).toBeCloseTo(sectionMm2 * feedMmS * 2, 9);
  const along = laid(does(b, b.start(), [{ kind: 'lay', fromMm: 30, toMm: 50 }, 2]));
  expect(along.length).toBeGreaterThan(5);
  expect(along.reduce((m, [, mm3]) => m + mm3, 0)).toBeCloseTo(sectionMm2 * feedMmS * 2, 9);
});
