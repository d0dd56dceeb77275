import fc from 'fast-check';

import { demoJobs, demoSettings } from '../demo/shop';
import { eventLine } from '../words/eventLine';
import { eventTypes, parseEvent, type JobEvent, type NewEvent } from './event';
import { readFile, writeDeviceFile, writeJobFile, writeShopFile } from './files';
import { foldJob } from './fold';
import { onPlate } from './stages/heat';
import { effectiveEvents } from './logOrder';
import { safeFold } from './safeFold';
import { tagCode } from './tagCode';
import { settingsSchema } from './settings';
import { deviceSchema } from './device';
import { shippedDevices } from './shippedDevices';
import { nestingOf } from './nesting';

const t0 = Date.UTC(2026, 3, 14, 13, 0);
const [heating, , clamped, , finished] = demoJobs(t0) as [JobEvent[], JobEvent[], JobEvent[], JobEvent[], JobEvent[]];

/** A log that goes on from the heating demo job. */
function continued(...more: [NewEvent, number?][]): JobEvent[] {
  let seq = 1000;
  return [
    ...heating,
    ...more.map(([e, at], i): JobEvent => ({
      ...e,
      v: 1,
      id: `n${i}`,
      jobId: heating[0]!.jobId,
      writer: 'w',
      seq: seq++,
      at: at ?? t0 + 1000 * (i + 1),
      loggedAt: t0 + 1000 * (i + 1),
      by: 'Osk',
    })),
  ];
}

describe('what intake records', () => {
  const route: NewEvent & { type: 'jobRoute' } = {
    type: 'jobRoute',
    bondId: 'backRing',
    work: 'wholeHousing',
    cover: 'new',
    origin: 'pulled',
    through: 'back',
    internalsOut: true,
    partHas: ['lens'],
    closedBy: 'nothing',
  };

  it('a route decides which stages are needed, and whether the cover is saved', () => {
    const s = foldJob(continued([route]))!;
    expect(s.stages).toMatchObject({ strip: 'todo', bond: 'skipped', cure: 'skipped' });
    expect(s.keepCover).toBe(false);
    expect(
      foldJob(
        continued([
          { ...route, work: 'openClose', cover: 'save', origin: null, internalsOut: false, closedBy: 'tape' },
        ]),
      )!,
    ).toMatchObject({
      keepCover: true,
      stages: { strip: 'skipped', bond: 'todo' },
    });
  });

  it('another bond turns the device to its face; cracks belong to the face they were drawn on', () => {
    const lens = shippedDevices.find((d) => d.id === 'lens67')!;
    const log = continued(
      [
        {
          type: 'crack',
          crackId: 'a',
          onFace: 'back',
          pts: [
            [0, 10],
            [70, 12],
          ],
        },
      ],
      [
        {
          type: 'crack',
          crackId: 'b',
          onFace: 'lens2',
          pts: [
            [14, 38],
            [22, 40],
          ],
        },
      ],
      [{ ...route, work: 'lensCovers', bondId: 'lens2Tape', internalsOut: false }],
    ).map((e) => (e.type === 'opened' ? { ...e, device: lens } : e));
    const s = foldJob(log)!;
    expect(s.face.id).toBe('lens2');
    expect([...s.cracks.keys()]).toEqual(['b']);
    expect(s.model).toEqual(lens);
    const clip = shippedDevices.find((d) => d.id === 'clip55')!;
    expect(foldJob(continued().map((e) => (e.type === 'opened' ? { ...e, device: clip } : e)))!.stages.bond).toBe(
      'skipped',
    );
  });

  it('photos, chips, seats, customer and quote are folded; what is undone or rubbed out is gone', () => {
    const s = foldJob(
      continued(
        [{ type: 'photo', photoId: 'p', widthPx: 10, heightPx: 10, bytes: 99, caption: '' }],
        [{ type: 'photo', photoId: 'q', widthPx: 10, heightPx: 10, bytes: 99, caption: '' }],
        [{ type: 'photoGone', photoId: 'p' }],
        [{ type: 'chipMark', chipId: 'k', onFace: 'back', place: [0, 20] }],
        [{ type: 'chipGone', chipId: 'k' }],
        [{ type: 'reading', quantity: 'seatMm', point: 'g1', value: -0.1, u: 0.02 }],
        [{ type: 'undo', eventId: 'n5' }],
        [{ type: 'customer', backup: 'made', lock: null, note: '' }],
      ),
    )!;
    expect(s.photos.map((p) => p.photoId)).toEqual(['q']);
    expect(s.chips.size).toBe(0);
    expect(s.seats).toEqual({});
    expect(s.customer?.backup).toBe('made');
  });

  it.each([
    [
      {
        type: 'crack',
        crackId: 'a',
        onFace: 'back',
        pts: [
          [5, 5],
          [5, 5],
        ],
      },
      /pts: a crack is at least 0.5 mm long/,
    ],
    [
      { type: 'crack', crackId: 'a', onFace: 'back', pts: Array.from({ length: 10_000 }, (_, i) => [i % 70, 3]) },
      /pts: .*<=400/,
    ],
    [
      {
        type: 'crack',
        crackId: 'a',
        onFace: 'back',
        pts: [
          [0, 0],
          [0, 9999],
        ],
      },
      /pts\.1\.1/,
    ],
    [{ type: 'signed', role: 'customer', text: '', mark: 'x', drawing: '<script>' }, /drawing/],
    [{ type: 'photo', photoId: 'p', widthPx: 10, heightPx: 10, bytes: 6e7, caption: '' }, /bytes: .*<=2000000/],
  ])('%j is refused, and the field is named', (e, message) => {
    const read = parseEvent({ ...heating[1], ...e });
    expect(read.ok).toBe(false);
    expect((read as { problem: string }).problem).toMatch(message);
  });

  it('a backup brings devices and pictures back; a picture that is none, or a device that is unsound, stops it', () => {
    const photos = { p: 'data:image/jpeg;base64,AAAA' };
    const text = writeShopFile(demoSettings, [heating], {}, t0, { photos, devices: [shippedDevices[0]!] });
    expect(readFile(text)).toMatchObject({ ok: true, value: { photos, devices: [{ id: 'ring61' }] } });
    const bad = (from: string, to: string) => (readFile(text.replace(from, to)) as { problem: string }).problem;
    expect(bad('data:image/jpeg;base64,AAAA', 'data:text/html;base64,AAAA')).toMatch(/^photos\.p:/);
    const wide = { ...shippedDevices[0]!, bonds: [{ ...shippedDevices[0]!.bonds[0]!, widthMm: 30, insetMm: 9 }] };
    expect(readFile(writeShopFile(demoSettings, [], {}, t0, { devices: [wide] }))).toMatchObject({
      problem: expect.stringMatching(/^devices\.0, bond backRing: ring width/),
    });
    const job = heating.map((e) => (e.type === 'opened' ? { ...e, device: wide } : e));
    expect(readFile(writeJobFile(job, t0))).toMatchObject({
      problem: expect.stringMatching(/^events\.0\.device, bond backRing/),
    });
    expect(readFile(writeDeviceFile(shippedDevices[3]!, t0))).toMatchObject({
      value: { devices: [shippedDevices[3]], jobs: [] },
    });
  });

  it('a model of the first kind, without faces’ construction or screws, is read with what it meant', () => {
    const old = structuredClone(shippedDevices[0]!) as unknown as Record<string, unknown> & {
      faces: Record<string, unknown>[];
      bonds: Record<string, unknown>[];
    };
    for (const f of old.faces) {
      delete f.construction;
      delete f.name;
    }
    for (const b of old.bonds) for (const k of ['zone', 'patches', 'clipsAtMm']) delete b[k];
    delete old.screws;
    delete old.insideThrough;
    expect(deviceSchema.parse(old)).toMatchObject({
      screws: [],
      insideThrough: 'back',
      faces: [{ construction: 'ringGlass' }],
      bonds: [{ zone: 'ring', patches: [] }],
    });
  });

  it('tags are four signs without look-alikes, and differ', () => {
    const codes = Array.from({ length: 200 }, (_, i) => tagCode(`job-${i}`));
    expect(new Set(codes).size).toBeGreaterThan(195);
    for (const c of codes) expect(c).toMatch(/^[ACDEFHKLMNPRTUVWXY34679]{4}$/);
  });
});

describe('fold', () => {
  it('tells the stage, the plate and the findings of the demo jobs', () => {
    const s = foldJob(heating)!;
    expect(s.stage).toBe('heat');
    expect(s.stages.intake).toBe('done');
    expect(s.stages.strip).toBe('skipped');
    expect(onPlate(s)).toMatchObject({ setC: 110, at: t0 });
    expect(s.findings.crack?.edges).toEqual(['bottom', 'right']);
    expect(foldJob(clamped)!.clampOn?.count).toBe(15);
    expect(foldJob(finished)!.closedAt).not.toBeNull();
    expect(foldJob([])).toBeNull();
  });

  it('moves a late tap to when it happened, and keeps when it was noted', () => {
    const s = foldJob(
      continued(
        [{ type: 'heatOff', reason: 'ready', easyForS: 20, gripsInS: 200 }, t0 + 60_000],
        [{ type: 'amend', eventId: 'n0', movedTo: t0 + 50_000 }],
      ),
    )!;
    expect(s.heat.map((h) => (h.at - t0) / 1e3)).toEqual([0, 50]);
    expect(onPlate(s)).toBeNull();
    expect(s.effective.find((e) => e.id === 'n0')!.loggedAt).toBe(t0 + 1000);
  });

  it('a cover that broke is no longer one to be saved', () => {
    const s = foldJob(continued([{ type: 'route', keepCover: true }], [{ type: 'observed', what: 'broke' }]))!;
    expect(s.keepCover).toBe(false);
  });

  it('undo restores exactly the state before, and undoing the undo brings it back (property)', () => {
    const some: fc.Arbitrary<NewEvent> = fc.oneof(
      fc.record({ type: fc.constant('charge' as const), percent: fc.integer({ min: 0, max: 100 }) }),
      fc.record({
        type: fc.constant('edge' as const),
        edge: fc.constantFrom('bottom' as const, 'left' as const),
        free: fc.boolean(),
      }),
      fc.record({ type: fc.constant('route' as const), keepCover: fc.boolean() }),
      fc.record({
        type: fc.constant('reading' as const),
        quantity: fc.constantFrom('gapMm' as const, 'stepMm' as const),
        point: fc.constantFrom('g1', 'g2'),
        value: fc.double({ min: 0, max: 1, noNaN: true }),
        u: fc.constant(0.02),
      }),
      fc.record({
        type: fc.constant('stage' as const),
        stage: fc.constantFrom('lift' as const, 'clean' as const),
        to: fc.constantFrom('started' as const, 'done' as const),
      }),
    );
    const facts = (events: JobEvent[]) => {
      const { effective, log, lastEventId, ...rest } = foldJob(events)!;
      void [effective, log, lastEventId];
      return JSON.stringify(rest, (_, v: unknown) => (v instanceof Set ? [...v].sort() : v));
    };
    fc.assert(
      fc.property(fc.array(some, { minLength: 1, maxLength: 8 }), (list) => {
        const pairs = list.map((e): [NewEvent] => [e]);
        const before = continued(...pairs.slice(0, -1));
        const after = continued(...pairs);
        const id = `n${list.length - 1}`;
        const undone = continued(...pairs, [{ type: 'undo', eventId: id }]);
        const redone = continued(
          ...pairs,
          [{ type: 'undo', eventId: id }],
          [{ type: 'undo', eventId: `n${list.length}` }],
        );
        return facts(undone) === facts(before) && facts(redone) === facts(after);
      }),
      { numRuns: 60 },
    );
  });

  it('does not depend on the order in which entries are read (property)', () => {
    const log = continued(
      [{ type: 'charge', percent: 20 }],
      [{ type: 'charge', percent: 30 }],
      [{ type: 'heatOff', reason: 'ready', easyForS: 1, gripsInS: 2 }],
    );
    fc.assert(
      fc.property(fc.shuffledSubarray(log, { minLength: log.length }), (mixed) => {
        const s = foldJob(mixed)!;
        return s.chargePercent === 30 && onPlate(s) === null;
      }),
      { numRuns: 30 },
    );
  });
});

describe('events', () => {
  it('reads back every event of the demo shop as it was written', () => {
    for (const e of demoJobs(t0).flat()) {
      const back = parseEvent(JSON.parse(JSON.stringify(e)));
      expect(back).toEqual({ ok: true, value: e });
    }
  });

  it('has a line for the log for every kind', () => {
    const seen = new Set(
      demoJobs(t0)
        .flat()
        .map((e) => e.type),
    );
    expect(seen.size).toBeGreaterThan(12);
    for (const e of demoJobs(t0).flat()) expect(eventLine(e)).toMatch(/\w/);
    expect(eventTypes.length).toBeGreaterThanOrEqual(seen.size);
  });

  it('keeps an event of a later version untouched, through a file and back', () => {
    const later = {
      v: 7,
      id: 'x',
      jobId: heating[0]!.jobId,
      writer: 'z',
      seq: 1,
      at: t0,
      loggedAt: t0,
      by: 'a',
      type: 'laserScan',
      beam: { watts: 3 },
    };
    const parsed = parseEvent(later);
    expect(parsed).toMatchObject({ ok: true, value: { type: 'unknown', raw: later } });
    const file = writeJobFile([...heating, (parsed as { value: JobEvent }).value], t0);
    expect(JSON.parse(file).events).toContainEqual(later);
    expect(effectiveEvents([(parsed as { value: JobEvent }).value])).toEqual([]);
  });

  it('names the field of a wrong entry', () => {
    const wrong = (change: object) => parseEvent({ ...heating[5]!, ...change });
    expect(wrong({ at: 'soon' })).toMatchObject({ ok: false, problem: expect.stringMatching(/^at:/) });
    expect(parseEvent({ ...heating.find((e) => e.type === 'charge')!, percent: 140 })).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/^percent:.*100/),
    });
    expect(parseEvent({ ...heating.find((e) => e.type === 'heatOn')!, setC: 900 })).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/^setC:.*400/),
    });
    expect(parseEvent(null).ok).toBe(false);
  });
});

describe('files', () => {
  it('a job file gives the same data back', () => {
    const read = readFile(writeJobFile(finished, t0));
    expect(read).toMatchObject({ ok: true });
    expect((read as { value: { jobs: JobEvent[][] } }).value.jobs[0]).toEqual(finished);
  });

  it('a shop file gives jobs and settings back', () => {
    const read = readFile(writeShopFile(demoSettings, demoJobs(t0), {}, t0));
    expect(read).toMatchObject({ ok: true, value: { settings: demoSettings } });
    expect((read as { value: { jobs: JobEvent[][] } }).value.jobs).toHaveLength(12);
  });

  it.each([
    ['', /empty/],
    ['hello', /^line 1: .*not JSON/],
    ['[]', /format|expected/i],
    ['{"format":"other","version":1}', /format: "other" is not/],
    ['{"format":"northcove-job","version":9,"events":[]}', /version: the file is of version 9, this app reads up to 1/],
    ['{"format":"northcove-job","version":0,"events":[]}', /version: 0/],
    ['{"format":"northcove-job","version":1,"events":{}}', /events: expected a list/],
    ['{"format":"northcove-job","version":1,"events":[]}', /no "opened" event/],
    ['{"format":"northcove-job","version":1,"events":[{"type":"charge"}]}', /^events\.0\.\w+:/],
  ])('refuses %s with a message that names the place', (text, message) => {
    const read = readFile(text);
    expect(read.ok).toBe(false);
    expect((read as { problem: string }).problem).toMatch(message);
  });

  it('a file of more than 60 MB is refused with its size before it is parsed', () => {
    expect(readFile(' x'.repeat(31e6))).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/has 62 MB, allowed are up to 60/),
    });
  });

  it('a file that is nested without end is refused before it is read, and brackets in texts do not count', () => {
    const deep = `${'['.repeat(7000)}${']'.repeat(7000)}`;
    const file = `{"format":"northcove-job","version":1,"events":${deep}}`;
    expect(readFile(file)).toEqual({ ok: false, problem: 'the file is nested deeper than 200' });
    expect(nestingOf(`{"a":"[[[[\\"{{","b":[1,{"c":2}]}`)).toBe(3);
  });

  it('a job file cut in half names the line where it ends', () => {
    const text = writeJobFile(finished, t0);
    const half = text.slice(0, text.length / 2);
    const read = readFile(half);
    expect(read).toMatchObject({ ok: false, problem: expect.stringMatching(/^line \d+: the file is cut off/) });
    expect(Number(/line (\d+)/.exec((read as { problem: string }).problem)![1])).toBeGreaterThan(50);
  });

  it('an entry with NaN, a doubled id or of another job is named by its place', () => {
    const list = JSON.parse(writeJobFile(finished, t0)) as { events: Record<string, unknown>[] };
    const at = list.events.findIndex((e) => e.type === 'reading');
    const change = (patch: object) =>
      readFile(JSON.stringify({ ...list, events: list.events.map((e, i) => (i === at ? { ...e, ...patch } : e)) }));
    expect(change({ value: null })).toMatchObject({
      problem: expect.stringMatching(new RegExp(`^events\\.${at}\\.value:`)),
    });
    expect(change({ value: -80 })).toMatchObject({ problem: expect.stringMatching(/value:.*-5/) });
    expect(change({ id: list.events[0]!.id })).toMatchObject({ problem: expect.stringMatching(/stands twice/) });
    expect(change({ jobId: 'other' })).toMatchObject({ problem: expect.stringMatching(/belongs to another job/) });
  });

  it('never throws, whatever text comes in (property)', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.json(),
          fc.jsonValue().map((v) => JSON.stringify({ format: 'northcove-job', version: 1, events: [v] })),
        ),
        (text) => {
          const r = readFile(text);
          return r.ok === false && r.problem.length > 3;
        },
      ),
      { numRuns: 200 },
    );
  });
});

it('shipped devices and settings pass their own schemas', () => {
  for (const d of shippedDevices) expect(deviceSchema.parse(JSON.parse(JSON.stringify(d)))).toEqual(d);
  expect(settingsSchema.parse(JSON.parse(JSON.stringify(demoSettings)))).toEqual(demoSettings);
});

it('a job whose fold throws stands without the entry at which it does, and the entry is named', () => {
  const bad = { ...finished[5]!, id: 'bad', seq: 9999, loggedAt: finished.at(-1)!.loggedAt + 1 } as JobEvent;
  Object.defineProperty(bad, 'type', {
    get: () => {
      throw new Error('cannot be folded');
    },
  });
  expect(() => foldJob([...finished, bad])).toThrow('cannot be folded');
  const { state, spoiled } = safeFold([...finished, bad]);
  expect(spoiled.map((s) => s.event.id)).toEqual(['bad']);
  expect(state!.stages).toEqual(foldJob(finished)!.stages);
});
