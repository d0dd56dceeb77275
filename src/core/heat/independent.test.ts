import { odex } from '../../../test-support/odex';
import { plainRate } from '../../../test-support/plainRate';
import { shippedDevices } from '../../model/shippedDevices';
import { toThermalStack } from '../device/thermalStack';
import { benchEnvironment } from './environment';
import { makeGrid } from './grid';
import { HeatSolver } from './solver';

it('agrees with a general-purpose integrator of the registry (extrapolation after Gragg, Bulirsch and Stoer) on a whole device', () => {
  const device = shippedDevices[0]!;
  const stack = toThermalStack(device, device.bonds[0]!, new Set(device.parts.map((p) => p.id)));
  const grid = makeGrid(stack, { nx: 6, ny: 12 });
  const env = benchEnvironment(22, 'linearised');
  const contact = { hWm2K: 350, plateC: 110 };
  const { cells, rate } = plainRate(grid, env, contact);
  // explicit steps follow the stiffest pair of cells, so two seconds are enough work for it
  const seconds = 2;
  const other = odex(cells.length, 1e-4, 1e-6).solve(
    rate,
    0,
    cells.map(() => 22),
    seconds,
  ).y;
  const own = new HeatSolver(grid, env, 22, 1e-8);
  own.run({ conductanceWm2K: 350, plateC: () => 110 }, seconds, 0.05);
  const worst = cells.reduce(
    (m, c, i) => Math.max(m, Math.abs(other[i]! - own.at(Math.floor(c / grid.nz), c % grid.nz))),
    0,
  );
  expect(worst).toBeLessThan(0.05);
});
