import fc from 'fast-check';
import highsLoader from 'highs';

import { exactBins, firstFitDecreasing, materialBound, planCuts } from './cutStock';

const sum = (l: readonly number[]) => l.reduce((a, b) => a + b, 0);

describe('packing equal lengths', () => {
  it('{4,4,3,3,3,3} into 10: first fit decreasing takes 3, the optimum is 2 (by hand)', () => {
    expect(firstFitDecreasing([4, 4, 3, 3, 3, 3], 10)).toHaveLength(3);
    expect(exactBins([4, 4, 3, 3, 3, 3], 10)).toMatchObject({ bins: { length: 2 }, proven: true });
  });

  // widely printed textbook example of cutting paper rolls, recalled; the integer programme over patterns proves it here
  it('paper rolls: first fit decreasing 82, material bound 73, integer programme 73 (HiGHS)', async () => {
    const [stock, widths] = [
      5600,
      [1380, 1520, 1560, 1710, 1820, 1880, 1930, 2000, 2050, 2100, 2140, 2150, 2200] as const,
    ];
    const count = [22, 25, 12, 14, 18, 18, 20, 10, 12, 14, 16, 18, 20];
    const items = widths.flatMap((w, i) => Array<number>(count[i]!).fill(w));
    expect(firstFitDecreasing(items, stock)).toHaveLength(82);
    expect(materialBound(items, stock)).toBe(73);
    const patterns: number[][] = [];
    const walk = (i: number, left: number, own: number[]) => {
      if (i === widths.length) return void patterns.push([...own]);
      for (let n = 0; n * widths[i]! <= left; n++) walk(i + 1, left - n * widths[i]!, [...own, n]);
    };
    walk(0, stock, []);
    const used = patterns.filter((p) => sum(p) > 0);
    const rows = widths.map(
      (_, i) => ` c${i}: ${used.flatMap((p, k) => (p[i] ? [`${p[i]} x${k}`] : [])).join(' + ')} >= ${count[i]}`,
    );
    const lp = `Minimize\n obj: ${used.map((_, k) => `x${k}`).join(' + ')}\nSubject To\n${rows.join('\n')}\nGeneral\n ${used.map((_, k) => `x${k}`).join(' ')}\nEnd`;
    const highs = await highsLoader();
    expect(highs.solve(lp).ObjectiveValue).toBeCloseTo(73, 6);
  });

  it('exact equals brute force on small cases (property)', () => {
    const brute = (items: number[], cap: number): number => {
      let best = items.length;
      const bins: number[] = [];
      const go = (i: number) => {
        if (bins.length >= best) return;
        if (i === items.length) return void (best = bins.length);
        for (let b = 0; b < bins.length; b++)
          if (bins[b]! + items[i]! <= cap) {
            bins[b]! += items[i]!;
            go(i + 1);
            bins[b]! -= items[i]!;
          }
        bins.push(items[i]!);
        go(i + 1);
        bins.pop();
      };
      go(0);
      return best;
    };
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 20 }), { minLength: 1, maxLength: 8 }), (items) => {
        const { bins, proven } = exactBins(items, 20);
        return (
          proven &&
          bins.length === brute(items, 20) &&
          bins.every((b) => sum(b) <= 20) &&
          sum(bins.flat()) === sum(items)
        );
      }),
      { numRuns: 80 },
    );
  });

  it('names a piece that is longer than what it is cut from', () => {
    expect(() => firstFitDecreasing([12], 10)).toThrow(/piece: 12 does not work; it takes up to 10 mm/);
  });
});

describe('offcuts first', () => {
  it('60, 60, 30 from offcuts of 62 and 95: nothing from the roll, both opened', () => {
    const p = planCuts(
      [60, 60, 30],
      [
        { id: 'a', lengthMm: 62 },
        { id: 'b', lengthMm: 95 },
      ],
      [{ id: 'r', lengthMm: 1000 }],
      0.5,
    );
    expect(p).toMatchObject({ rollMm: 0, offcutsOpened: 2, proven: true, lacking: [] });
  });

  it('roll length and offcuts opened equal brute force (property)', () => {
    const brute = (pieces: number[], offcuts: number[], kerf: number) => {
      let best: [number, number] = [Infinity, 0];
      const room = offcuts.map((o) => o + kerf);
      const used = offcuts.map(() => 0);
      const go = (i: number, roll: number) => {
        if (i === pieces.length) {
          const n = used.filter((u) => u > 0).length;
          if (roll < best[0] - 1e-9 || (Math.abs(roll - best[0]) < 1e-9 && n < best[1])) best = [roll, n];
          return;
        }
        const need = pieces[i]! + kerf;
        for (let j = 0; j < room.length; j++)
          if (room[j]! >= need - 1e-9) {
            room[j]! -= need;
            used[j]!++;
            go(i + 1, roll);
            used[j]!--;
            room[j]! += need;
          }
        go(i + 1, roll + need);
      };
      go(0, 0);
      return best;
    };
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 4, max: 60 }), { minLength: 1, maxLength: 6 }),
        fc.array(fc.integer({ min: 10, max: 90 }), { maxLength: 3 }),
        (pieces, offcuts) => {
          const p = planCuts(
            pieces,
            offcuts.map((lengthMm, i) => ({ id: `o${i}`, lengthMm })),
            [{ id: 'r', lengthMm: 1e5 }],
            0.5,
          );
          const [roll, opened] = brute(pieces, offcuts, 0.5);
          const all = p.cuts.flatMap((c) => c.pieces).sort((a, b) => a - b);
          return (
            Math.abs(p.rollMm - roll) < 1e-6 &&
            p.offcutsOpened === opened &&
            all.length === pieces.length &&
            all.every((x, i) => x === i)
          );
        },
      ),
      { numRuns: 150 },
    );
  });

  it('takes the shortest roll that holds all, several when none does, and says what finds no place', () => {
    const rolls = [
      { id: 'long', lengthMm: 900 },
      { id: 'end', lengthMm: 210 },
    ];
    expect(planCuts([100, 100], [], rolls, 0.5).cuts).toMatchObject([{ from: 'roll', id: 'end' }]);
    expect(planCuts([400, 400, 190], [], rolls, 0.5)).toMatchObject({ lacking: [], cuts: { length: 2 } });
    const short = planCuts([400, 400, 400], [], rolls, 0.5);
    expect(short.lacking).toHaveLength(1);
    expect(short.shortMm).toBeCloseTo(400.5, 9);
  });

  it('twenty pieces of seven lengths and eight offcuts are searched to the end', () => {
    const pieces = [...Array<number>(12).fill(4.4), 52, 52, 129, 129, 26, 20, 60, 61];
    const offcuts = Array.from({ length: 8 }, (_, i) => ({ id: `o${i}`, lengthMm: 20 + 9 * i }));
    const p = planCuts(pieces, offcuts, [{ id: 'r', lengthMm: 1e4 }], 0.5);
    expect(p.proven).toBe(true);
    expect(p.cuts.flatMap((c) => c.pieces)).toHaveLength(20);
  });

  it('what cannot be searched to the end is laid all the same, and said to be not proven', () => {
    const pieces = Array.from({ length: 24 }, (_, i) => 11 + i * 1.37);
    const offcuts = Array.from({ length: 20 }, (_, i) => ({ id: `o${i}`, lengthMm: 40 + i * 3.1 }));
    const p = planCuts(pieces, offcuts, [{ id: 'r', lengthMm: 1e4 }], 0.5);
    expect(p.proven).toBe(false);
    expect(p.cuts.flatMap((c) => c.pieces).sort((a, b) => a - b)).toEqual(pieces.map((_, i) => i));
    for (const c of p.cuts) expect(c.leftMm).toBeGreaterThanOrEqual(-1e-9);
  });

  it('names what is impossible', () => {
    expect(() => planCuts([0], [], [], 0.5)).toThrow(/piece 1: 0 does not work/);
    expect(() => planCuts([10], [{ id: 'a', lengthMm: -1 }], [], 0.5)).toThrow(/length of a/);
  });
});
