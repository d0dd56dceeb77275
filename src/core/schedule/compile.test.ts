import { compile } from './compile';
import type { Bench } from './types';

type Job = Bench['jobs'][number];
type Task = Job['variants'][number]['tasks'][number];

const task = (
  id: string,
  durS: number,
  use: Record<string, number> = { mirel: 1 },
  more: Partial<Task> = {},
): Task => ({
  id,
  modes: [{ durS, use }],
  ...more,
});
const job = (
  tasks: Task[],
  links: Job['variants'][number]['links'] = [],
  holds: Job['variants'][number]['holds'] = [],
  id = 'j1',
): Job => ({ id, releaseS: 0, dueS: null, weight: 1, variants: [{ id: 'usual', tasks, links, holds }] });
const benchOf = (jobs: Job[], started: Bench['started'] = []): Bench => ({
  originS: 0,
  nowS: 0,
  resources: [
    { id: 'mirel', kind: 'technician', capacity: 1 },
    { id: 'clips', kind: 'clamp', capacity: 12 },
  ],
  calendars: { morning: [[0, 3600]] },
  jobs,
  started,
});
const named = (b: Bench) => {
  const c = compile(b);
  return { c, of: (id: string) => c.tasks.find((t) => t.id === id)! };
};

it('what is left after a task is the longest way to the end, by hand', () => {
  // heat 100, then lift 60 after 5 s, then either clean 300 or sort 40 before bond 200
  const { of } = named(
    benchOf([
      job(
        [task('bond', 200), task('heat', 100), task('clean', 300), task('lift', 60), task('sort', 40)],
        [
          { from: 'heat', to: 'lift', minS: 5 },
          { from: 'lift', to: 'clean', minS: 0 },
          { from: 'lift', to: 'sort', minS: 500 },
          { from: 'clean', to: 'bond', minS: 10 },
          { from: 'sort', to: 'bond', minS: 0 },
        ],
      ),
    ]),
  );
  expect(of('bond').tailS).toBe(0);
  expect(of('clean').tailS).toBe(210);
  expect(of('sort').tailS).toBe(200);
  // by the sorting: 500 + 40 + 200; by the cleaning only 300 + 210
  expect(of('lift').tailS).toBe(740);
  expect(of('heat').tailS).toBe(5 + 60 + 740);
});

it('tasks stand in an order in which each comes after those it needs, however they were written down', () => {
  const { c } = named(
    benchOf([
      job(
        [task('c', 1), task('b', 1), task('a', 1)],
        [
          { from: 'a', to: 'b', minS: 0 },
          { from: 'b', to: 'c', minS: 0 },
        ],
      ),
    ]),
  );
  const [variant] = c.jobs[0]!.variants;
  expect(variant!.tasks.map((t) => c.tasks[t]!.id)).toEqual(['a', 'b', 'c']);
  expect(variant!.workS).toBe(3);
});

it('tasks with a window between them are placed together, others by themselves', () => {
  const { c, of } = named(
    benchOf([
      job(
        [task('heat', 100), task('lift', 60), task('clean', 300)],
        [
          { from: 'heat', to: 'lift', minS: 0, maxS: 30 },
          { from: 'lift', to: 'clean', minS: 0 },
        ],
      ),
    ]),
  );
  expect(of('heat').block).toBe(of('lift').block);
  expect(of('clean').block).not.toBe(of('heat').block);
  expect(c.blocks[of('clean').block]!.preds).toEqual([of('heat').block]);
  expect(c.blocks[of('heat').block]!.preds).toEqual([]);
});

it('what is held from one task to another ties the two, and what must lie between them as well', () => {
  // clips held from the bond to the unclamping; the wait lies before one and after the other
  const { c, of } = named(
    benchOf([
      job(
        [task('bond', 60), task('wait', 900, {}), task('unclamp', 30), task('check', 30)],
        [
          { from: 'bond', to: 'wait', minS: 0 },
          { from: 'wait', to: 'unclamp', minS: 0 },
          { from: 'unclamp', to: 'check', minS: 0 },
        ],
        [{ resource: 'clips', n: 8, from: 'bond', to: 'unclamp' }],
      ),
    ]),
  );
  expect(of('wait').block).toBe(of('bond').block);
  expect(of('unclamp').block).toBe(of('bond').block);
  expect(of('check').block).not.toBe(of('bond').block);
  expect(c.blocks[of('bond').block]!.holds.map((h) => [h.res, h.need])).toEqual([[1, 8]]);
});

it('what has begun keeps its instant, and the shortest mode counts', () => {
  const two = task('heat', 100);
  const { of } = named(
    benchOf(
      [job([{ ...two, modes: [...two.modes, { durS: 70, use: { mirel: 1 } }] }])],
      [{ job: 'j1', task: 'heat', startS: -20, endS: 80, mode: 0 }],
    ),
  );
  expect(of('heat').minDurS).toBe(70);
  expect(of('heat').started).toMatchObject({ startS: -20, endS: 80 });
});

describe('what cannot be is named', () => {
  it.each<[string, Job, RegExp]>([
    [
      'a circle',
      job(
        [task('a', 1), task('b', 1)],
        [
          { from: 'a', to: 'b', minS: 0 },
          { from: 'b', to: 'a', minS: 0 },
        ],
      ),
      /circle/,
    ],
    ['a task that is not there', job([task('a', 1)], [{ from: 'a', to: 'z', minS: 0 }]), /z/],
    ['a resource that is not there', job([task('a', 1, { oven: 1 })]), /oven/],
    ['more than there is', job([task('a', 1, { clips: 13 })]), /at most 12/],
    [
      'a window that closes before it opens',
      job([task('a', 1), task('b', 1)], [{ from: 'a', to: 'b', minS: 60, maxS: 30 }]),
      /a to b/,
    ],
    ['no way to do it', job([{ ...task('a', 1), modes: [] }]), /no way/],
    ['a time that is none', job([task('a', -1)]), /duration/],
    [
      'held to a task that is not there',
      job([task('a', 1)], [], [{ resource: 'clips', n: 1, from: 'a', to: 'q' }]),
      /q/,
    ],
    ['held of what is not there', job([task('a', 1)], [], [{ resource: 'oven', n: 1, from: 'a', to: 'a' }]), /oven/],
  ])('%s', (_, j, what) => expect(() => compile(benchOf([j]))).toThrow(what));
});
