import { coarseModel } from '../../../test-support/modes';
import { arcCells } from './arcs';
import { bondPerimeter } from '../device/perimeter';
import { defaultPlate } from './heater';
import { atLimit, hotEndOf } from './hotEnd';
import { opening } from './opening';
import { HeatRun } from './run';

const { device, model } = coarseModel();
const path = bondPerimeter(device, device.bonds[0]!);
const arcs = arcCells(model, path.lengthMm);
const run = HeatRun.start(model, defaultPlate, 22, [{ atS: 0, setC: 110, preheated: true }]);
const marks = { battery: { cautionC: 60, stopC: 80 } };
const at = (easyC: number, stopC: number) =>
  opening({
    ...{ run, fromS: 0, arcs, order: arcs.map((_, i) => i), easyC, workC: easyC - 15, upperC: 200 },
    marks: { battery: { cautionC: 60, stopC } },
  });

describe('hot end of what is watched', () => {
  it('a heat that ends when the bond opens is judged in its own world: narrower than by the clock (law 5)', () => {
    const o = at(60, 80);
    expect(o.over).toEqual([]);
    const t = o.leaveS!;
    const { usualC, hotC } = hotEndOf(o, run, 'battery', t)!;
    const peak = o.parts.battery!.peakC;
    expect(hotC - usualC).toBeCloseTo(peak.high - peak.mean, 9);
    expect(usualC).toBeCloseTo(run.partC(t, 'battery')!.mean, 9);
  });

  it('a heat that its limit ends before the bond opens goes by the clock: the whole range of that instant', () => {
    const o = at(75, 62);
    expect(o.over).toContain('battery');
    expect(hotEndOf(o, run, 'battery', 90)!.hotC).toBeCloseTo(run.partC(90, 'battery')!.high, 9);
    expect(hotEndOf(o, run, 'battery', 90)!.hotC).toBeGreaterThan(hotEndOf(at(60, 80), run, 'battery', 90)!.hotC);
  });

  it('the limit is come to when a hot end is at a stop mark, and not for what has none', () => {
    const o = at(60, 80);
    expect(atLimit(o, run, marks, 1)).toBe(false);
    expect(atLimit(o, run, marks, 600)).toBe(true);
    expect(atLimit(o, run, {}, 600)).toBe(false);
    const hot = hotEndOf(o, run, 'battery', 100)!.hotC;
    expect(atLimit(o, run, { battery: { cautionC: 20, stopC: hot } }, 100)).toBe(true);
    expect(atLimit(o, run, { battery: { cautionC: 20, stopC: hot + 0.01 } }, 100)).toBe(false);
  });
});
