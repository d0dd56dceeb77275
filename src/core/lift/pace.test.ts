import { coarseModel } from '../../../test-support/modes';
import { adhesiveRecord } from '../adhesives';
import { bondPerimeter } from '../device/perimeter';
import { defaultPlate } from '../heat/heater';
import { arcCells } from '../heat/arcs';
import { HeatRun } from '../heat/run';
import { planLift } from './plan';
import { coverStrengths } from './strength';
import { cutSpeed, liftThresholds, paceMmS, slowShare, wedgeState, type LiftCase } from './verdict';

const lift = (adhesive: 'foamRing' | 'solventBorne'): LiftCase => ({
  cover: coverStrengths.glassStrengthened!,
  hMm: 0.8,
  adhesive: adhesiveRecord(adhesive),
  ringMm: 2,
  fullArea: false,
  perimeterMm: 420,
  pickMm: 0.5,
  flawUm: 30,
  keepCover: false,
  breakLimit: 0.02,
});

/** The fastest that the wedge law itself lets the pick go at a temperature, found by halving; what the pace stands for. */
function fastest(c: LiftCase, tC: number): number {
  let [lo, hi] = [1e-4, 100];
  for (let i = 0; i < 60; i++) {
    const m = Math.sqrt(lo * hi);
    if (wedgeState(c, tC, m).opens) lo = m;
    else hi = m;
  }
  return lo;
}

describe.each(['foamRing', 'solventBorne'] as const)('pace in %s', (name) => {
  const c = lift(name);
  const { easyC, workC } = liftThresholds(c);
  it('full from easyC, a tenth at workC, none below', () => {
    expect(paceMmS(easyC!, easyC, workC)).toBe(cutSpeed.value);
    expect(paceMmS(workC!, easyC, workC)).toBeCloseTo(cutSpeed.value * slowShare, 12);
    expect(paceMmS(workC! - 0.1, easyC, workC)).toBe(0);
  });
  it('is never faster than the wedge law allows, and rises with the temperature', () => {
    let last = 0;
    for (let t = workC!; t <= easyC!; t++) {
      const v = paceMmS(t, easyC, workC);
      expect(v).toBeGreaterThan(last);
      expect(v).toBeLessThanOrEqual(fastest(c, t) * 1.05);
      last = v;
    }
  });
});

it('a ring on the usual plate takes a few heats, as benches report, and no more than one for each edge', () => {
  const { device, model } = coarseModel();
  const path = bondPerimeter(device, device.bonds[0]!);
  const arcs = arcCells(model, path.lengthMm);
  const { easyC, workC } = liftThresholds(lift('foamRing'));
  const p = planLift({
    run: HeatRun.start(model, defaultPlate, 22, [{ atS: 0, setC: 110, preheated: true }]),
    arcs,
    order: arcs.map((_, i) => i),
    easyC: easyC!,
    workC: workC!,
    setC: 110,
    nowS: 0,
    batteryMarks: { cautionC: 60, stopC: 80 },
  });
  expect(p.finished).toBe(true);
  expect(p.reheats).toBeGreaterThanOrEqual(1);
  expect(p.reheats).toBeLessThanOrEqual(4);
});
