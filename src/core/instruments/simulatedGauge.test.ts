import { shippedDevices } from '../../model/shippedDevices';
import { boxOf } from '../device/shapes';
import type { Pt } from '../device/types';
import { dryFit } from '../fit/dryFit';
import { gaugePoints } from '../fit/gaugePoints';
import { SimulatedGauge } from './simulatedGauge';

const d = shippedDevices[0]!;
const points = gaugePoints(d, d.bonds[0]!);
const box = boxOf(d.faces[0]!.cover.outline);
const centre: Pt = [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2];
const still = () => 0.5;

it('the dry fit finds the hidden pose back, and moving by it leaves even gaps', () => {
  const g = new SimulatedGauge({ dxMm: 0.06, dyMm: -0.08, turnDeg: 0.05, meanMm: 0.2, noiseMm: 0 }, still);
  const read = () => points.map((p) => ({ ...p, gapMm: g.read(p.at, p.normal, centre)! }));
  const f = dryFit(read(), centre);
  // to a hundredth, as the gauge reads
  expect(f.move.towardRightMm).toBeCloseTo(-0.06, 2);
  expect(f.move.towardTopMm).toBeCloseTo(-0.08, 2);
  expect(f.move.clockwiseDeg).toBeCloseTo(-0.05, 2);
  g.move({ dxMm: f.move.towardRightMm, dyMm: -f.move.towardTopMm, turnDeg: f.move.clockwiseDeg });
  const after = read().map((p) => p.gapMm);
  expect(Math.max(...after) - Math.min(...after)).toBeLessThanOrEqual(0.021);
});

it('a silent gauge says nothing, a shifted zero reads a tenth too much', () => {
  const g = new SimulatedGauge({ dxMm: 0, dyMm: 0, turnDeg: 0, meanMm: 0.15, noiseMm: 0 }, still);
  const p = points[0]!;
  expect(g.read(p.at, p.normal, centre)).toBe(0.15);
  g.setFault('zero');
  expect(g.read(p.at, p.normal, centre)).toBe(0.25);
  g.setFault('silent');
  expect(g.read(p.at, p.normal, centre)).toBeNull();
});
