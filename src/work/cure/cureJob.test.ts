import { airSteps } from '@/core/cure/airSteps';
import { cureClocks, steady } from '@/core/cure/laws';
import { demoJobs, demoSettings } from '@/demo/shop';
import type { JobEvent, NewEvent } from '@/model/event';
import { foldJob, type JobState } from '@/model/fold';
import { climateOf, cureEnd, cureOf } from './cureJob';

const noon = new Date('2026-04-14T13:00:00').getTime();
const hour = 3600e3;
const log = demoJobs(noon).find((l) => l[0]!.jobId === 'demo-0132')!;

function job(...more: [number, NewEvent][]): JobState {
  const events = more.map(([at, e], i): JobEvent => ({
    ...e,
    v: 1,
    id: `x${i}`,
    jobId: 'demo-0132',
    writer: 'w',
    seq: 1000 + i,
    at,
    loggedAt: noon + i,
    by: 'Osk',
  }));
  return foldJob([...log, ...events])!;
}
const warm = { ...demoSettings, night: { ...demoSettings.night, on: false } };

it('without night and notes the air of the beginning lasts', () => {
  expect(climateOf(job(), warm, noon - 17 * hour).map((s) => s.tC)).toEqual([21]);
});

it('a night counts with the shop’s figure, unless somebody measured in it', () => {
  const start = noon - 17 * hour; // 20:00
  const steps = climateOf(job(), demoSettings, start);
  expect(steps[0]).toMatchObject({ fromS: 0, tC: 14 });
  expect(steps[1]).toMatchObject({ fromS: 11 * 3600, tC: 21 });
  const measured = climateOf(job([start + 3 * hour, { type: 'ambient', tempC: 18, rh: 60 }]), demoSettings, start);
  expect(measured.slice(0, 3).map((s) => s.tC)).toEqual([14, 18, 18]);
});

it('a cold night makes the clocks of a bead later than steady warmth, and a warm box earlier', () => {
  const at = (j: JobState, s = demoSettings) => cureEnd(cureOf(j, s, noon), 'full')!;
  const cold = at(job());
  const even = at(job(), warm);
  expect(cold).toBeGreaterThan(even + hour);
  const box = at(job([noon - 16 * hour, { type: 'shelved', place: 'W', tC: 35 }]));
  expect(box).toBeLessThan(even);
});

it('a log that is read in later counts from its own instants, in whatever order it was noted', () => {
  const start = noon - 17 * hour;
  const j = job([start + 9 * hour, { type: 'ambient', tempC: 10 }], [start + 2 * hour, { type: 'ambient', tempC: 30 }]);
  expect(climateOf(j, warm, start).map((s) => [s.fromS / 3600, s.tC])).toEqual([
    [0, 21],
    [2, 30],
    [9, 10],
  ]);
});

it('a log of the shelf becomes few steps: means of half an hour, a kelvin apart', () => {
  const tS = Array.from({ length: 24 * 60 }, (_, i) => i * 60);
  const steps = airSteps(
    tS,
    tS.map((t) => (t < 8 * 3600 ? 21 : t < 16 * 3600 ? 14 : 20)),
  );
  expect(steps).toEqual([
    { fromS: 0, tC: 21 },
    { fromS: 8 * 3600, tC: 14 },
    { fromS: 16 * 3600, tC: 20 },
  ]);
  expect(() => airSteps([0], [300])).toThrow(/temperature at 0 s: 300 does not work; it takes -20 to 60 °C/);
  expect(() => airSteps([], [])).toThrow(/log/);
});

it('what the shop has seen of its glue narrows the long end; what was left out does not', () => {
  const seen = (ratio: number, out = false) => ({
    id: `s${ratio}${out}`,
    at: noon,
    job: 'J-1',
    liquid: 'black',
    ratio,
    held: true,
    out,
  });
  const with3 = { ...warm, cureSeen: [seen(1.5), seen(1.6), seen(1.7)] };
  const c = cureOf(job(), with3, noon);
  expect(c.edges).toMatchObject({ high: 1.6, seen: 3 });
  expect(c.clocks.full.high).toBeCloseTo(cureClocks('solvent', 1.4, steady(21, 55), c.edges).full.high, 3);
  expect(cureOf(job(), { ...warm, cureSeen: [seen(1.5), seen(1.6), seen(1.7, true)] }, noon).edges.high).toBe(4);
});

it('shares are of the short and of the long end', () => {
  const c = cureOf(job(), warm, noon);
  expect(c.shareLow).toBeLessThan(c.shareHigh);
  expect(c.shareLow).toBeGreaterThan(0.3);
  expect(cureEnd(cureOf(foldJob(log.slice(0, 4))!, warm, noon), 'full')).toBeNull();
});
