// An invented shop with many jobs: two people with breaks, three heaters, clamps, a shelf, a tester; a day and its nights.
import { randomOf } from '../src/core/numeric/random';
import type { Bench, Hold, Link, Mode, Task, Variant } from '../src/core/schedule/types';

const hour = 3600;
const day = 24 * hour;

export function benchShop(jobs: number, seed: number): Bench {
  const random = randomOf(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  /** between so many minutes, in steps of a minute or more, s */
  const between = (lowMin: number, highMin: number, stepS = 60) =>
    Math.round(((lowMin + random() * (highMin - lowMin)) * 60) / stepS) * stepS;
  const days = [0, 1, 2, 3, 4, 5];
  const shift = (breakH: number) =>
    days.flatMap((d): [number, number][] => [
      [d * day + 9 * hour, d * day + breakH * hour],
      [d * day + (breakH + 0.5) * hour, d * day + 18 * hour],
    ]);
  const speed = { A: 1, B: 1.15 };
  const hands = (low: number, high: number, more: Record<string, number> = {}): Mode[] => {
    const d = between(low, high);
    return (['A', 'B'] as const).map((p) => ({
      durS: Math.round((d * speed[p]) / 30) * 30,
      use: { [p]: 1, ...more },
    }));
  };
  const link = (from: string, to: string, minS = 0, maxS?: number): Link => ({
    from,
    to,
    minS,
    ...(maxS === undefined ? {} : { maxS }),
  });
  const variant = (id: 'tape' | 'bead', big: boolean, heatS: number): Variant => {
    const tasks: Task[] = [
      { id: 'intake', modes: hands(4, 8) },
      { id: 'pretest', modes: hands(5, 10) },
      { id: 'load', modes: hands(1, 2) },
      {
        id: 'heat',
        modes: [
          { durS: heatS, use: { plate: 1 } },
          { durS: Math.round((heatS * 2.5) / 30) * 30, use: { mat: 1 } },
        ],
      },
      { id: 'lift', modes: hands(big ? 10 : 3, big ? 25 : 8) },
      { id: 'strip', breakable: true, modes: hands(5, 20) },
      { id: 'clean', breakable: true, modes: hands(8, 20) },
      { id: 'dryFit', modes: hands(2, 4) },
    ];
    const links = [
      link('intake', 'pretest'),
      link('pretest', 'load'),
      link('load', 'heat', 0, 60),
      link('heat', 'lift', 0, 90),
      link('lift', 'strip'),
      link('strip', 'clean'),
      link('clean', 'dryFit'),
    ];
    const holds: Hold[] = [];
    if (id === 'tape') {
      tasks.push({ id: 'tape', modes: hands(3, 6) }, { id: 'press', modes: hands(2, 3) });
      links.push(link('dryFit', 'tape'), link('tape', 'press', 0, 300), link('press', 'posttest'));
    } else {
      tasks.push(
        { id: 'glue', modes: hands(3, 5) },
        { id: 'close', modes: hands(1, 2) },
        { id: 'clamped', modes: [{ durS: between(15, 20), use: {} }] },
        { id: 'off', modes: hands(1, 1) },
        { id: 'cure', modes: [{ durS: pick([6, 12]) * hour, use: { shelf: 1 } }] },
      );
      links.push(
        link('dryFit', 'glue'),
        link('glue', 'close', 60, 240),
        link('close', 'clamped', 0, 30),
        link('clamped', 'off'),
        link('off', 'cure', 0, 600),
        link('cure', 'posttest'),
      );
      holds.push({ resource: 'clamp', n: 1, from: 'clamped', to: 'off' });
    }
    tasks.push({ id: 'posttest', modes: hands(5, 9, { tester: 1 }) }, { id: 'handover', modes: hands(3, 6) });
    links.push(link('posttest', 'handover'));
    return { id, tasks, links, holds };
  };
  return {
    originS: 9 * hour,
    nowS: 9 * hour,
    calendars: {
      open: days.map((d): [number, number] => [d * day + 9 * hour, d * day + 18 * hour]),
      A: shift(12.5),
      B: shift(13),
    },
    resources: [
      { id: 'A', kind: 'technician', capacity: 1, calendar: 'A' },
      { id: 'B', kind: 'technician', capacity: 1, calendar: 'B' },
      { id: 'plate', kind: 'heater', capacity: 1, calendar: 'open' },
      { id: 'mat', kind: 'heater', capacity: 1, calendar: 'open' },
      { id: 'clamp', kind: 'clamp', capacity: 3 },
      { id: 'shelf', kind: 'shelf', capacity: 8 },
      { id: 'tester', kind: 'tester', capacity: 1, calendar: 'open' },
    ],
    started: [],
    jobs: Array.from({ length: jobs }, (_, i) => {
      const big = random() < 0.3;
      const heatS = between(big ? 8 : 2, big ? 14 : 4);
      const r = random();
      const variants =
        r < 0.35
          ? [variant('tape', big, heatS)]
          : r < 0.7
            ? [variant('bead', big, heatS)]
            : [variant('bead', big, heatS), variant('tape', big, heatS)];
      const releaseS = 9 * hour + (random() < 0.5 ? 0 : between(0, 420, 300));
      return {
        id: `J${i + 1}`,
        releaseS,
        dueS: releaseS + (variants[0]!.id === 'bead' ? day : 0) + between(120, 480, 900),
        weight: pick([1, 1, 1, 2, 4]),
        variants,
      };
    }),
  };
}
