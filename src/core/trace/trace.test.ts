import { photoOf, type Scene } from '../../../test-support/photo';
import type { Pt } from '../device/types';
import { homography, project } from './homography';
import { findCardAndDevice, findOutline } from './findQuads';
import { cardCorners, exactCorners } from './quad';
import { edgePoints } from './snap';
import { fitOf, straightened, upright } from './straighten';
import { cardOrder, traceByRuler, traceDevice, type EdgePoints } from './traceDevice';

/**
 * Square to quadrilateral in closed form: Heckbert, Fundamentals of Texture Mapping and Image Warping (1989), section 2.2.3.
 * Corners of the unit square (0,0), (1,0), (1,1), (0,1) go to the four given ones.
 */
function heckbert([p0, p1, p2, p3]: readonly [Pt, Pt, Pt, Pt]): number[] {
  const [sx, sy] = [p0[0] - p1[0] + p2[0] - p3[0], p0[1] - p1[1] + p2[1] - p3[1]];
  const [dx1, dx2, dy1, dy2] = [p1[0] - p2[0], p3[0] - p2[0], p1[1] - p2[1], p3[1] - p2[1]];
  const det = dx1 * dy2 - dx2 * dy1;
  const g = (sx * dy2 - dx2 * sy) / det;
  const h = (dx1 * sy - sx * dy1) / det;
  return [
    p1[0] - p0[0] + g * p1[0],
    p3[0] - p0[0] + h * p3[0],
    p0[0],
    p1[1] - p0[1] + g * p1[1],
    p3[1] - p0[1] + h * p3[1],
    p0[1],
    g,
    h,
    1,
  ];
}

describe('the direct linear transform', () => {
  const square: Pt[] = [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ];
  it.each([
    [
      [
        [0, 0],
        [10, 1],
        [12, 9],
        [-1, 8],
      ],
    ],
    [
      [
        [320, 80],
        [610, 140],
        [560, 420],
        [250, 380],
      ],
    ],
    [
      [
        [5, 5],
        [6, 5],
        [6, 6],
        [5, 6],
      ],
    ],
  ] as [[Pt, Pt, Pt, Pt]][])('is Heckbert’s square to quadrilateral for %j', (quad) => {
    const h = homography(square, quad);
    heckbert(quad).forEach((v, i) => expect(h[i]! / h[8]!).toBeCloseTo(v, 7));
  });
  it('keeps every point of a larger set that one plane explains, and lines stay lines', () => {
    const truth = heckbert([
      [320, 80],
      [610, 140],
      [560, 420],
      [250, 380],
    ]);
    const from = Array.from({ length: 12 }, (_, i): Pt => [(i % 4) / 3, Math.floor(i / 4) / 2]);
    const h = homography(
      from,
      from.map((p) => project(truth, p)),
    );
    for (const p of from) project(truth, p).forEach((v, i) => expect(project(h, p)[i]!).toBeCloseTo(v, 6));
  });
  it('three corners on one line, or three corners, make no plane', () => {
    const line: Pt[] = [
      [0, 0],
      [1, 0],
      [2, 0],
      [0, 1],
    ];
    expect(() => homography(line, square)).toThrow(/points/);
    expect(() => homography(square.slice(0, 3), square.slice(0, 3))).toThrow(/four or more/);
  });
});

/** What a fingertip does: near, and never twice the same way. */
const shaky = (p: Pt, i: number, px: number): Pt => [p[0] + px * Math.sin(7 * i + 1), p[1] + px * Math.cos(11 * i + 2)];

function traced(s: Scene, tapPx: number) {
  const { grey, toPx, card } = photoOf(s);
  const found = cardCorners(
    grey,
    card.map((c, i) => shaky(c, i, tapPx)),
  ).corners;
  const corners = card.map((c) =>
    found.reduce((a, b) => (Math.hypot(a[0] - c[0], a[1] - c[1]) <= Math.hypot(b[0] - c[0], b[1] - c[1]) ? a : b)),
  );
  const mid = { x: s.widthMm / 2, y: s.lengthMm / 2 };
  const centre = toPx([mid.x, mid.y]);
  const edge = (mm: Pt, i: number) => edgePoints(grey, shaky(toPx(mm), i + 4, tapPx), centre).points;
  const edges: EdgePoints = {
    top: edge([mid.x + 3, 0], 0),
    right: edge([s.widthMm, mid.y - 12], 1),
    bottom: edge([mid.x - 4, s.lengthMm], 2),
    left: edge([0, mid.y + 10], 3),
  };
  return { t: traceDevice(corners, edges), corners, card };
}

const scene: Scene = { widthMm: 72, lengthMm: 150, tilt: [0, 0], turn: 3, cardTurn: 6, k1: 0, noise: 2 };

describe('a device beside a bank card, in made-up photos', () => {
  it.each([
    ['from above', scene],
    ['tilted by 20°', { ...scene, tilt: [20, 0] }],
    ['tilted both ways', { ...scene, tilt: [14, -14] }],
    ['tilted by 25°, turned', { ...scene, tilt: [-17, 18], turn: -12 }],
    ['from further away', { ...scene, tilt: [12, 8], awayMm: 360 }],
    ['with noise', { ...scene, tilt: [20, 0], noise: 8 }],
    ['a wide one', { ...scene, widthMm: 77, lengthMm: 163, tilt: [10, 15], awayMm: 330 }],
  ] as [string, Scene][])('%s: width and length within half a millimetre', (_, s) => {
    const { t } = traced(s, 5);
    expect(Math.abs(t.widthMm - s.widthMm)).toBeLessThan(0.5);
    expect(Math.abs(t.lengthMm - s.lengthMm)).toBeLessThan(0.5);
    expect(t.uMm).toBeLessThan(0.8);
  });
  it('the lens of a phone bends it by less than what is said, three times over', () => {
    const { t } = traced({ ...scene, tilt: [15, 5], k1: -0.04 }, 5);
    expect(Math.abs(t.widthMm - 72)).toBeLessThan(3 * t.uMm);
    expect(Math.abs(t.lengthMm - 150)).toBeLessThan(3 * t.uMm);
  });
  it('corners are found to a pixel from taps that are five off, also under noise', () => {
    const { corners, card } = traced({ ...scene, tilt: [18, 6], noise: 6 }, 5);
    corners.forEach((c, i) => expect(Math.hypot(c[0] - card[i]![0], c[1] - card[i]![1])).toBeLessThan(1.2));
  });
  it('a place on the back is where it is, there and back', () => {
    const s = { ...scene, tilt: [16, -10] as const };
    const { t } = traced(s, 5);
    const { toPx } = photoOf({ ...s, noise: 0 });
    for (const mm of [
      [12, 14],
      [60, 20],
      [36, 140],
    ] as Pt[]) {
      const seen = t.toPlan(toPx(mm));
      expect(Math.hypot(seen[0] - mm[0], seen[1] - mm[1])).toBeLessThan(0.8);
      const px = t.toPicture(t.toPlan(toPx(mm)));
      expect(Math.hypot(px[0] - toPx(mm)[0], px[1] - toPx(mm)[1])).toBeLessThan(0.01);
    }
  });
});

describe('by two marks of a ruler', () => {
  const edges = (w: number, l: number, k: number): EdgePoints => ({
    top: [[(w / 2) * k, 0]],
    right: [[w * k, (l / 2) * k]],
    bottom: [[(w / 2) * k, l * k]],
    left: [[0, (l / 2) * k]],
  });
  it('straight from above it is a rule of three', () => {
    const t = traceByRuler(
      [
        [100, 100],
        [100, 500],
      ],
      100,
      edges(72, 150, 4),
    );
    expect(t.widthMm).toBeCloseTo(72, 9);
    expect(t.lengthMm).toBeCloseTo(150, 9);
    expect(t.toPlan([144, 300])).toEqual([36, 75]);
  });
  it('says more doubt than a card: a tilt is not seen', () => {
    const t = traceByRuler(
      [
        [100, 100],
        [100, 500],
      ],
      100,
      edges(72, 150, 4),
      0.6,
    );
    // 1 − cos 8° of 150 mm
    expect(t.uMm).toBeGreaterThan(1.4);
  });
  it('marks next to each other, and a ruler of a kilometre, are said', () => {
    expect(() =>
      traceByRuler(
        [
          [0, 0],
          [10, 0],
        ],
        50,
        edges(72, 150, 4),
      ),
    ).toThrow(/^ruler: marks 10 px apart/);
    expect(() =>
      traceByRuler(
        [
          [0, 0],
          [400, 0],
        ],
        1e6,
        edges(72, 150, 4),
      ),
    ).toThrow('ruler: 1000000 does not work; it takes 20 to 300 mm');
  });
});

describe('what is no card', () => {
  const edges: EdgePoints = { top: [[100, 0]], right: [[200, 150]], bottom: [[100, 300]], left: [[0, 150]] };
  it('corners in any order are the same card', () => {
    const c: Pt[] = [
      [10, 10],
      [180, 12],
      [178, 120],
      [12, 118],
    ];
    expect(cardOrder([c[2]!, c[0]!, c[3]!, c[1]!])).toEqual(cardOrder(c));
  });
  it.each([
    [
      'a square',
      [
        [0, 0],
        [100, 0],
        [100, 100],
        [0, 100],
      ],
    ],
    [
      'edge-on',
      [
        [0, 0],
        [300, 0],
        [300, 45],
        [0, 45],
      ],
    ],
    [
      'too small',
      [
        [0, 0],
        [40, 0],
        [40, 25],
        [0, 25],
      ],
    ],
    [
      'on one line',
      [
        [0, 0],
        [50, 0],
        [100, 0],
        [150, 0],
      ],
    ],
    [
      'tilted beyond use',
      [
        [0, 0],
        [300, 0],
        [220, 110],
        [80, 110],
      ],
    ],
  ] as [string, Pt[]][])('%s is said, and nothing is measured', (_, card) => {
    expect(() => traceDevice(card, edges)).toThrow(/^card: /);
  });
  it('three corners, or an outline of a coin, are said', () => {
    const card: Pt[] = [
      [0, 0],
      [171, 0],
      [171, 108],
      [0, 108],
    ];
    expect(() => traceDevice(card.slice(0, 3), edges)).toThrow('card: 3 corners does not work; it takes four');
    expect(() => traceDevice(card, { top: [[10, 0]], right: [[20, 10]], bottom: [[10, 20]], left: [[0, 10]] })).toThrow(
      /^outline: /,
    );
  });
});

const boxOfScene = (s: Scene, toPx: (mm: Pt) => Pt): Pt[] =>
  (
    [
      [0, 0],
      [s.widthMm, 0],
      [s.widthMm, s.lengthMm],
      [0, s.lengthMm],
    ] as Pt[]
  ).map((p) => toPx(p));
/** How far the worst of four corners is from the nearest that was found, px. */
const worst = (found: readonly Pt[] | null, truth: readonly Pt[]): number =>
  Math.max(...truth.map((p) => Math.min(...(found ?? []).map((q) => Math.hypot(p[0] - q[0], p[1] - q[1])), Infinity)));

describe('without a tap', () => {
  const messy: Scene = { ...scene, mess: true };
  it.each([
    ['from above', { ...scene, turn: -4, cardTurn: 2 }],
    ['tilted, noise, print on the card and a camera beside it', { ...messy, tilt: [20, 0], noise: 6, cardTurn: 15 }],
    ['turned, from further away', { ...messy, tilt: [10, -12], awayMm: 400, turn: 20 }],
    ['a tablet', { ...scene, widthMm: 170, lengthMm: 245, awayMm: 480, turn: 5, tilt: [8, 6] }],
  ] as [string, Scene][])('card and device are found: %s', (_, s) => {
    const { grey, toPx, card } = photoOf(s);
    const found = findCardAndDevice(grey);
    // a millimetre is two to three pixels here
    expect(worst(found.card, card)).toBeLessThan(0.5);
    expect(worst(found.device, boxOfScene(s, toPx))).toBeLessThan(0.5);
  });
  it.each([
    ['alone', { ...scene, bare: true, tilt: [14, -14] }],
    ['with its camera, on a grained mat with an edge', { ...messy, bare: true, turn: -9, noise: 5 }],
  ] as [string, Scene][])('a device of known size is found: %s', (_, s) => {
    const { grey, toPx } = photoOf(s);
    const found = findOutline(grey, s.lengthMm, s.widthMm);
    expect(worst(found, boxOfScene(s, toPx))).toBeLessThan(0.7);
    // and laid on its plan: every place is where it was photographed
    const toPicture = fitOf(upright(found!), s.widthMm, s.lengthMm);
    for (const mm of [
      [10, 12],
      [60, 140],
    ] as Pt[]) {
      const [a, b] = [toPicture(mm), toPx(mm)];
      expect(Math.hypot(a[0] - b[0], a[1] - b[1])).toBeLessThan(1.5);
    }
  });
  it('nothing is found where nothing is: grain, or a device that leaves the picture', () => {
    let seed = 7;
    const random = () => (seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 32;
    const grain = { width: 320, height: 420, values: new Float32Array(320 * 420).map(() => 100 + 60 * random()) };
    expect(findCardAndDevice(grain)).toEqual({ card: null, device: null });
    expect(findOutline(grain, 150, 72)).toBeNull();
    const near = photoOf({ ...scene, bare: true, awayMm: 90 });
    expect(findOutline(near.grey, 150, 72)).toBeNull();
  });
  it('corners that are rounded are where the sides would meet, from taps that are five pixels off', () => {
    const { grey, card } = photoOf({ ...messy, tilt: [12, 10], noise: 4 });
    const taps = upright(card).map((c, i) => shaky(c, i, 5));
    const exact = exactCorners(grey, taps)!;
    upright(card).forEach((c, i) => expect(Math.hypot(c[0] - exact[i]![0], c[1] - exact[i]![1])).toBeLessThan(0.4));
    // where no sides stand out there is nothing to make exact
    expect(exactCorners({ width: 100, height: 100, values: new Float32Array(10_000) }, taps)).toBeNull();
  });
});

describe('a photo on the plan', () => {
  const corners: Pt[] = [
    [10.2, 5.2],
    [50.2, 5.2],
    [50.2, 95.2],
    [10.2, 95.2],
  ];
  it('the plan’s corners are the photo’s, whichever way they went round; a device that lies has its left end up', () => {
    const jumbled = [corners[2]!, corners[0]!, corners[3]!, corners[1]!];
    expect(upright(jumbled)).toEqual(corners);
    const lying = corners.map(([x, y]): Pt => [y, x]);
    // its top is the left side: from the lower left corner up
    expect(upright(lying)).toEqual([
      [5.2, 50.2],
      [5.2, 10.2],
      [95.2, 10.2],
      [95.2, 50.2],
    ]);
  });
  it('crossed corners are refused by name', () => {
    expect(() => fitOf([corners[0]!, corners[2]!, corners[1]!, corners[3]!], 40, 90)).toThrow(/corners/);
  });
  it('is straightened pixel by pixel, and white where the photo ends', () => {
    const data = new Uint8ClampedArray(4 * 100 * 100).fill(255);
    for (let y = 0; y < 100; y++) for (let x = 0; x < 100; x++) data.set([x, y, 7], 4 * (y * 100 + x));
    const toPicture = fitOf(corners, 40, 90);
    const out = straightened({ width: 100, height: 100, data }, toPicture, 40, 90, 1);
    expect([out.width, out.height]).toEqual([40, 90]);
    const at = (x: number, y: number) => [...out.data.slice(4 * (y * 40 + x), 4 * (y * 40 + x) + 3)];
    expect(at(0, 0)).toEqual([11, 6, 7]);
    expect(at(39, 89)).toEqual([50, 95, 7]);
    const off = fitOf(
      corners.map(([x, y]): Pt => [x + 80, y]),
      40,
      90,
    );
    expect([...straightened({ width: 100, height: 100, data }, off, 40, 90, 1).data.slice(4 * 39, 4 * 39 + 3)]).toEqual(
      [255, 255, 255],
    );
  });
});
