import { leftMessage } from '@/core/schedule/leftError';
import type { SessionQuestion } from '@/core/schedule/planSession';
import { FakeWorker } from '../../test-support/fakeWorker';
import { CancelledError } from './longRun';
import { betterPlan } from './scheduleClient';

jest.mock('./startSchedule', () => ({ startSchedule: () => mockStart() }));
const mockStart = () => new FakeWorker();

const question = { seeds: [1] } as unknown as SessionQuestion;
const ask = () =>
  betterPlan(
    question,
    () => {},
    () => {},
  );
const reply = (w: FakeWorker, id: string, more: object) => w.emit('message', { data: { id, type: 'RAW', ...more } });
const failed = (w: FakeWorker, id: string, message: string) =>
  w.emit('message', {
    data: {
      id,
      type: 'HANDLER',
      name: 'throw',
      value: { isError: true, value: { message, name: 'Error', stack: '' } },
    },
  });

it('one worker searches for all questions: given up it is told to hold, and the next question finds it there', async () => {
  const first = ask();
  const worker = FakeWorker.last;
  const begun = FakeWorker.all.length;
  first.cancel();
  await expect(first.result).rejects.toThrow(CancelledError);
  expect(worker.asked.map((m) => m.path[0])).toEqual(['plan', 'hold']);
  expect(worker.terminated).toBe(false);
  const second = ask();
  // the one before says that it was left: nothing is wrong
  failed(worker, worker.asked[0]!.id, leftMessage);
  reply(worker, worker.asked[2]!.id, { value: { plan: 'better' } });
  await expect(second.result).resolves.toEqual({ plan: 'better' });
  expect(FakeWorker.all).toHaveLength(begun);
  expect(worker.terminated).toBe(false);

  // one that broke is not asked again
  const third = ask();
  failed(worker, worker.asked.at(-1)!.id, 'out of memory');
  await expect(third.result).rejects.toThrow('out of memory');
  expect(worker.terminated).toBe(true);
  const fourth = ask();
  expect(FakeWorker.last).not.toBe(worker);
  FakeWorker.last.emit('error', { message: 'the worker died' });
  await expect(fourth.result).rejects.toThrow('the worker died');
  expect(FakeWorker.last.terminated).toBe(true);
});

it('a worker that nobody asks for a minute is ended', async () => {
  jest.useFakeTimers();
  try {
    const run = ask();
    const worker = FakeWorker.last;
    reply(worker, worker.asked.at(-1)!.id, { value: 1 });
    await expect(run.result).resolves.toBe(1);
    await jest.advanceTimersByTimeAsync(59_000);
    expect(worker.terminated).toBe(false);
    await jest.advanceTimersByTimeAsync(2_000);
    expect(worker.terminated).toBe(true);
  } finally {
    jest.useRealTimers();
  }
});
