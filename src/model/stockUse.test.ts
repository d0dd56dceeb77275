import { demoHistory } from '../demo/history';
import { demoJobs, demoSettingsAt } from '../demo/shop';
import { eventsOn } from '../../test-support/dayOf';
import type { NewEvent } from './event';
import { foldJob, type JobState } from './fold';
import { partsOfJob, quantityOf, stockNow, tubesOf } from './stock';
import { readStockCsv, stockCsv } from './stockCsv';
import { adviceFor, coveredDays, partUse, tapeUse } from './stockUse';

const t0 = new Date(2026, 3, 14, 13, 0).getTime();
const day = 86400e3;
const s = demoSettingsAt(t0);
const logs = [...demoJobs(t0), ...demoHistory(t0)];
const jobs = logs.map((l) => foldJob(l)!);
const more = (id: string, at: number, ...list: NewEvent[]): JobState =>
  foldJob([...logs.find((l) => l[0]!.jobId === id)!, ...eventsOn(id, 'n', 0, at, 'Osk', list)])!;
const bonded = (ml: number): NewEvent => ({
  type: 'bonded',
  adhesive: 'liquidBead',
  usedMm: 0,
  widthMm: 2,
  cure: 'solvent',
  itemId: 'clear',
  used: [{ kind: 'liquid', id: 'clear', amount: ml }],
});

describe('what is there', () => {
  it('a tube is drawn down, the open one first, the next one after it', () => {
    const none = stockNow(s, []);
    expect(none.liquids.get('clear')).toBeCloseTo(11.2, 9);
    const after = stockNow(s, [more('demo-0143', t0, bonded(4))]).tubes.get('clear')!;
    expect(after.map((t) => Number(t.qty.toFixed(2)))).toEqual([0, 7.2]);
    // what was closed is open from then on
    expect(after[1]!.openedAt).toBe(t0);
    expect(quantityOf(after)).toBeCloseTo(7.2, 9);
  });

  it('a liquid that was never counted by the tube is one', () => {
    const old = { ...s.liquids[0]!, tubes: [], leftMl: 5 };
    expect(tubesOf(old)).toMatchObject([{ id: 'all', qty: 5 }]);
    expect(tubesOf({ ...old, leftMl: 0 })).toEqual([]);
  });

  it('a part is asked for by an open job and gone when it is bonded; undone it is back', () => {
    const open = jobs.find((j) => j.id === 'demo-0142')!;
    expect(partsOfJob(open)).toEqual(['ring61|glass|genuine']);
    const id = 'ring61-glass-genuine';
    const before = stockNow(s, [open]);
    expect([quantityOf(before.parts.get(id)!), before.reserved.get(id)]).toEqual([3, 1]);
    const glued = more('demo-0142', t0, { type: 'bonded', adhesive: 'cutTape', usedMm: 380, widthMm: 2, used: [] });
    const after = stockNow(s, [glued]);
    expect([quantityOf(after.parts.get(id)!), after.reserved.get(id)]).toEqual([2, undefined]);
    const back = more(
      'demo-0142',
      t0,
      { type: 'bonded', adhesive: 'cutTape', usedMm: 380, widthMm: 2, used: [] },
      { type: 'undo', eventId: 'n-0' },
    );
    expect(quantityOf(stockNow(s, [back]).parts.get(id)!)).toBe(3);
  });

  it('what was counted after a job is not drawn off by it', () => {
    const old = jobs.filter((j) => j.closedAt !== null && j.closedAt < t0 - 3 * day);
    for (const [id, lots] of stockNow(s, old).parts)
      expect(quantityOf(lots)).toBe(quantityOf(s.parts.find((p) => p.id === id)!.lots));
  });
});

describe('what to order', () => {
  it('use is learned from the log: tape by the metre, parts by the piece', () => {
    expect(Math.ceil(coveredDays(jobs, t0))).toBe(60);
    const tape = tapeUse(s.tapes[0]!, true, jobs, t0);
    // by another way: all strips of two months, summed
    const strips = jobs.flatMap((j) => j.bondings).filter((b) => b.adhesive === 'cutTape' && t0 - b.at < 60 * day);
    expect(tape.perDay * tape.days).toBeCloseTo(
      strips.reduce((m, b) => m + b.usedMm, 0),
      6,
    );
    expect(tape.sdPerDay).toBeGreaterThan(0);
    const part = s.parts.find((p) => p.id === 'ring61-glass-genuine')!;
    const counted = jobs.filter(
      (j) => partsOfJob(j).includes('ring61|glass|genuine') && j.bondings.length && t0 - j.bondings[0]!.at < 60 * day,
    );
    expect(partUse(part, jobs, t0).count).toBe(counted.length);
  });

  it('an empty shelf is ordered, a full one is not, and what is on order counts', () => {
    const advice = adviceFor(s, stockNow(s, jobs), jobs, t0);
    const of = (id: string) => advice.find((a) => a.id === id)!;
    expect(of('ring61-glass-genuine').advice.now).toBe(true);
    expect(of('ring61-glass-genuine').advice.qty).toBeGreaterThan(0);
    const full = { ...s, parts: s.parts.map((p) => ({ ...p, lots: [{ ...p.lots[0]!, qty: 60 }] })) };
    expect(adviceFor(full, stockNow(full, jobs), jobs, t0).filter((a) => a.kind === 'part' && a.advice.now)).toEqual(
      [],
    );
    const coming = {
      ...s,
      parts: s.parts.map((p) => ({ ...p, onOrder: [{ id: 'x', qty: 60, at: t0, dueAt: null }] })),
    };
    expect(
      adviceFor(coming, stockNow(coming, jobs), jobs, t0).filter((a) => a.kind === 'part' && a.advice.now),
    ).toEqual([]);
    // open for 50 of its 45 days: over, and no longer counted as there
    expect(of('elastic').goesOff.map((g) => g.id)).toContain('e1');
    expect(of('elastic').have).toBeCloseTo(20, 9);
  });
});

describe('stock as a table', () => {
  const text = stockCsv(s, stockNow(s, jobs));

  it('read back it is the same stock', () => {
    const r = readStockCsv(text, s, t0, new Map());
    if ('problem' in r) throw new Error(r.problem);
    const again = { ...s, ...r.change };
    const [a, b] = [stockNow(s, jobs), stockNow(again, [])];
    expect([...b.parts].map(([id, l]) => [id, quantityOf(l)])).toEqual(
      [...a.parts].map(([id, l]) => [id, quantityOf(l)]),
    );
    for (const [id, ml] of a.liquids) expect(b.liquids.get(id)).toBeCloseTo(ml, 2);
    for (const [id, mm] of a.rolls) expect(b.rolls.get(id)).toBeCloseTo(mm, 2);
    expect(stockCsv(again, stockNow(again, []))).toBe(text);
  });

  const head = 'kind,item,lot,quantity,expires';
  it.each([
    ['part,ring61-glass-genuine,a,-2,', 'line 2, quantity: allowed is 0 to 1000000'],
    ['part,ring61-glass-genuine,a,1.5,', 'line 2, quantity: 1.5 is no whole number of pieces'],
    ['part,ring61-glass-genuine,a,2,2026-02-31x', 'line 2, expires: a date is written 2026-04-30, or left empty'],
    ['part,nothing,a,2,', 'line 2, item: nothing is not known; a new part needs device, part and origin'],
    ['liquid,water,a,2,', 'line 2, item: water is no liquid of this shop'],
    ['wheel,x,a,2,', 'line 2, kind:'],
    [
      'part,ring61-glass-genuine,a,2,\npart,ring61-glass-genuine,a,3,',
      'line 3, lot: ring61-glass-genuine a is there twice',
    ],
  ])('refuses %s', (line, problem) => {
    const r = readStockCsv(`${head}\n${line}`, s, t0, new Map());
    expect('problem' in r && r.problem).toContain(problem);
  });

  it('a file without its columns, and one with nothing in it', () => {
    expect(readStockCsv('a,b\n1,2', s, t0, new Map())).toEqual({ problem: 'line 1: no column kind, item, quantity' });
    expect(readStockCsv(head, s, t0, new Map())).toEqual({ problem: 'the file: nothing in it' });
    expect(readStockCsv('x'.repeat(5e6 + 1), s, t0, new Map())).toEqual({ problem: 'the file: over 5 MB' });
  });

  it('more than an item keeps is refused by its line, never cut; so are dates that nothing is dated with', () => {
    const lines = Array.from({ length: 61 }, (_, i) => `offcut,${s.tapes[0]!.id},o${i},120`).join('\n');
    expect(readStockCsv(`kind,item,lot,quantity\n${lines}`, s, t0, new Map())).toEqual({
      problem: `line 62, item: over 60 offcuts of ${s.tapes[0]!.id}`,
    });
    const dated = (d: string) => readStockCsv(`kind,item,quantity,expires\nring,ring61,1,${d}`, s, t0, new Map());
    expect(dated('1900-01-01')).toEqual({ problem: 'line 2, expires: allowed is 2000-01-01 to 2099-12-31' });
    expect(dated('2099-12-31')).toMatchObject({ lines: 1 });
  });

  it('a list of 100,000 lines is refused at the limit without being walked through twice', () => {
    const lines = Array.from({ length: 100_000 }, (_, i) => `ring,r${i},1`).join('\n');
    expect(readStockCsv(`kind,item,quantity\n${lines}`, s, t0, new Map())).toEqual({
      problem: 'line 502, item: over 500 kinds of rings',
    });
  });

  it('a new part comes with device, part and origin; rings are counted on top of what jobs took', () => {
    const r = readStockCsv(
      'kind,item,device,part,origin,quantity\npart,new,ring54,glass,pulled,2\nring,ring61,,,,5',
      s,
      t0,
      new Map([['ring61', 2]]),
    );
    if ('problem' in r) throw new Error(r.problem);
    expect(r.change.parts!.find((p) => p.id === 'new')).toMatchObject({
      deviceId: 'ring54',
      item: 'glass',
      origin: 'pulled',
      lots: [{ qty: 2 }],
    });
    expect(r.change.ringsInStock!.ring61).toBe(7);
    expect(r.change.ringsInStock!.ring54).toBe(s.ringsInStock.ring54);
  });
});
