import fc from 'fast-check';

import type { Pt } from '../../device/types';
import { arrange, edgeKey } from './arrange';

const square: Pt[] = [
  [0, 0],
  [100, 0],
  [100, 60],
  [0, 60],
];
const areas = (cracks: readonly (readonly Pt[])[], holes: readonly (readonly Pt[])[] = [], snapMm = 1) =>
  arrange(square, holes, cracks, snapMm)
    .faces.map((f) => Math.round(f.areaMm2 * 1e6) / 1e6)
    .sort((a, b) => a - b);

it('no crack: the cover is one piece', () => expect(areas([])).toEqual([6000]));

it('one crack from side to side makes two, a second one across it four: areas by hand', () => {
  expect(
    areas([
      [
        [30, 0],
        [30, 60],
      ],
    ]),
  ).toEqual([1800, 4200]);
  expect(
    areas([
      [
        [30, 0],
        [30, 60],
      ],
      [
        [0, 20],
        [100, 20],
      ],
    ]),
  ).toEqual([600, 1200, 1400, 2800]);
});

it('a crack that ends inside frees nothing, and is told with its length', () => {
  const a = arrange(
    square,
    [],
    [
      [
        [50, 0],
        [50, 25],
      ],
    ],
    1,
  );
  expect(a.faces).toHaveLength(1);
  expect(a.danglingMm).toBeCloseTo(25, 6);
  expect(a.dangling.map((d) => d.crack)).toEqual([0]);
});

it('an end near a side is drawn to it, one that is further off is not', () => {
  expect(
    areas([
      [
        [30, 0.6],
        [30, 59.5],
      ],
    ]),
  ).toEqual([1800, 4200]);
  expect(
    areas([
      [
        [30, 0.6],
        [30, 57],
      ],
    ]),
  ).toEqual([6000]);
});

it('an end near another crack is drawn to it: a T makes three', () => {
  expect(
    areas([
      [
        [0, 30],
        [100, 30],
      ],
      [
        [40, 60],
        [40, 30.7],
      ],
    ]),
  ).toEqual([1200, 1800, 3000]);
});

it('what lies in a hole is no piece, and a crack into the hole ends there', () => {
  const hole: Pt[] = [
    [40, 20],
    [60, 20],
    [60, 40],
    [40, 40],
  ];
  expect(areas([], [hole])).toEqual([5600]);
  // from both sides into the hole: two halves round it
  expect(
    areas(
      [
        [
          [0, 30],
          [40, 30],
        ],
        [
          [60, 30],
          [100, 30],
        ],
      ],
      [hole],
    ),
  ).toEqual([2800, 2800]);
});

it('a ring of cracks inside is an island: its piece and the rest', () => {
  const ring: Pt[] = [
    [20, 20],
    [40, 20],
    [40, 40],
    [20, 40],
    [20, 20],
  ];
  const a = arrange(square, [], [ring], 1);
  expect(a.faces.map((f) => Math.round(f.areaMm2)).sort((x, y) => x - y)).toEqual([400, 5600]);
  expect(a.eulerResidual).toBe(0);
});

it('an edge has one name from either end', () => expect(edgeKey(7, 2)).toBe(edgeKey(2, 7)));

/** Chords from the bottom to the top: every crossing of two of them is one more piece (a line arrangement in a convex region). */
it('chords make one piece each and one more for each crossing, and together the whole cover (property)', () => {
  const places = fc.uniqueArray(fc.integer({ min: 2, max: 98 }), { minLength: 2, maxLength: 7 });
  fc.assert(
    fc.property(places, fc.integer({ min: 0, max: 1000 }), (bottom, shift) => {
      const tops = [...bottom].sort((a, b) => ((a * 37 + shift) % 101) - ((b * 37 + shift) % 101));
      // odd thirds of a millimetre keep three chords from meeting in one place
      const cracks = bottom.map((x, i): Pt[] => [
        [x + 0.11 * i, 0],
        [tops[i]! + 0.017 * i * i, 60],
      ]);
      let crossings = 0;
      for (let i = 0; i < cracks.length; i++)
        for (let j = 0; j < i; j++) {
          const [a, b] = [cracks[i]!, cracks[j]!];
          if ((a[0]![0] - b[0]![0]) * (a[1]![0] - b[1]![0]) < 0) crossings++;
        }
      const made = arrange(square, [], cracks, 0.01);
      const total = made.faces.reduce((s, f) => s + f.areaMm2, 0);
      expect(made.eulerResidual).toBe(0);
      expect(made.faces).toHaveLength(1 + cracks.length + crossings);
      expect(Math.abs(total - 6000)).toBeLessThan(1e-3);
      expect(made.danglingMm).toBeLessThan(1e-6);
    }),
    { numRuns: 60 },
  );
});
