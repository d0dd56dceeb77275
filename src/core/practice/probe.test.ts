import { practiceProbe, probeReadings } from './probe';

// a line that rises by 0.5 K a second
const bench = {
  lineC: (_s: unknown, _mm: number, tS: number) => 20 + 0.5 * tS,
  truth: { seed: 3 },
} as unknown as Parameters<typeof probeReadings>[0];
const cold = { switches: [] };

it('reads every two seconds, a little late and with the scatter of the logger', () => {
  const r = probeReadings(bench, cold, 0, 4000);
  expect(r.map((x) => x.atS).slice(0, 3)).toEqual([0, 2, 4]);
  expect(r).toHaveLength(2001);
  const off = r.slice(2).map((x) => x.tempC - (20 + 0.5 * (x.atS - practiceProbe.lagS.value)));
  const mean = off.reduce((s, x) => s + x, 0) / off.length;
  const sd = Math.sqrt(off.reduce((s, x) => s + (x - mean) ** 2, 0) / (off.length - 1));
  // standard error of a mean and of a standard deviation of n normal readings: s/√n and s/√(2n)
  expect(Math.abs(mean)).toBeLessThan((4 * practiceProbe.noiseK.value) / Math.sqrt(off.length));
  expect(Math.abs(sd - practiceProbe.noiseK.value)).toBeLessThan(
    (4 * practiceProbe.noiseK.value) / Math.sqrt(2 * off.length),
  );
});

it('the same instant is the same reading, wherever one begins to read', () => {
  const all = probeReadings(bench, cold, 0, 100);
  expect(probeReadings(bench, cold, 41, 100)).toEqual(all.filter((x) => x.atS > 41));
  expect(probeReadings(bench, cold, 42, 100)[0]!.atS).toBe(42);
  expect(probeReadings(bench, cold, 50, 49)).toEqual([]);
});
