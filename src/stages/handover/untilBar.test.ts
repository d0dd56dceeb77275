import { demoJobs, demoSettings } from '@/demo/shop';
import { foldJob } from '@/model/fold';
import { cureOf } from '@/work/cure/cureJob';
import { untilBar } from './untilBar';

const t0 = Date.UTC(2026, 3, 14, 13);
const jobs = demoJobs(t0).map((l) => foldJob(l)!);
const closed = jobs.find((j) => j.label === 'J-0137')!;
const start = closed.clampOn!.at;
const { sealTest, full } = cureOf(closed, demoSettings, t0).clocks;

it('careful, as usual, fully bonded: with the instants of the cure clock', () => {
  const bar = untilBar(closed, demoSettings, start + 1000)!;
  expect(bar.parts.map((p) => p.kind)).toEqual(['careful', 'usual', 'full']);
  expect(bar.parts.reduce((s, p) => s + p.share, 0)).toBeCloseTo(1, 9);
  expect(bar.said).toMatch(/^Careful until .*, full bond from /);
});

it('what is over is not drawn', () => {
  expect(untilBar(closed, demoSettings, start + (sealTest.high + 1) * 1e3)!.parts.map((p) => p.kind)).toEqual([
    'usual',
    'full',
  ]);
  expect(untilBar(closed, demoSettings, start + (full.high + 1) * 1e3)).toBeNull();
});

it('a job that was never closed has none', () =>
  expect(
    untilBar(
      jobs.find((j) => j.label === 'J-0143')!,
      demoSettings,
      t0,
    ),
  ).toBeNull());

it('what ends on the same day for whoever is told days is one part, and its name stands once', () => {
  let two = 0;
  let one = 0;
  for (let h = 0; h < full.high / 3600; h++) {
    const bar = untilBar(closed, demoSettings, start + h * 3600e3);
    if (!bar) continue;
    const names = bar.parts.flatMap((p) => (p.until === null ? [] : [p.until]));
    expect(new Set(names).size).toBe(names.length);
    expect(bar.parts.reduce((s, p) => s + p.share, 0)).toBeCloseTo(1, 9);
    if (names.length === 2) two++;
    else one++;
  }
  expect(one + two).toBeGreaterThan(10);
});
