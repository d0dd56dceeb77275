import { fireEvent, screen } from '@testing-library/react';

import { spoken } from '@/words/units';
import { bondPerimeter } from '@/core/device/perimeter';
import { needOf, steady, timeWhen } from '@/core/cure/laws';
import { demoSettings } from '@/demo/shop';
import type { NewEvent } from '@/model/event';
import { call, choose, enter, pass, press, reading, reason, renderStage, tick } from '../../../test-support/stage';
import { jobNow, logged, settingsNow, startShop } from '../../../test-support/mockShop';
import { CureStage } from '@/stages/cure/CureStage';
import { flushOf } from '@/work/check/flushJob';
import { testsBeforeClosing } from '@/work/check/beforeClosing';
import { DryFitStage } from '@/stages/dryFit/DryFitStage';
import { BondStage } from './BondStage';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
jest.mock('@/ui/alarm', () => ({
  unlockSound: () => {},
  useAlarm: () => ({ flash: false, silent: false }),
  useAwake: () => 'held',
  Flash: () => null,
}));
let mockWide = true;
jest.mock('@/ui/useWide', () => ({ useWide: () => mockWide }));
const mockFile = { next: null as { name: string; text: string } | null };
const mockSaved: { name: string; text: string }[] = [];
jest.mock('@/ui/download', () => ({
  download: (name: string, text: string) => mockSaved.push({ name, text }),
  pickText: async () => mockFile.next,
  pickFile: async () => null,
}));

const t0 = new Date('2026-04-14T13:00:00').getTime();
/** a phone that nothing was bonded on yet, with no heat on the bench */
const phone = 'demo-0143';
const cold: Record<string, NewEvent[]> = {
  'demo-0142': [{ type: 'heatOff', reason: 'hold', easyForS: null, gripsInS: null }],
};
/** The route that the demo's job was opened with, to be noted again with a change. */
const jobNowRoute = (id: string) => {
  startShop(t0, cold);
  const { bondId, work, cover, origin, through, internalsOut, partHas, closedBy } = jobNow(id).route!;
  return { type: 'jobRoute' as const, bondId, work, cover, origin, through, internalsOut, partHas, closedBy };
};
const ticks = async () => {
  await tick('Lenses blown off once more');
  await tick('Photo of the open inside, or none wanted');
  await tick('All of these work');
};
/** Lets time pass without rendering every tick of it. */
const later = async (ms: number) => {
  jest.setSystemTime(Date.now() + ms - 1000);
  await pass(1000);
};
const hold = async (name: RegExp) => {
  fireEvent.keyDown(screen.getByRole('button', { name }), { key: 'Enter' });
  await pass(1200);
};

beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  mockSaved.length = 0;
  mockWide = true;
});
afterEach(() => jest.useRealTimers());

describe('a liquid bead', () => {
  it('is laid with the mark, waits open, closes in its window, and goes to cure with its own law', async () => {
    startShop(t0, cold);
    renderStage(BondStage, phone);
    await choose('Way of bonding: liquid bead');
    expect(call()).toMatch(/^Lay 0\.1\d ml in 1 stroke: [\d hmins]+ at 10\.0 mm\/s\.$/);
    await press('Start laying');
    expect(jobNow(phone).bead).toMatchObject({ endAt: null, plan: { school: 'liquidBead', liquidId: 'clear' } });
    expect(call()).toMatch(/^Follow the mark: [\d hmins]+ to go\.$/);
    await later(36_000);
    await press('All of it is laid');
    expect(call()).toMatch(/^Leave it open\. Close in [\d hmins]+\.$/);
    expect(screen.getByRole('button', { name: /^Closed and pressed: in 0:/ })).toBeTruthy();
    await later(60_000);
    expect(call()).toMatch(/^Close now: [\d hmins]+ left\.$/);
    expect(screen.getByRole('button', { name: 'Closed and pressed: blow the lenses off first' })).toBeTruthy();
    await ticks();
    await press('Closed and pressed');
    const bonded = jobNow(phone).bonded!;
    expect(bonded).toMatchObject({ adhesive: 'liquidBead', cure: 'solvent', itemId: 'clear', bondMm: 1.4 });
    expect(bonded.used![0]).toMatchObject({ kind: 'liquid', id: 'clear' });
  });

  it('after the skin it can only be closed by holding; wiped off it can be laid anew', async () => {
    startShop(t0, cold);
    renderStage(BondStage, phone);
    await choose('Way of bonding: liquid bead');
    await press('Start laying');
    await later(36_000);
    await press('All of it is laid');
    await later(10 * 60_000);
    expect(call()).toMatch(/^It has had a skin for [\d hmins]+: it does not stick any more\.$/);
    expect(screen.getByRole('button', { name: /^Closed over the skin, hold/ })).toBeTruthy();
    await hold(/^Wiped off, hold/);
    expect(jobNow(phone).bead).toBeNull();
    expect(screen.getByRole('button', { name: 'Start laying' })).toBeTruthy();
  });

  it('no solvent glue while anything is on a heater; sealant may be laid', async () => {
    startShop(t0);
    renderStage(BondStage, phone);
    await choose('Way of bonding: liquid bead');
    expect(
      screen.getByRole('button', { name: 'Start laying: J-0142 is on a heater: solvent vapour burns' }),
    ).toBeTruthy();
    await choose(/^Glue: moisture/);
    expect(screen.getByRole('button', { name: 'Start laying' })).toBeTruthy();
    expect(reading(/to the customer/)).toMatch(/^\d:\d\d h/);
  });

  it('nothing is closed over a swollen cell, unless a new one goes in', () => {
    const swollen: NewEvent = { type: 'finding', kind: 'cellSwollen', answer: 'yes' };
    startShop(t0, { ...cold, [phone]: [swollen] });
    const first = renderStage(BondStage, phone);
    expect(screen.getByRole('button', { name: /: nothing is closed over a swollen/ })).toBeTruthy();
    first.unmount();
    startShop(t0, {
      ...cold,
      [phone]: [swollen, { type: 'cellChoice', fit: 'new', flat: false, bent: false, punctured: false }],
    });
    renderStage(BondStage, phone);
    expect(screen.queryByRole('button', { name: /swollen/ })).toBeNull();
  });

  it('a nozzle wider than the ring, a cold tube and a bond without width are named and change nothing', async () => {
    startShop(t0, cold, {
      settings: { ...demoSettings, liquids: demoSettings.liquids.map((l) => ({ ...l, nozzleDiaMm: 2.5 })) },
    });
    const wide = renderStage(BondStage, phone);
    await choose('Way of bonding: liquid bead');
    expect(call()).toBe('nozzle: 2.5 mm does not work; it takes up to 1.8 mm, the width of the ring.');
    expect(screen.getByRole('button', { name: /^Start laying: not possible/ })).toBeTruthy();
    wide.unmount();
    startShop(t0, cold);
    renderStage(BondStage, phone);
    await choose('Way of bonding: liquid bead');
    await enter(/^Temperature of the tube/, '-5');
    const alerts = () =>
      screen
        .getAllByRole('alert')
        .map((a) => a.textContent)
        .join(' ');
    expect(alerts()).toContain('enter 5 to 40 °C (you entered -5)');
    await enter(/^Width of the bead once closed/, '0');
    expect(alerts()).toContain('enter 0.3 to 1.8 mm (you entered 0)');
    expect(logged(phone)).toEqual([]);
  });

  it('twice as wide takes four times as long: width moves the clock of the choice', async () => {
    startShop(t0, cold, { settings: { ...demoSettings, night: { ...demoSettings.night, on: false } } });
    renderStage(BondStage, phone);
    await choose('Way of bonding: liquid bead');
    const hours = () => {
      const text = reading(/to the customer/)!;
      const m = /^(\d+)(?::(\d\d))? h/.exec(text)!;
      return Number(m[1]) + Number(m[2] ?? 0) / 60;
    };
    await enter(/^Width of the bead once closed/, '0.8');
    const narrow = hours();
    await enter(/^Width of the bead once closed/, '1.6');
    expect(hours() / narrow).toBeGreaterThan(3.9);
    expect(hours() / narrow).toBeLessThan(4.1);
  });

  it('top-up lays only what is torn, and is proposed only when the old ring is said to be whole', async () => {
    startShop(t0, cold);
    renderStage(BondStage, phone);
    await choose('Way of bonding: old ring, topped up');
    const ml = () => Number(/^([\d.]+) ml/.exec(reading(/like it left/)!)![1]);
    // said of both ways that go over the old ring
    expect(screen.getAllByText(/nobody has said that the old ring is whole/)).toHaveLength(2);
    await enter(/^Torn length/, '100');
    expect(ml()).toBeCloseTo((100 * 1.4 * 0.2) / 0.9 / 1000, 2);
    await tick('The old ring is whole and clean except where it tore');
    expect(screen.queryByText(/nobody has said that the old ring is whole/)).toBeNull();
  });
});

describe('ways that lay little or nothing', () => {
  it('a part with its adhesive on: peel, set, press; nothing is taken from stock and the clock is the tape’s', async () => {
    const route = jobNowRoute(phone);
    startShop(t0, { ...cold, [phone]: [{ ...route, cover: 'new', origin: 'genuine', partHas: ['adhesive'] }] });
    renderStage(BondStage, phone);
    expect(call()).toBe('Peel the liner, set it, press.');
    expect(screen.getByRole('radio', { name: 'Way of bonding: adhesive on the part', checked: true })).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Set and pressed: blow the lenses off first' })).toBeTruthy();
    await ticks();
    await press('Set and pressed');
    expect(jobNow(phone).bonded).toMatchObject({ adhesive: 'preGlued', cure: 'tape', usedMm: 0, used: [] });
  });

  it('a part without adhesive is not offered that way', () => {
    startShop(t0, cold);
    renderStage(BondStage, phone);
    expect(screen.queryByRole('radio', { name: 'Way of bonding: adhesive on the part' })).toBeNull();
  });

  it('the old ring as it is: only when somebody says that it is whole', async () => {
    startShop(t0, cold);
    renderStage(BondStage, phone);
    await choose('Way of bonding: old ring as it is');
    expect(call()).toBe('Is the old ring whole?');
    await tick('The old ring is whole and clean except where it tore');
    expect(call()).toBe('Set it on the old ring and press.');
    await ticks();
    await press('Set and pressed');
    expect(jobNow(phone).bonded).toMatchObject({ adhesive: 'reuseRing', used: [] });
  });

  it('tape and bead: the bead lies on the edge that was named, tape on the rest, both leave the stock', async () => {
    startShop(t0, cold);
    renderStage(BondStage, phone);
    await choose('Way of bonding: tape and bead');
    expect(call()).toBe('Say where the bead goes.');
    await choose('On the rest of the ring: strips of tape');
    const whole = jobNow(phone);
    await tick('Bottom edge');
    const path = bondPerimeter(whole.device, whole.bond);
    const span = path.edgeSpan('bottom');
    const laid = /^Lay 0\.0\d ml in 1 stroke: /;
    expect(call()).toMatch(laid);
    expect(reason()).toMatch(/^\d+ pieces of tape first; their liner stays on until the bead lies\. /);
    await press('Start laying');
    expect(jobNow(phone).bead!.plan).toMatchObject({ school: 'tapeAndBead', base: 'strips', beadOn: [span] });
    await later(20_000);
    await press('All of it is laid');
    await later(70_000);
    await ticks();
    await press('Closed and pressed');
    const bonded = jobNow(phone).bonded!;
    expect(bonded).toMatchObject({ adhesive: 'tapeAndBead', cure: 'solvent', itemId: 'clear', beadOn: [span] });
    const kinds = bonded.used!.map((u) => u.kind);
    expect(kinds.filter((k) => k === 'liquid')).toHaveLength(1);
    expect(kinds.some((k) => k === 'roll' || k === 'offcut')).toBe(true);
    // the strips leave out what the bead covers
    const along = path.lengthMm - (span.toMm - span.fromMm);
    expect(bonded.usedMm).toBeGreaterThan(along * 0.85);
    expect(bonded.usedMm).toBeLessThan(along * 1.1);
  });

  it('black rubber is left to dry and peeled off on Cure; clear glue is wiped at once', async () => {
    const withGlue = (black: boolean) => ({
      settings: {
        ...demoSettings,
        liquids: demoSettings.liquids.map((l) => ({ ...l, black })),
      },
    });
    const out = /Leave it: wet it smears/;
    startShop(t0, cold, withGlue(true));
    const first = renderStage(BondStage, 'demo-0142');
    await choose('Way of bonding: liquid bead');
    await enter(/^Width of the bead once closed/, '2');
    expect(screen.getByText(out)).toBeTruthy();
    expect(screen.queryByRole('checkbox', { name: 'Squeezed-out glue wiped off' })).toBeNull();
    first.unmount();
    startShop(t0, cold, withGlue(false));
    renderStage(BondStage, 'demo-0142');
    await choose('Way of bonding: liquid bead');
    await enter(/^Width of the bead once closed/, '2');
    expect(screen.queryByText(out)).toBeNull();
    expect(screen.getByRole('checkbox', { name: 'Squeezed-out glue wiped off' })).toBeTruthy();
  });

  it('what failed before the repair is not said to work now', async () => {
    startShop(t0, cold);
    const [first] = testsBeforeClosing(jobNow(phone));
    startShop(t0, { ...cold, [phone]: [{ type: 'function', fn: first!, phase: 'before', result: 'fail' }] });
    renderStage(BondStage, phone);
    await tick('All of these work');
    expect(jobNow(phone).functions.open[first!]).toBeUndefined();
    expect(Object.values(jobNow(phone).functions.open).every((r) => r === 'ok')).toBe(true);
  });

  it('a device that is locked or does not start is closed untried, and nothing is said to work', async () => {
    startShop(t0, cold);
    renderStage(BondStage, phone);
    await press('Cannot be tried: locked, or does not start');
    expect(new Set(Object.values(jobNow(phone).functions.open))).toEqual(new Set(['untested']));
    expect(jobNow(phone).prep.has('closedTest')).toBe(true);
    expect(screen.getByRole('checkbox', { name: 'Tried as far as it goes', checked: true })).toBeTruthy();
  });

  it('is tried once more while it is open; what fails then is looked for before it is closed', async () => {
    startShop(t0, cold);
    renderStage(BondStage, phone);
    await tick('Lenses blown off once more');
    await tick('Photo of the open inside, or none wanted');
    expect(screen.getByRole('button', { name: /: test it before it is closed$/ })).toBeTruthy();
    await press('One by one, or something fails');
    await press('Fails');
    const [failed] = Object.entries(jobNow(phone).functions.open).find(([, r]) => r === 'fail')!;
    expect(call()).toMatch(/ fails: look before you close it\.$/);
    await tick(/^Tested; .* fails$/);
    expect(jobNow(phone).functions.open[failed]).toBe('fail');
    expect(screen.queryByRole('button', { name: /: test it before it is closed$/ })).toBeNull();
  });
});

describe('full area and a bent seat', () => {
  it('a full bond gets ring and lines; dots are beside them; wide lines take longer', async () => {
    startShop(t0, cold);
    renderStage(BondStage, 'demo-0140');
    await choose('Way of bonding: glue all over');
    expect(screen.getByText(/^\d+ lines in \d+ strokes?, /)).toBeTruthy();
    await choose('In the middle: Dots');
    expect(screen.getByText(/^\d+ dots of [\d.]+ µl/)).toBeTruthy();
    await enter(/^Coverage when closed/, '90');
    expect(call()).toMatch(/^Lay [\d.]+ ml in \d+ strokes/);
  });

  it('says where tape will not touch, how much, and what to add', () => {
    startShop(t0, cold);
    renderStage(BondStage, 'demo-0138');
    expect(
      screen.getByText(/^The dashed stretches will not touch: \d+ % of the ring, up to 0\.1\d mm\. /),
    ).toBeTruthy();
    expect(screen.getAllByText(/does not touch all round/).length).toBeGreaterThan(0);
  });
});

describe('tape', () => {
  it('cuts offcuts first, draws what it used off the stock, and is put right by what was really used', async () => {
    startShop(t0, cold);
    renderStage(BondStage, 'demo-0141');
    expect(reason()).toMatch(/^294 mm from 3 offcuts, 476 mm from the roll\./);
    expect(screen.getByRole('table', { name: 'Cut from' }).textContent).toContain(
      'From an offcut, 140 mm of it: 1 piece',
    );
    await press('Template 1:1, SVG');
    expect(mockSaved[0]!.name).toBe('J-0141-tape.svg');
    await ticks();
    await press('Laid and closed');
    const used = jobNow('demo-0141').bonded!.used!;
    expect(used.filter((u) => u.kind === 'offcut')).toHaveLength(3);
    await enter(/^Actually used: tape from the roll/, '520');
    expect(jobNow('demo-0141').consumed.get(jobNow('demo-0141').bonded!.id)!.get('tape/roll')).toBe(520);
  });

  it('a bump: opened again with a reason, the joint is off, the tape stays spent', async () => {
    startShop(t0, cold);
    renderStage(BondStage, phone);
    await choose('Way of bonding: tape cut in strips');
    await ticks();
    await press('Laid and closed');
    await press('A bump, or it sits wrong');
    expect(screen.getByText(/^Opens without heat for [\d hmins]+ more/)).toBeTruthy();
    await enter('What is trapped or wrong', 'a crumb at the top');
    await hold(/^Opened again, hold/);
    const j = jobNow(phone);
    expect(j.bonded).toBeNull();
    expect(j.bondings).toHaveLength(1);
    expect(j.stages.bond).toBe('started');
    expect(j.prep.has('blownClosing')).toBe(false);
  });
});

describe('holding and curing a bead', () => {
  const bead: NewEvent[] = [
    {
      type: 'bonded',
      adhesive: 'liquidBead',
      usedMm: 0,
      widthMm: 1.8,
      cure: 'solvent',
      bondMm: 1.4,
      gapMm: 0.2,
      itemId: 'clear',
      used: [{ kind: 'liquid', id: 'clear', amount: 0.11 }],
    },
  ];

  it('weights are weighed against clips, with their objections; the choice is logged', async () => {
    startShop(t0, { [phone]: bead });
    renderStage(CureStage, phone);
    // few gentle clips lift between, so many that they are even press a bead too hard
    const against = screen.getAllByText(/gentle clips, 6 N each/).map((x) => x.textContent!);
    expect(
      against.some((t) => /lifts between clips; 1\d would be even, but still too hard on the joint\.$/.test(t)),
    ).toBe(true);
    expect(call()).toMatch(/^\d\.\d kg on a padded board\.$/);
    await choose('Held by: gentle clips');
    expect(call()).toBe('Nothing here holds this evenly.');
    await choose('Held by: 1 kg on a padded board');
    await press('It is held');
    expect(logged(phone).find((e) => e.type === 'clampOn')).toMatchObject({ clip: '1 kg on a padded board' });
    expect(logged(phone).some((e) => e.type === 'ambient')).toBe(true);
  });

  it('counts to the usual time, tells when it may be powered, and learns from what held', async () => {
    const steps = steady(demoSettings.roomC, demoSettings.humidity);
    const long = timeWhen('solvent', 1.4, steps, needOf('solvent', 'clampOff') * 2);
    startShop(t0, { [phone]: [...bead, { type: 'clampOn', clip: 'gentle clip', count: 12, forceN: 6 }] });
    renderStage(CureStage, phone);
    expect(call()).toBe(`Clamps off in ${spoken(long)}.`);
    expect(screen.getByText(/^Do not switch it on before .*: solvent vapour still comes out/)).toBeTruthy();
    await later(long * 1000 + 2000);
    await press('Clamps off');
    await press('It held');
    expect(settingsNow().cureSeen).toHaveLength(1);
    expect(settingsNow().cureSeen[0]!.ratio).toBeCloseTo(2, 1);
    expect(logged(phone).at(-1)).toMatchObject({ type: 'cureHeld', held: true });
  });

  it('it slipped: the places are tapped, Check knows them, and once clamped again they are of before', async () => {
    startShop(t0, {
      [phone]: [
        ...bead,
        { type: 'clampOn', clip: 'gentle clip', count: 12, forceN: 6 },
        { type: 'clampOff', early: false },
      ],
    });
    renderStage(CureStage, phone);
    await press('It slipped');
    expect(call()).toBe('It slipped. Where?');
    await press('Places as a list');
    await tick(/^3\. /);
    expect(logged(phone).at(-1)).toMatchObject({ type: 'eye', of: 'step', fine: false, spots: [{ how: 'high' }] });
    expect(call()).toBe('It slipped. Lift it and clear what is trapped.');
    expect(flushOf(jobNow(phone)).eye?.action).toBe('clearDebris');
    await later(60_000);
    await press('Clamps on again');
    expect(call()).toMatch(/^Clamps off in/);
    expect(flushOf(jobNow(phone)).eye).toBeNull();
    expect(jobNow(phone).cureHeld).toBeNull();
  });

  it('air that is noted moves the clocks; a place with its own temperature too', async () => {
    startShop(t0, { [phone]: [...bead, { type: 'clampOn', clip: 'gentle clip', count: 12, forceN: 6 }] });
    renderStage(CureStage, phone);
    const before = reading(/^.*Hand over, usually/)!;
    await press('The air round it');
    await enter(/^Temperature at the shelf now/, '35');
    expect(jobNow(phone).airs.at(-1)).toMatchObject({ tempC: 35 });
    expect(reading(/Hand over, usually/)).not.toBe(before);
    await choose(/^Place on the shelf: warm box/);
    expect(jobNow(phone).shelved).toMatchObject({ place: 'W', tC: 35 });
  });
});

describe('a temperature log of the shelf', () => {
  const held: NewEvent[] = [
    { type: 'bonded', adhesive: 'liquidBead', usedMm: 0, widthMm: 1.8, cure: 'solvent', bondMm: 1.4, itemId: 'clear' },
    { type: 'clampOn', clip: 'gentle clip', count: 12, forceN: 6 },
  ];

  it('empty, without numbers, or hotter than any air: named, nothing changed; a good one becomes steps', async () => {
    startShop(t0, { [phone]: held });
    jest.setSystemTime(t0 + 12 * 3600e3);
    renderStage(CureStage, phone);
    await press('The air round it');
    for (const [text, problem] of [
      ['', 'log: no lines with numbers'],
      ['time,temp C\n0,21\n60,21\n120,hot\n180,21', 'log, line 4: "hot" is no temperature'],
      ['s,temp C\n0,300\n60,300', 'temperature at 0 s: 300 does not work; it takes -20 to 60 °C'],
    ] as const) {
      mockFile.next = { name: 'shelf.csv', text };
      await press('Take in a temperature log, CSV');
      expect(screen.getByRole('alert').textContent).toContain(problem);
      expect(screen.getByRole('alert').textContent).toContain('Nothing was changed');
    }
    expect(logged(phone).filter((e) => e.type === 'ambient')).toEqual([]);
    const rows = Array.from({ length: 200 }, (_, i) => `${i * 180},${i < 100 ? 21 : 13}`);
    mockFile.next = { name: 'shelf.csv', text: `time s,temp C\n${rows.join('\n')}` };
    await press('Take in a temperature log, CSV');
    expect(screen.getByRole('status').textContent).toContain('2 changes taken in');
    expect(jobNow(phone).airs.map((a) => a.tempC)).toEqual([21, 13]);
  });
});

describe('dry fit', () => {
  const even = Array.from({ length: 16 }, (_, i): NewEvent => ({
    type: 'reading',
    quantity: 'gapMm',
    point: `g${i + 1}`,
    value: 0.15,
    u: 0.02,
  }));

  it('number keys at the foot of a phone type a gap without the phone’s keyboard', async () => {
    mockWide = false;
    startShop(t0, cold);
    renderStage(DryFitStage, phone);
    await press('Measure instead');
    for (const k of ['0', 'point', '1', '9', 'take back', '6']) await press(k);
    await press('Next point');
    expect(jobNow(phone).gaps).toEqual({ g1: 0.16 });
    expect(screen.queryByRole('button', { name: /^It fits/ })).toBeNull();
    await press('9');
    await press('Next point');
    expect(screen.getByRole('alert').textContent).toContain('enter 0 to 3 mm (you entered 9)');
    expect(Object.keys(jobNow(phone).gaps)).toEqual(['g1']);
  });

  it('a camera off its hole moves the glass toward it', async () => {
    startShop(t0, { ...cold, [phone]: even });
    renderStage(DryFitStage, phone);
    expect(call()).toBe('Leave it where it is.');
    await press(/^Cameras in their holes/);
    for (const [side, mm] of [
      ['left', '0.10'],
      ['right', '0.42'],
      ['top', '0.26'],
      ['bottom', '0.26'],
    ] as const)
      await enter(new RegExp(`^Camera 1, ${side}`), mm);
    expect(call()).toMatch(/toward the left|counter-clockwise/);
    expect(reading(/camera off its hole/)).toMatch(/^0\.10 mm/);
    expect(
      screen.getByText(/^Open round the ring: 0\.1\d mm to 0\.\d\d mm, [\d.]+ mm² to close against dust\.$/),
    ).toBeTruthy();
  });

  it('a gauge that says nothing is said, and nothing is taken in', async () => {
    startShop(t0, cold);
    renderStage(DryFitStage, phone);
    const was = global.fetch;
    global.fetch = (async () => ({ ok: false, json: async () => ({}) })) as unknown as typeof fetch;
    await press('Measure instead');
    await press('Read the gauge');
    expect(screen.getByRole('alert').textContent).toBe('The gauge says nothing: type the gap.');
    global.fetch = (async () => ({ ok: true, json: async () => ({ mm: 0.17 }) })) as unknown as typeof fetch;
    await press('Read the gauge');
    expect(jobNow(phone).gaps).toEqual({ g1: 0.17 });
    global.fetch = was;
  });
});
