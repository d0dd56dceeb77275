import { demoJobs, demoSettings } from '../demo/shop';
import type { NewEvent } from './event';
import { foldJob, type JobState } from './fold';
import { settingsSchema, upToDate } from './settings';
import { defaultSettings } from './defaultSettings';
import { expired, rollKey, rollsOf, stockNow } from './stock';

const t0 = new Date('2026-04-14T13:00:00').getTime();
const [base] = demoJobs(t0);

function job(...more: NewEvent[]): JobState {
  const events = more.map((e, i) => ({
    ...e,
    v: 1 as const,
    id: `x${i}`,
    jobId: base![0]!.jobId,
    writer: 'w',
    seq: 1000 + i,
    at: t0 + (i + 1) * 1000,
    loggedAt: t0 + (i + 1) * 1000,
    by: 'Osk',
  }));
  return foldJob([...base!, ...events])!;
}
const settings = { ...demoSettings, ringsInStock: { ring61: 2 } };
const tape = settings.tapes[0]!;
const cut = (used: Extract<NewEvent, { type: 'bonded' }>['used']): NewEvent => ({
  type: 'bonded',
  adhesive: 'cutTape',
  usedMm: 430,
  widthMm: 2,
  itemId: tape.id,
  ...(used ? { used } : {}),
});

it('the plan is drawn off: roll, offcut with what is left of it, ring, liquid', () => {
  const s = stockNow(settings, [
    job(
      cut([
        { kind: 'roll', id: rollKey(tape.id, 'roll'), amount: 300 },
        { kind: 'offcut', id: 'o140', amount: 100, leftMm: 40 },
        { kind: 'offcut', id: 'o62', amount: 60, leftMm: 2 },
      ]),
    ),
    job({
      type: 'bonded',
      adhesive: 'liquidBead',
      usedMm: 0,
      widthMm: 2,
      itemId: 'clear',
      used: [{ kind: 'liquid', id: 'clear', amount: 0.2 }],
    }),
    job({
      type: 'bonded',
      adhesive: 'precutRing',
      usedMm: 0,
      widthMm: 2,
      used: [{ kind: 'ring', id: 'ring61', amount: 1 }],
    }),
  ]);
  expect(rollsOf(s, tape)).toEqual([{ id: rollKey(tape.id, 'roll'), lengthMm: 24700 }]);
  // 2 mm are not worth keeping
  expect(s.offcuts.get(tape.id)!.map((o) => o.lengthMm)).toEqual([95, 40]);
  expect(s.liquids.get('clear')).toBeCloseTo(11, 9);
  expect(s.rings.get('ring61')).toBe(1);
});

it('what was really used replaces the plan; a closed joint that was opened again stays drawn off', () => {
  const used = [{ kind: 'roll' as const, id: rollKey(tape.id, 'roll'), amount: 300 }];
  const real = job(cut(used), { type: 'consumed', items: [{ id: rollKey(tape.id, 'roll'), amount: 350 }] });
  expect(stockNow(settings, [real]).rolls.get(rollKey(tape.id, 'roll'))).toBe(24650);
  const again = job(cut(used), { type: 'reopened', why: 'a hair under it' }, cut(used));
  expect(stockNow(settings, [again]).rolls.get(rollKey(tape.id, 'roll'))).toBe(24400);
  expect(again.bonded).not.toBeNull();
});

it('an undone bonding gives back what it took', () => {
  const used = [{ kind: 'roll' as const, id: rollKey(tape.id, 'roll'), amount: 300 }];
  const undone = job(cut(used), { type: 'undo', eventId: 'x0' });
  expect(undone.bonded).toBeNull();
  expect(stockNow(settings, [undone]).rolls.get(rollKey(tape.id, 'roll'))).toBe(25000);
});

it('a count starts anew: what was used before it is in the count already', () => {
  const used = [{ kind: 'roll' as const, id: rollKey(tape.id, 'roll'), amount: 300 }];
  const counted = {
    ...settings,
    tapes: [{ ...tape, rolls: [{ id: 'roll', lengthMm: 9000, countedAt: t0 + 60_000 }], offcutsAt: t0 + 60_000 }],
  };
  expect(stockNow(counted, [job(cut(used))]).rolls.get(rollKey(tape.id, 'roll'))).toBe(9000);
});

it('entries from before stock had items still draw off the first roll and the ring of the device', () => {
  const s = stockNow(settings, [
    job(cut(undefined)),
    job({ type: 'bonded', adhesive: 'precutRing', usedMm: 0, widthMm: 2 }),
  ]);
  expect(s.rolls.get(rollKey(tape.id, 'roll'))).toBe(24570);
  expect(s.rings.get('ring61')).toBe(1);
});

it('settings with the one roll of an older version become a tape; nothing else changes', () => {
  const { tapes: _, ...old } = JSON.parse(JSON.stringify(defaultSettings)) as typeof defaultSettings;
  const read = upToDate(settingsSchema.parse({ ...old, tape: { widthMm: 1.8, rollMm: 4321, countedAt: 7 } }));
  expect(read.tapes).toMatchObject([{ widthMm: 1.8, rolls: [{ lengthMm: 4321, countedAt: 7 }] }]);
  expect(read).not.toHaveProperty('tape');
  expect(read.liquids).toEqual(defaultSettings.liquids);
});

it('a date that has passed is over', () => {
  const l = settings.liquids[0]!;
  expect(expired({ ...l, expiresAt: t0 - 1 }, t0)).toBe(true);
  expect(expired({ ...l, expiresAt: null }, t0)).toBe(false);
});
