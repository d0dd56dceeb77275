// Findings of the trials of storage, each with how it came about; properties with fast-check.
import fc from 'fast-check';

import { MemoryStorage } from '../../test-support/memoryStorage';
import { demoJobs, demoSettings } from '../demo/shop';
import { parseEvent, type JobEvent, type NewEvent } from '../model/event';
import { foldJob, type JobState } from '../model/fold';
import { type Settings } from '../model/settings';
import { defaultSettings } from '../model/defaultSettings';
import { Repository } from './repository';
import { RefusedError } from './storageErrors';

const t0 = Date.UTC(2026, 3, 14, 13);
const hour = 3_600_000;
let devices = 0;

/** A device with a clock of its own that can be set. */
function device(storage = new MemoryStorage()) {
  const name = `dev${devices++}`;
  let k = 0;
  const clock = { at: t0 };
  const open = () =>
    new Repository(storage, { now: () => clock.at, uuid: () => `${name}-${String(k++).padStart(6, '0')}-aaaaaaaa` });
  return { storage, clock, repo: open(), open };
}

const job = demoJobs(t0).find((l) => l[0]!.jobId === 'demo-0138')!;
const jobId = job[0]!.jobId;
/** what the state says, without instants and ids */
const saidBy = (s: JobState) => ({
  heat: s.heat.map((h) => h.setC),
  swollen: s.findings.cellSwollen?.answer,
  notes: s.notes.map((n) => n.text),
  stages: s.stages,
});

describe('the order of a log is the order of the taps, whatever clocks say', () => {
  const taps: NewEvent[] = [
    { type: 'finding', kind: 'cellSwollen', answer: 'no' },
    { type: 'heatOn', setC: 110, preheated: true, startC: 22, modelRun: 'x', readyInS: 100 },
    { type: 'note', text: 'one' },
    { type: 'heatOff', reason: 'ready', easyForS: 20, gripsInS: 200 },
    { type: 'note', text: 'two' },
    { type: 'finding', kind: 'cellSwollen', answer: 'yes' },
    { type: 'stage', stage: 'heat', to: 'done' },
  ];

  it('any clocks, back or forward by seconds, hours and years: the same state as with a clock that is right', () => {
    const run = (shifts: readonly number[]) => {
      const d = device();
      let log: JobEvent[] = [...job];
      taps.forEach((tap, i) => {
        d.clock.at = t0 + i * 1000 + (shifts[i] ?? 0);
        log = [...log, ...d.repo.make(jobId, 'Osk', [tap], undefined, log)];
      });
      return log;
    };
    const right = saidBy(foldJob(run([]))!);
    expect(right.heat).toEqual([110, null]);
    expect(right.swollen).toBe('yes');
    const shift = fc.oneof(
      fc.integer({ min: -90_000, max: 90_000 }),
      fc.integer({ min: -48, max: 48 }).map((h) => h * hour),
      fc.integer({ min: -5, max: 5 }).map((y) => y * 365 * 24 * hour),
    );
    fc.assert(
      fc.property(fc.array(shift, { minLength: taps.length, maxLength: taps.length }), fc.integer(), (shifts, seed) => {
        const log = run(shifts);
        // read back in any order
        const shuffled = [...log].sort((a, b) => ((seed ^ a.id.length) % 7) - ((seed ^ b.seq) % 5));
        expect(saidBy(foldJob(shuffled)!)).toEqual(right);
      }),
      { numRuns: 150 },
    );
  });

  it('undo takes back the entry that was last, also after the clock was set back', () => {
    const d = device();
    const first = d.repo.make(jobId, 'Osk', [{ type: 'note', text: 'one' }], undefined, job);
    d.clock.at -= hour;
    const log = [...job, ...first];
    log.push(...d.repo.make(jobId, 'Osk', [{ type: 'note', text: 'two' }], undefined, log));
    expect(foldJob(log)!.lastEventId).toBe(log.at(-1)!.id);
  });

  it('two devices whose clocks differ, merged in any order, agree; each keeps its own order; a stop that one called stands', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -400, max: 400 }),
        fc.array(fc.boolean(), { minLength: 6, maxLength: 14 }),
        fc.integer({ min: 0, max: 5 }),
        (offHours, whose, stopAt) => {
          const [a, b] = [device(), device()];
          b.clock.at += offHours * hour;
          const logs = { a: [...job], b: [...job] };
          whose.forEach((isA, i) => {
            const d = isA ? a : b;
            const key = isA ? 'a' : 'b';
            d.clock.at += 1000;
            const says: NewEvent[] = [{ type: 'note', text: `${key}${i}` }];
            if (i === stopAt) says.push({ type: 'finding', kind: 'cellSwollen', answer: 'yes' });
            else says.push({ type: 'finding', kind: 'cellSwollen', answer: 'no' });
            logs[key].push(...d.repo.make(jobId, key, says, undefined, logs[key]));
          });
          const calledBy = whose[stopAt] ? 'a' : 'b';
          const ab = foldJob([...logs.a, ...logs.b.slice(job.length)])!;
          const ba = foldJob([...logs.b, ...logs.a.slice(job.length)])!;
          expect(saidBy(ab)).toEqual(saidBy(ba));
          for (const key of ['a', 'b'] as const) {
            const own = foldJob(logs[key])!.notes.map((n) => n.text);
            const both = ab.notes.map((n) => n.text).filter((t) => own.includes(t));
            expect(both).toEqual(own);
          }
          // the other device's "no" did not know of it; only a later "no" of the same device takes it back
          const takenBack = whose.some((isA, i) => i > stopAt && (isA ? 'a' : 'b') === calledBy);
          expect(ab.findings.cellSwollen!.answer).toBe(takenBack ? 'no' : 'yes');
        },
      ),
      { numRuns: 150 },
    );
  });

  it('a log of before there was a counter reads as it did, and new entries come after it', () => {
    const old = foldJob(job)!;
    const d = device();
    d.clock.at = job[0]!.loggedAt - 10 * hour;
    const log = [
      ...job,
      ...d.repo.make(jobId, 'Osk', [{ type: 'stage', stage: 'heat', to: 'skipped' }], undefined, job),
    ];
    expect({ ...foldJob(log)!.stages, heat: old.stages.heat }).toEqual(old.stages);
    expect(foldJob(log)!.stages.heat).toBe('skipped');
    for (const e of job) expect(e).not.toHaveProperty('nth');
  });
});

describe('settings', () => {
  const twentyOne = Array.from({ length: 21 }, (_, i) => `P${i}`);

  it('one person too many is refused by name and nothing is written', async () => {
    const { repo, storage, open } = device();
    await repo.saveSettings(demoSettings);
    const before = storage.map.get('settings');
    await expect(repo.saveSettings({ ...demoSettings, people: twentyOne })).rejects.toThrow(/^not noted: people/);
    await expect(repo.saveSettings({ ...demoSettings, roomC: 900 })).rejects.toBeInstanceOf(RefusedError);
    expect(storage.map.get('settings')).toBe(before);
    expect((await open().load()).settings.people).toEqual(demoSettings.people);
  });

  it('a field that cannot be read costs that field only, and the next tap writes nothing over what stood there', async () => {
    const { storage, open } = device();
    const stored = { ...demoSettings, people: twentyOne, cureBy: 'by touch', newer: { of: 'a later build' } };
    storage.map.set('settings', JSON.stringify(stored));
    const r = open();
    const log = await r.load();
    expect(log.settings).toMatchObject({ roomC: demoSettings.roomC, cureBy: 'usual' });
    // a list keeps the lines that fit
    expect(log.settings.people).toEqual(twentyOne.slice(0, 20));
    expect(log.problems).toEqual([expect.objectContaining({ key: 'settings', raw: JSON.stringify(stored) })]);
    await r.saveSettings({ ...log.settings, roomC: 25 });
    const after = JSON.parse(storage.map.get('settings')!) as typeof stored;
    expect(after).toMatchObject({ roomC: 25, people: twentyOne, cureBy: 'by touch', newer: { of: 'a later build' } });
    // somebody changes it here: that counts
    await r.saveSettings({ ...log.settings, cureBy: 'late' });
    expect((JSON.parse(storage.map.get('settings')!) as Settings).cureBy).toBe('late');
    expect(storage.map.get('kept/settings/1')).toBe(JSON.stringify(stored));
  });

  it('settings that are cut off are kept under a key of their own before anything is written', async () => {
    const { storage, open } = device();
    storage.map.set('settings', '{"version":1,"people":["Mi');
    const r = open();
    expect((await r.load()).settings).toEqual(defaultSettings);
    await r.saveSettings(demoSettings);
    expect(storage.map.get('kept/settings/1')).toBe('{"version":1,"people":["Mi');
  });
});

describe('one gate', () => {
  it.each<[string, NewEvent, RegExp]>([
    [
      'a log over a day',
      { type: 'sealLog', phase: 'after', test: 'hold', t: [0, 1, 2, 3, 200_000], p: [1, 1, 1, 1, 1] },
      /sealLog: t/,
    ],
    [
      'a crack of one point',
      {
        type: 'crack',
        crackId: 'c',
        onFace: 'back',
        pts: [
          [1, 1],
          [1, 1],
        ],
      },
      /crack: pts/,
    ],
    [
      'a reading beyond the gauge',
      { type: 'reading', quantity: 'gapMm', point: 'p', value: 12, u: 0.01 },
      /reading: value/,
    ],
    ['no number', { type: 'ambient', tempC: NaN }, /ambient: tempC/],
  ])('%s is refused by its field', (_, event, message) => {
    const { repo } = device();
    expect(() => repo.gate(repo.make(jobId, 'Osk', [event]))).toThrow(message);
  });

  it('whatever passes it is read again without a problem', async () => {
    const { repo, open } = device();
    await repo.merge(demoJobs(t0).flat(), new Set());
    await repo.write(repo.make(jobId, 'Osk', [{ type: 'note', text: '=1+1\u0000<img src=x onerror=alert(1)>' }]));
    await repo.saveSettings(demoSettings);
    const log = await open().load();
    expect(log.problems).toEqual([]);
    expect(log.settings).toEqual(demoSettings);
  });

  it('fields of a newer build survive a round through this one, at every depth (property)', () => {
    const known = demoJobs(t0).flat();
    fc.assert(
      fc.property(
        fc.nat(known.length - 1),
        fc.jsonValue(),
        fc.string({ minLength: 1, maxLength: 12 }),
        (i, value, name) => {
          const field = `x_${name}`;
          const newer = { ...known[i]!, [field]: value };
          const read = parseEvent(JSON.parse(JSON.stringify(newer)));
          expect(read.ok && JSON.parse(JSON.stringify(read.value))).toEqual(JSON.parse(JSON.stringify(newer)));
        },
      ),
      { numRuns: 200 },
    );
  });

  it('a key that would change what an object is stays out', () => {
    const raw = JSON.stringify(job[1]).replace(/^\{/, '{"__proto__":{"polluted":true},');
    const read = parseEvent(JSON.parse(raw));
    expect(read.ok).toBe(true);
    expect((read as { value: { polluted?: boolean } }).value.polluted).toBeUndefined();
  });
});

describe('writes that are refused', () => {
  it('what was refused while another write went through is still pending, and is written later', async () => {
    const { repo, storage, open } = device();
    storage.delay = () => new Promise((r) => setTimeout(r, 1));
    let n = 0;
    storage.refuses = () => n++ === 0;
    const [a, b] = [
      repo.make(jobId, 'Osk', [{ type: 'note', text: 'refused' }]),
      repo.make(jobId, 'Osk', [{ type: 'note', text: 'written' }]),
    ];
    const [first] = await Promise.all([repo.write(a), repo.write(b)]);
    expect(first).toBe(false);
    // the second write took the first along
    expect(repo.pending).toEqual([]);
    const stored = [...(await open().load()).jobs.values()].flat().flatMap((e) => (e.type === 'note' ? [e.text] : []));
    expect(stored.sort()).toEqual(['refused', 'written']);
  });

  it('any pattern of refusals: every entry is stored or pending, none twice (property)', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.boolean(), { minLength: 1, maxLength: 12 }), async (refuse) => {
        const { repo, storage, open } = device();
        let n = 0;
        storage.refuses = () => refuse[n++ % refuse.length]!;
        storage.delay = () => new Promise((r) => setTimeout(r));
        const made = refuse.map((_, i) => repo.make(jobId, 'Osk', [{ type: 'note', text: `n${i}` }]));
        await Promise.all(made.map((m) => repo.write(m)));
        const stored = [...(await open().load()).jobs.values()].flat().map((e) => e.id);
        const waiting = repo.pending.map((e) => e.id);
        expect([...stored, ...waiting].sort()).toEqual(
          made
            .flat()
            .map((e) => e.id)
            .sort(),
        );
      }),
      { numRuns: 40 },
    );
  });

  it('an own entry stays on screen although a load that began before it ends after it', async () => {
    const { repo } = device();
    await repo.merge(job, new Set());
    const loading = repo.load();
    const made = repo.make(jobId, 'Osk', [{ type: 'note', text: 'meanwhile' }]);
    void repo.write(made);
    expect((await loading).jobs.get(jobId)!.map((e) => e.id)).toContain(made[0]!.id);
  });
});

it('an import never replaces a stored entry of the same job, writer and number: both are there, and it is said', async () => {
  const { repo, storage, open } = device();
  await repo.merge(job, new Set());
  const last = job.at(-1)!;
  const other = { ...last, id: 'another-id', type: 'note', text: 'from elsewhere' } as JobEvent;
  const known = new Set(job.map((e) => e.id));
  expect(await repo.merge([...job, other], known)).toEqual({ fresh: 1, clashed: 1 });
  const ids = (await open().load()).jobs.get(jobId)!.map((e) => e.id);
  expect(ids).toEqual(expect.arrayContaining([last.id, 'another-id']));
  expect(storage.map.size).toBe(job.length + 1);
});

it('pictures and devices that would not be read again are refused too', async () => {
  const { repo } = device();
  await expect(repo.savePhoto('p1', 'data:text/html;base64,AAAA')).rejects.toThrow(/photo/);
  await expect(repo.savePhoto('../x', 'data:image/jpeg;base64,AAAA')).rejects.toThrow(/photo/);
  await expect(repo.saveDevice({ ...job[0]!, id: '' } as never)).rejects.toThrow(/device/);
});

describe('a shop of thousands of jobs', () => {
  const many = Array.from({ length: 90 }, (_, k) =>
    demoJobs(t0).flatMap((log, j) => log.map((e, i) => ({ ...e, jobId: `m-${k}-${j}`, id: `m-${k}-${j}-${i}` }))),
  ).flat();
  const filled = async () => {
    const s = new MemoryStorage();
    await s.setMany(
      Object.fromEntries(
        many.map((e) => [`job/${e.jobId}/${e.writer}/${String(e.seq).padStart(8, '0')}`, JSON.stringify(e)]),
      ),
    );
    return s;
  };

  it('is read in parts, and how far it is rises to the end', async () => {
    expect(many.length).toBeGreaterThan(6000);
    const shares: (number | null)[] = [];
    const r = new Repository(await filled(), { now: () => t0, uuid: () => 'w1-aaaaaaaaaaaaaaaa' });
    const log = await r.load((s) => shares.push(s));
    expect([...log.jobs.values()].flat()).toHaveLength(new Set(many.map((e) => e.id)).size);
    expect(shares.at(-1)).toBeNull();
    const told = shares.slice(0, -1) as number[];
    expect(told.length).toBeGreaterThanOrEqual(3);
    expect(told).toEqual([...told].sort((a, b) => a - b));
    expect(Math.max(...told)).toBeLessThan(1);
  });
});
