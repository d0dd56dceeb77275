import { checkDevice } from '@/core/device/check';
import { centreOf } from '@/core/device/editing';
import { cablesUnknown, isGuessed, placeMarginMm } from '@/core/device/known';
import { boxOf } from '@/core/device/shapes';
import type { Device, Learned } from '@/core/device/types';
import { faceView } from '@/core/device/faceView';
import { bondPerimeter } from '@/core/device/perimeter';
import { keepOuts } from '@/core/lift/depth';
import { wilson } from '@/core/statistics/rates';
import { stripGraph } from '@/core/strip/graph';
import { alongOrder, orderValid, removalOrder } from '@/core/strip/removal';
import { demoHistory } from '@/demo/history';
import type { JobEvent } from '@/model/event';
import { foldJob, type JobState } from '@/model/fold';
import { defaultSettings } from '@/model/defaultSettings';
import { deviceSchema } from '@/model/device';
import { guessDevice } from '@/model/guess';
import { shippedDevices } from '@/model/shippedDevices';

import { nextPiece, nextPlug, nextScrew, partAt } from '@/core/device/learnedPieces';
import { asSeen, learnedProblem, withLearned } from '@/core/device/withLearned';
import { newOrder, withOrder } from './keepForModel';
import { familyOf, modelHistory } from './modelHistory';
import { answersOf, firstAnswers } from './newModel';

const own = guessDevice(answersOf({ ...firstAnswers(), construction: 'ringGlass' }, 'own', 'own')!);
const joint = own.bonds[0]!.id;
const learned = (what: Parameters<typeof withLearned>[1][number]['what'], at: [number, number] | null, text = '') => ({
  itemId: `${what}1`,
  what,
  at,
  text,
  joint,
});

describe('what was learned goes into the model', () => {
  it('a cable is put where it was seen, and is no longer unknown; the model still holds together', () => {
    expect(cablesUnknown(own)).toBe(true);
    const d = withLearned(own, [learned('cable', [70, 90], 'charge cable')], 'J-1');
    expect(cablesUnknown(d)).toBe(false);
    expect(d.cables).toHaveLength(1);
    expect(d.cables[0]).toMatchObject({ name: 'charge cable', foldToward: 'right' });
    const view = faceView(d, d.bonds[0]!);
    const at = bondPerimeter(view.device, view.bond).point((d.cables[0]!.at.fromMm + d.cables[0]!.at.toMm) / 2).at;
    expect(Math.abs(at[1] - 90)).toBeLessThan(3);
    expect(checkDevice(d)).toEqual([]);
    expect(deviceSchema.parse(JSON.parse(JSON.stringify(d)))).toEqual(d);
  });
  it('a weak place keeps every blade away from it', () => {
    const d = withLearned(own, [learned('weak', [4, 60])], 'J-1');
    const outs = keepOuts(d, d.bonds[0]!, new Set(d.parts.map((p) => p.id)));
    expect(outs.find((k) => k.id === 'weak1')).toMatchObject({ shape: { kind: 'disc', c: [4, 60] } });
  });
  it('a part that is bound is the smallest that lies there; a tip changes nothing but the notes', () => {
    const { c, rMm } = own.parts.find((p) => p.kind === 'coil')!.shape as unknown as {
      c: [number, number];
      rMm: number;
    };
    expect(rMm).toBeGreaterThan(0);
    const d = withLearned(own, [learned('bound', c), learned('tip', null, 'screw under the label')], 'J-1');
    expect(d.parts.filter((p) => p.bound).map((p) => p.kind)).toEqual(['coil']);
    expect(d.notes?.map((n) => [n.what, n.text, n.from])).toEqual([
      ['bound', '', 'J-1'],
      ['tip', 'screw under the label', 'J-1'],
    ]);
    // twice is once
    expect(withLearned(d, [learned('bound', c)], 'J-1')).toEqual(d);
  });
  it('no cable at all is known too', () => {
    expect(cablesUnknown(withLearned(own, [learned('noCable', null)], 'J-1'))).toBe(false);
  });
});

describe('things that are tapped inside', () => {
  const bond = own.bonds[0]!;
  const spec = { head: 'cross', diaMm: 1.4, lengthMm: 2.5 } as const;
  const screwAt = (d: Device, at: [number, number], itemId: string): Learned => ({
    itemId,
    what: 'screw',
    at,
    text: '',
    joint,
    thing: nextScrew(d, d.bonds[0]!, at, spec, []),
  });
  const board = centreOf(own.parts.find((p) => p.kind === 'board')!.shape) as [number, number];
  it('screws over one part share a zone, and are counted on; the part waits for them', () => {
    let d = own;
    for (const [i, dx] of [0, 3, 6].entries())
      d = withLearned(d, [screwAt(d, [board[0] + dx, board[1]], `s${i}`)], 'J-1');
    expect(d.screws.map((s) => [s.id, s.zone, s.holds])).toEqual(
      ['A1', 'A2', 'A3'].map((id) => [id, 'A', partAt(own, bond, board)]),
    );
    d = withLearned(d, [screwAt(d, [4, 4], 'other')], 'J-1');
    expect(d.screws.at(-1)).toMatchObject({ id: 'B1', zone: 'B' });
    expect(checkDevice(d)).toEqual([]);
    expect(deviceSchema.parse(JSON.parse(JSON.stringify(d)))).toEqual(d);
    expect(isGuessed(d, 'small')).toBe(false);
    const held = stripGraph(d).find((n) => n.id === d.screws[0]!.holds)!;
    expect(held.needs[0]).toContain('screws:A');
  });
  it('a second tap on a screw means the first one; forty screws push no tip out of the notes', () => {
    const tip = withLearned(own, [learned('tip', null, 'slow at the keys')], 'J-1');
    const once = withLearned(tip, [screwAt(tip, board, 'a')], 'J-1');
    const twice = withLearned(once, [{ ...screwAt(once, [board[0] + 0.3, board[1]], 'b') }], 'J-1');
    expect(twice.screws.map((s) => s.id)).toEqual(once.screws.map((s) => s.id));
    let d = tip;
    for (let i = 0; i < 70; i++)
      d = withLearned(d, [screwAt(d, [8 + (i % 7) * 8, 20 + Math.floor(i / 7) * 10], `m${i}`)], 'J-1');
    expect(d.screws).toHaveLength(70);
    expect(d.notes?.map((n) => n.text)).toEqual(['slow at the keys']);
  });
  it('a name that another job has given out since is not given twice', () => {
    const first = screwAt(own, board, 'a');
    const second = { ...screwAt(own, [board[0] + 4, board[1]], 'b') };
    const d = withLearned(withLearned(own, [first], 'J-1'), [second], 'J-2');
    expect(new Set(d.screws.map((s) => s.id)).size).toBe(2);
  });
  it('the battery’s plug is moved to where it is, another plug is one more; a bracket covers what is near', () => {
    const plugAt = (battery: boolean, at: [number, number]): Learned => ({
      itemId: `p${battery}`,
      what: 'plug',
      at,
      text: '',
      joint,
      thing: nextPlug(own, bond, at, 'press', battery, []),
    });
    const d = withLearned(own, [plugAt(true, [30, 40]), plugAt(false, [34, 44])], 'J-1');
    expect(d.connectors.filter((c) => c.battery)).toEqual([expect.objectContaining({ at: [30, 40] })]);
    expect(d.connectors).toHaveLength(2);
    const bracket: Learned = {
      itemId: 'br',
      what: 'bracket',
      at: [32, 42],
      text: '',
      joint,
      thing: nextPiece(d, 'bracket', []),
    };
    const covers = withLearned(d, [bracket], 'J-1').pieces[0]!.covers;
    expect(covers.sort()).toEqual(d.connectors.map((c) => c.id).sort());
  });
  it('who looks at a front sees left and right the other way round: on the plan it is where it is', () => {
    const front = guessDevice(
      answersOf({ ...firstAnswers(), construction: 'ringGlass', opensFrom: 'front' }, 'f', 'f')!,
    );
    const through = front.bonds.find((b) => b.onFace === 'front')!;
    const { max } = boxOf(front.leaves[0]!.outline);
    const item: Learned = {
      itemId: 'x',
      what: 'screw',
      at: [10, 30],
      text: '',
      joint: through.id,
      thing: { kind: 'screw', id: 'A1', zone: 'A', ...spec },
    };
    const d = withLearned(front, [item], 'J-1');
    expect(d.screws[0]!.at[0]).toBeCloseTo(max[0] - 10, 6);
    expect(faceView(d, through).device.screws[0]!.at[0]).toBeCloseTo(10, 6);
    // plugs turn with it
    const [plug, seen] = [front, faceView(front, through).device].map((x) => x.connectors[0]!.at);
    expect(seen![0]).toBeCloseTo(max[0] - plug![0], 6);
  });
  it('a part is where it is drawn, or moves to where its middle was tapped; where another one is it cannot be', () => {
    const cell = own.parts.find((p) => p.kind === 'battery')!;
    const part = (at: [number, number] | null): Learned => ({
      itemId: 'part',
      what: 'part',
      at,
      text: '',
      joint,
      thing: { kind: 'part', id: cell.id },
    });
    expect(isGuessed(own, `part:${cell.id}`)).toBe(true);
    const there = withLearned(own, [part(null)], 'J-1');
    expect(isGuessed(there, `part:${cell.id}`)).toBe(false);
    expect(placeMarginMm(there, cell)).toBeLessThan(placeMarginMm(own, cell));
    const c = centreOf(cell.shape);
    const moved = withLearned(own, [part([c[0], c[1] + 2])], 'J-1');
    expect(centreOf(moved.parts.find((p) => p.id === cell.id)!.shape)[1]).toBeCloseTo(c[1] + 2, 3);
    expect(learnedProblem(own, part([c[0], c[1] - 15]))).toMatchObject({ allowed: 'a place of its own' });
    // and is kept as a note alone
    expect(withLearned(own, [part([c[0], c[1] - 15])], 'J-1').parts).toEqual(own.parts);
  });
  it('a screw outside the device is named; a glued spot waits for the next job', () => {
    expect(learnedProblem(own, screwAt(own, [-20, 10], 'out'))).toMatchObject({ given: 'outside the outline' });
    const spot: Learned = { itemId: 'spot', what: 'patch', at: [30, 120], text: '', joint };
    expect(withLearned(own, [spot], 'J-1').bonds[0]!.patches).toHaveLength(own.bonds[0]!.patches.length + 1);
    expect(asSeen(own, [spot], 'J-1')).toBe(own);
  });
  it('the job itself works with what was seen on it, and gets the same model for the same things', () => {
    const log = demoHistory(Date.UTC(2026, 3, 14, 13))[0]!;
    const before = foldJob(log)!;
    const at: [number, number] = [20, 60];
    const seen = {
      ...log.at(-1)!,
      id: 'seen1',
      type: 'learned' as const,
      itemId: 'i1',
      what: 'screw' as const,
      place: at,
      text: '',
      on: true,
      thing: nextScrew(before.model, before.bond, at, spec, []),
    };
    const [a, b] = [foldJob([...log, seen] as JobEvent[])!, foldJob([...log, seen] as JobEvent[])!];
    expect(a.device.screws).toHaveLength(before.device.screws.length + 1);
    expect(b.model).toBe(a.model);
    const off = foldJob([...log, seen, { ...seen, id: 'seen2', on: false }] as JobEvent[])!;
    expect(off.model).toBe(before.model);
  });
});

describe('the order it came apart in', () => {
  const device = shippedDevices.find((d) => d.screws.length > 5)!;
  const list = stripGraph(device);
  const all = removalOrder(
    list,
    list.map((n) => n.id),
  )!.order;
  it('is kept as far as what lies over what allows it', () => {
    const known = [...all].reverse();
    const out = alongOrder(list, all, known);
    expect(orderValid(list, out)).toBe(true);
    expect([...out].sort()).toEqual([...all].sort());
    // its own order again is its own
    expect(alongOrder(list, all, out)).toEqual(out);
    // nothing known changes nothing
    expect(alongOrder(list, all, [])).toEqual(all);
  });
  it('what is free comes in the order of before', () => {
    const free = list.filter((n) => n.needs.every((s) => s.length === 0) && !n.electrical).map((n) => n.id);
    expect(free.length).toBeGreaterThan(1);
    const turned = [...free].reverse();
    const out = alongOrder(list, all, turned).filter((id) => free.includes(id));
    expect(out).toEqual(turned);
  });
  it('is written into the model behind what it did not touch, and not asked for twice', () => {
    const model = { ...device, order: ['x', ...all.slice(0, 2)] };
    expect(withOrder(model, [all[1]!, all[0]!]).order).toEqual([all[1], all[0], 'x']);
    const job = { effective: [], device, screwsOut: new Map(), learnedKept: new Map() };
    expect(newOrder(job, device)).toBeNull();
    const steps = list.filter((n) => n.kind === 'connector').slice(0, 3);
    const effective = steps.map((n, i) => ({ type: 'stripped', itemId: n.id, to: 'out', at: i })) as never[];
    const done = newOrder({ ...job, effective }, device);
    expect(done).toEqual(steps.map((n) => n.id));
    expect(newOrder({ ...job, effective }, { order: done! })).toBeNull();
    expect(newOrder({ ...job, effective, learnedKept: new Map([['order', false]]) }, device)).toBeNull();
  });
});

describe('what the shop has learned of a model', () => {
  const jobs = demoHistory(Date.UTC(2026, 3, 14, 13)).flatMap((log) => foldJob(log) ?? []) as JobState[];
  const h = modelHistory('ring61', jobs, shippedDevices, defaultSettings);
  const mine = jobs.filter((j) => j.device.id === 'ring61' && j.closedAt !== null);
  it('counts its own jobs, and no other model’s', () => {
    expect(mine.length).toBeGreaterThan(2);
    expect(h.jobs).toBe(mine.length);
    expect(h.lastAt).toBe(Math.max(...mine.map((j) => j.closedAt!)));
    expect(modelHistory('nothing', jobs, shippedDevices, defaultSettings)).toMatchObject({
      jobs: 0,
      handsMin: null,
      broke: null,
    });
  });
  it('broken backs carry the interval of Wilson 1927', () => {
    expect(h.broke).not.toBeNull();
    expect(h.broke).toMatchObject(wilson(h.broke!.hits, h.broke!.of));
  });
  it('sisters are told together, from either side and over two steps', () => {
    const models = [
      { ...own, id: 'a' },
      { ...own, id: 'b', sisterOf: 'a' },
      { ...own, id: 'c', sisterOf: 'b' },
      { ...own, id: 'd' },
    ];
    expect(familyOf('a', models)).toEqual(['a', 'b', 'c']);
    expect(familyOf('c', models).sort()).toEqual(['a', 'b', 'c']);
    expect(familyOf('d', models)).toEqual(['d']);
    const withSister = shippedDevices.map((d) => (d.id === 'ring54' ? { ...d, sisterOf: 'ring61' } : d));
    const both = modelHistory('ring61', jobs, withSister, defaultSettings);
    expect(both.jobs).toBe(h.jobs + modelHistory('ring54', jobs, shippedDevices, defaultSettings).jobs);
    expect(both.sisters).toEqual(['ring54']);
  });
  it('how the glue gave is learned from the jobs on this model alone', () => {
    const o = {
      id: 'o1',
      at: 0,
      job: mine[0]!.label,
      adhesive: 'foamRing',
      gave: true,
      liftMm: 0.4,
      tC: 95,
      uK: 5,
      hMm: 0.8,
      ringMm: 2,
      fullArea: false,
      cover: 'glassStrengthened',
      out: false,
    };
    const settings = { seen: [o, { ...o, id: 'o2', job: 'J-9999', liftMm: 1.2 }] };
    const glue = modelHistory('ring61', jobs, shippedDevices, settings).glue;
    expect(glue).toHaveLength(1);
    expect(glue[0]!.seen).toBe(1);
    expect(glue[0]!.low).toBeLessThan(glue[0]!.factor);
  });
});
