import { act, cleanup, fireEvent, screen, within } from '@testing-library/react';

import { comparePicks as mockCompare, type PicksInput } from '@/core/lift/picks';
import type { NewEvent } from '@/model/event';
import { shippedDevices } from '@/model/shippedDevices';
import { coarseModel as mockModel } from '../../test-support/modes';
import { append, jobNow, logged, startShop } from '../../test-support/mockShop';
import { went } from '../../test-support/mockRouter';
import { call, choose, enter, pass, press, reading, reason, renderStage, tick } from '../../test-support/stage';
import { HeatStage } from './heat/HeatStage';
import { IntakeStage } from './intake/IntakeStage';
import { LiftStage } from './lift/LiftStage';
import { StripStage } from './strip/StripStage';

jest.mock('@/store/shop', () => jest.requireActual('../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../test-support/mockRouter'));
const mockThermal = {
  model: mockModel().model as unknown,
  building: null as number | null,
  cancelled: false,
  problem: null,
  cancel: jest.fn(),
  retry: jest.fn(),
};
jest.mock('@/bench-kit/useThermal', () => ({ useThermal: () => mockThermal }));
jest.mock('@/workers/thermalClient', () => ({
  picksInWorker: async (modes: unknown, input: PicksInput) => mockCompare(mockModel().model, input),
  thermalKey: () => ({ stack: null, digest: 'x' }),
  confirmInWorker: jest.fn(),
  CancelledError: class extends Error {},
}));
jest.mock('@/workers/cracksClient', () => jest.requireActual('../../test-support/mockCracks'));
jest.mock('./heat/LazyHeatChart', () => ({ HeatChart: () => null }));
jest.mock('@/ui/alarm', () => ({
  unlockSound: () => {},
  useAlarm: () => ({ flash: false, silent: false }),
  useAwake: () => 'held',
  Flash: () => null,
}));

const t0 = new Date('2026-04-14T13:00:00').getTime();
const [heating, save] = ['demo-0142', 'demo-0143'] as const;
const full = mockModel().model;

const ring61 = shippedDevices.find((d) => d.id === 'ring61')!;

/** A job that was opened and not asked anything yet. */
const opened = (id: string) =>
  append(id, 'test', [
    {
      type: 'opened',
      ...{ label: 'J-0150', device: ring61, bondId: ring61.bonds[0]!.id, promiseAt: null, customerMark: '' },
    },
  ]);

/** Takes back the demo job's heat, whatever its place in the log is. */
const unheat = (): NewEvent[] =>
  jobNow(heating)
    .effective.filter((e) => e.type === 'heatOn' || e.type === 'heatPlan' || (e.type === 'stage' && e.stage === 'heat'))
    .map((e) => ({ type: 'undo', eventId: e.id }));

/** The bench goes on while nobody looks: the clock jumps, then the screen ticks. */
const jump = async (ms: number) => {
  jest.setSystemTime(Date.now() + ms);
  await pass(600);
};

jest.setTimeout(30_000);

beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  went.length = 0;
  mockThermal.model = full;
  mockThermal.building = null;
});
afterEach(() => jest.useRealTimers());

describe('intake', () => {
  it('weighs the promise against the earliest pick-up that can be kept', async () => {
    startShop(t0);
    renderStage(IntakeStage, save);
    expect(call()).toBe('Ready to heat.');
    expect(reason()).toMatch(/^Earliest pick-up: working it out, with all else on the bench\.$/);
    await pass(1000);
    await enter('Promised for, time of day', '13:30');
    await pass(1000);
    expect(call()).toMatch(/^13:30 cannot be kept: \d\d:\d\d at the earliest\.$/);
    expect(jobNow(save).promiseAt).toBe(t0 + 30 * 60_000);
    await enter('Promised for, time of day', '99:99');
    expect(screen.getByRole('alert').textContent).toContain('enter a time from 00:00 to 23:59');
    expect(jobNow(save).promiseAt).toBe(t0 + 30 * 60_000);
    // a time that has passed today is one of tomorrow
    await enter('Promised for, time of day', '09:00');
    expect(jobNow(save).promiseAt).toBe(t0 + 20 * 3600_000);
  });

  it('a swollen cell stops the way to heat, with the caution', async () => {
    startShop(t0);
    renderStage(IntakeStage, save);
    await press('The device as it came');
    await choose('Battery swollen, bent or smelling?: Yes');
    expect(call()).toBe('Stop: swollen battery. No heat, no prying.');
    expect(reason()).toContain('fire-proof bag');
    expect(screen.getByRole('button', { name: 'Go to Heat: swollen battery' }).getAttribute('aria-disabled')).toBe(
      'true',
    );
    await choose('Battery swollen, bent or smelling?: No');
    expect(call()).toBe('Ready to heat.');
  });

  it('logs what was found: chips, cracked edges, charge, and what the cover is worth', async () => {
    startShop(t0);
    renderStage(IntakeStage, save);
    await press('The device as it came');
    await choose('Chips at the edge?: Unsure');
    await tick('top edge');
    await tick('left edge');
    await tick('top edge');
    await press('To the percent');
    await enter('Battery level, %', '28');
    const s = jobNow(save);
    expect(s.findings.chip?.answer).toBe('unsure');
    expect(s.findings.crack?.edges).toEqual(['left']);
    expect(s.chargePercent).toBe(28);
    await press('Go to Heat');
    expect(went.at(-1)).toBe('/jobs/demo-0143/heat');
  });

  it('a device as it usually is takes one tap, and the usual repair goes on to heat with the same one', async () => {
    startShop(t0);
    await opened('fresh');
    renderStage(IntakeStage, 'fresh');
    expect(call()).toMatch(/^8 answers to go/);
    await tick('bottom edge');
    await press('All of this is so');
    expect(call()).toMatch(/^Usually here: Glass only, aftermarket, [\d.]+\s€$/);
    const s = jobNow('fresh');
    expect([s.findings.cellSwollen?.answer, s.findings.chip?.answer, s.findings.bent?.answer]).toEqual([
      'no',
      'no',
      'no',
    ]);
    expect([s.prep.has('powerOff'), s.prep.has('trayOut'), s.chargePercent]).toEqual([true, true, 30]);
    expect(s.route).toBeNull();
    await press('Use this repair. Go to Heat');
    expect(jobNow('fresh').route?.work).toBe('glassOnly');
    expect(went.at(-1)).toBe('/jobs/fresh/heat');
  });

  it('what is not so is said by itself, and the rest in one tap; a swollen battery is never said away', async () => {
    startShop(t0);
    await opened('fresh');
    renderStage(IntakeStage, 'fresh');
    await press('Something is not so');
    await choose('Chips at the edge?: Yes');
    await press('The rest is so');
    const s = jobNow('fresh');
    expect([s.findings.chip?.answer, s.findings.cellSwollen?.answer]).toEqual(['yes', 'no']);
    // one that swells stops it: there is nothing left to be said in one tap
    cleanup();
    await opened('second');
    renderStage(IntakeStage, 'second');
    await press('Something is not so');
    await choose('Battery swollen, bent or smelling?: Yes');
    expect(screen.queryByRole('button', { name: 'The rest is so' })).toBeNull();
    expect(call()).toBe('Stop: swollen battery. No heat, no prying.');
  });

  it('asks for a bent frame to be agreed on', async () => {
    startShop(t0);
    renderStage(IntakeStage, save);
    await press('The device as it came');
    await choose('Frame bent or split?: Yes');
    expect(call()).toBe('Agree on the bent frame first, then heat.');
  });
});

describe('heat', () => {
  it('waits for the device’s heat model with progress and a way out', async () => {
    mockThermal.model = null;
    mockThermal.building = 0.42;
    startShop(t0);
    renderStage(HeatStage, save);
    expect(screen.getByText('New device: building its heat model, 42 %')).toBeTruthy();
    expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('42');
    await press('Cancel');
    expect(mockThermal.cancel).toHaveBeenCalled();
  });

  it('setpoint and pick change the call at once; nothing is logged before the plate', async () => {
    startShop(t0);
    startShop(t0, { [heating]: unheat() });
    const before = logged(heating).length;
    renderStage(HeatStage, heating);
    await pass(50);
    const first = call();
    expect(first).toMatch(/^Try from [\d hmins]+, easy by [\d hmins]+, at the latest [\d hmins]+\.$/);
    expect(reason()).toMatch(/^Start at the bottom edge\. /);
    await press('+5');
    expect(call()).not.toBe(first);
    expect(screen.getByText('dial: 115 °C / 239 °F')).toBeTruthy();
    await act(async () => void fireEvent.change(screen.getByRole('slider'), { target: { value: '70' } }));
    expect(screen.getByText('dial: 70 °C / 158 °F')).toBeTruthy();
    await choose('Pick 0.3 mm');
    expect(call()).toBe('70 °C is not enough for a 0.3 mm pick.');
    expect(logged(heating).length).toBe(before);
  });

  it('asks for tools at hand, then logs plan, decision with inputs and result, and the heat with its forecast', async () => {
    startShop(t0);
    startShop(t0, { [heating]: [...unheat(), { type: 'prep', item: 'toolsReady', done: false }] });
    renderStage(HeatStage, heating);
    await pass(50);
    expect(screen.getByRole('button', { name: 'On the plate: tools at hand first, below' })).toBeTruthy();
    await tick(/^At hand: picks/);
    await press('On the plate');
    const kinds = logged(heating).map((e) => e.type);
    expect(kinds.slice(-4)).toEqual(['heatPlan', 'decision', 'stage', 'heatOn']);
    const decision = logged(heating).find((e) => e.type === 'decision') as {
      inputs: { setC: number };
      computed: { readyS: { mean: number } };
    };
    expect(decision.inputs.setC).toBe(110);
    const on = logged(heating).at(-1) as { readyInS: number };
    expect(on.readyInS).toBeCloseTo(decision.computed.readyS.mean, 6);
    expect(call()).toMatch(/^Try in [\d hmins]+, easy in [\d hmins]+\.$/);
  });

  it('counts down live, then off the plate starts the window clock', async () => {
    startShop(t0);
    renderStage(HeatStage, heating);
    await pass(20_000);
    const seconds = () => Number(/(\d+) s/.exec(call()!)![1]);
    const a = seconds();
    await pass(10_000);
    // said to 5 s
    expect(a - seconds()).toBeGreaterThanOrEqual(5);
    expect(a - seconds()).toBeLessThanOrEqual(15);
    await pass(30_000);
    expect(call()).toMatch(/^Try the bottom edge now\. Easy in [\d hmins]+\.$/);
    await pass(90_000);
    expect(call()).toBe('Lift now. Start at the bottom edge.');
    expect(reading(/bottom edge now/)).toMatch(/^7\d°/);
    await press('Off the plate');
    const off = logged(heating).find((e) => e.type === 'heatOff') as {
      easyForS: number;
      gripsInS: number;
      reason: string;
    };
    expect(off.reason).toBe('ready');
    expect(off.gripsInS).toBeGreaterThan(off.easyForS);
    expect(went.at(-1)).toBe('/jobs/demo-0142/lift');
  });

  it('called away takes it off and says what it has cooled to', async () => {
    startShop(t0);
    renderStage(HeatStage, heating);
    await pass(30_000);
    await press('Called away');
    expect(jobNow(heating).calledAway).toBe(true);
    await jump(60_000);
    expect(call()).toMatch(/^Safe. Off the plate for [\d hmins]+\.$/);
    expect(reason()).toMatch(
      /^The bottom edge is at \d\d °C\. (Easy for|It can be worked|It has gripped).* [\d hmins]+ of heat get it back\.$/,
    );
    await press('I’m back');
    expect(logged(heating).at(-1)).toMatchObject({ type: 'observed', what: 'back' });
    expect(jobNow(heating).calledAway).toBe(false);
  });

  it('a cover that is to be saved: it opens as benches do, the chance of breaking is said, and every pick is there as a picture and in the table', async () => {
    startShop(t0);
    renderStage(HeatStage, save);
    await pass(50);
    expect(call()).toMatch(/^Try from [\d hmins]+, easy by [\d hmins]+, at the latest [\d hmins]+\.$/);
    await press('Heat and pick, side by side');
    const cards = within(screen.getByRole('group', { name: 'Picks side by side' })).getAllByRole('group');
    expect(cards.map((c) => c.getAttribute('aria-label'))).toEqual(
      [0.3, 0.4, 0.5, 0.8].map((mm) => `With a pick of ${mm} mm`),
    );
    await press('As a table');
    const rows = within(screen.getByRole('table', { name: 'Picks side by side' })).getAllByRole('row');
    expect(rows).toHaveLength(5);
    expect(rows[1]!.textContent).toMatch(/^0\.3/);
  });
});

describe('lift', () => {
  const off = (atS: number): NewEvent[] => [
    { type: 'heatOff', reason: 'ready', easyForS: 20, gripsInS: 300 },
    { type: 'stage', stage: 'heat', to: 'done' },
    { type: 'amend', eventId: 't0', movedTo: t0 + atS * 1000 },
  ];

  it('wants heat first when it is cold', async () => {
    startShop(t0);
    startShop(t0, { [heating]: unheat() });
    renderStage(LiftStage, heating);
    await pass(50);
    expect(call()).toBe('Heat first: the bottom edge is at 22 °C.');
    expect(screen.getByRole('button', { name: 'Bottom edge is free: heat first' })).toBeTruthy();
  });

  it('go, then slow, then back on the plate, as the line cools; a reheat is logged with what the model says', async () => {
    startShop(t0, { [heating]: off(150) });
    jest.setSystemTime(t0 + 155_000);
    renderStage(LiftStage, heating);
    await pass(600);
    expect(call()).toMatch(/^Cut the bottom edge now: easy for [\d hmins]+\.$/);
    expect(reading(/bottom edge, middle/)).toMatch(/^[67]\d°/);
    await jump(150_000);
    expect(call()).toBe('Bottom edge slowly, a quarter of the speed.');
    await jump(1_200_000);
    expect(call()).toMatch(/^Back on the plate: the bottom edge has gripped, to \d\d °C\.$/);
    await press('It grips: reheat');
    const events = logged(heating);
    expect(events.find((e) => e.type === 'observed')).toMatchObject({ what: 'grips', edge: 'bottom' });
    expect(events.at(-1)).toMatchObject({ type: 'heatOn', setC: 110 });
    expect((events.at(-1) as { startC: number }).startC).toBeLessThan(30);
    expect(went.at(-1)).toBe('/jobs/demo-0142/heat');
  });

  it('marks edges done one after the other, each with its depth window, and ends with the fold of the cable', async () => {
    startShop(t0, { [heating]: off(150) });
    jest.setSystemTime(t0 + 155_000);
    renderStage(LiftStage, heating);
    await pass(600);
    await press('Bottom edge is free');
    expect(jobNow(heating).freeEdges.has('bottom')).toBe(true);
    expect(screen.getByRole('button', { name: /^Left edge is free/ })).toBeTruthy();
    expect(screen.getByText(/3\.0 mm cuts the ring; no deeper than \d\.\d mm: camera island/)).toBeTruthy();
    await press('Edges: order, depth, done');
    await tick('3. right edge is free');
    await tick('4. top edge is free');
    await press('Left edge is free');
    expect(call()).toBe('All edges are free.');
    expect(reason()).toBe('Turn it over the right edge, up to 180°: the rear cable has 38 mm of slack.');
    await press('Back is off');
    expect(went.at(-1)).toBe('/jobs/demo-0142/clean');
  });

  it('a tap on the plan reads the value at the place; the plan is there as text', async () => {
    startShop(t0, { [heating]: off(150) });
    jest.setSystemTime(t0 + 155_000);
    renderStage(LiftStage, heating);
    await pass(600);
    await press('Show the plan as text');
    const lines = within(screen.getByRole('list', { name: 'The plan as text' }))
      .getAllByRole('listitem')
      .map((l) => l.textContent);
    expect(lines[0]).toMatch(/^1\. bottom edge: 3\.0 mm to no limit near deep/);
    expect(lines.some((l) => /keep out at .*rear cable/.test(l!))).toBe(true);
    // four edges and 24 arcs; nothing is cut, so no pick stays behind
    expect(lines).toHaveLength(28);
  });

  it('a cover that broke while it was to be saved becomes one that is written off', async () => {
    startShop(t0);
    renderStage(LiftStage, save);
    await pass(50);
    await press(/^Save or write off: .* to break from here$/);
    await press('The back broke');
    expect(jobNow(save)).toMatchObject({ broke: true, keepCover: false });
    expect(screen.getByText('Back written off')).toBeTruthy();
  });
});

it('strip says that it is not needed', async () => {
  startShop(t0);
  renderStage(StripStage, heating);
  expect(call()).toBe('Not needed on this route.');
  await press('Go to Clean');
  expect(went.at(-1)).toBe('/jobs/demo-0142/clean');
});

it('a late tap is corrected: ten seconds ago, or not yet, which takes back the whole batch', async () => {
  startShop(t0);
  renderStage(HeatStage, heating);
  await pass(2000);
  expect(screen.getByText(/noted: heat on/)).toBeTruthy();
  await press('10 s ago');
  expect(jobNow(heating).heat[0]!.at).toBe(t0 - 10_000);
  await press('Not yet');
  expect(jobNow(heating).heat).toEqual([]);
  expect(jobNow(heating).plan).toBeNull();
});
