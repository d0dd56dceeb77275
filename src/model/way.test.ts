import { demoJobs } from '@/demo/shop';
import { parseEvent, type JobEvent } from './event';
import { foldJob } from './fold';
import { stageDefs, stageIds } from './stages';
import { taskName, taskTitle } from '../words/stageWords';
import { stageOf } from './taskNames';
import { nextStep, placeOn, plainWay } from './way';

const jobs = demoJobs(Date.UTC(2026, 3, 14, 13));

/** The same log, opened with these steps. */
const withSteps = (log: readonly JobEvent[], steps: readonly object[]): JobEvent[] =>
  log.map((e) => (e.type === 'opened' ? ({ ...e, steps } as JobEvent) : e));

it('a job of before jobs kept their way goes through the ten stages, and nothing else of it changes', () => {
  for (const log of jobs) {
    const opened = log.find((e) => e.type === 'opened')!;
    const [old, own] = [foldJob(log)!, foldJob(withSteps(log, plainWay(opened.bondId)))!];
    expect(old.way.map((s) => s.stage)).toEqual(
      'intake heat lift strip clean dryFit bond cure check handover'.split(' '),
    );
    expect(own.way).toEqual(old.way);
    expect([own.stage, own.stages]).toEqual([old.stage, old.stages]);
  }
});

it('a job keeps the steps that it was opened with: what is not on its way is not asked of it', () => {
  const log = jobs[0]!.filter((e) => e.type === 'opened' || (e.type === 'stage' && e.stage === 'intake'));
  const steps = plainWay('b').filter((s) => !['heat', 'lift', 'strip', 'clean'].includes(s.stage));
  const job = foldJob(
    withSteps([...log, { ...log.at(-1)!, type: 'stage', stage: 'intake', to: 'done' } as JobEvent], steps),
  )!;
  expect(job.way).toEqual(steps);
  expect(job.stages.heat).toBe('skipped');
  expect(job.stage).toBe('dryFit');
  expect(nextStep(job, 'intake')?.stage).toBe('dryFit');
  expect(nextStep(job, 'handover')).toBeNull();
  expect([placeOn(job.way, 'bond', 'b'), job.way.length, placeOn(job.way, 'lift', 'b')]).toEqual([3, 6, 0]);
});

it('a stage of a later version stands in the log as it came, and is left out of the way here', () => {
  const { bondId } = jobs[0]!.find((e) => e.type === 'opened')!;
  const later = [
    ...plainWay(bondId).slice(0, 5),
    { key: 'polish', stage: 'polish', joint: null },
    ...plainWay(bondId).slice(5),
  ];
  const log = withSteps(jobs[0]!, later);
  const job = foldJob(log)!;
  expect(job.way.map((s) => s.stage)).toEqual(stageIds);
  const read = parseEvent(JSON.parse(JSON.stringify(log.find((e) => e.type === 'opened'))));
  expect(read.ok && read.value.type === 'opened' && read.value.steps).toEqual(later);
});

it('steps of one joint are told apart by their keys, which are unique on a way', () => {
  const two = [...plainWay('front'), ...plainWay('back')];
  expect(new Set(two.filter((s) => s.joint).map((s) => s.key)).size).toBe(two.filter((s) => s.joint).length);
});

it('each task of the schedule belongs to one stage and has a name and a verb', () => {
  const tasks = stageIds.flatMap((s) => Object.keys(stageDefs[s].tasks).map((t) => [t, s] as const));
  expect(new Set(tasks.map(([t]) => t)).size).toBe(tasks.length);
  for (const [t, s] of tasks) expect(stageOf(t)).toBe(s);
  expect([taskName('unclamp'), taskTitle('unclamp', 'J-1')]).toEqual(['Clamps off', 'Take the clamps off J-1']);
  expect([stageOf('heat.reheat1'), taskName('heat.reheat1')]).toEqual(['heat', 'Reheat']);
});
