import { coarseModel } from '../../../test-support/modes';
import { Trajectory, type HeatPhase } from './trajectory';

const { model } = coarseModel();
const ambientC = 22;
const contact = 600;
const warming: HeatPhase = { startS: 0, contactWm2K: contact, targetC: 110, plateStartC: 60, lagS: 45 };
const linear = { radiation: 'linear' } as const;
const stateOf = (phases: readonly HeatPhase[], tS: number) =>
  new Trajectory(model, phases, ambientC, 10, linear).state(tS);

/** The plate as it warms, by a tenth of a second: what its law says, in steps that are each of one temperature. */
const inSteps = (plateC: (tS: number) => number, untilS: number, stepS: number): HeatPhase[] =>
  Array.from({ length: Math.round(untilS / stepS) }, (_, i) => {
    const targetC = plateC((i + 0.5) * stepS);
    return { startS: i * stepS, contactWm2K: contact, targetC, plateStartC: targetC, lagS: 0 };
  });
const far = (a: Float64Array, b: Float64Array) => {
  const most = Math.max(...b.map(Math.abs));
  return Math.max(...a.map((v, i) => Math.abs(v - b[i]!))) / most;
};

it.each([20, 60, 150])(
  'a plate that warms up towards its setpoint heats as one that is set anew in small steps does, %d s',
  (tS) => {
    // first order towards the target (textbook): T = target − (target − start) e^(−t/lag)
    const plateC = (t: number) => 110 - 50 * Math.exp(-t / 45);
    expect(far(stateOf([warming], tS), stateOf(inSteps(plateC, tS, 0.5), tS))).toBeLessThan(2e-3);
  },
);

it('a plate that is hotter than its setpoint cools towards it', () => {
  const cooling = { ...warming, targetC: 70, plateStartC: 120 };
  const plateC = (t: number) => 70 + 50 * Math.exp(-t / 45);
  expect(far(stateOf([cooling], 90), stateOf(inSteps(plateC, 90, 0.5), 90))).toBeLessThan(2e-3);
});

it('without a lag the plate stands at its setpoint from the beginning', () => {
  const ready = { ...warming, lagS: 0 };
  expect(
    far(
      stateOf([ready], 60),
      stateOf(
        inSteps(() => 110, 60, 5),
        60,
      ),
    ),
  ).toBeLessThan(1e-9);
});

it('a phase cut in two is the same phase', () => {
  const ready: HeatPhase = { ...warming, lagS: 0 };
  const off: HeatPhase = { ...ready, startS: 80, contactWm2K: null };
  expect(far(stateOf([ready, { ...ready, startS: 33 }, off], 120), stateOf([ready, off], 120))).toBeLessThan(1e-9);
});

it('without heat everything falls towards the room, and never below it', () => {
  const off: HeatPhase = { ...warming, startS: 60, contactWm2K: null };
  const size = (t: number) => Math.hypot(...stateOf([{ ...warming, lagS: 0 }, off], t));
  const sizes = [60, 120, 600, 3600, 20_000].map(size);
  for (let i = 1; i < sizes.length; i++) expect(sizes[i]!).toBeLessThan(sizes[i - 1]!);
  expect(sizes.at(-1)! / sizes[0]!).toBeLessThan(0.01);
});
