import type { Bench } from '../src/core/schedule/types';

/** A job shop in the usual notation: a line for each job, pairs of machine and duration. */
export function jobShop(text: string): Bench {
  const rows = text
    .trim()
    .split('\n')
    .map((r) => r.trim().split(/\s+/).map(Number));
  const machines = Math.max(...rows.flatMap((r) => r.filter((_, k) => k % 2 === 0))) + 1;
  return {
    originS: 0,
    nowS: 0,
    calendars: {},
    resources: Array.from({ length: machines }, (_, k) => ({ id: `M${k}`, kind: 'machine', capacity: 1 })),
    started: [],
    jobs: rows.map((r, j) => ({
      id: `J${j}`,
      releaseS: 0,
      dueS: null,
      weight: 0,
      variants: [
        {
          id: 'v',
          tasks: Array.from({ length: r.length / 2 }, (_, k) => ({
            id: `o${k}`,
            modes: [{ durS: r[2 * k + 1]!, use: { [`M${r[2 * k]}`]: 1 } }],
          })),
          links: Array.from({ length: r.length / 2 - 1 }, (_, k) => ({ from: `o${k}`, to: `o${k + 1}`, minS: 0 })),
          holds: [],
        },
      ],
    })),
  };
}

/** Published instances with their proven optima: Fisher & Thompson 1963, Lawrence 1984. */
export const shops: Record<'FT06' | 'LA01' | 'LA05', { optimum: number; text: string }> = {
  FT06: {
    optimum: 55,
    text: `2 1 0 3 1 6 3 7 5 3 4 6
1 8 2 5 4 10 5 10 0 10 3 4
2 5 3 4 5 8 0 9 1 1 4 7
1 5 0 5 2 5 3 3 4 8 5 9
2 9 1 3 4 5 5 4 0 3 3 1
1 3 3 3 5 9 0 10 4 4 2 1`,
  },
  LA01: {
    optimum: 666,
    text: `1 21 0 53 4 95 3 55 2 34
0 21 3 52 4 16 2 26 1 71
3 39 4 98 1 42 2 31 0 12
1 77 0 55 4 79 2 66 3 77
0 83 3 34 2 64 1 19 4 37
1 54 2 43 4 79 0 92 3 62
3 69 4 77 1 87 2 87 0 93
2 38 0 60 1 41 3 24 4 83
3 17 1 49 4 25 0 44 2 98
4 77 3 79 2 43 1 75 0 96`,
  },
  LA05: {
    optimum: 593,
    text: `1 72 0 87 4 95 2 66 3 60
4 5 3 35 0 48 2 39 1 54
1 46 3 20 2 21 0 97 4 55
0 59 3 19 4 46 1 34 2 37
4 23 2 73 3 25 1 24 0 28
3 28 0 45 4 5 1 78 2 83
0 53 3 71 1 37 4 29 2 12
4 12 2 87 3 33 1 55 0 38
2 49 3 83 1 40 0 48 4 7
2 65 3 17 0 90 4 27 1 23`,
  },
};
