import { edgesOf } from './findLines';

it('Sobel’s slopes of a ramp are the ramp’s own, in both directions', () => {
  const [width, height] = [12, 9];
  const values = Float32Array.from(
    { length: width * height },
    (_, i) => 3 * (i % width) - 5 * Math.floor(i / width) + 60,
  );
  const { gx, gy } = edgesOf({ width, height, values } as never);
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      expect(gx[y * width + x]).toBeCloseTo(3, 5);
      expect(gy[y * width + x]).toBeCloseTo(-5, 5);
    }
});

it('an edge stands where the picture changes, and noise is none', () => {
  const [width, height] = [40, 30];
  const values = Float32Array.from(
    { length: width * height },
    (_, i) => (i % width < 20 ? 20 : 200) + ((i * 7919) % 3),
  );
  const { strong } = edgesOf({ width, height, values } as never);
  for (let y = 2; y < height - 2; y++)
    for (let x = 1; x < width - 1; x++) {
      if (x === 19 || x === 20) expect(strong[y * width + x]).toBeGreaterThan(50);
      else if (x < 18 || x > 21) expect(strong[y * width + x]).toBe(0);
    }
});
