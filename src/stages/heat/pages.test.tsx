import { act, cleanup, screen, within } from '@testing-library/react';

import { batteryGlueStack as mockGlueStack } from '@/core/device/thermalStack';
import { buildModes as mockBuild } from '@/core/heat/modes';
import { confirmRound as mockMoving, type MovingInput } from '@/core/heat/moving';
import { planRound as mockRound, type PathPlanInput } from '@/core/heat/pathPlan';
import { ReducedModel as MockModel } from '@/core/heat/reduced';
import { spotCadence as mockSpot, type SpotInput } from '@/core/heat/spot';
import { tryWay as mockWay, type HeatWay, type WaysInput } from '@/core/heat/ways';
import { comparePicks as mockCompare, type PicksInput } from '@/core/lift/picks';
import { isContact, defaultGun, defaultMat } from '@/core/heat/heater';
import { SimulatedBench } from '@/core/instruments/simulatedBench';
import type { Instruments } from '@/bench-kit/instruments';
import { coarseModel as mockCoarse } from '../../../test-support/modes';
import { jobNow, logged, settingsNow, startShop } from '../../../test-support/mockShop';
import { went } from '../../../test-support/mockRouter';
import { call, choose, enter, pass, press, reason, renderStage, tick } from '../../../test-support/stage';
import { GlueScreen } from './GlueScreen';
import { HeatStage } from './HeatStage';
import { PathScreen } from './PathScreen';
import { pathCall } from './pathCall';
import { SpotScreen } from './SpotScreen';
import { spotCall } from './spotCall';
import { probedHeater } from './useProbedHeater';
import { WaysScreen } from './WaysScreen';
import { waysCall } from './ways';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
jest.mock('@/workers/cracksClient', () => jest.requireActual('../../../test-support/mockCracks'));
jest.mock('./LazyHeatChart', () => ({ HeatChart: () => null }));
jest.mock('@/ui/alarm', () => ({
  unlockSound: () => {},
  useAlarm: () => ({ flash: false, silent: false }),
  useAwake: () => 'held',
  Flash: () => null,
}));
const mockThermal = (model: unknown) => ({
  model,
  building: null,
  cancelled: false,
  problem: null,
  cancel() {},
  retry() {},
});
const mockAll = mockThermal(mockCoarse().model);
let mockGlue: ReturnType<typeof mockThermal> | null = null;
jest.mock('@/bench-kit/useThermal', () => ({
  useThermal: () => mockAll,
  useThermalStack: ({ stack }: { stack: Parameters<typeof mockBuild>[0] }) =>
    (mockGlue ??= mockThermal(new MockModel(mockBuild(stack, () => true, { nx: 12, ny: 25 })))),
}));
const mockDone = <T,>(work: () => T) => ({ result: Promise.resolve().then(work), cancel() {} });
const mockCoarseGrid = { nx: 18, ny: 38 };
jest.mock('@/workers/thermalClient', () => ({
  CancelledError: class extends Error {},
  keyOf: (stack: unknown) => ({ stack, digest: 'x' }),
  thermalKey: () => ({ stack: null, digest: 'x' }),
  confirmInWorker: jest.fn(),
  picksInWorker: async (_: unknown, input: PicksInput) => mockCompare(mockCoarse().model, input),
  wayInWorker: async (_: unknown, way: HeatWay, input: WaysInput) => mockWay(mockCoarse().model, way, input),
  roundInWorker: (_: unknown, input: PathPlanInput) =>
    mockDone(() => mockRound(mockCoarse().model, { ...input, insetsMm: [2] })),
  movingInWorker: (stack: Parameters<typeof mockMoving>[0], input: MovingInput) =>
    mockDone(() => mockMoving(stack, { ...input, maxS: 120 }, () => true, mockCoarseGrid)),
  spotInWorker: (stack: Parameters<typeof mockSpot>[0], input: SpotInput) =>
    mockDone(() => mockSpot(stack, { ...input, cycles: 2 }, () => true, mockCoarseGrid)),
}));
let mockLive: Instruments = { state: 'off', about: null, readings: [], plate: null, problem: null };
const mockControl = jest.fn();
jest.mock('@/bench-kit/instruments', () => ({
  useInstruments: () => mockLive,
  connectInstruments: async () => {},
  disconnectInstruments: () => {},
  simulate: async () => {},
  controlPlate: (to: unknown) => mockControl(to),
}));

const t0 = new Date('2026-04-14T13:00:00').getTime();
const [heating, save] = ['demo-0142', 'demo-0143'] as const;
const off: Instruments = { state: 'off', about: null, readings: [], plate: null, problem: null };
jest.setTimeout(60_000);
beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  went.length = 0;
  mockLive = off;
  mockControl.mockClear();
  startShop(t0);
});
afterEach(() => jest.useRealTimers());

const prepared = (['powerOff', 'trayOut', 'toolsReady'] as const).map((item) => ({
  type: 'prep' as const,
  item,
  done: true,
}));

const settle = async () => {
  for (let i = 0; i < 30; i++) await act(async () => void (await jest.advanceTimersByTimeAsync(5)));
};

describe('ways side by side', () => {
  it('every way of the bench is computed, gentle first; another one than the gentlest needs a reason', async () => {
    renderStage(WaysScreen, save);
    await settle();
    const group = screen.getByRole('radiogroup', { name: 'Ways of heating, gentlest first' });
    const rows = within(group).getAllByRole('radio');
    expect(rows.map((r) => r.getAttribute('aria-label')!.split(',')[0])).toEqual(
      expect.arrayContaining(['Hot plate', 'Heat mat', 'Hot-air gun', 'Small nozzle', 'Hair dryer']),
    );
    expect(call()).toMatch(/: the gentlest\.$/);
    expect(screen.getByTestId('cold').textContent).toMatch(
      /Cold: not plannedOn dry ice the warmest part of the ring is at −\d+ °C after 25 minutes/,
    );
    // a way that opens, but not the one in front
    const other = rows.find(
      (r) =>
        r.getAttribute('aria-checked') !== 'true' &&
        /^\D*[\d:]+\d/.test(r.textContent!) &&
        !r.textContent!.includes('never'),
    )!;
    await act(async () => other.click());
    expect(screen.getByRole('button', { name: /^Heat this way: say why/ })).toBeTruthy();
    await enter(/^Why (not the gentlest|this one)/, 'the gun is lent out');
    await press('Heat this way');
    const plan = logged(save).find((e) => e.type === 'heatPlan')!;
    expect(jobNow(save).plan!.heater).toBe((plan as { heater: string }).heater);
    expect(logged(save).find((e) => e.type === 'decision')).toMatchObject({
      call: 'ways',
      because: 'the gun is lent out',
    });
    expect(went).toEqual([`/jobs/${save}/heat`]);
  });

  it('the call promises nothing that was not shown', () => {
    const listed = [
      { name: 'Hot plate', use: {}, way: { id: 'p', heater: defaultMat, use: {}, setC: 90, preheated: true } },
    ];
    const r = {
      id: 'p',
      setC: 90,
      readyS: { low: 50, mean: 60, high: 70 },
      coldest: null,
      battery: {
        peakC: { low: 60, mean: 65, high: 70 },
        aboveCautionS: { mean: 20, high: 40 },
        aboveStopS: { mean: 0, high: 0 },
        cautionAtS: 30,
        stopAtS: null,
      },
      tryFromS: { low: 20, mean: 25, high: 30 },
      camera: null,
      display: null,
      cover: null,
      spotMPa: 3,
      easyForS: { low: 30, mean: 40, high: 50 },
      gripsForS: { low: 90, mean: 99, high: 120 },
      over: [],
      picture: { atS: 60, fieldC: new Float64Array(), stepS: 15, firstC: [], batteryC: null },
    };
    const say = (
      results: Parameters<typeof waysCall>[0]['results'],
      more: { pieces?: boolean; plastic?: boolean } = {},
    ) =>
      waysCall({
        listed,
        results,
        cautionC: 60,
        pickMm: 0.5,
        units: settingsNow(),
        pieces: false,
        plastic: false,
        ...more,
      });
    expect(say([r])).toMatchObject({
      sentence: 'Hot plate, 90 °C / 194 °F: the gentlest.',
      reason: 'Try from 25 s, easy by 1 min, at the latest 1 min 10 s. The battery gets to 65 °C, 20 s over 60 °C.',
    });
    expect(say([{ ...r, over: ['battery'] }]).sentence).toBe('Every way gets something too hot.');
    expect(say([{ ...r, readyS: null, tryFromS: null }]).sentence).toBe('No heater here opens it with a 0.5 mm pick.');
    expect(say([{ ...r, readyS: null }]).sentence).toBe('Hot plate: it works, slowly.');
    expect(say([]).sentence).toBe('Working it out: 0 of 1.');
    // glued all over: what works is said, never that nothing does
    expect(say([{ ...r, over: ['battery'] }], { pieces: true }).sentence).toContain('Piece by piece');
    expect(say([{ ...r, over: ['cover'] }], { plastic: true }).sentence).toContain('cold');
  });
});

describe('path of the air', () => {
  it('a round is planned, confirmed with the moving air, and used; the nozzle is a pace-maker', async () => {
    renderStage(PathScreen, save);
    await settle();
    expect(call()).toMatch(/^Go round 2 mm inside the edge.*: the glue is soft after [\d hmins]+\.$/);
    expect(reason()).toMatch(/^Provisional: /);
    await press('Check with the moving air');
    await settle();
    expect(screen.getByTestId('moving').textContent).toMatch(
      /Steady, with the air really moving.*Paced, with the air really moving/,
    );
    expect(reason()).toMatch(/^Checked with the moving air: /);
    await press('Use this round');
    expect(jobNow(save).plan).toMatchObject({
      heater: 'gun',
      use: { masked: true, path: { kind: 'loop', insetMm: 2, roundS: 4 } },
    });
  });

  it('says the gain, or that there is none', () => {
    const r = { insetMm: 2, shares: null, readyS: 170, batteryC: 72, cameraC: 81, displayC: 62, spreadK: 4 };
    const units = settingsNow();
    const plan = (
      best: typeof r | (Omit<typeof r, 'shares'> & { shares: number[] }),
      gain: object,
      withinLimits = true,
    ) => ({
      steady: [r],
      planned: [],
      best,
      against: r,
      gain: { timeShare: 0, batteryK: 0, cameraK: 0, ...gain },
      noGain: false,
      withinLimits,
    });
    const paced = { ...r, shares: new Array<number>(24).fill(1 / 24), cameraC: 78 };
    const say = (p: ReturnType<typeof plan> | null) => pathCall({ plan: p, moving: null, targetC: 62, units });
    expect(say(plan(paced, { cameraK: 3 })).reason).toBe('Provisional: against a steady round camera 3.0 K cooler.');
    expect(say(plan(paced, {})).reason).toContain('nothing you would notice');
    expect(say(plan(r, {})).reason).toContain('no pacing beats the steady round');
    expect(say(plan(r, {}, false))).toMatchObject({
      tone: 'caution',
      reason: expect.stringContaining('Something gets past its limit'),
    });
    expect(say(plan({ ...r, readyS: null as never }, {})).sentence).toContain('No round gets the whole ring to 62 °C');
    expect(say(null).sentence).toBe('Working out the round.');
  });
});

describe('spot heat', () => {
  it('runs in cycles with a clock of its own, every cycle in the log', async () => {
    startShop(t0, { [save]: prepared });
    renderStage(SpotScreen, save);
    await settle();
    expect(call()).toBe('Heat this place alone.');
    await press('Work out this place');
    await settle();
    expect(call()).toMatch(/^Heat this place for [\d hmins]+, then work with the air on it\.$/);
    expect(reason()).toMatch(/^By itself it stays soft for [\d hmins]+ only\./);
    await press('Air on');
    expect(jobNow(save).heat.at(-1)).toMatchObject({ heater: 'nozzle', use: { path: { kind: 'spot' } } });
    const heatS = jobNow(save).heat.at(-1)!.readyInS!;
    expect(call()).toMatch(/^Air off in [\d hmins]+\.$/);
    jest.setSystemTime(t0 + (heatS + 3) * 1e3);
    await pass(600);
    expect(call()).toBe('Air off now, and work.');
    await press('Air off');
    expect(call()).toMatch(/^Work on this place: [\d hmins]+ left\.$/);
    jest.setSystemTime(Date.now() + 300_000);
    await pass(600);
    expect(call()).toMatch(/^It grips again: [\d hmins]+ of heat\.$/);
    expect(logged(save).filter((e) => e.type === 'heatOn' || e.type === 'heatOff')).toHaveLength(2);
  });
  it('needs power off, tray out and tools like every heat; while it is on the stage shows its clock', async () => {
    renderStage(SpotScreen, save);
    await settle();
    await press('Work out this place');
    await settle();
    const on = screen.getByRole('button', { name: /^Air on: / });
    expect(on.getAttribute('aria-disabled')).toBe('true');
    cleanup();
    const spot = { path: { kind: 'spot' as const, at: [32, 60] as [number, number], radiusMm: 6 } };
    startShop(t0, {
      [save]: [
        {
          type: 'heatOn',
          setC: 200,
          preheated: true,
          heater: 'nozzle',
          use: spot,
          startC: 22,
          modelRun: 'full',
          readyInS: 20,
        },
      ],
    });
    renderStage(HeatStage, save);
    await settle();
    expect(call()).toBe('Air off in 20 s.');
  });
  it('words for every end', () => {
    const r = {
      cycles: [{ heatS: 12, workS: 6, batteryC: 40 }],
      readyS: 12,
      hottestBondC: 80,
      batteryC: 64,
      cameraC: 40,
      displayC: 40,
      spotMPa: 20,
      stoppedBy: null,
    };
    const say = (x: Parameters<typeof spotCall>[0]['result'], easyC: number | null = 60) =>
      spotCall({ result: x, name: 'piece 3', pickMm: 0.8, easyC, targetC: easyC, workC: 45, units: settingsNow() });
    expect(say(r).sentence).toBe('Heat piece 3 for 12 s, work 6 s.');
    expect(say({ ...r, stoppedBy: 'battery' }).reason).toBe(
      'After 1 turn the cell gets past its limit: let it rest then.',
    );
    const brief = { ...r, cycles: r.cycles.map((c) => ({ ...c, workS: 3 })) };
    expect(say(brief).sentence).toBe('Heat piece 3 for 12 s, then work with the air on it.');
    // the rest that a part needs is told with the air on as well
    expect(say({ ...brief, stoppedBy: 'battery' }).reason).toContain('the cell gets past its limit: let it rest then.');
    expect(say({ ...r, cycles: [], readyS: null, stoppedBy: 'cold' }).sentence).toBe(
      'This air does not get piece 3 to 60 °C.',
    );
    expect(say({ ...r, cycles: [], readyS: null, stoppedBy: 'camera' }).sentence).toBe(
      'The camera gets past its limit before piece 3 is soft.',
    );
    expect(say(null, null).sentence).toContain('No heat opens this');
  });
});

describe('glue of the cell', () => {
  it('front down, with the cell’s own marks; a swollen cell is not heated', async () => {
    renderStage(GlueScreen, save);
    await settle();
    expect(call()).toMatch(/^Front down on the plate at \d+ °C|does not get the glue|stop mark/);
    await enter('Setting, °C', '120');
    expect(call()).toMatch(/passes its stop mark|Front down on the plate at 120/);
    expect(reason()).toMatch(/The battery may go over 60 °C|the battery at \d\d °C at most/);
    expect(mockGlueStack(jobNow(save).model)).not.toBeNull();
  });
});

it('the cell is not warmed while alcohol is wet', async () => {
  const checks = { sourcesAway: true, ventilated: true, masked: true };
  startShop(t0, { [save]: [{ type: 'alcohol', ml: 0.1, use: 'gap', checks, tC: 22 }] });
  renderStage(GlueScreen, save);
  await settle();
  expect(
    screen.getByRole('button', { name: /^Note it and go to Strip: alcohol on this job is wet until 13:\d\d$/ }),
  ).toBeTruthy();
});

it.each([
  ['ways', WaysScreen],
  ['path', PathScreen],
  ['spot', SpotScreen],
  ['glue', GlueScreen],
])('a swollen cell is heated in no way: %s', async (_, Page) => {
  startShop(t0, { [save]: [{ type: 'finding', kind: 'cellSwollen', answer: 'yes' }] });
  renderStage(Page, save);
  await settle();
  expect(call()).toBe('Do not heat this one.');
  expect(screen.queryByRole('button', { name: /^(Heat this way|Use this|Compute|Air on|Note it)/ })).toBeNull();
});

describe('the stage with other heaters', () => {
  const ready = async () => {
    startShop(t0, { [save]: prepared });
    renderStage(HeatStage, save);
    await settle();
  };
  it('hot air goes on and off under its own words, with its way in the log', async () => {
    await ready();
    await choose('Heat with: Hot-air gun');
    await settle();
    await choose('Nozzle: Next edge only');
    await tick('Cameras masked with tape and foil');
    await settle();
    await press('Air on');
    expect(jobNow(save).heat.at(-1)).toMatchObject({
      setC: 200,
      heater: 'gun',
      use: { masked: false, path: { kind: 'strip' } },
    });
    await settle();
    expect(screen.getByRole('button', { name: 'Air off' })).toBeTruthy();
    expect(screen.getByRole('progressbar')).toBeTruthy();
  });

  it('a mat that switches itself off is announced by the call, and goes on again with a tap', async () => {
    await ready();
    await choose('Heat with: Heat mat');
    await settle();
    await enter('Mat setting, °C', '55');
    await settle();
    await press('On the mat');
    await settle();
    jest.setSystemTime(t0 + 920_000);
    await pass(700);
    await settle();
    expect(call()).toMatch(/^Mat: switched itself off [\d hmins]+ ago\.$/);
    await press('On again');
    expect(
      logged(save)
        .slice(-3)
        .map((e) => e.type),
    ).toEqual(['observed', 'heatOff', 'heatOn']);
  });

  it('a dial in the wrong unit is asked about, and taken the right way on a tap', async () => {
    await ready();
    await enter('Plate setting, °C', '248');
    await settle();
    expect(call()).toBe('Not with the parts inside.');
    expect(screen.getByText(/Is your dial in °F\? 248 °F is 120 °C/)).toBeTruthy();
    await press('Take it as °F');
    await settle();
    expect(screen.getByText(/dial: 120 °C \/ 248 °F/)).toBeTruthy();
  });
});

describe('live probe', () => {
  const model = mockCoarse().model;
  const cell = model.modes.bondSMm.reduce((b, s, i, a) => (s < a[b]! ? i : b), 0);
  const start = () => jobNow(heating).heat[0]!.at;
  const readings = (seconds: number, spoil: (t: number, c: number) => number | null = (_, c) => c) => {
    const bench = new SimulatedBench(model, { conductanceWm2K: 300, offsetK: -3, lagS: 1, noiseK: 0.2 }, cell, 22, 4);
    bench.control(-600, { setC: 110, heating: true });
    bench.device(0, true);
    return Array.from({ length: seconds }, (_, t) => ({
      at: start() + t * 1e3,
      tS: t,
      tempC: spoil(t, bench.read(t).probeC!),
    }));
  };
  const show = async (list: Instruments['readings'], seconds: number) => {
    mockLive = {
      state: 'live',
      about: { simulated: true, device: 'ring61', token: '', faults: ['none', 'loose'] },
      readings: list,
      plate: { plateC: 110, setC: 110, heating: true },
      problem: null,
    };
    jest.setSystemTime(start() + seconds * 1e3);
    renderStage(HeatStage, heating);
    await settle();
  };
  it('shows its reading, and the clock says that it rests on it', async () => {
    await show(readings(40), 40);
    expect(screen.getByTestId('probe').textContent).toMatch(/^\d\d °C$/);
    expect(screen.getByTestId('basis').textContent).toContain('model and probe');
  });
  it('a probe that came off is said in words; the clock goes on with what was good', async () => {
    await show(
      readings(60, (t, c) => (t > 45 ? 26 : c)),
      60,
    );
    expect(screen.getByTestId('probeFault').textContent).toMatch(
      /fell toward room air.*A dead probe is not a cold device.*Last good reading \d\d °C/,
    );
  });
  it('an instrument that fell silent', async () => {
    await show(readings(30), 55);
    expect(screen.getByTestId('probeFault').textContent).toContain('No more readings come.');
  });
  it('the probe moves the heater’s figures by what they leave open, never hot air', () => {
    const plate = settingsNow().plate;
    const list = readings(60).map((r) => ({ tS: r.tS, tempC: r.tempC }));
    const heat = { atS: 0, setC: 110, preheated: true, ambientC: 22 };
    const probed = probedHeater(model, plate, heat, list, null)!;
    if (!isContact(probed)) throw new Error('a plate');
    expect(probed.conductanceWm2K.value).toBeLessThan(plate.conductanceWm2K.value);
    expect(probed.offsetK.u!).toBeLessThan(plate.offsetK.u!);
    expect(probed.conductanceWm2K.source.kind).toBe('measured');
    expect(probedHeater(model, plate, heat, list.slice(0, 15), null)).toBeNull();
    expect(probedHeater(model, plate, heat, list, 12)).toBeNull();
    expect(probedHeater(model, defaultGun, heat, list, null)).toBeNull();
  });
});

it('a very hot plate is refused with the reason while parts are inside', async () => {
  startShop(t0, {}, { settings: { ...settingsNow(), plate: { ...settingsNow().plate, maxSetC: 280 } } });
  renderStage(HeatStage, save);
  await settle();
  await enter('Plate setting, °C', '250');
  await settle();
  expect(call()).toBe('Not with the parts inside.');
  expect(reason()).toMatch(/still inside: over 160 °C only a bare housing/);
  expect(screen.getByRole('button', { name: /^On the plate: / }).getAttribute('aria-disabled')).toBe('true');
});
