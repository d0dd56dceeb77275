import { batteryGlueStack, toThermalStack } from '../device/thermalStack';
import { shippedDevices } from '../../model/shippedDevices';
import { gentlestGlue, glueStartC, timedS, warmGlue } from './glue';
import { defaultMat, defaultPlate } from './heater';
import { buildModes } from './modes';
import { ReducedModel } from './reduced';

const device = shippedDevices.find((d) => d.id === 'ring61')!;
const stack = batteryGlueStack(device)!;

it('is the same stack turned over: depths and materials reversed, the glue between cell and plate', () => {
  const behind = toThermalStack(device, device.bonds[0]!, new Set(device.parts.map((p) => p.id)));
  const sum = (s: typeof stack) => s.layers.reduce((m, l) => m + l.thicknessMm, 0);
  expect(sum(stack)).toBeCloseTo(sum(behind), 6);
  const glue = stack.layers[stack.bondLayer]!;
  expect(glue.thicknessMm).toBeCloseTo(0.15, 2);
  const below = stack.layers[stack.bondLayer + 1]!;
  expect(below.zones.some((z) => z.material === 'battery')).toBe(true);
  // turned over left to right: a part at the left from behind is at the right from the front
  const board = device.parts.find((p) => p.kind === 'board');
  if (board && board.shape.kind === 'roundRect') {
    const width = 72;
    const turned = stack.layers.flatMap((l) => l.zones).find((z) => z.from === board.id)!.shape;
    expect(turned.kind === 'roundRect' && turned.min[0]).toBeCloseTo(width - board.shape.max[0], 6);
  }
  expect(stack.watch.map((w) => w.id)).toEqual(expect.arrayContaining(['battery', 'display']));
});

it('is null when there is no cell, or it is out', () => {
  expect(batteryGlueStack({ ...device, parts: device.parts.filter((p) => p.kind !== 'battery') })).toBeNull();
});

describe('warming through the front', () => {
  const model = new ReducedModel(buildModes(stack, () => true, { nx: 12, ny: 25 }));
  const input = {
    preheated: true,
    ambientC: 22,
    marks: { battery: { cautionC: 60, stopC: 80 }, display: { cautionC: 75, stopC: 85 } },
  };
  it('takes a minute or some on a warm plate (common practice: one to two), and the cell follows the glue', () => {
    const r = warmGlue(model, defaultPlate, { ...input, setC: 80 });
    expect(r.readyS!.mean).toBeGreaterThan(20);
    expect(r.readyS!.mean).toBeLessThan(300);
    expect(r.glueC.coldest).toBeGreaterThan(glueStartC.value - 1);
    expect(r.battery!.peakC.high).toBeGreaterThan(glueStartC.value);
  });
  it('proposes a setting that keeps the cell under its caution mark, or none', () => {
    const g = gentlestGlue(model, defaultMat, input);
    if (g) {
      expect(g.battery!.peakC.high).toBeLessThan(60);
      expect(g.display!.peakC.high).toBeLessThan(75);
      expect(g.readyS!.high).toBeGreaterThanOrEqual(timedS.value);
      // a setting that a dial has
      expect(g.setC % 5).toBe(0);
      const hotter = warmGlue(model, defaultMat, { ...input, setC: g.setC + 5 });
      expect(
        hotter.readyS === null ||
          hotter.readyS.high < timedS.value ||
          hotter.battery!.peakC.high >= 60 ||
          hotter.display!.peakC.high >= 75 ||
          g.setC + 5 > defaultMat.maxSetC,
      ).toBe(true);
    }
    expect(
      gentlestGlue(model, defaultPlate, { ...input, marks: { ...input.marks, battery: { cautionC: 30, stopC: 40 } } }),
    ).toBeNull();
  });
  it('a mild plate never gets there, and says so', () => {
    expect(warmGlue(model, defaultPlate, { ...input, setC: 40 }).readyS).toBeNull();
  });
});
