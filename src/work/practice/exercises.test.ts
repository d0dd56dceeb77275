import { Advance } from '@/core/lift/advance';
import type { BenchState, Happened } from '@/core/practice/happened';
import { reached } from '@/core/practice/goal';
import { demoJobs } from '@/demo/shop';
import { foldJob } from '@/model/fold';
import type { JobEvent } from '@/model/event';
import { shippedDevices } from '@/model/shippedDevices';
import { plainWay } from '@/model/way';
import { asExercise, endingOf, readyForHeat } from './exercises';
import { practiceCostMinor } from './practiceCost';
import { guessError } from './guessError';
import { liftIds, exercises } from './exerciseTable';

const t0 = Date.UTC(2026, 3, 14, 13);
const edge = { fromMm: 0, toMm: 60 };
const state = (over: Partial<BenchState> = {}): BenchState => ({
  ...{ tS: 100, switches: [], cut: Advance.none(400), hazard: 0, pullHazard: 0, broke: null, hurt: [], wet: [] },
  ...{ flash: false, hot: {}, free: false },
  ...over,
});
const broke = { what: 'broke' } as Extract<Happened, { what: 'broke' }>;
const hurt = { what: 'hurt' } as Extract<Happened, { what: 'hurt' }>;

it('every made-up device of an exercise comes to its first heat with its cover to be saved', () => {
  for (const id of liftIds) {
    const { deviceId } = exercises[id];
    if (deviceId === null) continue;
    const device = shippedDevices.find((d) => d.id === deviceId)!;
    const bondId = device.bonds[0]!.id;
    const events = [
      { type: 'opened', label: 'P', device, bondId, promiseAt: null, customerMark: '', steps: plainWay(bondId) },
      ...readyForHeat(bondId),
    ].map((e, i) => ({ ...e, v: 1, id: `p${i}`, jobId: 'p', writer: 'p', seq: i, at: t0, loggedAt: t0, by: 'p' }));
    const job = foldJob(events as JobEvent[])!;
    expect(job.stage).toBe('heat');
    expect(job.keepCover).toBe(true);
    expect(job.prep.has('toolsReady')).toBe(true);
  }
});

it('a customer’s job is copied as far as its heat: findings, route and cracks, nothing that was done since', () => {
  for (const log of demoJobs(t0)) {
    const job = foldJob(log)!;
    const copy = asExercise(job);
    expect(copy[0]!.type).toBe('opened');
    expect(copy.some((e) => e.type === 'heatOn' || e.type === 'edge' || e.type === 'bonded')).toBe(false);
    expect(copy.filter((e) => e.type === 'crack')).toHaveLength(job.effective.filter((e) => e.type === 'crack').length);
  }
});

it('what went wrong weighs more than how far it came', () => {
  const cut = Advance.none(400).cut({ fromMm: 0, toMm: 60 });
  expect(reached('gap', state(), edge)).toBe(false);
  expect(reached('gap', state({ cut }), edge)).toBe(true);
  expect(reached('firstEdge', state({ cut }), edge)).toBe(true);
  expect(reached('off', state({ cut }), edge)).toBe(false);
  expect(endingOf('firstEdge', state({ cut }), edge)).toBe('passed');
  expect(endingOf('off', state({ cut }), edge)).toBe('given up');
  expect(endingOf('off', state({ free: true }), edge)).toBe('passed');
  const hot = { battery: { peakC: 84, aboveStopS: 12 } };
  expect(endingOf('off', state({ free: true, hot }), edge)).toBe('tooHot');
  expect(endingOf('off', state({ free: true, hot, hurt: [hurt] }), edge)).toBe('hurt');
  expect(endingOf('off', state({ hot, hurt: [hurt], broke }), edge)).toBe('broke');
  expect(endingOf('off', state({ broke, flash: true }), edge)).toBe('flash');
});

it('half an hour at 30 an hour is 15; what fails is done again (worked by hand)', () => {
  const shop = { ratePerH: 30, reworkCost: 40 };
  expect(practiceCostMinor({ seconds: 1800, failed: false }, shop)).toBe(1500);
  expect(practiceCostMinor({ seconds: 1800, failed: true }, shop)).toBe(5500);
  expect(practiceCostMinor({ seconds: 0, failed: false }, shop)).toBe(0);
});

it('guesses: mean and sample deviation (2, 4, 4, 4, 5, 5, 7, 9 have mean 5 and deviation √(32/7)); few say nothing', () => {
  const g = guessError([2, 4, 4, 4, 5, 5, 7, 9])!;
  expect(g.meanK).toBe(5);
  expect(g.spreadK).toBeCloseTo(Math.sqrt(32 / 7), 12);
  expect(guessError([1, 2])).toBeNull();
});
