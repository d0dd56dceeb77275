import { demoJobs, demoSettingsAt } from '@/demo/shop';
import { foldOnce } from '@/store/folded';
import { outcomeOf } from '@/work/money/jobMoney';
import { benchItems } from './benchItems';
import type { JobEvent, NewEvent } from '@/model/event';
import { foldJob, type JobState } from '@/model/fold';
import { atEachJoint } from '@/model/joints';
import { jobWay } from '@/model/jobWay';
import { jointsOfWorks, type JobWork } from '@/model/jobWorks';
import { shippedDevices } from '@/model/shippedDevices';
import { stockNow } from '@/model/stock';

const t0 = Date.UTC(2026, 3, 14, 13);
const minute = 60_000;
const lens = shippedDevices.find((d) => d.id === 'lens67')!;
const works: JobWork[] = [
  { joint: 'backRing', work: 'glassOnly' },
  { joint: 'lens1Tape', work: 'lensCovers' },
];
const first = demoJobs(t0)[0]!.find((e) => e.type === 'opened')!;
const opened = {
  ...first,
  at: t0 - 90 * minute,
  device: lens,
  bondId: 'backRing',
  works,
  steps: jobWay(lens, jointsOfWorks(works)),
} as JobEvent;
const noted = (more: (NewEvent & { joint?: string; minute?: number })[]): JobState =>
  foldJob([
    opened,
    ...more.map(
      ({ minute: m = 0, ...e }, i) =>
        ({
          ...first,
          ...{ device: undefined, steps: undefined, works: undefined },
          ...e,
          id: `x${i}`,
          seq: 900 + i,
          at: t0 + m * minute,
          loggedAt: t0,
        }) as unknown as JobEvent,
    ),
  ])!;
const settings = demoSettingsAt(t0 - 86400e3);
const tape = settings.tapes[0]!;
const bond = (joint: string, usedMm: number, m: number): NewEvent & { joint: string; minute: number } => ({
  type: 'bonded',
  joint,
  minute: m,
  adhesive: 'cutTape',
  usedMm,
  widthMm: 2,
  cure: 'tape',
  itemId: tape.id,
  used: [{ kind: 'roll', id: `${tape.id}/${tape.rolls[0]!.id}`, amount: usedMm }],
});
const left = (jobs: JobState[]) => [...stockNow(settings, jobs).rolls.values()].reduce((a, b) => a + b, 0);

it('is the job at each joint, the one that is looked at first; one with one joint is itself', () => {
  const job = noted([]);
  expect(atEachJoint(job).map((j) => j.joint)).toEqual(['backRing', 'lens1Tape']);
  expect(atEachJoint(foldJob([opened], 'lens1Tape')!).map((j) => j.joint)).toEqual(['lens1Tape', 'backRing']);
  expect(atEachJoint(job)[1]!.route).toMatchObject({ work: 'lensCovers' });
  expect(atEachJoint(job)).toBe(atEachJoint(job));
  const one = foldOnce(demoJobs(t0)[0]!).state!;
  expect(atEachJoint(one)).toEqual([one]);
});

it('each joint has its own answer about cracks and its own ticks', () => {
  const job = noted([
    { type: 'finding', joint: 'backRing', kind: 'crack', answer: 'yes', edges: ['top'] },
    { type: 'prep', joint: 'lens1Tape', item: 'blownClosing', done: true },
  ]);
  const [back, cover] = ['backRing', 'lens1Tape'].map((id) => atEachJoint(job).find((j) => j.joint === id)!);
  expect(back!.findings.crack).toMatchObject({ answer: 'yes', edges: ['top'] });
  expect(cover!.findings.crack).toBeUndefined();
  expect([back!.prep.has('blownClosing'), cover!.prep.has('blownClosing')]).toEqual([false, true]);
});

it('tape of both joints leaves the stock, whichever joint is looked at; parts of both are reserved', () => {
  const job = noted([bond('backRing', 400, 1), bond('lens1Tape', 30, 2)]);
  expect(left([noted([])]) - left([job])).toBeCloseTo(430, 6);
  const other = foldJob(job.log, 'lens1Tape')!;
  expect(left([noted([])]) - left([other])).toBeCloseTo(430, 6);
});

it('money counts the parts and the glue of both', () => {
  const both = outcomeOf(noted([bond('backRing', 400, 1), bond('lens1Tape', 30, 2)]), settings).parts;
  const list = settings.money.prices.phone!;
  expect(both.partMinor).toBe(list['glass.genuine']! + list['lensSet.genuine']!);
  const one = outcomeOf(noted([bond('backRing', 400, 1)]), settings).parts;
  expect(both.usedMinor).toBeGreaterThan(one.usedMinor);
});

it('two joints that are clamped side by side are two lines on the Bench, each with its own clock', () => {
  const clamp = (joint: string, m: number): NewEvent & { joint: string; minute: number } => ({
    type: 'clampOn',
    joint,
    minute: m,
    clip: 'spring clip',
    count: 8,
    forceN: 6,
  });
  const job = noted([bond('backRing', 400, 1), clamp('backRing', 2), bond('lens1Tape', 30, 5), clamp('lens1Tape', 6)]);
  const lines = benchItems([job], settings, t0 + 7 * minute).filter((i) => i.stage === 'cure');
  expect(lines.map((i) => i.joint ?? job.joint).sort()).toEqual(['backRing', 'lens1Tape']);
  expect(new Set(lines.map((i) => i.dueAt)).size).toBe(2);
  expect(lines.find((i) => i.joint)!.title).toMatch(/, (lens covers|back)$/);
});
