import { act, fireEvent, screen, within } from '@testing-library/react';

import { comparePicks as mockCompare, type PicksInput } from '@/core/lift/picks';
import type { NewEvent } from '@/model/event';
import { shippedDevices } from '@/model/shippedDevices';
import { coarseModel as mockModel } from '../../../test-support/modes';
import { jobNow, logged, settingsNow, startShop } from '../../../test-support/mockShop';
import { went } from '../../../test-support/mockRouter';
import { dragMm, tapMm } from '../../../test-support/plan';
import { call, choose, enter, pass, press, reading, reason, renderStage, tick } from '../../../test-support/stage';
import { AdhesivesScreen } from '@/places/adhesives/AdhesivesScreen';
import { AlcoholScreen } from '@/places/alcohol/AlcoholScreen';
import { LensBond } from '@/stages/bond/LensBond';
import { CleanStage } from '@/stages/clean/CleanStage';
import { LensHeatStage } from '@/stages/heat/LensHeatStage';
import { lensWork } from '@/work/lift/lensCovers';
import { LiftStage } from './LiftStage';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
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
  CancelledError: class extends Error {},
}));
jest.mock('@/workers/cracksClient', () => jest.requireActual('../../../test-support/mockCracks'));
jest.mock('@/ui/alarm', () => ({
  unlockSound: () => {},
  useAlarm: () => ({ flash: false, silent: false }),
  useAwake: () => 'held',
  Flash: () => null,
}));

const t0 = new Date('2026-04-14T13:00:00').getTime();
const [heating, save, shattered, lens] = ['demo-0142', 'demo-0143', 'demo-0140', 'demo-0136'] as const;

jest.setTimeout(60_000);
beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  went.length = 0;
});
afterEach(() => jest.useRealTimers());

/** A plate heat of a job that began some seconds ago and ended ten seconds ago. */
const heated = (seconds: number, heater = 'plate'): NewEvent[] => [
  { type: 'heatPlan', setC: 110, pickMm: 0.8, preheated: true, heater },
  { type: 'heatOn', setC: 110, preheated: true, heater, startC: 22, modelRun: 'x', readyInS: 60 },
  { type: 'amend', eventId: 't1', movedTo: t0 - (seconds + 10) * 1000 },
  { type: 'heatOff', reason: 'ready', easyForS: 30, gripsInS: 300 },
  { type: 'amend', eventId: 't3', movedTo: t0 - 10_000 },
  { type: 'stage', stage: 'heat', to: 'done' },
];

describe('giving up a way', () => {
  const minute = 60_000;
  /** Every four minutes it was tried and gripped. */
  const tries = Array.from({ length: 5 }, (_, i): NewEvent[] => [
    { type: 'observed', what: 'grips', edge: 'bottom' },
    { type: 'amend', eventId: `t${6 + 2 * i}`, movedTo: t0 - 10_000 + (i + 1) * 4 * minute },
  ]).flat();

  it('twenty minutes in which nobody was at it say nothing', async () => {
    startShop(t0, { [save]: heated(120) });
    const first = renderStage(LiftStage, save);
    await pass(600);
    expect(screen.queryByTestId('givingUp')).toBeNull();
    first.unmount();
    startShop(t0, { [save]: heated(120) });
    jest.setSystemTime(t0 + 21 * minute);
    renderStage(LiftStage, save);
    await pass(600);
    // a pause counts for five minutes at most: nobody was at it
    expect(screen.queryByTestId('givingUp')).toBeNull();
  });

  it('work that was really done counts, and whoever goes on all the same is not asked again at once', async () => {
    jest.setSystemTime(t0 + 20.5 * minute);
    startShop(t0, { [save]: [...heated(120), ...tries] });
    renderStage(LiftStage, save);
    await pass(600);
    const box = screen.getByTestId('givingUp');
    expect(box.textContent).toMatch(/^20 min, and hardly anything came free\. Try another way\./);
    expect(box.textContent).toMatch(/Hot air on the next edgeabout \d+ min, [\d.]+/);
    expect(box.textContent).toMatch(/A few drops of alcohol in the gapabout \d+ min, /);
    // the back is to be saved: writing it off is one of them, and costs the new glass besides
    expect(box.textContent).toMatch(/Write the back offabout \d+ min, /);
    await press('Go on like this');
    expect(screen.queryByTestId('givingUp')).toBeNull();
    expect(logged(save).at(-1)).toMatchObject({ type: 'decision', call: 'givingUp', chosen: 'goOn' });
  });

  it('hot air is planned on the edge that is next', async () => {
    jest.setSystemTime(t0 + 20.5 * minute);
    startShop(t0, { [save]: [...heated(120), ...tries] });
    renderStage(LiftStage, save);
    await pass(600);
    await press('Hot air on the next edge');
    expect(jobNow(save).plan).toMatchObject({ use: { path: { kind: 'strip' } } });
    expect(went.at(-1)).toContain('/heat');
  });
});

describe('glue that is stronger than it should be', () => {
  /** A heat with the pick that is planned, off again, and what was said of it. */
  const heat = (i: number, pickMm: number, more: readonly NewEvent[] = []): NewEvent[] => [
    { type: 'heatPlan', setC: 110, pickMm, preheated: true, heater: 'plate' },
    { type: 'heatOn', setC: 110, preheated: true, heater: 'plate', startC: 22, modelRun: 'x', readyInS: 60 },
    { type: 'heatOff', reason: 'ready', easyForS: 30, gripsInS: 300 },
    ...more,
    { type: 'observed', what: 'grips', edge: 'bottom', modelC: 78 + i },
  ];
  const done: NewEvent = { type: 'stage', stage: 'heat', to: 'done' };

  it('a thicker pick is proposed with what it needs, taken by one tap, and kept as a call', async () => {
    startShop(t0, { [save]: [...heat(0, 0.5), ...heat(1, 0.5), done] });
    jest.setSystemTime(t0 + 5_000);
    renderStage(LiftStage, save);
    await pass(600);
    const box = screen.getByTestId('easierPick');
    expect(box.textContent).toMatch(
      /^This glue is stronger than usual\. Take the 0\.8 mm pick\.With 0\.8 mm it goes slowly from (\d+) °C, with 0\.5 mm only from (\d+) °C\./,
    );
    const [, from, own] = /from (\d+) °C.*from (\d+) °C/.exec(box.textContent!)!.map(Number);
    expect(own! - from!).toBeGreaterThanOrEqual(5);
    await press('Take the 0.8 mm pick');
    expect(jobNow(save).plan).toMatchObject({ pickMm: 0.8, setC: 110, heater: 'plate' });
    expect(jobNow(save).decisions.at(-1)).toMatchObject({ call: 'pick', chosen: 0.8 });
    expect(screen.queryByTestId('easierPick')).toBeNull();
    // what gripped with the thinner pick stays a thing of that pick
    expect(jobNow(save).grips.map((g) => g.pickMm)).toEqual([0.5, 0.5]);
  });

  it('glue that goes as it should asks for no other pick', async () => {
    startShop(t0, { [save]: heated(120) });
    renderStage(LiftStage, save);
    await pass(600);
    expect(screen.queryByTestId('easierPick')).toBeNull();
  });

  it('three heats that free next to nothing: another way, long before twenty minutes', async () => {
    startShop(t0, { [save]: [...heat(0, 0.8), ...heat(1, 0.8), ...heat(2, 0.8), done] });
    jest.setSystemTime(t0 + 60_000);
    const first = renderStage(LiftStage, save);
    await pass(600);
    expect(screen.getByTestId('givingUp').textContent).toMatch(
      /^3 heats, and hardly anything came free\. Try another way\./,
    );
    first.unmount();
    const cut: NewEvent = { type: 'cut', fromMm: 0, toMm: 60, free: true, tC: 70, hazard: 0 };
    startShop(t0, { [save]: [...heat(0, 0.8), ...heat(1, 0.8), ...heat(2, 0.8, [cut]), done] });
    renderStage(LiftStage, save);
    await pass(600);
    expect(screen.queryByTestId('givingUp')).toBeNull();
  });
});

describe('a lens cover that nobody chose', () => {
  it('is the one that the job is about: it stays chosen when it is off, and another one comes beside it', async () => {
    const off: NewEvent = { type: 'lens', bondId: 'lens1Tape', step: 'off', done: true };
    const chosenOf = () => lensWork(jobNow(lens)).chosen.map((l) => l.bond.id);
    startShop(t0);
    expect(chosenOf()).toEqual(['lens1Tape']);
    startShop(t0, { [lens]: [off] });
    expect(chosenOf()).toEqual(['lens1Tape']);
    startShop(t0);
    renderStage(LiftStage, lens);
    await tick(/^3\. lens cover 3/);
    expect(chosenOf()).toEqual(['lens1Tape', 'lens3Tape']);
    await tick(/^3\. lens cover 3/);
    await tick(/^1\. lens cover 1/);
    expect(chosenOf()).toEqual([]);
  });
});

describe('cold', () => {
  it('a plastic back is pried off without heat: from the port, edge by edge', async () => {
    startShop(t0, { [save]: [{ type: 'stage', stage: 'heat', to: 'skipped', why: 'coldWay' }] });
    renderStage(LiftStage, save);
    await pass(600);
    expect(call()).toBe('Cold: pick in at the bottom edge, then round.');
    expect(reason()).toContain('Hand-warm at most.');
    await press('Bottom edge is free');
    expect(jobNow(save).freeEdges.has('bottom')).toBe(true);
  });
});

describe('along the edges', () => {
  const open = async () => {
    startShop(t0, { [save]: heated(120) });
    renderStage(LiftStage, save);
    await pass(600);
  };
  const h = 131;

  it('a finger along the bottom cuts it, back over a part it holds again; a tap only asks', async () => {
    await open();
    await dragMm([52, h - 1], [12, h - 1]);
    expect(logged(save).at(-1)).toMatchObject({ type: 'cut', free: true });
    expect(jobNow(save).cut.freeMm).toBeGreaterThan(35);
    expect(jobNow(save).cut.freeMm).toBeLessThan(45);
    expect(screen.getByText(/2 picks: bottom edge/)).toBeTruthy();
    await choose('A finger along the edge: stuck again');
    await dragMm([30, h - 1], [12, h - 1]);
    expect(jobNow(save).cut.freeMm).toBeLessThan(25);
    const events = logged(save).length;
    await tapMm([1, 60]);
    expect(logged(save)).toHaveLength(events);
    expect(screen.getByRole('status').textContent).toMatch(/^left edge, \w+: \d\d °C; deepest/);
  });

  it('what is cut is noted with the temperature and the breaks that were computed for it', async () => {
    await open();
    await press('Bottom edge is free');
    const e = logged(save).at(-1) as { type: string; tC: number; hazard: number };
    expect(e.type).toBe('edge');
    expect(e.tC).toBeGreaterThan(25);
    expect(e.hazard).toBeGreaterThan(0);
    expect(jobNow(save).hazard).toBeCloseTo(e.hazard, 9);
    // the edge that is free again takes nothing away from what was dared
    await press('Edges: order, depth, done');
    await tick('1. bottom edge is free');
    expect(jobNow(save).cut.freeMm).toBe(0);
  });

  it('this edge now: first gap with its lift, corner, cable; saving with its chance and what it costs', async () => {
    await open();
    const list = within(screen.getByRole('list', { name: 'This edge now' }));
    expect(
      list.getByText(/Suction cup \d+ mm in from the bottom edge.*It starts to give at \d\.\d\d mm of lift/),
    ).toBeTruthy();
    expect(list.getByText(/corner only with the pick within|no corner gives/)).toBeTruthy();
    await press(/^Save or write off/);
    await pass(600);
    expect(screen.getByTestId('saving').textContent).toMatch(/% from here if you reheat every stuck stretch/);
    expect(screen.getByTestId('stopSaving').textContent).toMatch(
      /^(Go on|Stop) saving it: \d+\.\d\d.€ on average against/,
    );
    await press('Printed layer comes off');
    expect(jobNow(save)).toMatchObject({ keepCover: false, broke: false });
    expect(jobNow(save).findings.looseLayer?.answer).toBe('yes');
    expect(screen.getByText(/The printed layer comes off with the tape/)).toBeTruthy();
  });

  it('“it gave way at 0.4 mm at about 95 °C” changes this adhesive, and is taken back', async () => {
    await open();
    await press('It gave way, or it did not');
    expect(screen.getByTestId('scale').textContent).toContain('foam ring in this shop: ×1.00');
    expect(screen.getByRole('button', { name: 'Adjust foam ring with it: how far did you lift?' })).toBeTruthy();
    await enter('Lift, mm', '7');
    expect(screen.getByRole('alert').textContent).toBe('Lift: enter 0.05 to 2 mm (you entered 7)');
    await enter('Lift, mm', '0.4');
    await enter('Glue at about, °C', '95');
    await press('Adjust foam ring with it');
    expect(settingsNow().seen).toHaveLength(1);
    expect(settingsNow().seen[0]).toMatchObject({
      adhesive: 'foamRing',
      gave: true,
      liftMm: 0.4,
      tC: 95,
      job: 'J-0143',
    });
    expect(screen.getByTestId('scale').textContent).toMatch(/×1\.\d\d ± 0\.\d\d, easy from \d+ °C\. Noted once\./);
    expect(logged(save).at(-1)).toMatchObject({ type: 'observed', what: 'gaveWay', liftMm: 0.4, modelC: 95 });
    await press('Take it back');
    expect(settingsNow().seen[0]!.out).toBe(true);
    expect(screen.getByTestId('scale').textContent).toContain('×1.00');
  });

  it('a swollen cell stops the reheat too', async () => {
    startShop(t0, { [save]: [...heated(120), { type: 'finding', kind: 'cellSwollen', answer: 'yes' }] });
    renderStage(LiftStage, save);
    await pass(600);
    expect(call()).toBe('Stop: the battery is swollen.');
    expect(screen.getByRole('button', { name: 'It grips: reheat: the battery is swollen' })).toBeTruthy();
  });
});

describe('piece by piece', () => {
  it('leads from piece to piece; one that breaks again is redrawn with a stroke and the order goes on', async () => {
    startShop(t0);
    renderStage(LiftStage, shattered);
    await pass(600);
    expect(call()).toMatch(/^Heat piece 1 to \d+ °C\.$/);
    expect(reading(/pieces left/)).toMatch(/^17/);
    await press('Piece 1 is off');
    expect(jobNow(shattered).piecesOff.size).toBe(1);
    expect(reading(/pieces left/)).toMatch(/^16pieces left, 1 off/);
    const before = jobNow(shattered).cracks.size;
    await choose('The finger: Stroke: it broke again');
    await dragMm([0, 100], [44, 118]);
    expect(jobNow(shattered).cracks.size).toBe(before + 1);
    // back to taking off, with more pieces to go and the same one gone
    expect(screen.getByRole('radio', { name: 'The finger: Tap: it is off' }).getAttribute('aria-checked')).toBe('true');
    expect(Number(/^(\d+)/.exec(reading(/pieces left/)!)![1])).toBeGreaterThan(16);
    expect(reading(/pieces left/)).toContain('1 off');
  });

  it('a tap takes a piece off and puts it back; glass that stayed is marked and goes over to Clean', async () => {
    startShop(t0);
    renderStage(LiftStage, shattered);
    await pass(600);
    await tapMm([20, 60]);
    expect(jobNow(shattered).piecesOff.size).toBe(1);
    await tapMm([20, 60]);
    expect(jobNow(shattered).piecesOff.size).toBe(0);
    await choose('The finger: Tap: glass left');
    await tapMm([40, 100]);
    expect([...jobNow(shattered).glassLeft.values()]).toEqual([[expect.closeTo(40, 0), expect.closeTo(100, 0)]]);
    await tapMm([41, 100]);
    expect(jobNow(shattered).glassLeft.size).toBe(0);
  });

  it('when all is off it goes on; what was left is said', async () => {
    startShop(t0);
    renderStage(LiftStage, shattered);
    await pass(600);
    for (let i = 0; i < 17; i++) await press('Piece 1 is off');
    expect(call()).toBe('All glass is off.');
    await press('Glass is off');
    expect(jobNow(shattered).stages.lift).toBe('done');
    expect(went.at(-1)).toContain('/clean');
  });

  it('at a camera it is broken on purpose; the ring may stay in or be pushed out', async () => {
    startShop(t0);
    renderStage(LiftStage, shattered);
    await pass(600);
    for (let i = 0; i < 16; i++) await press('Piece 1 is off');
    expect(screen.getByText(/At the camera: break it on purpose along the dashed lines/)).toBeTruthy();
    await choose('Camera ring: Pushed out from inside');
    expect(jobNow(shattered).cameraRing).toBe('pushedOut');
  });

  it('the other school: along the edges instead, and back', async () => {
    startShop(t0);
    renderStage(LiftStage, shattered);
    await pass(600);
    await choose('How it comes off: Along the edges');
    await pass(600);
    expect(screen.getByRole('button', { name: /^Bottom edge is free/ })).toBeTruthy();
    await choose('How it comes off: Piece by piece');
    expect(screen.getByRole('button', { name: 'Piece 1 is off' })).toBeTruthy();
  });
});

describe('clips', () => {
  it('from the charge port, one after the other; a broken one is said; the short cable at the end', async () => {
    const clip = shippedDevices.find((d) => d.id === 'clip55')!;
    startShop(t0, {
      [heating]: [
        { type: 'undo', eventId: 'demo-0142-0' },
        { type: 'opened', label: 'J-C', device: clip, bondId: 'backClips', promiseAt: null, customerMark: '' },
      ],
    });
    renderStage(LiftStage, heating);
    expect(call()).toMatch(/^Clip 1: bottom edge/);
    expect(reason()).toContain('Start by the charge port');
    await press('Clip 1 is open');
    await press('It broke');
    expect([...jobNow(heating).clips.values()]).toEqual(['open', 'broken']);
    expect(screen.getByText(/A broken clip leaves a gap/)).toBeTruthy();
    for (let i = 3; i <= 13; i++) await press(`Clip ${i} is open`);
    expect(call()).toBe('All clips are open.');
    expect(reason()).toMatch(/Peel the reader off the back, or unplug it\. Do not turn the back further than \d\d°/);
  });
});

describe('lens covers', () => {
  const isOff = (n: number) => press(`Lens cover ${n} is off`);

  it('a set: chosen on the plan, warmed one by one, tapped out, looked into, cameras tested, then on', async () => {
    startShop(t0);
    renderStage(LiftStage, lens);
    expect(call()).toMatch(/^Warm lens cover 1 for [\d hmins]+, at the latest [\d hmins]+\.$/);
    await tick(/^3\. lens cover 3/);
    await enter('New one for lens cover 1, across, mm', '11.2');
    await enter('New one for lens cover 3, across, mm', '14.4');
    expect(screen.getByTestId('lensSizes').textContent).toMatch(/^They fit, but swapped/);
    await press('Air on');
    expect(call()).toMatch(/^Air off in [\d hmins]+\.$/);
    jest.setSystemTime(Date.now() + 300_000);
    await pass(600);
    expect(call()).toBe('Air off now, and lift.');
    await press('Air off');
    expect(call()).toMatch(/^Lens cover 1: blade under the tape, [\d hmins]+ left\.$/);
    await isOff(1);
    expect(call()).toMatch(/Warm lens cover 3|It grips/);
    await choose('With heat or without: Cold');
    await isOff(3);
    expect(call()).toBe('Tap the splinters out.');
    await press('Tapped out');
    await press('Openings are clear');
    expect(call()).toBe('Test the cameras now.');
    expect(screen.getByRole('button', { name: 'Go to Clean: cameras not tested' })).toBeTruthy();
    for (const fn of ['main rear camera', 'other rear cameras', 'stabiliser noise']) await choose(`${fn}: works`);
    await choose('flash: does not');
    expect(screen.getByText(/No new cover over a camera that fails/)).toBeTruthy();
    await choose('flash: works');
    await press('Go to Clean');
    expect(went.at(-1)).toContain('/clean');
  });

  it('new covers go on only over tested cameras and of the right size, and are pressed for their time', async () => {
    const done = (bondId: string, newMm: number): NewEvent[] => [
      { type: 'lens', bondId, step: 'chosen', done: true, newMm },
      { type: 'lens', bondId, step: 'off', done: true },
    ];
    startShop(t0, { [lens]: done('lens1Tape', 12) });
    const first = renderStage(LensBond, lens);
    expect(call()).toBe('Test the cameras first.');
    // what is missing is on the page that the button leads down
    await choose('flash: works');
    expect(logged(lens).at(-1)).toMatchObject({ type: 'function', fn: 'flash', phase: 'open', result: 'ok' });
    first.unmount();
    const tested: NewEvent[] = ['camMain', 'camAux', 'ois', 'flash'].map((fn) => ({
      type: 'function',
      fn,
      phase: 'open',
      result: 'ok',
    }));
    startShop(t0, { [lens]: [...done('lens1Tape', 12), ...tested] });
    const second = renderStage(LensBond, lens);
    expect(call()).toBe('The new one for lens cover 1 does not fit.');
    await enter(/^New one for lens cover 1/, '14.4');
    expect(call()).toBe('Lens cover 1: set the new one.');
    second.unmount();
    startShop(t0, { [lens]: [...done('lens1Tape', 14.4), ...tested] });
    renderStage(LensBond, lens);
    await press('Lens cover 1 is on');
    expect(call()).toBe('Press lens cover 1: 1 min 30 s.');
    expect(screen.getByRole('button', { name: /^Pressed: press for 1:30 more/ })).toBeTruthy();
    jest.setSystemTime(t0 + 91_000);
    await pass(600);
    expect(call()).toBe('Let go.');
    await press('Pressed');
    expect(call()).toBe('All covers are on.');
    await press('Go to Cure');
    expect(logged(lens).at(-2)).toMatchObject({ type: 'bonded', adhesive: 'precutRing' });
  });

  it('on Heat the numbers stand; a swollen cell is not warmed', async () => {
    startShop(t0);
    const page = renderStage(LensHeatStage, lens);
    expect(call()).toMatch(/^One after the other on Lift: [\d hmins]+ of air each\.$|^No heat needed/);
    page.unmount();
    startShop(t0, { [lens]: [{ type: 'finding', kind: 'cellSwollen', answer: 'yes' }] });
    renderStage(LensHeatStage, lens);
    expect(call()).toBe('Do not heat this one.');
  });

  it('glass in a camera frame: from behind only when the camera is out', async () => {
    const front = shippedDevices.find((d) => d.id === 'front62')!;
    startShop(t0);
    const route = jobNow(lens).effective.find((e) => e.type === 'jobRoute')!;
    const events: NewEvent[] = [
      { type: 'undo', eventId: 'demo-0136-0' },
      { type: 'opened', label: 'J-F', device: front, bondId: 'lensBond', promiseAt: null, customerMark: '' },
      { type: 'undo', eventId: route.id },
    ];
    startShop(t0, { [lens]: events });
    renderStage(LiftStage, lens);
    expect(call()).toBe('Lens glass in the camera frame: from the front, in pieces.');
    await act(async () => startShop(t0, { [lens]: [...events, { type: 'partState', partId: 'camera', to: 'out' }] }));
    await choose('With heat or without: Cold');
    expect(call()).toBe('Lens glass in the camera frame: push it out from behind.');
  });
});

describe('alcohol', () => {
  /** The demo's other job is not on the plate. */
  const nothingHot = (): NewEvent[] => {
    startShop(t0);
    return [{ type: 'undo', eventId: jobNow(heating).effective.findLast((e) => e.type === 'heatOn')!.id }];
  };

  const gunOn: NewEvent = {
    type: 'heatOn',
    setC: 200,
    preheated: true,
    heater: 'gun',
    startC: 22,
    modelRun: 'x',
    readyInS: 60,
  };

  it('a plate that is on for another device is told and stops nothing; a running gun does; then mask, dose, how far it runs', async () => {
    startShop(t0);
    const page = renderStage(AlcoholScreen, save);
    await pass(1100);
    expect(call()).toMatch(/^0\.0\d ml along the bottom edge, no more\.$/);
    expect(screen.getByTestId('plateNear').textContent).toContain('J-0142');
    page.unmount();
    startShop(t0, { [heating]: [...nothingHot(), gunOn] });
    const gun = renderStage(AlcoholScreen, save);
    await pass(1100);
    expect(call()).toBe('No alcohol yet: Hot-air gun too near.');
    gun.unmount();
    startShop(t0, { [heating]: nothingHot() });
    renderStage(AlcoholScreen, save);
    await pass(1100);
    expect(call()).toMatch(/^0\.0\d ml along the bottom edge, no more\.$/);
    expect(reason()).toMatch(/fills the ring in under a second\. Flooded, it would run \d+ mm deep in ten seconds/);
    await choose('Edge: top edge');
    expect(call()).toBe('No alcohol yet: an open camera is near.');
    await tick('Cameras masked');
    await enter('Dose, ml', '5');
    expect(call()).toBe('No alcohol yet: too much at once.');
    await enter('Dose, ml', '0.05');
    await tick('Extraction on or window open');
    await press('It is in the gap');
    expect(logged(save).at(-1)).toMatchObject({
      type: 'alcohol',
      ml: 0.05,
      use: 'gap',
      checks: { sourcesAway: true, ventilated: true, masked: true },
    });
    expect(went.at(-1)).toContain('/lift');
  });

  it('a hot line is refused, and the day’s total runs over all jobs', async () => {
    const earlier: NewEvent = {
      type: 'alcohol',
      ml: 0.4,
      use: 'wipe',
      checks: { sourcesAway: true, ventilated: true, masked: false },
      tC: 22,
    };
    startShop(t0, { [save]: heated(120), [heating]: [...nothingHot(), earlier] });
    renderStage(AlcoholScreen, save);
    await pass(1100);
    await tick('Extraction on or window open');
    expect(call()).toBe('No alcohol yet: over 60 °C.');
    expect(reading(/used today on all jobs/)).toMatch(/^0\.40 ml/);
  });
});

describe('alcohol keeps heat away', () => {
  const drop = (use: 'gap' | 'wipe'): NewEvent => ({
    type: 'alcohol',
    ml: 0.05,
    use,
    checks: { sourcesAway: true, ventilated: true, masked: true },
    tC: 22,
  });

  it('here and on every other job of the bench, until it has dried or somebody has looked', async () => {
    // with the gun; a plate lights nothing
    startShop(t0, { [heating]: [drop('gap')], [save]: heated(400, 'gun') });
    const page = renderStage(LiftStage, save);
    await pass(600);
    const reheat = () => screen.getByRole('button', { name: /^It grips: reheat/ }).getAttribute('aria-label');
    expect(reheat()).toMatch(/^It grips: reheat: alcohol on J-0142 is wet until 13:\d\d$/);
    jest.setSystemTime(t0 + 2 * 3600_000);
    await pass(600);
    expect(reheat()).toBe('It grips: reheat');
    page.unmount();

    jest.setSystemTime(t0);
    startShop(t0, { [save]: [...heated(400, 'gun'), drop('wipe')] });
    const own = renderStage(LiftStage, save);
    await pass(600);
    expect(reheat()).toMatch(/alcohol on this job is wet until 13:1\d$/);
    own.unmount();
    renderStage(AlcoholScreen, save);
    await pass(1100);
    expect(screen.getByTestId('wet').textContent).toMatch(/^Wet until 13:1\d/);
    await press('Looked at: it is dry');
    expect(jobNow(save).alcoholDryAt).not.toBeNull();
    expect(screen.queryByTestId('wet')).toBeNull();
  });
});

it('a lens cover that was warmed has no model that cools: alcohol waits ten minutes after its heat', async () => {
  startShop(t0);
  const on = jobNow(heating).effective.findLast((e) => e.type === 'heatOn')!;
  startShop(t0, {
    [heating]: [{ type: 'undo', eventId: on.id }],
    [lens]: [
      { type: 'heatOn', setC: 120, preheated: true, heater: 'nozzle', startC: 22, modelRun: 'lens', readyInS: 40 },
      { type: 'heatOff', reason: 'ready', easyForS: null, gripsInS: 20 },
    ],
  });
  renderStage(AlcoholScreen, lens);
  await tick('Extraction on or window open');
  await tick('Cameras masked');
  jest.setSystemTime(t0 + 120_000);
  await pass(1100);
  expect(call()).toBe('No alcohol yet: over 60 °C.');
  jest.setSystemTime(t0 + 601_000);
  await pass(1100);
  expect(call()).toMatch(/^0\.\d\d ml along the bottom edge, no more\.$/);
});

describe('clean', () => {
  it('zone by zone, dry or wet, then a look at a glancing angle, crumbs and lenses, and only then on', async () => {
    startShop(t0);
    renderStage(CleanStage, 'demo-0141');
    await pass(1100);
    // this one was cleaned in the demo: all is bare
    expect(call()).toBe('Clean and cool: go on.');
  });

  it('opened by hand while the device lies on the plate, it asks for nothing to be wiped', async () => {
    startShop(t0);
    renderStage(CleanStage, heating);
    await pass(1100);
    expect(call()).toBe('It is still on the heat.');
    expect(screen.queryByRole('button', { name: /wiped|Alcohol|^All/ })).toBeNull();
    expect(screen.queryByText('Zones one by one')).toBeNull();
    await press('Back to Heat');
    expect(went.at(-1)).toBe(`/jobs/${heating}/heat`);
  });

  it('a saved cover has its own residue; near the camera no liquid; a film bears a bead only', async () => {
    startShop(t0);
    renderStage(CleanStage, save);
    await pass(1100);
    expect(call()).toBe('1, bottom edge, middle: take the old glue off.');
    const n = Number(/\/ (\d+)/.exec(reading(/zones clean on the frame/)!)![1]);
    let dry = 0;
    for (let i = 1; i <= n; i++) {
      if (/dry\.$/.test(call()!)) {
        dry++;
        expect(
          screen.queryByRole('button', {
            name: 'Alcohol',
          }),
        ).toBeNull();
      } else expect(screen.getByRole('button', { name: 'Alcohol' })).toBeTruthy();
      await press(`${i}: wiped dry`);
    }
    expect(dry).toBeGreaterThan(0);
    expect(dry).toBeLessThan(n);
    expect(call()).toBe('The back has old glue of its own.');
    await press('Now the back');
    for (let i = 1; i <= n; i++) await press(`${i}: wiped dry`);
    await press('All clean at a glance');
    // one glance goes over both sides of the bond
    for (const on of ['frame', 'cover'] as const)
      expect([...jobNow(save).zones[on].values()].map((z) => z.state)).toEqual(Array(n).fill('inspected'));
    await choose('Side of the bond: Frame');
    expect(jobNow(save).prep.has('glanced')).toBe(true);
    expect(call()).toBe('Look for crumbs along the ledge.');
    await tick('No crumbs on the ledge');
    await tick('Lenses blown off');
    expect(call()).toBe('Clean and cool: go on.');
    await choose('2, left edge, lower: film stays');
    expect(call()).toBe('Clean enough for a bead, not for tape.');
    expect(screen.getByRole('button', { name: 'Clean and cool: a film stays' })).toBeTruthy();
    await choose('2, left edge, lower: clean, looked at');
    await press('Clean and cool');
    expect(went.at(-1)).toContain('/dryFit');
  });

  it('wet only after the interlock, and it dries by its instant', async () => {
    startShop(t0, {
      [save]: [
        {
          type: 'alcohol',
          ml: 0.1,
          use: 'wipe',
          checks: { sourcesAway: true, ventilated: true, masked: true },
          tC: 22,
        },
      ],
    });
    renderStage(CleanStage, save);
    await pass(1100);
    await press('1: wiped with alcohol');
    expect(jobNow(save).zones.frame.get(0)).toMatchObject({ state: 'wet', tC: 22 });
    expect(screen.getByText(/^dry in \d:\d\d$/)).toBeTruthy();
    jest.setSystemTime(t0 + 700_000);
    await pass(1100);
    expect(screen.queryByText(/^dry in/)).toBeNull();
    // ten minutes on the wipe is dry and asks for a new drop
    expect(screen.getByRole('button', { name: 'Alcohol' })).toBeTruthy();
  });

  it('glass that was left comes first, with tweezers; a crumb is weighed', async () => {
    startShop(t0, { [save]: [{ type: 'glassLeft', markId: 'g', onFace: 'back', place: [60, 120] }] });
    renderStage(CleanStage, save);
    await pass(1100);
    expect(call()).toMatch(/glass out\.$/);
    expect(reason()).toMatch(/^Tweezers first: glass/);
    await press(/: glass is out$/);
    expect(jobNow(save).glassLeft.size).toBe(0);
    await press('A crumb that stayed');
    await enter('Height of the crumb, mm', '0.04');
    expect(screen.getByTestId('crumb').textContent).toBe('It disappears in the joint: no stress from it.');
    await enter('Height of the crumb, mm', '0.9');
    expect(screen.getByTestId('crumb').textContent).toMatch(/The glass cracks there\.$/);
  });

  it('a hot device waits, with its time', async () => {
    const zones: NewEvent[] = Array.from({ length: 8 }, (_, index) => ({
      type: 'cleanZone',
      on: 'frame',
      index,
      state: 'inspected',
    }));
    const rest: NewEvent[] = (['crumbsGone', 'lensesBlown', 'glanced'] as const).map((item) => ({
      type: 'prep',
      item,
      done: true,
    }));
    startShop(t0, { [save]: [...heated(120), ...zones, ...rest, { type: 'route', keepCover: false }] });
    renderStage(CleanStage, save);
    await pass(1100);
    expect(call()).toMatch(/^Let it cool: [\d hmins]+ to 35 °C\.$/);
    expect(screen.getByRole('button', { name: 'Clean and cool: still warm' })).toBeTruthy();
  });
});

it('adhesives: what was seen stands there, is taken out and put back', async () => {
  startShop(
    t0,
    {},
    {
      settings: {
        ...settingsNow(),
        seen: [
          {
            id: 'o1',
            at: t0,
            job: 'J-1',
            adhesive: 'foamRing',
            gave: true,
            liftMm: 0.4,
            tC: 95,
            uK: 2,
            hMm: 0.8,
            ringMm: 2,
            fullArea: false,
            cover: 'glassStrengthened',
            out: false,
          },
        ],
      },
    },
  );
  renderStage(() => <AdhesivesScreen />, save);
  const title = () => screen.getByRole('button', { name: /^foam ring: ×/ }).getAttribute('aria-label');
  const with1 = title();
  expect(with1).toMatch(/×1\.\d\d ± 0\.\d\d/);
  await press(/^foam ring: ×/);
  await press('Take out');
  expect(title()).toBe('foam ring: ×1.00');
  await press('Put back');
  expect(title()).toBe(with1);
});

it('the stop card: one tap, what to do, noted on the job; what smells or swells is not heated any more', async () => {
  startShop(t0);
  renderStage(CleanStage, save);
  await press('Stop card: battery touched, smells or swells');
  const card = within(screen.getByRole('dialog', { name: 'Stop card' }));
  expect(card.getByText('Hands off. Heat off.')).toBeTruthy();
  await act(async () => void fireEvent.click(card.getByRole('button', { name: 'Touched or scratched' })));
  expect(jobNow(save).findings.cellSwollen?.answer).toBe('no');
  await act(async () => void fireEvent.click(card.getByRole('button', { name: 'Swells' })));
  expect(jobNow(save).findings.cellSwollen?.answer).toBe('yes');
  expect(card.getByRole('status').textContent).toMatch(/^Noted at 13:00\. No heat is planned on this job any more\.$/);
});
