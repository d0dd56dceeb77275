import { act, render } from '@testing-library/react';

import { demoJobs, demoSettings } from '@/demo/shop';
import { foldJob, type JobState } from '@/model/fold';
import type { HeatWay } from '@/core/schedule/jobTasks';
import { needsHeat } from '@/work/heat/heatWanted';
import type { HeatsAnswer, HeatsQuestion } from '@/workers/heats.worker';
import { useHeats } from './useHeats';

const mockAsked: HeatsQuestion[] = [];
let mockAnswer: (q: HeatsQuestion, tell: (a: HeatsAnswer) => void) => Promise<void>;
const mockCancel = jest.fn();
const mockTexts = new Map<string, string>();
jest.mock('@/workers/heatsClient', () => ({
  askHeats: (q: HeatsQuestion, tell: (a: HeatsAnswer) => void) => {
    mockAsked.push(q);
    return { result: mockAnswer(q, tell), cancel: mockCancel };
  },
}));
jest.mock('@/store/shop', () => ({
  repository: { readExtra: async (key: string) => mockTexts.get(key.replace('modes/', '')) ?? null },
}));

const t0 = new Date('2026-04-14T13:00:00').getTime();
/** Jobs of a bench of its own for each test: what is known of one is known for good. */
const jobsOf = (nth: number): JobState[] =>
  demoJobs(t0)
    .map((log) => ({ ...foldJob(log)!, id: `${nth}-${log[0]!.jobId}` }))
    .filter(needsHeat);
const way = { heater: 'mat', seconds: 140 } as unknown as HeatWay;

let found: ReadonlyMap<string, readonly HeatWay[]>;
function Page({ jobs }: { jobs: readonly JobState[] }) {
  found = useHeats(jobs, demoSettings);
  return null;
}
const settle = () => act(async () => void (await new Promise((r) => setTimeout(r, 20))));

beforeEach(() => {
  mockAsked.length = 0;
  mockTexts.clear();
  mockCancel.mockClear();
});

it('asks once for all, and hands on what comes', async () => {
  const jobs = jobsOf(1);
  mockAnswer = async (q, tell) => q.jobs.forEach(({ key }) => tell({ key, ways: [way] }));
  const { rerender } = render(<Page jobs={jobs} />);
  await settle();
  expect(jobs.length).toBeGreaterThan(2);
  expect([...found.keys()].sort()).toEqual(jobs.map((j) => j.id).sort());
  rerender(<Page jobs={[...jobs]} />);
  await settle();
  expect(mockAsked).toHaveLength(1);
});

it('what this browser has built itself is handed over the second time; what was never built leaves the estimate', async () => {
  const jobs = jobsOf(2).slice(0, 2);
  mockTexts.set('built', '{}');
  mockAnswer = async (q, tell) =>
    q.jobs.forEach(({ job, key }) => {
      const digest = job.id === jobs[0]!.id ? 'built' : 'never';
      tell(digest in q.texts ? { key, ways: [way] } : { key, needs: digest });
    });
  render(<Page jobs={jobs} />);
  await settle();
  expect(mockAsked.map((q) => [q.jobs.length, Object.keys(q.texts)])).toEqual([
    [2, []],
    [1, ['built']],
  ]);
  expect([...found.keys()]).toEqual([jobs[0]!.id]);
});

it('a job that goes ends the question about it', async () => {
  const jobs = jobsOf(3);
  mockAnswer = () => new Promise<void>(() => {});
  const { unmount } = render(<Page jobs={jobs} />);
  unmount();
  expect(mockCancel).toHaveBeenCalled();
});
