import { jStat } from 'jstat';

import { shippedDevices } from '@/model/shippedDevices';
import { boxOf } from '../device/shapes';
import { coverOf } from '../device/perimeter';
import { eyeFigures, flushByEye, knownSpots, noticedMm, type EyeSpot } from './byEye';
import { fitByEye } from './fitByEye';
import { gaugePoints, type GaugePoint } from './gaugePoints';
import { randomOf } from '../numeric/random';

const device = shippedDevices.find((d) => d.id === 'ring61')!;
const bond = device.bonds[0]!;
const points = gaugePoints(device, bond);
const { min, max } = boxOf(coverOf(device, bond).outline);
const centre = [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2] as const;
const at = (test: (p: GaugePoint) => boolean, how: EyeSpot['how']): EyeSpot[] =>
  points.filter(test).map((p) => ({ point: p.id, how }));
const onRight = (p: GaugePoint) => p.normal[0] > 0.7;
const onLeft = (p: GaugePoint) => p.normal[0] < -0.7;
const onTop = (p: GaugePoint) => p.normal[1] < -0.7;

// two normal distributions a difference apart: the share beyond a threshold with a false alarm of one in twenty (analytic)
it.each(['gap', 'step', 'seat', 'cover'] as const)(
  'what is noticed of a %s in nine of ten, by the normal distribution',
  (of) => {
    const u = eyeFigures[of].value;
    const threshold = jStat.normal.inv(0.95, 0, u);
    expect(1 - jStat.normal.cdf(threshold, noticedMm(of), u)).toBeCloseTo(0.9, 3);
  },
);

describe('flush by finger', () => {
  const action = (...spots: EyeSpot[]) => flushByEye(points, spots, centre);
  it('nothing felt: flush', () => expect(action().action).toBe('accept'));
  it('proud at one place: something is trapped', () =>
    expect(action({ point: points[5]!.id, how: 'high' }).action).toBe('clearDebris'));
  it('low at one place', () => expect(action({ point: points[5]!.id, how: 'low' }).action).toBe('remeasureLow'));
  it('proud all along one edge: that edge is clamped again', () =>
    expect(action(...at(onRight, 'high'))).toEqual({ action: 'clampHighEdge', edge: 'right' }));
  it('proud, or low, nearly everywhere', () => {
    expect(action(...at(() => true, 'high')).action).toBe('standsProud');
    expect(action(...at(() => true, 'low')).action).toBe('sitsLow');
  });
  it('proud at two corners across: twisted', () => {
    const corner = (sx: number, sy: number) =>
      points.reduce((a, b) => (sx * b.at[0] + sy * b.at[1] > sx * a.at[0] + sy * a.at[1] ? b : a));
    expect(action({ point: corner(1, -1).id, how: 'high' }, { point: corner(-1, 1).id, how: 'high' }).action).toBe(
      'twist',
    );
  });
  it('a point that is none is refused by name', () =>
    expect(() => action({ point: 'g99', how: 'high' })).toThrow(/spot: g99/));
});

it('spots of a log that name points that are not there are left out', () => {
  const spots = [
    { point: 'g99', how: 'high' as const },
    { point: points[0]!.id, how: 'low' as const },
  ];
  expect(knownSpots(points, spots)).toEqual([spots[1]]);
});

describe('a dry fit by eye', () => {
  const fit = (...spots: EyeSpot[]) => fitByEye(points, spots, centre);
  it('even: left where it is', () => expect(fit().action).toBe('leave'));
  it('tight on the right: to the left, and not along', () => {
    const f = fit(...at(onRight, 'low'));
    expect(f.action).toBe('move');
    expect(f.towards![0]).toBeLessThan(-0.95);
    expect(f.turn).toBeNull();
  });
  it('wide at the top: to the top, which has the smaller y', () =>
    expect(fit(...at(onTop, 'high')).towards![1]).toBeLessThan(-0.9));
  it('tight on both sides: no slide frees both', () =>
    expect(fit(...at((p) => onLeft(p) || onRight(p), 'low')).action).toBe('tooTight'));

  // simulated truth: a glass shifted by a known vector, looked at by an eye with the stated scatter
  it('points the right way in nineteen of twenty shifts of 0.3 mm', () => {
    const random = randomOf(20261129);
    const normal = () => jStat.normal.inv(Math.min(1 - 1e-9, Math.max(1e-9, random())), 0, eyeFigures.gap.value);
    let right = 0;
    const runs = 200;
    for (let k = 0; k < runs; k++) {
      const a = 2 * Math.PI * random();
      const shift = [0.3 * Math.cos(a), 0.3 * Math.sin(a)] as const;
      const spots = points.flatMap((p): EyeSpot[] => {
        const off = -(shift[0] * p.normal[0] + shift[1] * p.normal[1]) + normal();
        const limit = 1.645 * eyeFigures.gap.value;
        return off > limit ? [{ point: p.id, how: 'high' }] : off < -limit ? [{ point: p.id, how: 'low' }] : [];
      });
      const f = fit(...spots);
      if (f.towards && f.towards[0] * -shift[0] + f.towards[1] * -shift[1] > 0) right++;
    }
    expect(right / runs).toBeGreaterThan(0.95);
  });
});
