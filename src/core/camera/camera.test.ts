import { erf } from '../numeric/erf';
import { flare, linearLight, sharpRatio } from './compare';
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

it('sharpness ratio with its Welch interval equals the worked example; loss is called when the interval says so', () => {
  const r = sharpRatio([0.2, 0.21, 0.19], [0.2, 0.2, 0.21]);
  expect(r.ratio).toBeCloseTo(1.0172, 4);
  expect(r.low).toBeCloseTo(0.91795, 4);
  expect(r.high).toBeCloseTo(1.1273, 4);
  expect(r.df).toBeCloseTo(3.1516, 3);
  expect(r.verdict).toBe('noLoss');
  expect(sharpRatio([0.2, 0.201, 0.199], [0.12, 0.121, 0.119]).verdict).toBe('clearLoss');
  expect(sharpRatio([0.2, 0.21, 0.19], [0.17, 0.19, 0.2]).verdict).toBe('undecided');
  expect(() => sharpRatio([0.2], [0.2, 0.2])).toThrow(/shots before: 1/);
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
