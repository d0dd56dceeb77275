import { claimCheck } from '../../core/seal/claimCheck';
import { demoJobs, demoSettings } from '../../demo/shop';
import { foldJob } from '../../model/fold';
import { intakeCall, missingAtIntake, roundUp15 } from '../intake/intakeCall';
import { openPoints, sheetOf } from './sheet';

const t0 = Date.UTC(2026, 3, 14, 13);
const jobs = demoJobs(t0).map((l) => foldJob(l)!);
const finished = jobs[4]!;

it('the sheet says what was found, done and measured, and until when', () => {
  const text = sheetOf(finished, demoSettings, t0).map((s) => s.lines.join(' '));
  expect(text[0]).toContain('cracked at the bottom edge');
  expect(text[1]).toContain('pre-cut ring');
  expect(text[2]).toMatch(/16 points: -?0\.\d\d mm to -?0\.\d\d mm, each ± 0\.02 mm/);
  expect(text[2]).toContain('24 functions tested after closing, all of them work');
  expect(text[3]).toContain('No water resistance is promised.');
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

describe('intake call', () => {
  const earliest = { low: 3000, mean: 4000, high: 5000 };

  it('rounds the earliest honest collection up to a quarter of an hour', () => {
    expect(roundUp15(t0 + 1)).toBe(t0 + 900_000);
    expect(roundUp15(t0)).toBe(t0);
  });

  it('says when the promise cannot be kept, by how much', () => {
    const late = { ...jobs[1]!, promiseAt: t0 + 3600e3 };
    expect(intakeCall(late, earliest, t0)).toMatchObject({
      tone: 'caution',
      reason: 'Short by 30 min. Say so now, or agree on another time.',
    });
    expect(intakeCall({ ...late, promiseAt: t0 + 5400e3 }, earliest, t0).sentence).toBe('Ready to heat.');
  });

  it('asks for what is missing, in order; a swollen cell stops everything', () => {
    const bare = { ...jobs[1]!, findings: {}, chargePercent: null, prep: new Set<never>() };
    expect(missingAtIntake(bare)).toHaveLength(6);
    expect(intakeCall(bare, earliest, t0).sentence).toBe('6 answers to go: is the cell swollen.');
    expect(
      intakeCall({ ...bare, findings: { cellSwollen: { answer: 'yes', edges: [], note: '' } } }, earliest, t0).tone,
    ).toBe('caution');
  });
});
