import { demoJobs, demoSettings } from '@/demo/shop';
import type { JobEvent, NewEvent } from '@/model/event';
import { foldJob } from '@/model/fold';
import { tapeClocks } from '../../../test-support/cureForms';
import { benchItems } from './benchItems';

const t0 = Date.UTC(2026, 3, 14, 13);
const fold = (lists: JobEvent[][]) => lists.map((l) => foldJob(l)!);
const jobs = fold(demoJobs(t0));
const add = (list: JobEvent[], at: number, ...more: NewEvent[]): JobEvent[] => [
  ...list,
  ...more.map((e, i): JobEvent => ({
    ...e,
    v: 1,
    id: `a${at}${i}`,
    jobId: list[0]!.jobId,
    writer: 'w',
    seq: 900 + i,
    at,
    loggedAt: at,
    by: 'x',
  })),
];

it('the device on the plate comes first, with its countdown; closed jobs are not on the bench', () => {
  const items = benchItems(jobs, demoSettings, t0 + 5000);
  expect(items).toHaveLength(11);
  expect(items[0]).toMatchObject({ state: 'runs', title: 'Take J-0142 off the plate', stage: 'heat' });
  expect(items[0]!.dueAt).toBeGreaterThan(t0 + 20_000);
  expect(items.map((i) => i.state)).toEqual(['runs', 'runs', 'runs', ...Array<string>(8).fill('waits')]);
});

it('what is overdue needs hands', () => {
  expect(benchItems(jobs, demoSettings, t0 + 200_000)[0]).toMatchObject({
    state: 'hands',
    title: 'Take J-0142 off the plate',
  });
});

it('a warm line that will grip is hands first; once it has gripped it asks for a reheat', () => {
  const list = add(
    demoJobs(t0)[0]!,
    t0 + 60_000,
    { type: 'heatOff', reason: 'ready', easyForS: 20, gripsInS: 200 },
    { type: 'stage', stage: 'heat', to: 'done' },
  );
  const job = foldJob(list)!;
  expect(benchItems([job], demoSettings, t0 + 90_000)[0]).toMatchObject({
    state: 'hands',
    title: 'Lift J-0142 before it grips',
    dueAt: t0 + 260_000,
    stage: 'lift',
  });
  expect(benchItems([job], demoSettings, t0 + 400_000)[0]!.title).toBe('J-0142 has gripped: reheat');
});

it('clamps come off at the usual time by the shop’s policy, not before', () => {
  const clamped = jobs[2]!;
  const due = clamped.clampOn!.at + tapeClocks(demoSettings.roomC).clampOff.mean * 1e3;
  expect(benchItems([clamped], demoSettings, due - 1000)[0]).toMatchObject({ state: 'runs', dueAt: due });
  expect(benchItems([clamped], demoSettings, due + 1000)[0]).toMatchObject({
    state: 'hands',
    title: 'Take the clamps off J-0139',
  });
});

it('a swollen cell stands above everything', () => {
  const swollen = foldJob(add(demoJobs(t0)[1]!, t0, { type: 'finding', kind: 'cellSwollen', answer: 'yes' }))!;
  expect(benchItems([...jobs, swollen], demoSettings, t0)[0]!.title).toBe('J-0143: swollen battery, stop');
});
