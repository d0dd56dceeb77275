import { demoJobs, demoSettings } from '@/demo/shop';
import type { JobEvent, NewEvent } from '@/model/event';
import { foldJob, type JobState } from '@/model/fold';
import { slotDryS } from '@/core/alcohol/drying';
import { cleansCover, lacksOf, zonesNow, zonesOf } from '@/work/clean/cleanJob';
import { lensWork } from '@/work/lift/lensCovers';
import { wetStop, wetUntil, wipeWetS } from './wet';

const t0 = new Date('2026-04-14T13:00:00').getTime();

function jobWith(id: string, ...events: NewEvent[]): JobState {
  const log = demoJobs(t0).find((l) => l[0]!.jobId === id)!;
  const more = events.map((e, i): JobEvent => ({
    ...e,
    v: 1,
    id: `x${i}`,
    jobId: id,
    writer: 'test',
    seq: i,
    at: t0 + i,
    loggedAt: t0 + i,
    by: 'Test',
  }));
  return foldJob([...log, ...more])!;
}

const drop = (use: 'gap' | 'wipe'): NewEvent => ({
  type: 'alcohol',
  ml: 0.05,
  use,
  checks: { sourcesAway: true, ventilated: true, masked: true },
  tC: 22,
});

describe('wet alcohol', () => {
  it('a gap stays wet by the slot law over the width of the ring, a wipe at least ten minutes', () => {
    const gap = jobWith('demo-0143', drop('gap'));
    expect(wetUntil(gap, demoSettings)! - t0).toBeCloseTo(slotDryS(22, 1.8) * 1e3, 3);
    const wipe = jobWith('demo-0143', drop('wipe'));
    expect(wetUntil(wipe, demoSettings)! - t0).toBeGreaterThanOrEqual(wipeWetS.value * 1e3);
    expect(wetUntil(jobWith('demo-0143'), demoSettings)).toBeNull();
  });

  it('looked at and dry it is over; a drop after that counts anew', () => {
    const dry = jobWith('demo-0143', drop('gap'), { type: 'alcoholDry' });
    expect(wetUntil(dry, demoSettings)).toBeNull();
    expect(
      wetUntil(jobWith('demo-0143', drop('gap'), { type: 'alcoholDry' }, drop('wipe')), demoSettings),
    ).not.toBeNull();
  });

  it('stops heat on every open job of the bench and names the job that is wet, until its instant', () => {
    const wet = jobWith('demo-0143', drop('wipe'));
    const other = jobWith('demo-0142');
    expect(wetStop(other, [wet], demoSettings, t0)).toMatch(/^alcohol on J-0143 is wet until 13:1\d$/);
    expect(wetStop(wet, [other], demoSettings, t0)).toMatch(/^alcohol on this job is wet until/);
    expect(wetStop(other, [wet], demoSettings, t0 + 3600e3)).toBeNull();
    // an open bead of solvent glue does the same, one of sealant does not, and closing over it ends it
    const plan = {
      school: 'liquidBead' as const,
      liquidId: 'clear',
      bondMm: 1.4,
      gapMm: 0.2,
      feedMmS: 8,
      tornMm: 0,
      coverage: 0.5,
      pitchMm: 6,
      pattern: 'lines' as const,
      tubeC: 22,
    };
    const open = jobWith('demo-0143', { type: 'bead', phase: 'start', plan });
    expect(wetStop(other, [open], demoSettings, t0)).toBe('solvent glue lies open on J-0143');
    const sealant = jobWith('demo-0143', { type: 'bead', phase: 'start', plan: { ...plan, liquidId: 'elastic' } });
    expect(wetStop(other, [sealant], demoSettings, t0)).toBeNull();
    const shut = jobWith(
      'demo-0143',
      { type: 'bead', phase: 'start', plan },
      { type: 'bonded', adhesive: 'liquidBead', usedMm: 0, widthMm: 2 },
    );
    expect(wetStop(other, [shut], demoSettings, t0)).toBeNull();
    // a job that has gone home stops nobody
    expect(wetStop(other, [{ ...wet, closedAt: t0 }], demoSettings, t0)).toBeNull();
  });
});

describe('zones of a job', () => {
  it('marks of glass make the nearest zone one with glass, whatever was noted of it', () => {
    const job = jobWith(
      'demo-0143',
      { type: 'cleanZone', on: 'frame', index: 0, state: 'inspected' },
      { type: 'glassLeft', markId: 'g', onFace: 'back', place: [32, 128] },
    );
    const zones = zonesNow(job, zonesOf(job), 'frame', 22);
    expect(zones[0]).toMatchObject({ state: 'glass', shards: ['g'] });
    expect(zones.slice(1).every((z) => z.state === 'residue')).toBe(true);
  });

  it('a cover that goes on again is cleaned too: a saved or a pulled one', () => {
    expect(cleansCover(jobWith('demo-0143'))).toBe(true);
    const fresh = jobWith('demo-0142');
    expect(cleansCover(fresh)).toBe(false);
    expect(cleansCover({ ...fresh, route: { ...fresh.route!, origin: 'pulled' } })).toBe(true);
    expect(lacksOf(fresh, t0, 22, 22).cover).toBeNull();
    expect(lacksOf(jobWith('demo-0143'), t0, 22, 22).tape).toContain('cover');
  });

  it('seats of lens covers are zones of their own, dry only', () => {
    const job = jobWith(
      'demo-0136',
      { type: 'lens', bondId: 'lens1Tape', step: 'chosen', done: true },
      { type: 'lens', bondId: 'lens3Tape', step: 'chosen', done: true },
    );
    expect(lensWork(job).chosen.map((l) => l.bond.id)).toEqual(['lens1Tape', 'lens3Tape']);
    const zones = zonesOf(job);
    expect(zones).toHaveLength(2);
    expect(zones.every((z) => z.dry && z.stretch === null)).toBe(true);
  });
});
