import { render, screen } from '@testing-library/react';

import { SimulatedBench } from '@/core/instruments/simulatedBench';
import { heaterSchema } from '@/model/heater';
import { heaterWords } from '@/words/heaterWords';
import { coarseModel as mockModel } from '../../../test-support/modes';
import { settingsNow, startShop } from '../../../test-support/mockShop';
import { choose, enter, press } from '../../../test-support/stage';
import { CalibrateScreen } from './CalibrateScreen';
import { correlationWords, fitAdvice } from './fitWords';
import { HeatersScreen } from './HeatersScreen';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
const mockThermal = {
  model: mockModel().model,
  building: null,
  cancelled: false,
  problem: null,
  cancel() {},
  retry() {},
};
jest.mock('@/bench-kit/useThermal', () => ({ useThermal: () => mockThermal }));
jest.mock('@/workers/thermalClient', () => ({ CancelledError: class extends Error {} }));
const mockFile = { next: null as { name: string; text: string } | null };
jest.mock('@/ui/download', () => ({ pickText: async () => mockFile.next }));

const t0 = new Date('2026-04-14T13:00:00').getTime();
jest.setTimeout(30_000);
beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  startShop(t0);
});
afterEach(() => jest.useRealTimers());

const model = mockModel().model;
const cell = model.modes.bondSMm.reduce((b, s, i, a) => (s < a[b]! ? i : b), 0);

/** A log of a plate whose figures the app does not know. */
function logText(seconds: number, heading = 'time s,probe C'): string {
  const bench = new SimulatedBench(model, { conductanceWm2K: 265, offsetK: -7, lagS: 55, noiseK: 0.3 }, cell, 22, 5);
  bench.control(0, { setC: 110, heating: true });
  bench.device(0, true);
  const lines = [heading];
  for (let t = 0; t <= seconds; t += 4) lines.push(`${t},${bench.read(t).probeC}`);
  return lines.join('\n');
}
const load = async (name: string, text: string) => {
  mockFile.next = { name, text };
  await press('Log from a file');
};

describe('heaters', () => {
  it('figures are changed with their source, a wrong one is named and not kept', async () => {
    render(<HeatersScreen />);
    await press(/^Hot plate: up to/);
    await enter('Hot plate: heat passing at the contact, W/m²K', '280');
    expect(settingsNow().plate.conductanceWm2K).toMatchObject({ value: 280, source: { kind: 'measured' } });
    await enter('Hot plate: heat passing at the contact, W/m²K', '5');
    expect(screen.getByRole('alert').textContent).toContain('enter 30 to 2000 W/m²K (you entered 5)');
    expect(settingsNow().plate.conductanceWm2K.value).toBe(280);
    await choose('Its dial shows: °F');
    expect(settingsNow().plate.dialUnit).toBe('F');
    await enter('Hot plate: switches itself off after (0: never), min', '10');
    expect(settingsNow().plate.autoOffS).toBe(600);
  });

  it('a lamp has the share of the view that its elements fill, nothing to calibrate, and heats a job under its own words', async () => {
    render(<HeatersScreen />);
    await press('Add: Infrared lamp');
    const lamp = settingsNow().heaters.at(-1)!;
    expect(lamp).toMatchObject({ kind: 'lamp', name: 'Infrared lamp 1', maxSetC: 400 });
    await press(/^Infrared lamp 1: up to 400 °C/);
    expect(screen.queryByText('Calibrate with a thermocouple')).toBeNull();
    await enter('Infrared lamp 1: share of what the glass sees that is hot elements, %', '30');
    await enter('Infrared lamp 1: share of what the glass sees that is hot elements, %', '120');
    expect(screen.getByRole('alert').textContent).toContain('enter 2 to 100 % (you entered 120)');
    expect(settingsNow().heaters.at(-1)).toMatchObject({ viewShare: { value: 0.3, source: { kind: 'measured' } } });
    expect(heaterSchema.safeParse(settingsNow().heaters.at(-1)).success).toBe(true);
    expect(heaterWords(lamp).on).toBe('Lamp on');
  });

  it('hot air has a nozzle, a flow and a distance; heaters come and go, the plate stays', async () => {
    render(<HeatersScreen />);
    await press(/^Small nozzle: nozzle/);
    await enter('Small nozzle: distance to the glass, mm', '25');
    expect(settingsNow().heaters.find((h) => h.id === 'nozzle')).toMatchObject({ standoffMm: 25 });
    const before = settingsNow().heaters.length;
    await press('Add: Heat mat');
    expect(settingsNow().heaters).toHaveLength(before + 1);
    expect(settingsNow().heaters.at(-1)!.name).toBe('Heat mat 2');
    await press('Take Small nozzle off the bench');
    expect(settingsNow().heaters.some((h) => h.id === 'nozzle')).toBe(false);
    await press(/^Hot plate: up to/);
    expect(screen.queryByRole('button', { name: 'Take Hot plate off the bench' })).toBeNull();
  });
});

describe('calibration', () => {
  it('a log gives the figures with their uncertainty, what the glue reaches, and is kept with its date', async () => {
    render(<CalibrateScreen id="plate" />);
    await load('plate.csv', logText(480));
    expect(screen.getByTestId('logFacts').textContent).toMatch(
      /plate\.csv: 121 readings over 8 min, probe C against time s, read as °C\./,
    );
    expect(screen.getByTestId('call').textContent).toMatch(
      /^Reads 110 °C \/ 230 °F; the glue reaches \d\d °C ± \d\.\d K at 2 min\.$/,
    );
    expect(screen.getByTestId('reason').textContent).toMatch(/with the figures so far/);
    await press('Keep for this heater');
    const { plate } = settingsNow();
    expect(plate.calibration).toMatchObject({ count: 121, device: 'Ring-bond 6.1', setC: 110 });
    expect(plate.conductanceWm2K.source.kind).toBe('calibrated');
    expect(Math.abs(plate.conductanceWm2K.value - 265)).toBeLessThan(3 * plate.conductanceWm2K.u!);
    expect(Math.abs(plate.offsetK.value + 7)).toBeLessThan(3 * plate.offsetK.u!);
    expect(plate.calibration!.covariance[1]).toBeLessThan(0);
  });

  it('a log that is too short, no log, or no heater: said, and nothing is changed', async () => {
    const before = settingsNow().plate;
    render(<CalibrateScreen id="plate" />);
    await load('short.csv', logText(100));
    expect(screen.getByTestId('problem').textContent).toContain('at least 180 s');
    await load('text.csv', 'nothing in here');
    expect(screen.getAllByTestId('problem')[0]!.textContent).toMatch(/^text\.csv: log: .*Nothing was changed\.$/);
    // the log before it is still there
    expect(screen.getByTestId('logFacts').textContent).toContain('short.csv');
    await load('cold.csv', `s,C\n${Array.from({ length: 100 }, (_, i) => `${i * 4},22`).join('\n')}`);
    expect(screen.getAllByTestId('problem').at(-1)!.textContent).toContain('at least 10 K');
    expect(settingsNow().plate).toBe(before);
  });

  it('the unit can be taken the other way', async () => {
    render(<CalibrateScreen id="plate" />);
    await load('plain.csv', logText(480, 'time s,probe'));
    expect(screen.getByTestId('logFacts').textContent).toContain('(guessed from the first reading)');
    await press('Read as °F instead');
    expect(screen.getByTestId('logFacts').textContent).toContain('read as °F');
  });

  it('a heater that is not there is no crash', () => {
    render(<CalibrateScreen id="gone" />);
    expect(screen.getByText(/no plate or mat of that name/)).toBeTruthy();
  });

  it('correlation and advice are in words', () => {
    expect(correlationWords(-0.99)).toContain('almost inseparable');
    expect(correlationWords(-0.93)).toContain('hard to tell apart');
    const fit = {
      value: { conductanceWm2K: 300, offsetK: 0, lagS: 40 },
      se: { conductanceWm2K: 90, offsetK: 3, lagS: 2 },
      covariance: [],
      correlation: -0.9,
      residualSdK: 0.4,
      residualsK: [],
      fittedC: [],
      iterations: 3,
      atEnd: [],
    };
    expect(fitAdvice(fit, 200)).toContain('Eight minutes or more');
    expect(fitAdvice(fit, 600)).toContain('surface probe');
    expect(fitAdvice({ ...fit, se: { ...fit.se, conductanceWm2K: 10 } }, 600)).toBeNull();
    expect(fitAdvice({ ...fit, value: { ...fit.value, offsetK: 27 } }, 600)).toContain('Unusual figures');
    expect(fitAdvice({ ...fit, atEnd: ['lagS'] }, 600)).toContain('end of what is possible');
    expect(fitAdvice({ ...fit, se: { ...fit.se, conductanceWm2K: 10 }, residualSdK: 4 }, 600)).toContain(
      'misses the points',
    );
  });
});
