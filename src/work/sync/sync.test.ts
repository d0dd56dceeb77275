import fc from 'fast-check';

import { defaultSettings } from '../../model/defaultSettings';
import type { JobEvent } from '../../model/event';
import { bucketOf, bucketsOf, digestOf, joined, sameDigest } from './digest';
import { messageSchema } from './messages';
import { Peer, type SharedLog } from './peer';
import { changedLeaves, leavesOf, withLeaves } from './sharedSettings';
import { SharedDoc } from './sharedDoc';

const entry = (id: string, jobId = 'j') => ({ id, jobId }) as JobEvent;

describe('digests', () => {
  it('are the same for the same entries in any order, and differ when one is missing or another', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.string({ minLength: 1 }), { minLength: 1, maxLength: 40 }), (ids) => {
        const list = ids.map((i) => entry(i));
        expect(digestOf([...list].reverse())).toEqual(digestOf(list));
        expect(sameDigest(digestOf(list.slice(1)), digestOf(list))).toBe(false);
        expect(sameDigest(digestOf([...list.slice(1), entry(`${ids[0]}'`)]), digestOf(list))).toBe(false);
        const half = Math.floor(list.length / 2);
        expect(joined(digestOf(list.slice(0, half)), digestOf(list.slice(half)))).toEqual(digestOf(list));
      }),
    );
  });

  it('lie in 256 buckets that come near to being equally full', () => {
    const count = new Array(256).fill(0) as number[];
    for (let i = 0; i < 25_600; i++) count[bucketOf(`job-${i}`)]!++;
    // chi-squared with 255 degrees of freedom: 330 is passed once in a thousand (handbook table)
    expect(count.reduce((s, n) => s + (n - 100) ** 2 / 100, 0)).toBeLessThan(330);
    const jobs = new Map([['a', [entry('1', 'a')]]]);
    expect(bucketsOf(jobs).buckets.filter(([n]) => n).length).toBe(1);
  });
});

describe('two logs', () => {
  /** A log as a set of ids by job, and what it was asked. */
  const side = (jobs: Record<string, string[]>) => {
    let map = new Map(Object.entries(jobs).map(([j, ids]) => [j, ids.map((i) => entry(i, j))]));
    let asked = 0;
    const log: SharedLog = {
      jobs: () => map,
      written: (e) => e,
      take: async (list) => {
        for (const e of list as JobEvent[]) {
          const next = new Map(map);
          next.set(e.jobId, [...(map.get(e.jobId) ?? []), e]);
          map = next;
          asked++;
        }
      },
      refused: new Set(),
      now: () => 0,
      name: 'x',
    };
    return { log, ids: () => [...map].map(([j, l]) => [j, l.map((e) => e.id).sort()]).sort(), given: () => asked };
  };

  it('come to their union from one greeting, and only what was lacking travels', async () => {
    const part = fc.dictionary(
      fc.constantFrom('a', 'b', 'c', 'd', 'e'),
      fc.uniqueArray(fc.constantFrom('1', '2', '3', '4', '5', '6'), { minLength: 1 }),
    );
    await fc.assert(
      fc.asyncProperty(part, part, async (x, y) => {
        const own = (r: Record<string, string[]>) =>
          Object.fromEntries(Object.entries(r).map(([j, ids]) => [j, ids.map((i) => `${j}${i}`)]));
        const [a, b] = [side(own(x)), side(own(y))];
        const queue: (() => Promise<void>)[] = [];
        const peers: Peer[] = [];
        const say = (to: number) => (_: string, m: unknown) =>
          void queue.push(() => peers[to]!.heard('other', messageSchema.parse(JSON.parse(JSON.stringify(m)))));
        peers.push(new Peer(a.log, null, say(1)), new Peer(b.log, null, say(0)));
        peers[0]!.hello();
        let said = 0;
        for (let next = queue.shift(); next; next = queue.shift()) {
          expect(++said).toBeLessThan(20);
          await next();
        }
        const union = new Set([...Object.entries(own(x)), ...Object.entries(own(y))].flatMap(([, ids]) => ids));
        expect(a.ids()).toEqual(b.ids());
        expect(new Set(a.ids().flatMap(([, ids]) => ids as string[]))).toEqual(union);
        const lackedA = [...union].filter((i) => !Object.values(own(x)).flat().includes(i)).length;
        const lackedB = [...union].filter((i) => !Object.values(own(y)).flat().includes(i)).length;
        expect([a.given(), b.given()]).toEqual([lackedA, lackedB]);
      }),
    );
  });
});

describe('settings of a shop', () => {
  it('are the same after being taken apart and put together', () => {
    const { settings, refused } = withLeaves(
      { ...defaultSettings, people: [], weights: [] },
      leavesOf(defaultSettings),
    );
    expect(refused).toEqual([]);
    expect(settings).toEqual(defaultSettings);
  });

  it('changes of different leaves both count; a list that grew on both keeps its newest lines within its bound', () => {
    const a = leavesOf({ ...defaultSettings, ratePerH: 61 });
    const b = leavesOf({ ...defaultSettings, roomC: 17 });
    const base = leavesOf(defaultSettings);
    const all = { ...base };
    for (const [k, v] of [...changedLeaves(base, a), ...changedLeaves(base, b)]) {
      if (v === null) delete all[k];
      else all[k] = v;
    }
    expect(withLeaves(defaultSettings, all).settings).toMatchObject({ ratePerH: 61, roomC: 17 });
    const absences = Array.from({ length: 260 }, (_, i) => ({ id: `a${i}`, person: 'p', fromAt: i, toAt: i + 1 }));
    const grown = { ...base, 'absences@': JSON.stringify(absences.map((x) => x.id)) };
    for (const x of absences) Object.assign(grown, { [`absences#${x.id}`]: JSON.stringify(x) });
    const read = withLeaves(defaultSettings, grown);
    expect(read.refused).toEqual([]);
    expect(read.settings.absences.map((x) => x.id)).toEqual(absences.slice(-200).map((x) => x.id));
  });

  it('a leaf that cannot be read stays as it is here, and is named', () => {
    const { settings, refused } = withLeaves(defaultSettings, { ...leavesOf(defaultSettings), ratePerH: '"much"' });
    expect(refused).toEqual(['ratePerH']);
    expect(settings.ratePerH).toBe(defaultSettings.ratePerH);
  });
});

it('the shop’s document is the same on all that have heard the same, in whatever order', () => {
  const docs = [new SharedDoc(), new SharedDoc(), new SharedDoc()];
  docs[0]!.noteSettings(null, defaultSettings);
  for (const d of docs.slice(1)) d.apply(docs[0]!.since(d.knows())!);
  docs[0]!.noteSettings(defaultSettings, { ...defaultSettings, ratePerH: 50 });
  docs[1]!.noteSettings(defaultSettings, { ...defaultSettings, ratePerH: 60 });
  docs[2]!.noteSettings(defaultSettings, { ...defaultSettings, roomC: 12 });
  const updates = docs.map((d) => d.kept());
  docs.forEach((d, i) => [...updates.slice(i), ...updates.slice(0, i)].forEach((u) => d.apply(u)));
  const read = docs.map((d) => d.settingsIn(defaultSettings).settings);
  expect(read[1]).toEqual(read[0]);
  expect(read[2]).toEqual(read[0]);
  expect(read[0]!.roomC).toBe(12);
  expect([50, 60]).toContain(read[0]!.ratePerH);
  expect(() => docs[0]!.apply(btoa('nonsense'))).toThrow();
});
