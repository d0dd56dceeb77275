import fc from 'fast-check';
import Coordinate from 'jsts/org/locationtech/jts/geom/Coordinate.js';
import GeometryFactory from 'jsts/org/locationtech/jts/geom/GeometryFactory.js';
import UnaryUnionOp from 'jsts/org/locationtech/jts/operation/union/UnaryUnionOp.js';
import Polygonizer from 'jsts/org/locationtech/jts/operation/polygonize/Polygonizer.js';
import 'jsts/org/locationtech/jts/monkey.js';

import { insidePolygon, polygonOf, signedArea } from '../../device/polygon';
import type { Hole, Outline, Pt } from '../../device/types';
import { bladeEntry, breakAtCamera } from './bladeEntry';
import { crackWork } from './crackWork';
import { polylineOf, typedCrack } from './freehand';
import { liftOrder, type CrackKeepOut } from './liftOrder';
import { checkCrack, crackPieces } from './pieces';

const W = 70;
const H = 140;
const square: Outline = { kind: 'roundRect', min: [0, 0], max: [W, H], rMm: 0 };
const rounded: Outline = { kind: 'roundRect', min: [0, 0], max: [W, H], rMm: 9 };
const sum = (xs: readonly number[]) => xs.reduce((a, b) => a + b, 0);
const areas = (o: Outline, cracks: Pt[][], holes: Pick<Hole, 'shape' | 'role'>[] = [], snap = 0.5) =>
  crackPieces(o, holes, cracks, snap).pieces.map((p) => p.areaMm2);
const areaOf = (o: Outline, arcs = 8) => Math.abs(signedArea(polygonOf(o, arcs)));
const lens: Pick<Hole, 'shape' | 'role'> = { shape: { kind: 'disc', c: [20, 25], rMm: 8 }, role: 'camera' };

describe('pieces of known maps', () => {
  it('an n x m grid of lines gives (n+1)(m+1) pieces of equal area', () => {
    const lines: Pt[][] = [
      ...[1, 2, 3, 4].map((i): Pt[] => [
        [0, (H * i) / 5],
        [W, (H * i) / 5],
      ]),
      ...[1, 2, 3].map((i): Pt[] => [
        [(W * i) / 4, 0],
        [(W * i) / 4, H],
      ]),
    ];
    const a = areas(square, lines);
    expect(a).toHaveLength(20);
    for (const x of a) expect(x).toBeCloseTo((W * H) / 20, 9);
  });

  it('two diagonals give four quarters, with the shared edges of the worked example', () => {
    const map = crackPieces(
      square,
      [],
      [
        [
          [0, 0],
          [W, H],
        ],
        [
          [W, 0],
          [0, H],
        ],
      ],
    );
    expect(map.pieces.map((p) => p.areaMm2)).toEqual([2450, 2450, 2450, 2450]);
    expect(map.counts).toEqual({ vertices: 5, edges: 8, faces: 5, components: 1 });
    expect(map.pieces[0]!.neighbours.get(1)).toBeCloseTo(78.26237921, 8);
    expect(map.pieces.map((p) => p.freeMm)).toEqual([70, 140, 140, 70]);
  });

  it('a crack that ends inside frees no piece and is told with its length', () => {
    const map = crackPieces(
      square,
      [],
      [
        [
          [35, 0],
          [40, 20],
        ],
      ],
    );
    expect(map.pieces).toHaveLength(1);
    expect(map.danglingMm).toBeCloseTo(Math.hypot(5, 20), 9);
    expect(map.dangling[0]!.crack).toBe(0);
  });

  it('a closed crack is an island without a free edge, and the piece round it loses its area', () => {
    const ring: Pt[] = [
      [30, 60],
      [45, 60],
      [45, 80],
      [30, 80],
      [30, 60],
    ];
    const map = crackPieces(rounded, [], [ring]);
    const island = map.pieces.find((p) => Math.abs(p.areaMm2 - 300) < 1e-9)!;
    expect(map.pieces).toHaveLength(2);
    expect(island.freeMm).toBe(0);
    expect(sum(map.pieces.map((p) => p.areaMm2))).toBeCloseTo(areaOf(rounded), 9);
    expect(map.counts.components).toBe(2);
    expect(map.eulerResidual).toBe(0);
    const order = liftOrder(map.pieces, []);
    expect(order.map((s) => s.reasons[0])).toEqual(['outerEdge', 'edgeFreedByNeighbour']);
  });

  it('holes are taken out, and a crack through one stops at its edge', () => {
    const map = crackPieces(
      rounded,
      [lens],
      [
        [
          [0, 25],
          [70, 25],
        ],
      ],
    );
    expect(map.pieces).toHaveLength(2);
    expect(sum(map.pieces.map((p) => p.areaMm2))).toBeCloseTo(areaOf(rounded) - areaOf(lens.shape, 6), 9);
    expect(map.pieces.every((p) => p.cameraHoleMm > 20)).toBe(true);
  });

  it('ends that stop short are snapped, ends that overshoot are cut, a crack beyond the outline is clipped', () => {
    expect(
      areas(square, [
        [
          [0.4, 70],
          [69.7, 70],
        ],
        [
          [30, 70.3],
          [30, 140.4],
        ],
        [
          [35, -20],
          [35, 71],
        ],
      ]),
    ).toHaveLength(4);
  });
});

describe('identities over random maps', () => {
  const pt = fc.tuple(fc.integer({ min: -2, max: W + 2 }), fc.integer({ min: -2, max: H + 2 })) as fc.Arbitrary<Pt>;
  const maps = fc.array(fc.array(pt, { minLength: 2, maxLength: 5 }), { minLength: 1, maxLength: 8 });
  const sound = (c: Pt[][]) =>
    c.filter((l) => l.some((p, i) => i && Math.hypot(p[0] - l[i - 1]![0], p[1] - l[i - 1]![1]) > 1));

  it('Euler holds and the areas add up to the cover, through collinear, coincident and outside cracks', () => {
    fc.assert(
      fc.property(maps, (raw) => {
        const map = crackPieces(rounded, [lens], sound(raw), 0.5);
        expect(map.eulerResidual).toBe(0);
        expect(sum(map.pieces.map((p) => p.areaMm2))).toBeCloseTo(areaOf(rounded) - areaOf(lens.shape, 6), 7);
        const steps = liftOrder(map.pieces, []);
        expect(new Set(steps.map((s) => s.pieceId)).size).toBe(map.pieces.length);
      }),
      { numRuns: 120, seed: 11 },
    );
  });

  it('n chords of a convex cover give 1 + n + crossings pieces', () => {
    const chord = fc.tuple(fc.integer({ min: 1, max: W - 1 }), fc.integer({ min: 1, max: W - 1 }));
    fc.assert(
      fc.property(fc.uniqueArray(chord, { minLength: 1, maxLength: 9, selector: (c) => c[0] }), (chords) => {
        // from top to bottom: two of them cross when their order is turned over
        const lines = chords.map(([a, b], i): Pt[] => [
          [a + i * 0.01, 0],
          [b + i * 0.017, H],
        ]);
        let crossings = 0;
        lines.forEach((l, i) =>
          lines.slice(i + 1).forEach((m) => {
            if (l[0]![0] < m[0]![0] !== l[1]![0] < m[1]![0]) crossings++;
          }),
        );
        const map = crackPieces(square, [], lines, 0.001);
        const shared = map.counts.vertices - 4 - 2 * lines.length;
        // three chords through one point make one crossing of several pairs
        fc.pre(shared === crossings);
        expect(map.pieces).toHaveLength(1 + lines.length + crossings);
      }),
      { numRuns: 60, seed: 3 },
    );
  });

  it('agrees with a general-purpose geometry library (jsts: node, then polygonize) on random maps', () => {
    const f = new GeometryFactory();
    const line = (l: readonly Pt[]) => f.createLineString(l.map(([x, y]) => new Coordinate(x, y)));
    const closed = (l: readonly Pt[]) => line([...l, l[0]!]);
    fc.assert(
      fc.property(maps, (raw) => {
        const cracks = sound(raw);
        const ours = crackPieces(rounded, [lens], cracks, 1e-9).pieces.map((p) => p.areaMm2);
        const hole = polygonOf(lens.shape, 6);
        const lines = [closed(polygonOf(rounded)), closed(hole), ...cracks.map(line)];
        const polygonizer = new Polygonizer();
        polygonizer.add(UnaryUnionOp.union(f.createMultiLineString(lines)));
        const cover = f.createPolygon(closed(polygonOf(rounded)).getCoordinates());
        const lensArea = f.createPolygon(closed(hole).getCoordinates());
        const theirs = polygonizer
          .getPolygons()
          .toArray()
          .filter((p) => {
            const inner = p.getInteriorPoint();
            return cover.contains(inner) && !lensArea.contains(inner);
          })
          .map((p) => p.getArea());
        expect(ours).toHaveLength(theirs.length);
        const sorted = (a: number[]) => [...a].sort((x, y) => x - y);
        sorted(theirs).forEach((a, i) => expect(sorted(ours)[i]).toBeCloseTo(a, 6));
      }),
      { numRuns: 40, seed: 5 },
    );
  });
});

describe('lift order', () => {
  const camera: CrackKeepOut = {
    id: 'c',
    name: 'camera',
    kind: 'camera',
    shape: { kind: 'disc', c: [35, 20], rMm: 9 },
  };
  const coil: CrackKeepOut = { id: 'k', name: 'coil', kind: 'coil', shape: { kind: 'disc', c: [12, 70], rMm: 6 } };
  const diagonals: Pt[][] = [
    [
      [0, 0],
      [W, H],
    ],
    [
      [W, 0],
      [0, H],
    ],
  ];

  it('takes the piece at the camera last and the one over the coil before it (worked example of the reference, turned)', () => {
    const { pieces } = crackPieces(square, [], diagonals);
    const steps = liftOrder(pieces, [camera, coil]);
    const at = (s: (typeof steps)[number]) => pieces[s.pieceId]!.centroid.map(Math.round);
    expect(steps.map((s) => s.risk)).toEqual([0, 0, 1, 2]);
    expect(at(steps[3]!)).toEqual([35, 23]);
    expect(at(steps[2]!)).toEqual([12, 70]);
    expect(steps[3]!.reasons).toContain('cameraLast');
    expect(steps[2]!.reasons).toContain('overPart');
    expect(steps[0]!.reasons).toContain('outerEdge');
  });

  it('takes a sliver before a large piece of the same kind', () => {
    const { pieces } = crackPieces(
      square,
      [],
      [
        [
          [0, 138],
          [2, 140],
        ],
      ],
    );
    expect(liftOrder(pieces, [])[0]!.reasons).toEqual(['outerEdge', 'sliver', 'farFromParts']);
  });

  it('never takes a piece without an open edge while another has one', () => {
    const pt = fc.tuple(fc.integer({ min: 0, max: W }), fc.integer({ min: 0, max: H })) as fc.Arbitrary<Pt>;
    fc.assert(
      fc.property(fc.array(fc.tuple(pt, pt), { minLength: 2, maxLength: 9 }), (raw) => {
        const cracks = raw.filter(([a, b]) => Math.hypot(a[0] - b[0], a[1] - b[1]) > 1);
        const { pieces } = crackPieces(rounded, [], cracks);
        const done: number[] = [];
        for (const s of liftOrder(pieces, [coil])) {
          const p = pieces[s.pieceId]!;
          if (!s.reasons.includes('noFreeEdge'))
            expect(p.freeMm >= 1 || done.some((d) => (p.neighbours.get(d) ?? 0) >= 1)).toBe(true);
          done.push(s.pieceId);
        }
      }),
      { numRuns: 60, seed: 8 },
    );
  });
});

describe('a crack as it is drawn or typed', () => {
  it('a trembling line becomes two points, a corner stays', () => {
    const tremble = Array.from({ length: 400 }, (_, i): Pt => [i * 0.1, 10 + 0.15 * Math.sin(i)]);
    expect(polylineOf(tremble)).toHaveLength(2);
    const bend: Pt[] = [
      [0, 0],
      [10, 0.1],
      [20, 0],
      [20, 20],
    ];
    expect(polylineOf(bend)).toEqual([
      [0, 0],
      [20, 0],
      [20, 20],
    ]);
  });

  it('names what is wrong with it', () => {
    expect(() => typedCrack('5,5 5,5')).toThrow(/crack: points|crack: length/);
    expect(() => typedCrack('5,5 bad 7,7')).toThrow(/crack: point 2/);
    expect(() => typedCrack(Array.from({ length: 10_000 }, (_, i) => `${i % 70},${i % 90}`).join(' '))).toThrow(
      /crack: points/,
    );
    expect(() => polylineOf([[3, 3]])).toThrow(/points/);
    expect(typedCrack('0,0; 10.5,20')).toEqual([
      [0, 0],
      [10.5, 20],
    ]);
  });
});

describe('working the pieces', () => {
  const outline = { kind: 'roundRect', min: [0, 0], max: [70, 140], rMm: 0 } as const;
  const coil = {
    id: 'coil',
    name: 'coil',
    kind: 'coil' as const,
    shape: { kind: 'disc' as const, c: [35, 70] as const, rMm: 15 },
  };
  const across: [number, number][][] = [
    [
      [0, 50],
      [70, 50],
    ],
    [
      [0, 95],
      [70, 95],
    ],
  ];
  const ask = (cracks: [number, number][][], off: [number, number][][][] = []) => {
    const a = crackWork({ outline, holes: [], cracks, keepOuts: [coil], off });
    if ('problem' in a) throw new Error(a.problem);
    return a;
  };

  it('the blade goes in where it can go deepest: over a coil from a side away from it, short of it by its room', () => {
    const { steps, map } = ask(across);
    const over = steps.find((s) => s.risk === 1)!;
    expect(over.nearest!.id).toBe('coil');
    // 20 mm of glass beside the coil on each side, 1 mm of room
    expect(over.entry!.stoppedBy).toBe('coil');
    expect(over.entry!.depthMm).toBeCloseTo(19, 0);
    const plain = steps.find((s) => s.risk === 0)!;
    expect(plain.entry!.stoppedBy).toBeNull();
    expect(
      insidePolygon(
        [plain.entry!.at[0] + plain.entry!.into[0], plain.entry!.at[1] + plain.entry!.into[1]],
        map.pieces[plain.pieceId]!.outer,
      ),
    ).toBe(true);
  });

  it('what is off stays off when a piece breaks again: the others are cut anew and the order goes on', () => {
    const first = ask(across);
    const gone = first.map.pieces[first.steps[0]!.pieceId]!;
    const again = ask(
      [
        ...across,
        [
          [35, 50],
          [35, 95],
        ],
      ],
      [[gone.outer.map(([x, y]): [number, number] => [x, y])]],
    );
    expect(again.map.pieces).toHaveLength(4);
    expect(again.off).toHaveLength(1);
    expect(again.steps).toHaveLength(3);
    expect(again.steps.map((s) => s.pieceId)).not.toContain(again.off[0]);
    const area = again.off.reduce((m, i) => m + again.map.pieces[i]!.areaMm2, 0);
    expect(area).toBeCloseTo(gone.areaMm2, 6);
  });

  it('a neighbour that is off frees an edge, and that edge is an entry', () => {
    const ring: [number, number][] = [
      [30, 60],
      [40, 60],
      [40, 70],
      [30, 70],
      [30, 60],
    ];
    const a = ask([...across, ring]);
    const island = a.map.pieces.find((p) => p.freeMm === 0)!;
    expect(a.steps.find((s) => s.pieceId === island.id)!.reasons).toContain('edgeFreedByNeighbour');
    expect(bladeEntry(island, new Set(), [])).toBeNull();
    const entry = bladeEntry(island, new Set(a.map.pieces.map((p) => p.id)), [])!;
    // the middle of one side of the square, straight in (plane geometry), as deep as the square
    expect([
      [35, 60, 0, 1],
      [40, 65, -1, 0],
      [35, 70, 0, -1],
      [30, 65, 1, 0],
    ]).toContainEqual([...entry.at, ...entry.into].map((v) => Math.round(v * 1e6) / 1e6 || 0));
    expect(entry.depthMm).toBeGreaterThanOrEqual(10);
    expect(entry.depthMm).toBeLessThan(11);
    // a part 4 mm behind every side leaves 4 mm less the blade's room
    const part = { id: 'x', name: 'coil', kind: 'coil', shape: { kind: 'disc', c: [35, 65], rMm: 1 } } as never;
    const short = bladeEntry(island, new Set(a.map.pieces.map((p) => p.id)), [part])!;
    expect(short).toMatchObject({ depthMm: 2.5, stoppedBy: 'coil' });
  });

  it('round a camera it is broken along two lines, from the openings outward, on opposite sides', () => {
    const hole = { kind: 'disc', c: [20, 120], rMm: 6 } as const;
    const map = crackPieces(outline, [{ shape: hole, role: 'camera' }], across);
    const piece = map.pieces.find((p) => p.cameraHoleMm > 0)!;
    const cut = breakAtCamera(piece, [{ shape: hole }])!;
    expect(cut.lines).toHaveLength(2);
    const turn = cut.lines.map(([, to]) => Math.atan2(to[1] - 120, to[0] - 20));
    const apart = Math.abs(((((turn[0]! - turn[1]!) * 180) / Math.PI + 540) % 360) - 180);
    expect(apart).toBeGreaterThanOrEqual(115);
    for (const [from, to] of cut.lines) {
      expect(Math.hypot(from[0] - 20, from[1] - 120)).toBeCloseTo(6.2, 0);
      expect(Math.hypot(to[0] - from[0], to[1] - from[1])).toBeLessThan(40);
    }
    expect(
      breakAtCamera(
        map.pieces.find((p) => p.cameraHoleMm === 0)!,
        [{ shape: hole }],
      ),
    ).toBeNull();
  });
});

it('a crack is half a millimetre long at least, all its stretches together', () => {
  const line = (...xs: number[]) => xs.map((x): [number, number] => [x, 5]);
  expect(() => checkCrack(line(1, 1.5), 'crack 1')).not.toThrow();
  expect(() => checkCrack(line(1, 1.2, 1.4, 1.51), 'crack 1')).not.toThrow();
  expect(() => checkCrack(line(1, 1.49), 'crack 1')).toThrow(/crack 1: length: 0.49 mm/);
  expect(() => checkCrack(line(1, 1.2, 1.1), 'crack 1')).toThrow(/length: 0.30 mm/);
});
