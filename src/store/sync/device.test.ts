import fc from 'fast-check';

import { demoJobs } from '../../demo/shop';
import { foldJob } from '../../model/fold';
import { shippedDevices } from '../../model/shippedDevices';
import { storageFormat } from '../version';
import { Bench, MemoryWire, quiet, shopOf } from '../../../test-support/syncBench';

const t0 = Date.UTC(2026, 3, 14, 13);
const demo = demoJobs(t0).map((l) => l.filter((e) => e.type === 'opened'));
const opened = demo.find((l) => l.length)![0]!;
const open = (jobId: string) => {
  const {
    id,
    writer,
    seq,
    nth,
    at,
    loggedAt,
    by,
    jobId: was,
    v,
    ...rest
  } = opened as unknown as Record<string, unknown>;
  void [id, writer, seq, nth, at, loggedAt, by, was, v];
  return [jobId, rest as never] as const;
};

let now = t0;
beforeEach(() => {
  now = t0;
});

const same = (benches: readonly Bench[]) => {
  for (const b of benches) {
    expect(b.entries()).toEqual(benches[0]!.entries());
    expect(new Set(b.entries()).size).toBe(b.entries().length);
    expect([...b.jobs].map(([id, l]) => [id, l.map((e) => e.id)]).sort()).toEqual(
      [...benches[0]!.jobs].map(([id, l]) => [id, l.map((e) => e.id)]).sort(),
    );
  }
};

it('what one taps the other has; what was done on both while the line was cut is on both after it', async () => {
  const wire = new MemoryWire();
  const [a, b] = (await shopOf(['tablet', 'phone'], wire, () => now)) as [Bench, Bench];
  await a.note(...open('job-1'));
  await quiet([a, b]);
  same([a, b]);
  expect(foldJob(b.jobs.get('job-1')!)).not.toBeNull();
  wire.cut('phone-device');
  await a.note('job-1', { type: 'note', text: 'from the tablet' });
  await b.note('job-1', { type: 'note', text: 'from the phone' });
  await quiet([a, b]);
  expect(a.entries()).not.toEqual(b.entries());
  wire.mend('phone-device');
  await quiet([a, b]);
  same([a, b]);
  expect(
    foldJob(a.jobs.get('job-1')!)!
      .notes.map((e) => e.text)
      .sort(),
  ).toEqual(['from the phone', 'from the tablet']);
});

it('a stop that one device noted is not outranked by a "no" of another that had not seen it', async () => {
  const wire = new MemoryWire();
  const [a, b] = (await shopOf(['tablet', 'phone'], wire, () => now)) as [Bench, Bench];
  await a.note(...open('job-1'));
  await quiet([a, b]);
  wire.cut('phone-device');
  await b.note('job-1', { type: 'finding', kind: 'cellSwollen', answer: 'yes', edges: [], note: '' } as never);
  for (let i = 0; i < 5; i++) await a.note('job-1', { type: 'note', text: `more ${i}` });
  await a.note('job-1', { type: 'finding', kind: 'cellSwollen', answer: 'no', edges: [], note: '' } as never);
  wire.mend('phone-device');
  await quiet([a, b]);
  same([a, b]);
  for (const x of [a, b]) expect(foldJob(x.jobs.get('job-1')!)!.findings.cellSwollen?.answer).toBe('yes');
});

it('settings join field by field; what is of the device stays its own', async () => {
  const wire = new MemoryWire();
  const [a, b] = (await shopOf(['tablet', 'phone'], wire, () => now)) as [Bench, Bench];
  wire.cut('phone-device');
  const [w] = a.settings.weights;
  a.set({ ratePerH: 61, people: ['Osk'], weights: [{ ...w!, owned: 7 }], language: 'es' });
  b.set({ roomC: 17, people: ['Mira'], money: { ...b.settings.money }, theme: 'dark' });
  b.set({ weights: [...b.settings.weights, { id: 'w2', name: 'brick', massKg: 2, owned: 1 }] });
  wire.mend('phone-device');
  await quiet([a, b]);
  for (const x of [a, b]) {
    expect(x.settings.ratePerH).toBe(61);
    expect(x.settings.roomC).toBe(17);
    expect([...x.settings.people].sort()).toEqual(['Mira', 'Osk']);
    expect(x.settings.weights.map((y) => [y.id, y.owned])).toEqual([
      ['w1', 7],
      ['w2', 1],
    ]);
  }
  expect([a.settings.language, b.settings.language]).toEqual(['es', 'en']);
  expect([a.settings.theme, b.settings.theme]).toEqual(['system', 'dark']);
});

it('a model that two devices made with the same number is kept twice, numbered the same way on both', async () => {
  const wire = new MemoryWire();
  const [a, b] = (await shopOf(['tablet', 'phone'], wire, () => now)) as [Bench, Bench];
  wire.cut('phone-device');
  const own = { ...shippedDevices[0]!, id: 'own-1', version: 1 };
  await a.access.addDevice({ ...own, name: 'of the tablet' });
  await b.access.addDevice({ ...own, name: 'of the phone' });
  a.device.noted();
  b.device.noted();
  wire.mend('phone-device');
  await quiet([a, b]);
  for (const x of [a, b]) {
    const names = x.devices.map((d) => `${d.version} ${d.name}`).sort();
    expect(names).toEqual(['1 of the phone', '2 of the tablet']);
  }
  await b.open();
  await quiet([a, b]);
  expect(a.devices).toHaveLength(2);
});

it('a page that is loaded anew goes on with what it had kept, and notes what was changed meanwhile', async () => {
  const wire = new MemoryWire();
  const [a, b] = (await shopOf(['tablet', 'phone'], wire, () => now)) as [Bench, Bench];
  b.device.stop();
  b.settings = { ...b.settings, ratePerH: 77 };
  a.set({ roomC: 15 });
  await a.note(...open('job-1'));
  await b.open();
  await quiet([a, b]);
  same([a, b]);
  for (const x of [a, b]) expect([x.settings.ratePerH, x.settings.roomC]).toEqual([77, 15]);
});

it('a page that is closed right after the shop was founded has its settings and itself in it when it is opened again', async () => {
  const wire = new MemoryWire();
  const a = new Bench('tablet', wire, () => now);
  await a.begin();
  a.settings = { ...a.settings, ratePerH: 61 };
  await a.device.found();
  const kept = structuredClone(a.kept!);
  const again = new Bench('tablet', wire, () => now);
  again.settings = a.settings;
  await again.begin(kept);
  expect(again.device.view.members.map((m) => m.name)).toEqual(['tablet']);
  const b = new Bench('phone', wire, () => now);
  await b.begin({ group: kept.group });
  await quiet([again, b]);
  expect(b.settings.ratePerH).toBe(61);
});

it('who was taken out hears nothing any more, and who was away meanwhile finds the new key', async () => {
  const wire = new MemoryWire();
  const [a, b, c] = (await shopOf(['tablet', 'phone', 'lost'], wire, () => now)) as [Bench, Bench, Bench];
  wire.cut('phone-device');
  await a.device.takeOut('lost-device');
  await quiet([a, b, c]);
  await a.note(...open('job-1'));
  await quiet([a, b, c]);
  expect(c.jobs.size).toBe(0);
  // it said nothing since, and is told all the same
  expect(c.device.view.troubles).toContainEqual({ kind: 'over' });
  wire.mend('phone-device');
  await quiet([a, b, c]);
  await c.note('job-2', open('job-2')[1]);
  await quiet([a, b, c]);
  same([a, b]);
  expect(a.jobs.has('job-1')).toBe(true);
  expect(a.jobs.has('job-2')).toBe(false);
  expect(c.device.view.troubles).toContainEqual({ kind: 'over' });
  expect(b.device.view.members.map((m) => m.name).sort()).toEqual(['phone', 'tablet']);
  // what was shared of before is still everybody's
  await b.note('job-1', { type: 'note', text: 'after it' });
  await quiet([a, b, c]);
  same([a, b]);
});

it('who was away when it was taken out hears it when it is back', async () => {
  const wire = new MemoryWire();
  const [a, b] = (await shopOf(['tablet', 'lost'], wire, () => now)) as [Bench, Bench];
  wire.cut('lost-device');
  await a.device.takeOut('lost-device');
  await quiet([a, b]);
  expect(b.device.view.troubles).toEqual([]);
  wire.mend('lost-device');
  await quiet([a, b]);
  expect(b.device.view.troubles).toContainEqual({ kind: 'over' });
});

it('two that take somebody out at once end with one key', async () => {
  const wire = new MemoryWire();
  const all = (await shopOf(['tablet', 'phone', 'third', 'lost'], wire, () => now)) as [Bench, Bench, Bench, Bench];
  const [a, b, c] = all;
  wire.cut('phone-device');
  await b.device.takeOut('lost-device');
  await a.device.takeOut('lost-device');
  wire.mend('phone-device');
  await quiet(all);
  const keys = [a, b, c].map((x) => x.device.state().group!.secret);
  expect(new Set(keys).size).toBe(1);
  expect(all[3].device.state().group!.secret).not.toBe(keys[0]);
  await c.note(...open('job-1'));
  await quiet(all);
  same([a, b, c]);
});

it('a job on loan is all that its holder sees; what the holder does reaches the shop, until it is taken back', async () => {
  const wire = new MemoryWire();
  const [a, b] = (await shopOf(['tablet', 'phone'], wire, () => now)) as [Bench, Bench];
  await a.note(...open('job-1'));
  await a.note(...open('job-2'));
  a.set({ ratePerH: 61 });
  const loan = {
    id: 'loan-1234',
    name: 'second person',
    jobId: 'job-1',
    secret: btoa('s'.repeat(32)),
    since: now,
    over: false,
  };
  await a.device.lend(loan);
  const c = new Bench('guest', wire, () => now);
  await c.begin({ loan: { secret: loan.secret, jobId: 'job-1', host: 'tablet' } });
  c.kept = { ...c.kept!, me: { ...c.kept!.me, id: loan.id } };
  await c.open();
  await quiet([a, b, c]);
  expect([...c.jobs.keys()]).toEqual(['job-1']);
  expect(c.settings.ratePerH).toBe(61);
  await c.note('job-1', { type: 'note', text: 'by the second person' });
  await c.note('job-2', { type: 'note', text: 'not its own' });
  await quiet([a, b, c]);
  for (const x of [a, b]) {
    expect(foldJob(x.jobs.get('job-1')!)!.notes.map((e) => e.text)).toEqual(['by the second person']);
    expect(foldJob(x.jobs.get('job-2')!)!.notes).toEqual([]);
  }
  await b.note('job-1', { type: 'note', text: 'from the phone' });
  await quiet([a, b, c]);
  expect(foldJob(c.jobs.get('job-1')!)!.notes.map((e) => e.text)).toContain('from the phone');
  await a.device.takeBack(loan.id);
  await quiet([a, b, c]);
  await c.note('job-1', { type: 'note', text: 'too late' });
  await quiet([a, b, c]);
  expect(foldJob(a.jobs.get('job-1')!)!.notes.map((e) => e.text)).not.toContain('too late');
  expect(c.device.view.troubles).toContainEqual({ kind: 'over' });
});

it('a device that sends garbage is refused by name, and nothing of it is taken', async () => {
  const wire = new MemoryWire();
  const [a, b] = (await shopOf(['tablet', 'phone'], wire, () => now)) as [Bench, Bench];
  await a.note(...open('job-1'));
  await quiet([a, b]);
  const first = a.jobs.get('job-1')![0]!;
  const before = a.entries();
  const link = (
    b.device as unknown as { room: { room: { link: { send: (to: string, m: unknown) => Promise<void> } } } }
  ).room.room.link;
  await link.send('*', {
    t: 'entries',
    list: [
      { ...first, id: 'x1', type: 'charge', percent: 900 },
      { ...first, id: 'x2' },
      { ...first, id: 'x3', seq: 999, nth: 1e11, type: 'note', text: 'far' },
      'no entry',
      null,
    ],
  });
  await link.send('*', { t: 'doc', update: btoa('garbage'), knows: null });
  await link.send('*', { t: 'jobs', of: [1], list: 'not a list' });
  const { room } = wire.frames.at(-1)!;
  wire.give(room, 'stranger-0001', {
    to: '*',
    m: 'x',
    i: 0,
    n: 1,
    d: btoa('not sealed by us at all, but long enough'),
  });
  wire.give(room, 'stranger-0001', { to: '*', m: 'y', i: 7, n: 3, d: '' });
  await quiet([a, b]);
  expect(a.entries()).toEqual(before);
  const troubles = a.device.view.troubles;
  expect(troubles).toContainEqual(expect.objectContaining({ kind: 'refused', from: 'phone', count: 5 }));
  expect(troubles).toContainEqual(expect.objectContaining({ kind: 'garbled', from: 'phone' }));
  expect(troubles).toContainEqual(expect.objectContaining({ kind: 'strange' }));
  // and the line still works
  await b.note('job-1', { type: 'note', text: 'still here' });
  await quiet([a, b]);
  same([a, b]);
});

it('a clock that is a year off is told; the order of the log does not hang on it', async () => {
  const wire = new MemoryWire();
  const [a, b] = (await shopOf(['tablet', 'phone'], wire, () => now)) as [Bench, Bench];
  (b as unknown as { now: () => number }).now = () => now + 365 * 86_400_000;
  wire.cut('phone-device');
  wire.mend('phone-device');
  await quiet([a, b]);
  const told = a.device.view.troubles.find((t) => t.kind === 'clock');
  expect(told).toMatchObject({ from: 'phone', byMs: 365 * 86_400_000 });
});

it('a full storage on one of three: shown there, waiting there, and on the others as ever', async () => {
  const wire = new MemoryWire();
  const [a, b, c] = (await shopOf(['tablet', 'phone', 'third'], wire, () => now)) as [Bench, Bench, Bench];
  b.storage.full = true;
  await a.note(...open('job-1'));
  await quiet([a, b, c]);
  same([a, b, c]);
  expect(b.repository.pending.length).toBe(1);
  b.storage.full = false;
  expect(await b.repository.write([])).toBe(true);
  expect((await b.repository.load()).jobs.get('job-1')).toHaveLength(1);
  expect(storageFormat).toBeGreaterThan(0);
});

it('a picture comes when it is asked for', async () => {
  const wire = new MemoryWire();
  const [a, b] = (await shopOf(['tablet', 'phone'], wire, () => now)) as [Bench, Bench];
  a.photos.set('p1', `data:image/jpeg;base64,${'A'.repeat(200_000)}`);
  await quiet([a, b]);
  expect(b.photos.size).toBe(0);
  b.device.askPhoto('p1');
  await quiet([a, b]);
  expect(b.photos.get('p1')).toBe(a.photos.get('p1'));
});

it('any order of taps, cuts and loads ends the same everywhere, with nothing lost and nothing doubled', async () => {
  const step = fc.tuple(fc.nat(2), fc.constantFrom('note', 'note', 'cut', 'mend', 'load', 'rate'), fc.nat(2));
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 5, maxLength: 40 }), async (steps) => {
      const wire = new MemoryWire();
      const all = await shopOf(['one', 'two', 'three'], wire, () => now);
      const made: string[] = [];
      const live = new Map<string, number>();
      for (const [who, what, job] of steps) {
        const b = all[who]!;
        if (what === 'note') {
          const id = `job-${job}`;
          if (!b.jobs.has(id)) made.push(...(await b.note(...open(id))).map((e) => e.id));
          made.push(...(await b.note(id, { type: 'note', text: `${made.length}` })).map((e) => e.id));
        } else if (what === 'cut') wire.cut(`${b.name}-device`);
        else if (what === 'mend') wire.mend(`${b.name}-device`);
        else if (what === 'load') await b.open();
        else {
          live.set(b.name, 40 + job);
          b.set({ ratePerH: 40 + job + who * 3 });
        }
        if (job === 0) await quiet(all);
      }
      for (const b of all) wire.mend(`${b.name}-device`);
      await quiet(all);
      same(all);
      expect(all[0]!.entries()).toEqual([...made].sort());
      expect(new Set(all.map((b) => b.settings.ratePerH)).size).toBe(1);
    }),
    { numRuns: 25, seed: 20260414 },
  );
});
