import { demoJobs } from '@/demo/shop';
import { edgeOrder } from '@/core/lift/order';
import { defaultSettings } from '@/model/defaultSettings';
import type { JobEvent, NewEvent } from '@/model/event';
import { foldJob, type JobState } from '@/model/fold';
import { partsOfJob } from '@/model/stock';
import { priceNow } from '@/work/intake/facts';
import { followsFrom, whatBroke } from './happened';

const t0 = Date.UTC(2026, 3, 14, 13);
const logs = demoJobs(t0);
const logOf = (id: string) => logs.find((l) => l[0]!.jobId === id)!;
const saved = foldJob(logOf('demo-0143'))!;

/** The job with more noted on it. */
const after = (job: JobState, more: readonly NewEvent[]): JobState => {
  const { v, jobId, writer, by } = job.log[0]!;
  const base = { v, jobId, writer, by, at: t0, loggedAt: t0 };
  return foldJob([...job.log, ...more.map((e, i) => ({ ...base, ...e, id: `x${i}`, seq: 900 + i }) as JobEvent)])!;
};
const priceOf = (job: JobState) => priceNow(job, [], [], defaultSettings, t0, 1)!.price.gross;

it('glass that breaks while it is saved is written off: new part, dearer, and later', () => {
  expect(whatBroke(saved, 'lift')).toBe('savedCover');
  const now = after(saved, followsFrom(saved, 'broke', 'lift', {}, t0));
  expect(now).toMatchObject({ keepCover: false, broke: true, route: { cover: 'new', work: 'glassOnly' } });
  expect(partsOfJob(now)).toEqual(['ring54|glass|genuine']);
  expect(priceOf(now)).toBeGreaterThan(priceOf(saved));
  expect(now.happened).toHaveLength(1);
  // the same again, now that it is written off anyway, changes nothing but the log
  expect(whatBroke(now, 'lift')).toBe('oldCover');
  expect(followsFrom(now, 'broke', 'lift', {}, t0)).toEqual([{ type: 'happened', what: 'broke', stage: 'lift' }]);
  // once the new one is being fitted it is the new one that broke: another has to come
  expect(whatBroke(now, 'bond')).toBe('newCover');
  expect(followsFrom(now, 'broke', 'bond', { days: 1 }, t0)[1]).toMatchObject({ type: 'partDue', dueAt: t0 + 86400e3 });
});

it('a part that was damaged is bought: work inside is on the way, with its steps and its price', () => {
  expect(saved.stages.strip).toBe('skipped');
  const { id, name } = saved.model.parts.find((p) => p.kind === 'coil' || p.kind === 'camera')!;
  const part = { id, name };
  const now = after(saved, followsFrom(saved, 'damaged', 'lift', { part }, t0));
  expect(now.route).toMatchObject({ internalsOut: true, cover: 'save' });
  expect(now.stages.strip).toBe('todo');
  expect(priceOf(now)).toBeGreaterThan(priceOf(saved));
  // twice is once
  const again = after(now, followsFrom(now, 'damaged', 'lift', { part }, t0));
  expect(again.route).toEqual(now.route);
});

it('stuck again closes the edge that was free: it is cut anew', () => {
  const free = after(saved, [{ type: 'edge', edge: 'left', free: true }]);
  expect(free.freeEdges.has('left')).toBe(true);
  const again = foldJob([
    ...free.log,
    ...followsFrom(free, 'stuckAgain', 'lift', { edge: 'left' }, t0).map(
      (e, i) => ({ ...free.log[0]!, ...e, id: `y${i}`, seq: 990 + i, at: t0, loggedAt: t0 }) as JobEvent,
    ),
  ])!;
  expect(again.freeEdges.has('left')).toBe(false);
  expect(again.cut.freeMm).toBeLessThan(1);
  // nothing was free there: only that it grips
  expect(followsFrom(saved, 'stuckAgain', 'lift', { edge: 'left' }, t0).map((e) => e.type)).toEqual([
    'happened',
    'observed',
  ]);
});

it('where it gives, the lift begins', () => {
  const now = after(saved, followsFrom(saved, 'givesHere', 'lift', { edge: 'top' }, t0));
  expect(now.looseEdge).toBe('top');
  const first = edgeOrder(now.device, now.bond, [], {}, now.looseEdge)[0]!;
  expect(first.edge).toBe('top');
  expect(first.reasons).toContain('loose');
  expect(edgeOrder(now.device, now.bond, [])[0]!.edge).not.toBe('top');
});

it('a wrong part waits for the next one; a day that nobody knows leaves nothing due', () => {
  const due = after(saved, followsFrom(saved, 'wrongPart', 'intake', { days: 2 }, t0));
  expect(due.partDue).toMatchObject({ dueAt: t0 + 2 * 86400e3, here: false });
  expect(after(due, followsFrom(due, 'wrongPart', 'intake', { days: null }, t0)).partDue).toBeNull();
});

it('a cell that is found swollen stops every heat', () => {
  const now = after(saved, followsFrom(saved, 'foundDamage', 'heat', { finding: 'cellSwollen' }, t0));
  expect(now.findings.cellSwollen?.answer).toBe('yes');
});

it('what the customer said stands with what happened, the last word last', () => {
  const [e] = after(saved, followsFrom(saved, 'screw', 'lift', { where: 'underLabel' }, t0)).happened;
  const now = after(saved, [
    ...followsFrom(saved, 'broke', 'lift', {}, t0),
    { type: 'customerSaid', happenedId: 'x0', answer: 'notReached' },
    { type: 'customerSaid', happenedId: 'x0', answer: 'agreed', told: 'It broke.' },
  ]);
  expect(e).toMatchObject({ where: 'underLabel', stage: 'lift' });
  expect(now.customerSaid.get('x0')).toMatchObject({ answer: 'agreed', told: 'It broke.' });
});
