import { coverFromGaps, lensCover } from '../fit/lensCover';
import { flare, sharpnessOf } from './compare';
import { greyOf, otsu, shrunk, targetShot, tappedEdge, type Pixels } from './shot';
import { specks } from './specks';
import { paint } from './paintTarget';

const px = 2.2; // pixels for each mm of the sheet: the middle square is measured, the small ones are too small

it('finds the target by itself and measures a known blur at every edge', () => {
  const shot = targetShot(paint({ pxPerMm: 3, sigmaPx: 1.4 }));
  expect(shot.edges.length).toBeGreaterThanOrEqual(16);
  // a Gaussian blur has half contrast at 0.187391 / sigma (analytic)
  for (const e of shot.edges) expect(Math.abs(e.mtf50 / (0.187391 / 1.4) - 1)).toBeLessThan(0.05);
  expect(new Set(shot.edges.map((e) => e.key)).size).toBe(shot.edges.length);
  expect(shot.patch!.white).toBeCloseTo(0.8, 1);
});

it('twice the blur is half the sharpness, called a clear loss from one picture each', () => {
  const [a, b] = [1, 2].map((s) => targetShot(paint({ pxPerMm: px, sigmaPx: s, noise: 0.004 })));
  const r = sharpnessOf([a!.edges], [b!.edges]);
  expect(r.ratio).toBeCloseTo(0.5, 1);
  expect(r.verdict).toBe('clearLoss');
  const same = sharpnessOf([a!.edges], [targetShot(paint({ pxPerMm: px, sigmaPx: 1, noise: 0.004, seed: 9 })).edges]);
  expect(same.ratio).toBeCloseTo(1, 1);
  expect(same.verdict).not.toBe('clearLoss');
  expect(same.low).toBeLessThan(1);
  expect(same.high).toBeGreaterThan(1);
});

it('two pictures on each side: their scatter is pooled with what is known of repeats', () => {
  const shots = [1, 1.04, 1, 1.02].map((s, i) => targetShot(paint({ pxPerMm: px, sigmaPx: s, seed: i + 1 })).edges);
  const r = sharpnessOf(shots.slice(0, 2), shots.slice(2));
  expect(r.ratio).toBeCloseTo(1.01, 1);
  expect(r.df).toBe(10);
});

it('veiling light over the whole picture is found in the black', () => {
  const clean = targetShot(paint({ pxPerMm: px, sigmaPx: 1 })).patch!;
  const hazed = targetShot(paint({ pxPerMm: px, sigmaPx: 1, haze: 0.03 })).patch!;
  const f = flare(clean, hazed);
  expect(f.added).toBeCloseTo(0.03, 2);
  expect(f.verdict).toBe('added');
  expect(flare(clean, targetShot(paint({ pxPerMm: px, sigmaPx: 1, seed: 4 })).patch!).verdict).toBe('notSeen');
});

it('a tapped edge gives the same as the one that was found', () => {
  const p = paint({ pxPerMm: px, sigmaPx: 1.2 });
  const found = targetShot(p).edges.find((e) => e.key === 'middle.left')!;
  expect(Math.abs(tappedEdge(p, found.at, 'tapped').mtf50 / found.mtf50 - 1)).toBeLessThan(0.02);
});

it('a picture without the target, too small, clipped, or with only a table in it: the message says what is wrong', () => {
  const blank = (v: number): Pixels => ({ width: 400, height: 400, data: new Uint8ClampedArray(640000).fill(v) });
  expect(() => targetShot(blank(200))).toThrow(/picture: no square of the target/);
  expect(() => targetShot({ width: 100, height: 400, data: new Uint8ClampedArray(160000) })).toThrow(/at least 300/);
  expect(() => targetShot(paint({ pxPerMm: px, sigmaPx: 1, white: 1.2 }))).toThrow(/white: 100 %/);
  expect(() => tappedEdge(blank(200), [200, 200], 'x')).toThrow(/edge/);
});

it('grey is linear light, and the threshold of two heaps lies between them (Otsu)', () => {
  const p: Pixels = { width: 1, height: 1, data: Uint8ClampedArray.from([188, 188, 188, 255]) };
  expect(greyOf(p, 0, 0, 1, 1).values[0]).toBeCloseTo(0.5029, 4);
  const t = otsu(Float64Array.from({ length: 200 }, (_, i) => (i < 100 ? 0.1 + i * 1e-4 : 0.8 - i * 1e-4)));
  expect(t).toBeGreaterThan(0.11);
  expect(t).toBeLessThan(0.79);
});

describe('specks on an even field', () => {
  it('equals the worked example of the reference', () => {
    const values = new Float64Array(3600);
    for (let y = 0; y < 60; y++)
      for (let x = 0; x < 60; x++)
        values[y * 60 + x] =
          200 * (1 - 0.12 * Math.exp(-((x - 30) ** 2 + (y - 22) ** 2) / 8)) + (((7 * x + 13 * y) % 5) - 2) * 0.4;
    const r = specks({ width: 60, height: 60, values });
    expect(r.specks).toHaveLength(1);
    const [s] = r.specks;
    expect(s!.kind).toBe('dark');
    expect(s!.x).toBeCloseTo(30.023, 2);
    expect(s!.y).toBeCloseTo(21.979, 2);
    expect(s!.area).toBe(67);
    expect(s!.diameter).toBeCloseTo(9.2362, 3);
    expect(s!.peak).toBeCloseTo(-0.10007, 4);
    expect(s!.sum).toBeCloseTo(2.5937, 3);
    expect(r.sigma).toBeCloseTo(0.00091794, 5);
  });

  it('shading of a lens is no speck, a bright spot is one', () => {
    const values = new Float64Array(80 * 80);
    for (let y = 0; y < 80; y++)
      for (let x = 0; x < 80; x++) {
        const r2 = ((x - 40) ** 2 + (y - 40) ** 2) / 3200;
        values[y * 80 + x] = (0.7 - 0.3 * r2) * (1 + 0.2 * Math.exp(-((x - 20) ** 2 + (y - 55) ** 2) / 10));
      }
    const r = specks({ width: 80, height: 80, values });
    expect(r.specks.map((s) => s.kind)).toEqual(['bright']);
    expect(r.specks[0]!.x).toBeCloseTo(20, 0);
    expect(() => specks({ width: 10, height: 80, values })).toThrow(/field: 10 × 80/);
  });
});

describe('seating of a camera cover', () => {
  it('equals the worked example', () => {
    const r = lensCover(
      [
        [7, 0],
        [0, 7],
        [-7, 0],
        [0, -7],
      ],
      [
        [6.9, 0.02],
        [0.05, 6.87],
        [-6.8, 0.02],
        [0.05, -6.83],
      ],
      [
        { at: [5, 0], stepMm: 0.02 },
        { at: [-2.5, 4.33], stepMm: 0 },
        { at: [-2.5, -4.33], stepMm: -0.01 },
      ],
    );
    expect(r.offsetMm).toBeCloseTo(0.053852, 5);
    expect(r.gapMinMm).toBeCloseTo(0.096148, 5);
    expect(r.gapMaxMm).toBeCloseTo(0.20385, 5);
    expect(r.coverRMm).toBeCloseTo(6.85, 6);
    expect(r.stepMm).toBeCloseTo(0.0033333, 6);
    expect(r.tiltDeg).toBeCloseTo(0.20212, 4);
    expect(r.highBearingDeg).toBeCloseTo(19.107, 2);
    expect(r.seated).toBe(true);
    expect(r.concentric).toBe(true);
  });

  it('four gaps and three steps: off to the right, and tilted', () => {
    const r = coverFromGaps(7, [0.05, 0.15, 0.25, 0.15], [0.1, 0, 0]);
    expect(r.offset[0]).toBeCloseTo(0.1, 2);
    expect(r.offset[1]).toBeCloseTo(0, 6);
    expect(r.gapMinMm).toBeCloseTo(0.05, 2);
    expect(r.seated).toBe(false);
    expect(r.highBearingDeg).toBeCloseTo(90, 6);
    expect(coverFromGaps(7, [0, 0.1, 0.2, 0.1], [0, 0, 0]).concentric).toBe(false);
    expect(() => lensCover([[0, 1]], [[0, 1]])).toThrow(/points of a rim: 1/);
  });
});

it('a picture that is made smaller has the mean of each block, in linear light (worked by hand)', () => {
  // rows of four brightnesses, each two pixels high, made smaller by two
  const [width, height] = [8, 8];
  const grey = (v: number): number => {
    const c = v / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  };
  const rows = [0, 64, 128, 255];
  const data = new Uint8ClampedArray(4 * width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const v = x % 2 ? rows[y >> 1]! : 0;
      data.set([v, v, v, 255], 4 * (y * width + x));
    }
  const { grey: small, by } = shrunk({ width, height, data }, 4);
  expect([by, small.width, small.height]).toEqual([2, 4, 4]);
  rows.forEach((v, j) => expect(small.values[4 * j + 1]).toBeCloseTo(grey(v) / 2, 4));
});
