import { demoJobs } from '@/demo/shop';
import { foldJob } from '@/model/fold';
import { intakeCall, missingAtIntake } from './intakeCall';

const t0 = Date.UTC(2026, 3, 14, 13);
const jobs = demoJobs(t0).map((l) => foldJob(l)!);
const earliest = { at: t0 + 90 * 60e3, was: null };

describe('the call at intake', () => {
  it('says when the promise cannot be kept, by how much', () => {
    const late = { ...jobs[1]!, promiseAt: t0 + 3600e3 };
    expect(intakeCall(late, earliest, t0)).toMatchObject({
      tone: 'caution',
      reason: 'Short by 30 min. Say so now, or agree on another time.',
    });
    expect(intakeCall({ ...late, promiseAt: t0 + 5400e3 }, earliest, t0).sentence).toBe('Ready to heat.');
  });

  it('asks for what comes out from outside, and for parts that nobody can replace, where the model has them', () => {
    const ring = jobs[1]!;
    const [part, ...rest] = ring.device.parts;
    const device = {
      ...ring.device,
      outside: { screws: 2, stylus: true },
      parts: [{ ...part!, bound: true }, ...rest],
    };
    expect(missingAtIntake(ring)).toEqual([]);
    expect(missingAtIntake({ ...ring, device })).toEqual([
      '2 outer screws and the stylus out',
      'parts bound to the board marked',
    ]);
    const prep = new Set([...ring.prep, 'outerScrews' as const, 'boundMarked' as const]);
    expect(missingAtIntake({ ...ring, device, prep })).toEqual([]);
  });

  it('asks for what is missing, in order; a swollen cell stops everything', () => {
    const bare = { ...jobs[1]!, findings: {}, chargePercent: null, prep: new Set<never>() };
    expect(missingAtIntake(bare)).toHaveLength(7);
    expect(intakeCall(bare, earliest, t0).sentence).toBe('7 answers to go: where it is cracked.');
    expect(
      intakeCall({ ...bare, findings: { cellSwollen: { answer: 'yes', edges: [], note: '' } } }, earliest, t0).tone,
    ).toBe('caution');
  });
});
