import { readFileSync } from 'node:fs';
import path from 'node:path';

import { decodeModes } from '../../model/modesFile';
import { shippedDevices } from '../../model/shippedDevices';
import { thermalKey } from '../../workers/thermalKey';
import { bondPerimeter } from '../device/perimeter';
import { toThermalStack } from '../device/thermalStack';
import { arcCells } from './arcs';
import { coarseErrorK, coarseGridSize, coarseModes } from './coarse';
import { defaultPlate } from './heater';
import { buildModes } from './modes';
import { ReducedModel } from './reduced';
import { HeatRun } from './run';

const device = shippedDevices.find((d) => d.id === 'ring61')!;
const bond = device.bonds[0]!;
const stack = toThermalStack(device, bond, new Set(device.parts.map((p) => p.id)));
const lengthMm = bondPerimeter(device, bond).lengthMm;

/** Mean of the bond line on a 110 °C plate, °C, after so many seconds. */
const lineC = (model: ReducedModel, atS: number): number => {
  const run = HeatRun.start(model, defaultPlate, 22, [{ atS: 0, setC: 110, preheated: true }]);
  const all = run.arcsC(atS, arcCells(model, lengthMm)).map((r) => r.mean);
  return all.reduce((s, v) => s + v, 0) / all.length;
};

it('a phone and a tablet have about as many cells, and square ones', () => {
  for (const d of shippedDevices.slice(0, 4)) {
    const s = toThermalStack(d, d.bonds[0]!, new Set());
    const { nx, ny } = coarseGridSize(s);
    expect(nx * ny).toBeGreaterThan(250);
    expect(nx * ny).toBeLessThan(380);
    const o = s.outline as { min: readonly [number, number]; max: readonly [number, number] };
    const [w, h] = [(o.max[0] - o.min[0]) / nx, (o.max[1] - o.min[1]) / ny];
    expect(Math.abs(w / h - 1)).toBeLessThan(0.12);
  }
});

it('the first look reads the bond line as the check grid does, within what it says, and nearer than its cells alone', () => {
  const key = thermalKey(device, bond);
  const file = path.join(import.meta.dirname, '..', '..', '..', 'public', 'modes', `${key.digest}.json`);
  const fine = new ReducedModel(decodeModes(readFileSync(file, 'utf8'), key.digest)!);
  const first = new ReducedModel(coarseModes(stack, 'back'));
  const bare = new ReducedModel(buildModes(stack, () => true, coarseGridSize(stack), 24, true));
  let [own, cellsAlone] = [0, 0];
  for (const atS of [60, 120, 240]) {
    const off = lineC(first, atS) - lineC(fine, atS);
    expect(off).toBeGreaterThan(-coarseErrorK.back.bondLow);
    expect(off).toBeLessThan(coarseErrorK.back.bondHigh);
    own += Math.abs(off);
    cellsAlone += Math.abs(lineC(bare, atS) - lineC(fine, atS));
  }
  expect(own).toBeLessThan(cellsAlone);
});
