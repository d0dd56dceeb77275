import { claimCheck } from '../../../test-support/claimCheck';
import { demoJobs, demoSettings } from '@/demo/shop';
import { foldJob } from '@/model/fold';
import { openPoints, sheetOf } from './sheet';

const t0 = Date.UTC(2026, 3, 14, 13);
const jobs = demoJobs(t0).map((l) => foldJob(l)!);
const finished = jobs[4]!;

it('the sheet says what was found, done and measured, and until when', () => {
  const text = sheetOf(finished, demoSettings, t0).map((s) => s.lines.join(' '));
  expect(text[0]).toContain('cracked at the bottom edge');
  expect(text[1]).toContain('pre-cut ring');
  expect(text[2]).toContain('flush with the frame all round, measured at 16 points');
  // its figures are the record's: no customer has to read hundredths of a millimetre
  expect(text.join(' ')).not.toMatch(/\d\.\d\d mm/);
  expect(text[2]).toContain('24 functions tested after closing, all of them work');
  expect(text[3]).toContain('No water resistance is promised.');
});

it('what came in between is told in the words that the customer heard, with what was answered', () => {
  const { v, jobId, writer, by, at, loggedAt } = finished.log.at(-1)!;
  const base = { v, jobId, writer, by, at, loggedAt };
  const told = 'The back broke while it was taken off.';
  const job = foldJob([
    ...finished.log,
    { ...base, id: 'h1', seq: 900, type: 'happened', what: 'broke', stage: 'lift' },
    { ...base, id: 'h2', seq: 901, type: 'customerSaid', happenedId: 'h1', answer: 'agreed', told },
  ])!;
  const lines = sheetOf(job, demoSettings, t0).flatMap((s) => s.lines);
  expect(lines).toContain(`${told} Customer agreed.`);
});

it('no sheet of any job promises water resistance', () => {
  for (const j of jobs)
    for (const s of sheetOf(j, demoSettings, t0))
      for (const l of s.lines) expect(claimCheck(l)).toEqual({ ok: true, rules: [] });
});

it('open points keep a job from being closed', () => {
  expect(openPoints(finished)).toEqual([]);
  expect(openPoints(jobs[2]!)).toEqual(['clamps still on', 'check not done']);
  expect(openPoints(jobs[0]!)).toContain('not bonded');
});

it('the price that was chosen stands on it with its tax, to pay until it is paid', () => {
  const { v, jobId, writer, by, at, loggedAt } = finished.log.at(-1)!;
  const base = { v, jobId, writer, by, at, loggedAt };
  const offer = (id: string, grossMinor: number, taxMinor: number) => ({
    ...{ id, name: `glass, ${id}`, grossMinor, taxMinor, netMinor: grossMinor - taxMinor, costMinor: 4000 },
    ...{ minutes: 60, readyAt: at },
  });
  const quoted = {
    ...{ ...base, id: 'q1', seq: 900, type: 'quoted' as const, currency: '€', chosenId: 'new', upToMinor: null },
    choices: [offer('used', 7900, 1317), offer('new', 11900, 1983)],
    risk: { mean: 0.02, low: 0.01, high: 0.04 },
    validUntil: at + 1e9,
  };
  const priceOf = (...more: Parameters<typeof foldJob>[0]) =>
    sheetOf(foldJob([...finished.log, quoted, ...more])!, demoSettings, t0).find((s) => s.title === 'Price')!.lines;
  expect(priceOf()).toEqual(['glass, new: 119.00\u00a0€, tax in it 19.83\u00a0€.', 'Still to pay.']);
  expect(priceOf({ ...base, id: 'q2', seq: 901, type: 'prep', item: 'paid', done: true })[1]).toBe('Paid.');
});
