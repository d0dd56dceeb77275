import { erf } from '../numeric/erf';
import { cameraFigures, comparable, flare, linearLight, sharpnessOf, sharpRatio } from './compare';
import { sfr, type Grey } from './sfr';

/** A slanted edge blurred by a Gaussian or a box of known width, 80 rows of 64. */
function edge(kind: 'gauss' | 'box', width: number, slopeDeg = 5, W = 64, H = 80): Grey {
  const s = (slopeDeg * Math.PI) / 180;
  const values = new Float64Array(W * H);
  for (let y = 0; y < H; y++)
    for (let x = 0; x < W; x++) {
      const d = (x - (W - 1) / 2 - Math.tan(s) * (y - (H - 1) / 2)) * Math.cos(s);
      const step =
        kind === 'gauss' ? 0.5 * (1 + erf(d / (Math.SQRT2 * width))) : Math.min(1, Math.max(0, d / width + 0.5));
      values[y * W + x] = 40 + 170 * step;
    }
  return { width: W, height: H, values };
}

// ISO 12233-type synthetic edges: the response of a known blur is known in closed form
it.each([0.7, 1, 1.5, 2])('Gaussian blur of %f px: MTF50 = 0.187391 / sigma within 3 %', (sigma) => {
  expect(Math.abs(sfr(edge('gauss', sigma)).mtf50! / (0.187391 / sigma) - 1)).toBeLessThan(0.03);
});

it.each([1.5, 2.5, 4])('box blur of %f px: MTF50 = 0.603355 / width within 3 %', (width) => {
  expect(Math.abs(sfr(edge('box', width)).mtf50! / (0.603355 / width) - 1)).toBeLessThan(0.03);
});

it.each([2.5, 4, 8, 12, -6])('does not depend on the slant: %f degrees', (deg) => {
  const r = sfr(edge('gauss', 1.2, deg));
  expect(Math.abs(r.mtf50! / (0.187391 / 1.2) - 1)).toBeLessThan(0.03);
  expect(r.slopeDeg).toBeCloseTo(deg, 0);
});

it('turned on its side, and with dark and bright changed over, it is the same edge', () => {
  const g = edge('gauss', 1.3);
  const values = new Float64Array(g.values.length);
  for (let y = 0; y < g.height; y++)
    for (let x = 0; x < g.width; x++) values[x * g.height + y] = 255 - g.values[y * g.width + x]!;
  const turned: Grey = { width: g.height, height: g.width, values };
  expect(Math.abs(sfr(turned).mtf50! / sfr(g).mtf50! - 1)).toBeLessThan(0.01);
});

it('scatter of a sensor moves it by little (fixed seed)', () => {
  let seed = 5;
  const u = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  const g = edge('gauss', 1.2);
  for (let i = 0; i < g.values.length; i++)
    g.values[i]! += 2 * Math.sqrt(-2 * Math.log(1 - u())) * Math.cos(2 * Math.PI * u());
  expect(Math.abs(sfr(g).mtf50! / (0.187391 / 1.2) - 1)).toBeLessThan(0.08);
});

it('a picture without an edge, or too small, is named', () => {
  const flat: Grey = { width: 60, height: 60, values: new Float64Array(3600).fill(100) };
  expect(() => sfr(flat)).toThrow(/edge: no step from dark to bright/);
  expect(() => sfr({ width: 20, height: 60, values: new Float64Array(1200) })).toThrow(/crop: 20 × 60/);
});

it('sharpness ratio with a pooled scatter: the interval by hand; loss is called when the interval says so', () => {
  const before = [0.2, 0.21, 0.19];
  const after = [0.2, 0.2, 0.21];
  const r = sharpRatio(before, after, { u: 0.025, df: 8 });
  expect(r.ratio).toBeCloseTo(1.0172, 4);
  // sums of squares of the logarithms, 8 · 0.025² of prior, 12 degrees of freedom: t 0.975 is 2.1788 (tables)
  const ss = (l: number[]) => {
    const logs = l.map(Math.log);
    const m = logs.reduce((x, y) => x + y, 0) / l.length;
    return logs.reduce((x, y) => x + (y - m) ** 2, 0);
  };
  const half = 2.1788 * Math.sqrt((8 * 0.025 ** 2 + ss(before) + ss(after)) / 12) * Math.sqrt(2 / 3);
  expect(Math.log(r.high / r.ratio)).toBeCloseTo(half, 4);
  expect(r.df).toBe(12);
  expect(r.verdict).toBe('noLoss');
  expect(sharpRatio([0.2, 0.201, 0.199], [0.12, 0.121, 0.119]).verdict).toBe('clearLoss');
  expect(() => sharpRatio([], [0.2, 0.2])).toThrow(/shots before: 0/);
});

it('two and two pictures of an unchanged lens: right in 95 of 100 and more, and a loss of 30 % never called none (simulated)', () => {
  let seed = 7;
  const u = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  const gauss = () => Math.sqrt(-2 * Math.log(1 - u())) * Math.cos(2 * Math.PI * u());
  const shot = (k: number) => k * 0.2 * Math.exp(0.02 * gauss());
  const n = 2000;
  let same = 0;
  let missed = 0;
  let one = 0;
  for (let i = 0; i < n; i++) {
    if (sharpRatio([shot(1), shot(1)], [shot(1), shot(1)]).verdict === 'noLoss') same++;
    if (sharpRatio([shot(1), shot(1)], [shot(0.7), shot(0.7)]).verdict === 'noLoss') missed++;
    if (sharpRatio([shot(1)], [shot(1)]).verdict === 'noLoss') one++;
  }
  expect(same / n).toBeGreaterThanOrEqual(0.95);
  expect(missed).toBe(0);
  // one on each side is no longer undecided by construction
  expect(one / n).toBeGreaterThan(0.7);
});

it('edges that were tapped are compared in their order, and one tap never spoils pictures of the target', () => {
  const target = (k: number) => ['a', 'b', 'c'].map((key) => ({ key, mtf50: 0.2 * k }));
  const tap = (key: string, k: number) => [{ key, mtf50: 0.2 * k }];
  const [b, a] = comparable([target(1), tap('tap1', 0.4)], [target(0.98)])!;
  expect(sharpnessOf(b, a).ratio).toBeCloseTo(0.98, 6);
  const [tb, ta] = comparable(
    [tap('tap1', 1), tap('tap2', 1)],
    [tap('tap1', 0.95), tap('tap2', 0.95), tap('tap3', 9)],
  )!;
  expect(sharpnessOf(tb, ta).ratio).toBeCloseTo(0.95, 6);
  expect(comparable([tap('tap1', 1)], [])).toBeNull();
});

it('veiling light equals the worked example; code 188 is half the light (IEC 61966-2-1)', () => {
  const f = flare(
    { white: 3000, black: 70, dark: 60, uBlack: 1, uWhite: 5 },
    { white: 2990, black: 120, dark: 60, uBlack: 1, uWhite: 5 },
  );
  expect(f.before).toBeCloseTo(0.0034014, 6);
  expect(f.after).toBeCloseTo(0.020478, 6);
  expect(f.added).toBeCloseTo(0.017076, 6);
  expect(f.u).toBeCloseTo(0.00048315, 7);
  expect(f.verdict).toBe('added');
  expect(linearLight(188)).toBeCloseTo(0.5029, 4);
});

it('flare is decided at two standard uncertainties (JCGM 100:2008, coverage factor 2), on both sides', () => {
  const limit = cameraFigures.flareLimit.value;
  // white 1, dark 0: what is added is the black itself, its uncertainty that of the black
  const of = (added: number, u: number) =>
    flare(
      { white: 1, black: 0, dark: 0, uBlack: 0, uWhite: 0 },
      { white: 1, black: added, dark: 0, uBlack: u, uWhite: 0 },
    ).verdict;
  const u = limit / 10;
  expect(of(limit + 2.1 * u, u)).toBe('added');
  expect(of(limit + 1.9 * u, u)).toBe('undecided');
  expect(of(limit - 1.9 * u, u)).toBe('undecided');
  expect(of(limit - 2.1 * u, u)).toBe('notSeen');
});
