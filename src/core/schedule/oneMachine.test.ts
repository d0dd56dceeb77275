import { compile } from './compile';
import { Generator } from './generate';
import { randomOf } from '../numeric/random';
import { solve } from './improve';
import type { Bench } from './types';

interface Work {
  p: number;
  d: number;
  w: number;
}

/** Jobs of one task on one pair of hands. */
const oneMachine = (list: readonly Work[]): Bench => ({
  originS: 0,
  nowS: 0,
  calendars: {},
  resources: [{ id: 'hands', kind: 'technician', capacity: 1 }],
  started: [],
  jobs: list.map((j, i) => ({
    id: String(i),
    releaseS: 0,
    dueS: j.d,
    weight: j.w,
    variants: [{ id: 'v', tasks: [{ id: 't', modes: [{ durS: j.p, use: { hands: 1 } }] }], links: [], holds: [] }],
  })),
});

const orders = (n: number): number[][] =>
  n === 0
    ? [[]]
    : orders(n - 1).flatMap((o) => Array.from({ length: n }, (_, i) => [...o.slice(0, i), n - 1, ...o.slice(i)]));
const ends = (list: readonly Work[], order: readonly number[]) => {
  let t = 0;
  return order.map((j) => ({ j, end: (t += list[j]!.p) }));
};
const tardiness = (list: readonly Work[], order: readonly number[]) =>
  ends(list, order).reduce((s, { j, end }) => s + list[j]!.w * Math.max(0, end - list[j]!.d), 0);
const lateCount = (list: readonly Work[], order: readonly number[]) =>
  ends(list, order).filter(({ j, end }) => end > list[j]!.d).length;
const best = (list: readonly Work[]) => {
  const g = new Generator(compile(oneMachine(list)));
  const s = solve(g, { iterations: 300, seed: 1 });
  g.make(s);
  return { late: s.objective[0], count: list.filter((j, i) => g.doneS[i]! > j.d).length };
};

/** Fewest late jobs on one machine (Moore 1968, with Hodgson; published). */
function fewestLate(list: readonly Work[]): number {
  const kept: Work[] = [];
  let t = 0;
  for (const j of [...list].sort((a, b) => a.d - b.d)) {
    kept.push(j);
    t += j.p;
    if (t > j.d) {
      const longest = kept.reduce((m, x, i) => (x.p > kept[m]!.p ? i : m), 0);
      t -= kept.splice(longest, 1)[0]!.p;
    }
  }
  return list.length - kept.length;
}

const random = randomOf(11);
const cases = Array.from({ length: 12 }, () =>
  Array.from({ length: 5 }, () => ({
    p: 1 + Math.floor(random() * 20),
    d: Math.floor(random() * 60),
    w: 1 + Math.floor(random() * 4),
  })),
);

it('total tardiness of a textbook case (Pinedo, example 3.4.5, from memory): 370', () => {
  const p = [121, 79, 147, 83, 130];
  const d = [260, 266, 266, 336, 337];
  const list = p.map((v, i) => ({ p: v, d: d[i]!, w: 1 }));
  expect(best(list).late).toBe(370);
  expect(Math.min(...orders(5).map((o) => tardiness(list, o)))).toBe(370);
});

it('weighted tardiness of small cases is what trying every order gives', () => {
  for (const list of cases) expect(best(list).late).toBe(Math.min(...orders(5).map((o) => tardiness(list, o))));
});

it('everything due at once: shortest weighted first is best (Smith 1956, published)', () => {
  for (const c of cases) {
    const list = c.map((j) => ({ ...j, d: 0 }));
    const byRatio = list.map((_, i) => i).sort((a, b) => list[a]!.p / list[a]!.w - list[b]!.p / list[b]!.w);
    expect(best(list).late).toBe(tardiness(list, byRatio));
  }
});

it('no plan has fewer late jobs than Moore and Hodgson’s (Pinedo, example 3.3.3, from memory: 2), nor than trying every order', () => {
  const textbook = [7, 8, 4, 6, 6].map((p, i) => ({ p, d: [9, 17, 18, 19, 21][i]!, w: 1 }));
  expect(fewestLate(textbook)).toBe(2);
  expect(best(textbook).count).toBeGreaterThanOrEqual(2);
  for (const list of cases) {
    expect(fewestLate(list)).toBe(Math.min(...orders(5).map((o) => lateCount(list, o))));
    expect(best(list).count).toBeGreaterThanOrEqual(fewestLate(list));
  }
});
