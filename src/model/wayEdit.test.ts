import { demoJobs } from '@/demo/shop';
import { parseEvent, type JobEvent } from './event';
import { foldJob } from './fold';
import { wayChangeProblem, wayProblem } from './jobWay';
import { canAdd, canLeaveOut, leaveOut, moved, withStep } from './wayEdit';
import type { Step } from './way';

const log = demoJobs(Date.UTC(2026, 3, 14, 13)).find((l) => l[0]!.jobId === 'demo-0143')!;
const job = foldJob(log)!;
const at = (stage: string) => job.way.find((s) => s.stage === stage)!;
const changed = (steps: readonly Step[], why = 'the customer waits', nth = 900) => {
  const { v, jobId, writer, by, at: when, loggedAt } = log.at(-1)!;
  return {
    v,
    id: `c${nth}`,
    jobId,
    writer,
    by,
    at: when,
    loggedAt,
    seq: nth,
    type: 'wayChange',
    steps,
    why,
  } as JobEvent;
};

it('what was worked, and what every job has, stays; the rest can be left out and comes back to its place', () => {
  expect(job.progress[at('intake').key]).toBe('done');
  for (const stage of ['intake', 'lift', 'check', 'handover']) expect(canLeaveOut(job, at(stage))).toBe(false);
  const without = leaveOut(job.way, at('dryFit'));
  expect(canAdd(without)).toEqual([at('dryFit')]);
  expect(withStep(job, without, at('dryFit'))).toEqual(job.way);
});

it('a step is moved while the order can still be worked', () => {
  const { model } = job;
  const strip = moved(job, job.way, at('strip'), -1, model)!;
  expect(strip.map((s) => s.stage).slice(1, 4)).toEqual(['heat', 'strip', 'lift']);
  // stripped before heat, where the way needs a bare housing
  const before = moved(job, strip, at('strip'), -1, model)!;
  expect(before.map((s) => s.stage).slice(0, 3)).toEqual(['intake', 'strip', 'heat']);
  expect(moved(job, before, at('strip'), -1, model)).toBeNull();
  // no lift before its heat, nothing after hand-over
  expect(moved(job, job.way, at('lift'), -1, model)).toBeNull();
  expect(moved(job, job.way, at('check'), 1, model)).toBeNull();
  // nothing is bonded before it was cleaned and laid in dry
  expect(moved(job, job.way, at('bond'), -1, model)).toBeNull();
});

it('the job goes by the changed way; a change that cannot be worked changes nothing', () => {
  const without = leaveOut(job.way, at('dryFit'));
  const now = foldJob([...log, changed(without)])!;
  expect(now.way).toEqual(without);
  expect(now.progress[at('intake').key]).toBe('done');
  const back = [...without].reverse();
  expect(wayProblem(back, job.model)).not.toBeNull();
  expect(foldJob([...log, changed(without), changed(back, 'upside down', 901)])!.way).toEqual(without);
  expect(parseEvent(JSON.parse(JSON.stringify(changed([])))).ok).toBe(false);
});

it('a change from a file that leaves out what was worked, or hand-over, changes nothing', () => {
  const way = (stage: string) => foldJob([...log, changed(leaveOut(job.way, at(stage)))])!.way;
  // intake was done; without a check or a hand-over there is no job
  for (const stage of ['intake', 'lift', 'check', 'handover']) expect(way(stage)).toEqual(job.way);
  expect(way('cure')).not.toEqual(job.way);
  const worked = new Set([at('clean').key]);
  expect(wayChangeProblem(job.way, leaveOut(job.way, at('clean')), worked, job.model)).toMatch(
    /^step clean@.* was worked/,
  );
});

it('nonsense in a file is refused by name: what happened, a part, an answer, a step', () => {
  const { id: _, ...base } = JSON.parse(JSON.stringify(changed(job.way))) as Record<string, unknown>;
  const entry = (e: object) => parseEvent({ ...base, steps: undefined, why: undefined, id: 'n1', ...e });
  expect(entry({ type: 'happened', what: 'screw', stage: 'lift', where: 'underLabel' }).ok).toBe(true);
  for (const [bad, field] of [
    [{ type: 'happened', what: 'explosion', stage: 'lift' }, /^what: /],
    [{ type: 'happened', what: 'broke', stage: 'nowhere' }, /^stage: /],
    [{ type: 'happened', what: 'damaged', stage: 'lift', partName: 'x'.repeat(121) }, /^partName: /],
    [{ type: 'customerSaid', happenedId: 'h1', answer: 'perhaps' }, /^answer: /],
    [{ type: 'partChecked', holes: 'yes', works: NaN, right: true }, /^works: /],
    [{ type: 'wayChange', steps: [{ key: '', stage: 'heat', joint: null }], why: 'x' }, /^steps\.0\.key: /],
  ] as const)
    expect(entry(bad)).toMatchObject({ ok: false, problem: expect.stringMatching(field) as string });
});
