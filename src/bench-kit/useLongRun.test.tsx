import { act, render, screen } from '@testing-library/react';

import type { LongRun } from '@/workers/longRun';
import { LongRunLine } from './LongRunLine';
import { useLongRun } from './useLongRun';

jest.mock('@/workers/longRun', () => ({
  CancelledError: class extends Error {
    constructor() {
      super('cancelled');
    }
  },
}));
const { CancelledError } = jest.requireMock<{ CancelledError: new () => Error }>('@/workers/longRun');

/** Work that ends when the test says so. */
function work() {
  let finish: (v: string) => void = () => {};
  let fail: (e: Error) => void = () => {};
  const result = new Promise<string>((a, b) => {
    finish = a;
    fail = b;
  });
  const run: LongRun<string> = { result, cancel: jest.fn(() => fail(new CancelledError())) };
  return { run, finish: (v: string) => act(async () => finish(v)), fail: (e: Error) => act(async () => fail(e)) };
}

type Hook = ReturnType<typeof useLongRun<string>>;
function Page() {
  const h = useLongRun<string>();
  // the test reads the hook as a page would
  Object.assign(globalThis, { seen: h });
  return (
    <>
      <LongRunLine name="Planning" share={h.share} problem={h.problem} onCancel={h.cancel} />
      {h.result ? <p>{h.result}</p> : null}
    </>
  );
}
const seen = () => (globalThis as unknown as { seen: Hook }).seen;

it('shows progress, then the result', async () => {
  render(<Page />);
  const w = work();
  await act(
    async () =>
      void seen().start((tell) => {
        tell(0.42);
        return w.run;
      }),
  );
  expect(screen.getByText('Planning: 42 %')).toBeTruthy();
  await w.finish('done');
  expect(screen.getByText('done')).toBeTruthy();
  expect(screen.queryByText(/Planning/)).toBeNull();
});

it('progress that comes after the result changes nothing any more', async () => {
  render(<Page />);
  const w = work();
  let tell: (s: number) => void = () => {};
  await act(
    async () =>
      void seen().start((t) => {
        tell = t;
        return w.run;
      }),
  );
  await w.finish('done');
  await act(async () => tell(0.9));
  expect(seen().share).toBeNull();
});

it('cancel says that it stopped; an error says why', async () => {
  render(<Page />);
  const w = work();
  await act(async () => void seen().start(() => w.run));
  await act(async () => screen.getByRole('button', { name: 'Cancel' }).click());
  expect(screen.getByText('Stopped.')).toBeTruthy();
  const v = work();
  await act(async () => void seen().start(() => v.run));
  expect(screen.queryByText('Stopped.')).toBeNull();
  await v.fail(new Error('the worker ran out of memory'));
  expect(screen.getByText('the worker ran out of memory')).toBeTruthy();
});

it('a second start ends the first, whose answer is no longer shown', async () => {
  render(<Page />);
  const [a, b] = [work(), work()];
  await act(async () => void seen().start(() => a.run));
  await act(async () => void seen().start(() => b.run));
  expect(a.run.cancel).toHaveBeenCalled();
  await a.finish('old');
  expect(screen.queryByText('old')).toBeNull();
  await b.finish('new');
  expect(screen.getByText('new')).toBeTruthy();
});

it('leaving the page ends the work', async () => {
  const page = render(<Page />);
  const w = work();
  await act(async () => void seen().start(() => w.run));
  page.unmount();
  expect(w.run.cancel).toHaveBeenCalled();
});
