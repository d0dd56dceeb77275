import { demoJobs } from '@/demo/shop';
import type { JobEvent, NewEvent } from '@/model/event';
import { foldJob, type JobState } from '@/model/fold';
import { eventLine } from '@/words/eventLine';
import { isOut } from '@/work/heat/present';
import { openScrews, stopsClosing, stripWork, targetsOf, transferred } from './stripJob';

const t0 = new Date('2026-04-14T13:00:00').getTime();
const housing = demoJobs(t0).find((l) => l[0]!.jobId === 'demo-0135')!;

/** The housing job with more noted on it. */
function withEvents(...events: NewEvent[]): JobState {
  const more = events.map((e, i): JobEvent => ({
    ...e,
    v: 1,
    id: `x${i}`,
    jobId: 'demo-0135',
    writer: 'test',
    seq: i,
    at: t0,
    loggedAt: t0 + i,
    by: 'Test',
  }));
  return foldJob([...housing, ...more])!;
}

const out = (hole: string, lengthMm?: number): NewEvent => ({
  type: 'screw',
  hole,
  to: 'out',
  ...(lengthMm === undefined ? {} : { spec: { head: 'cross', diaMm: 1.4, lengthMm } }),
});

it('a screw that was not measured is the model’s; one that was keeps its own length', () => {
  const job = withEvents(out('foot1'), out('foot2', 3.7));
  expect(job.screwsOut.get('foot1')).toMatchObject({ lengthMm: 4, zone: 'foot', seq: 1 });
  expect(job.screwsOut.get('foot2')).toMatchObject({ lengthMm: 3.7, seq: 2 });
});

it('put back and out again it is the last one, and sequence numbers stay apart', () => {
  const job = withEvents(
    out('foot1'),
    out('foot2'),
    out('foot3'),
    { type: 'screw', hole: 'foot1', to: 'untouched' },
    out('foot1'),
  );
  const seqs = [...job.screwsOut.values()].map((r) => r.seq);
  expect(new Set(seqs).size).toBe(3);
  expect(stripWork(job).check.refitOrder).toEqual(['foot1', 'foot3', 'foot2']);
});

it('open screws: what is out and not back; a missing one is not open; a screw that does not exist is kept out', () => {
  const job = withEvents(
    out('foot1'),
    out('foot2'),
    { type: 'screw', hole: 'foot3', to: 'missing' },
    { type: 'screw', hole: 'foot2', to: 'in' },
    out('nowhere'),
  );
  expect(openScrews(job)).toEqual(['foot1']);
  expect(job.screwsOut.has('nowhere')).toBe(false);
  expect(stripWork(job).check.findings.filter(stopsClosing)).toEqual([{ type: 'missing', hole: 'foot1' }]);
});

it('taken out again on the way back, the zone is not tight any more', () => {
  const job = withEvents(
    out('foot1'),
    { type: 'screw', hole: 'foot1', to: 'in' },
    { type: 'tightened', zone: 'foot', done: true },
    { type: 'screw', hole: 'foot1', to: 'open' },
  );
  expect(job.tightened.has('foot')).toBe(false);
  expect(openScrews(job)).toEqual(['foot1']);
});

it('a target of its own asks for less, and everything by default', () => {
  const all = withEvents();
  expect(targetsOf(all).sort()).toEqual(['battery', 'board', 'camera', 'port']);
  const camera = withEvents({ type: 'stripTarget', ids: ['camera'] });
  const [few, many] = [stripWork(camera).out, stripWork(all).out];
  expect(few).toContain('batteryPlug');
  expect(few.length).toBeLessThan(many.length);
  expect(few).not.toContain('footPlate');
});

it('a part in the new shell counts as present again, one that is out does not', () => {
  const job = withEvents({ type: 'partState', partId: 'camera', to: 'moved' });
  expect(isOut(job, 'battery')).toBe(true);
  expect(isOut(job, 'camera')).toBe(false);
  const work = stripWork(job);
  expect(work.isBack('camera')).toBe(true);
  expect(
    transferred(
      job,
      work.transfer.find((t) => t.id === 'camera')!,
    ),
  ).toBe(true);
});

it('a mesh that comes with the new part is not on the list', () => {
  const route = withEvents().route!;
  const job = withEvents({
    type: 'jobRoute',
    bondId: route.bondId,
    work: route.work,
    cover: route.cover,
    origin: route.origin,
    through: route.through,
    internalsOut: true,
    partHas: ['mesh'],
    closedBy: route.closedBy,
  });
  expect(stripWork(job).transfer.map((t) => t.id)).not.toContain('earMesh');
  expect(stripWork(withEvents()).transfer.map((t) => t.id)).toContain('earMesh');
});

it('what the bench noted reads in the log as it is said at the bench', () => {
  const job = withEvents(
    out('foot2', 3.7),
    { type: 'tightened', zone: 'foot', done: true },
    { type: 'stripped', itemId: 'motor', to: 'moved', note: 'with its glue' },
    { type: 'under', itemId: 'camera', over: 'battery', on: true },
    { type: 'stripTarget', ids: ['camera'] },
    { type: 'cellChoice', fit: 'new', flat: false, bent: true, punctured: false },
    { type: 'cut', fromMm: 0, toMm: 40, free: true, tC: 66 },
    { type: 'lens', bondId: 'lens1Tape', step: 'off', done: true },
    { type: 'alcohol', ml: 0.05, use: 'gap', checks: { sourcesAway: true, ventilated: true, masked: true }, tC: 40 },
    { type: 'writeOff', why: 'printLayer', note: '' },
    { type: 'cleanZone', on: 'cover', index: 2, state: 'film' },
    { type: 'observed', what: 'cellSwells' },
  );
  expect(job.log.slice(housing.length).map((e) => eventLine(e))).toEqual([
    'screw foot2 out, cross 1.4 × 3.7 mm',
    'foot screws tight',
    'motor: moved, with its glue',
    'camera is under battery',
    'to come out: camera',
    'battery: a new one, bent',
    '40 mm of the glue cut at 66 °C',
    'lens1Tape: off',
    'alcohol 0.05 ml into the gap',
    'back written off: the printed layer comes off',
    'back, zone 3: film',
    'the battery swells',
  ]);
});
