// npm run bench: ratios in one run. The full model on the check grid against the reduced answer; building modes; size.
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';

import { bondPerimeter } from '../src/core/device/perimeter';
import { toThermalStack } from '../src/core/device/thermalStack';
import { confirmRun } from '../src/core/heat/confirm';
import { defaultPlate } from '../src/core/heat/heater';
import { readyAt } from '../src/core/heat/forecast';
import { buildModes } from '../src/core/heat/modes';
import { ReducedModel } from '../src/core/heat/reduced';
import { arcCells, HeatRun } from '../src/core/heat/run';
import { crackWork } from '../src/core/lift/cracks/crackWork';
import { planLift } from '../src/core/lift/plan';
import { shippedDevices } from '../src/model/shippedDevices';

const timed = <T>(work: () => T): [T, number] => {
  const began = performance.now();
  const value = work();
  return [value, performance.now() - began];
};
/** Middle of several runs after two to warm up. */
const median = (work: () => unknown, runs = 15) => {
  work();
  work();
  const list = Array.from({ length: runs }, () => timed(work)[1]).sort((a, b) => a - b);
  return list[Math.floor(runs / 2)]!;
};
const line = (name: string, value: string) => console.log(`${name.padEnd(62)} ${value}`);

const device = shippedDevices[0]!;
const bond = device.bonds[0]!;
const stack = toThermalStack(device, bond, new Set(device.parts.map((p) => p.id)));
console.log(`${device.name}, check grid; all times of this run on this machine, so read the ratios\n`);

const [modes, buildMs] = timed(() => buildModes(stack));
line('modes of a new device, target under 30 s', `${(buildMs / 1e3).toFixed(1)} s`);
const model = new ReducedModel(modes);
const input = { heater: defaultPlate, use: {}, ambientC: 22, setC: 110, heatS: 240, coolS: 240 };
const [full, fullMs] = timed(() => confirmRun(model, stack, input));
line('full run, 240 s heat and 240 s cooling', `${(fullMs / 1e3).toFixed(1)} s`);
line('largest difference of the bond line, target 0.5 K', `${full.largestBondErrorK.toFixed(2)} K`);
line('largest difference of the battery, target 0.5 K', `${full.largestBatteryErrorK.toFixed(2)} K`);

const path24 = bondPerimeter(device, bond);
const arcs = arcCells(model, path24.lengthMm);
const plate = [{ atS: 0, setC: 110, preheated: true }];
let setC = 100;
const answerMs = median(() => {
  // another setpoint each time, as under a moving finger
  setC = 100 + ((setC + 1) % 20);
  const run = HeatRun.start(model, defaultPlate, 22, [{ atS: 0, setC, preheated: true }]);
  return [run.arcsC(120, arcs), run.partC(120, 'battery'), run.picture(120)];
});
line('one answer: all arcs, battery, picture, target under 5 ms', `${answerMs.toFixed(2)} ms`);
line('full run over reduced answer', `${Math.round(fullMs / answerMs).toLocaleString('en')} : 1`);
line('modes over reduced answer', `${Math.round(buildMs / answerMs).toLocaleString('en')} : 1`);
const run = HeatRun.start(model, defaultPlate, 22, plate);
const readyMs = median(() => readyAt(run, arcs[0]!, 62, 0));
line('"ready at" with its range over one answer', `${(readyMs / answerMs).toFixed(1)} : 1 (${readyMs.toFixed(1)} ms)`);
const planMs = median(
  () =>
    planLift({
      run,
      arcs,
      order: arcs.map((_, i) => i),
      easyC: 39,
      workC: 27,
      setC: 110,
      nowS: 0,
      batteryMarks: { cautionC: 60, stopC: 80 },
    }),
  5,
);
line(
  'plan of the whole ring over one answer (in the worker)',
  `${Math.round(planMs / answerMs)} : 1 (${planMs.toFixed(0)} ms)`,
);

// cracks across the glass at seeded places: many crossings, the hardest kind of map
let seed = 7;
const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
const face = device.faces[0]!;
const cracks = Array.from({ length: 200 }, () => {
  const [x, y, turn, length] = [72 * random(), 150 * random(), 2 * Math.PI * random(), 8 + 30 * random()];
  return [
    [x, y],
    [x + length * Math.cos(turn), y + length * Math.sin(turn)],
  ] as [number, number][];
});
const mapOf = (n: number) =>
  crackWork({ outline: face.cover.outline, holes: face.holes, cracks: cracks.slice(0, n), keepOuts: [] });
const crack20Ms = median(() => mapOf(20), 7);
const crack200Ms = median(() => mapOf(200), 7);
const map200 = mapOf(200);
line(
  '200 cracks: pieces and lift order over 20 cracks (in the worker)',
  `${(crack200Ms / crack20Ms).toFixed(0)} : 1 (${crack200Ms.toFixed(0)} ms, ${'map' in map200 ? map200.map.pieces.length : 0} pieces)`,
);
line('peak memory of this process', `${Math.round(process.resourceUsage().maxRSS / 1024)} MB`);

const dist = path.join(import.meta.dirname, '..', 'dist', '_expo', 'static', 'js', 'web');
if (existsSync(dist)) {
  const size = (pattern: RegExp) =>
    readdirSync(dist)
      .filter((f) => pattern.test(f) && f.endsWith('.js'))
      .map((f) => path.join(dist, f))
      .reduce(
        (s, f) => ({ raw: s.raw + statSync(f).size, gzip: s.gzip + gzipSync(readFileSync(f), { level: 9 }).length }),
        { raw: 0, gzip: 0 },
      );
  const kb = (s: { raw: number; gzip: number }) =>
    `${Math.round(s.raw / 1024)} kB raw, ${Math.round(s.gzip / 1024)} kB gzip`;
  line('entry', kb(size(/^entry-/)));
  line('entry, shared code and layout: what the first screen loads', kb(size(/^(entry|__common|_layout|__expo)-/)));
  line('worker', kb(size(/^thermal-/)));
  const all = size(/./);
  line('entry as a share of all code', `${Math.round((100 * size(/^entry-/).raw) / all.raw)} %`);
} else console.log('\nno build in dist: run npm run build for the sizes');
