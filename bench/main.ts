// npm run bench: ratios in one run. The full model on the check grid against the reduced answer; building modes; size.
import { practiceBench } from './practice';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';

import { bondPerimeter } from '../src/core/device/perimeter';
import { toThermalStack } from '../src/core/device/thermalStack';
import { confirmRun } from '../src/core/heat/confirm';
import { calibrate } from '../src/core/heat/calibrate';
import { benchEnvironment } from '../src/core/heat/environment';
import { makeGrid } from '../src/core/heat/grid';
import { defaultDryer, defaultGun, defaultMat, defaultNozzle, defaultPlate } from '../src/core/heat/heater';
import { confirmRound } from '../src/core/heat/moving';
import { planRound } from '../src/core/heat/pathPlan';
import { HeatSolver } from '../src/core/heat/solver';
import { spotCadence } from '../src/core/heat/spot';
import { tryWay } from '../src/core/heat/ways';
import { SimulatedBench } from '../src/core/instruments/simulatedBench';
import { odex } from '../test-support/odex';
import { plainRate } from '../test-support/plainRate';
import { opening } from '../src/core/heat/opening';
import { roomErrors } from './rooms';
import { readyAt } from '../src/core/heat/forecast';
import { buildModes } from '../src/core/heat/modes';
import { ReducedModel } from '../src/core/heat/reduced';
import { arcCells } from '../src/core/heat/arcs';
import { HeatRun } from '../src/core/heat/run';
import { crackWork } from '../src/core/lift/cracks/crackWork';
import { planLift } from '../src/core/lift/plan';
import { shippedDevices } from '../src/model/shippedDevices';
import { benchAnswers } from './answers';
import { benchBonding } from './bonding';
import { benchChecking } from './checking';
import { benchFirstLook } from './firstLook';
import { benchLongFiles } from './longFiles';
import { benchOpenings } from './openings';
import { benchScheduling } from './scheduling';

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
const atStart = process.resourceUsage().maxRSS / 1024;
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
const openMs = median(() => {
  setC = 100 + ((setC + 1) % 20);
  return opening({
    run: HeatRun.start(model, defaultPlate, 22, [{ atS: 0, setC, preheated: true }]),
    fromS: 0,
    arcs,
    order: [0, 1, 23],
    easyC: 62,
    workC: 45,
    upperC: 120,
    marks: {
      battery: { cautionC: 60, stopC: 80 },
      camera: { cautionC: 70, stopC: 85 },
      display: { cautionC: 75, stopC: 85 },
      cover: { cautionC: 150, stopC: 200 },
    },
  });
});
line(
  'try, easy, latest with all parts over one answer',
  `${(openMs / answerMs).toFixed(1)} : 1 (${openMs.toFixed(1)} ms)`,
);
roomErrors(model, stack, line);
benchAnswers(line);
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

// hot air: the reduced form of a round, the full model with the round averaged, and the moving jet
const air = { heater: defaultGun, use: {}, ambientC: 22, setC: 200, heatS: 180, coolS: 60 };
const [, airFullMs] = timed(() => confirmRun(model, stack, { ...air, coolS: 0 }));
let inset = 2;
const airMs = median(() => {
  inset += 0.01;
  const round = { path: { kind: 'loop' as const, insetMm: inset, roundS: 4 } };
  const r = HeatRun.start(model, defaultGun, 22, [{ atS: 0, setC: 200, preheated: true }], round);
  return [r.arcsC(120, arcs), r.partC(120, 'battery')];
}, 7);
const airCheck = confirmRun(model, stack, air);
line('hot air, a new path: first answer, target under 3 s', `${airMs.toFixed(0)} ms`);
line(
  'full model, round averaged, 180 s over that answer',
  `${Math.round(airFullMs / airMs)} : 1 (${(airFullMs / 1e3).toFixed(1)} s)`,
);
line(
  'largest difference of bond line and battery',
  `${airCheck.largestBondErrorK.toFixed(2)} K, ${airCheck.largestBatteryErrorK.toFixed(2)} K`,
);
const round = (size?: { nx: number; ny: number }) =>
  confirmRound(
    stack,
    {
      heater: defaultGun,
      setC: 200,
      ambientC: 22,
      path: { kind: 'loop', insetMm: 2, roundS: 4 },
      masks: [],
      targetC: 62,
      maxS: 400,
    },
    () => true,
    size,
  );
const [liveRound, liveMs] = timed(() => round({ nx: 24, ny: 50 }));
const [checkRound, checkMs] = timed(() => round());
line(
  'moving jet: check grid over live grid (24 x 50)',
  `${(checkMs / liveMs).toFixed(1)} : 1 (${(checkMs / 1e3).toFixed(1)} s and ${(liveMs / 1e3).toFixed(1)} s)`,
);
line('ring soft, live grid against check grid', `${liveRound.readyS} s against ${checkRound.readyS} s`);
const planInput = {
  heater: defaultGun,
  use: {},
  setC: 200,
  ambientC: 22,
  arcs,
  targetC: 62,
  stopC: { battery: 80, camera: 80, display: 85 },
  cameraZones: stack.cameraZones,
  insetsMm: [2, -10, -20],
  roundS: 4,
};
const [roundPlan, roundPlanMs] = timed(() => planRound(model, planInput));
line('planning the round, 24 candidates', `${(roundPlanMs / 1e3).toFixed(2)} s`);
line(
  'paced against steady: time, camera',
  `${(100 * roundPlan.gain.timeShare).toFixed(1)} %, ${roundPlan.gain.cameraK.toFixed(1)} K`,
);
const waysInput = {
  ambientC: 22,
  switches: [],
  nowS: 0,
  arcs,
  order: arcs.map((_, i) => i),
  easyC: 62,
  workC: 45,
  upperC: 120,
  marks: { battery: { cautionC: 60, stopC: 80 }, camera: { cautionC: 70, stopC: 80 } },
  glass: true,
};
const strip = { path: { kind: 'strip' as const, insetMm: 2, from: -0.08, to: 0.08, speedMmS: 30 } };
const [, waysMs] = timed(() => {
  for (const heater of [defaultPlate, defaultMat])
    for (const setC of [heater.kind === 'plate' ? 110 : 95, null])
      tryWay(model, { id: 'c', heater, use: {}, setC, preheated: heater.kind === 'plate' }, waysInput);
  for (const heater of [defaultGun, defaultNozzle, defaultDryer])
    for (const use of [{}, strip])
      tryWay(model, { id: 'a', heater, use, setC: heater.id === 'dryer' ? 120 : 200, preheated: true }, waysInput);
});
line('side by side, ten ways, target under 4 s', `${(waysMs / 1e3).toFixed(2)} s`);
const truth = new SimulatedBench(model, { conductanceWm2K: 265, offsetK: -7, lagS: 55, noiseK: 0.4 }, 0, 22, 5);
truth.control(0, { setC: 110, heating: true });
truth.device(0, true);
const log = Array.from({ length: 240 }, (_, i) => 2 * i);
const thermo = { tS: log, tempC: log.map((t) => truth.read(t).probeC!) };
const fitInput = {
  log: thermo,
  setC: 110,
  ambientC: 22,
  cell: 0,
  preheated: false,
  start: { conductanceWm2K: 350, offsetK: 0, lagS: 45 },
};
const [fit, fitMs] = timed(() => calibrate(model, fitInput));
const evaluations = (fit.iterations + 1) * 5 * log.length;
line(
  'calibration, 240 readings: one reading of one try, target under 5 ms',
  `${(fitMs / evaluations).toFixed(3)} ms (fit ${fitMs.toFixed(0)} ms, ${fit.iterations} iterations)`,
);
const [spot, spotMs] = timed(() =>
  spotCadence(stack, {
    heater: defaultNozzle,
    setC: 220,
    ambientC: 22,
    at: [36, 146],
    radiusMm: 6,
    masks: [],
    piece: { kind: 'disc', c: [36, 148], rMm: 12 },
    easyC: 62,
    workC: 45,
    cycles: 4,
    stopC: {},
  }),
);
line(`spot heat on a piece, ${spot.cycles.length} cycles, full model, check grid`, `${(spotMs / 1e3).toFixed(1)} s`);

line(
  'memory of all this over the bare runtime, target under 200 MB',
  `${Math.round(process.resourceUsage().maxRSS / 1024 - atStart)} MB over ${Math.round(atStart)} MB`,
);

// the same small device, four seconds, with a general-purpose integrator of the registry
const small = makeGrid(stack, { nx: 6, ny: 12 });
const smallEnv = benchEnvironment(22, 'linearised');
const plain = plainRate(small, smallEnv, { hWm2K: 350, plateC: 110 });
const [other, otherMs] = timed(
  () =>
    odex(plain.cells.length, 1e-3, 1e-5).solve(
      plain.rate,
      0,
      plain.cells.map(() => 22),
      4,
    ).y,
);
const own = new HeatSolver(small, smallEnv, 22, 1e-6);
const [, ownMs] = timed(() => own.run({ conductanceWm2K: 350, plateC: () => 110 }, 4, 0.1));
const worst = plain.cells.reduce(
  (m, c, i) => Math.max(m, Math.abs(other[i]! - own.at(Math.floor(c / small.nz), c % small.nz))),
  0,
);
line(
  'general-purpose integrator over own solver, 4 s on 6 x 12',
  `${Math.round(otherMs / ownMs)} : 1, largest difference ${worst.toFixed(3)} K`,
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
  // each page with all that it makes somebody fetch who opens it first
  const pages = JSON.parse(readFileSync(path.join(import.meta.dirname, '..', 'dist', 'sizes.json'), 'utf8')) as Record<
    string,
    number
  >;
  line('scripts of the Bench, opened first', `${pages.index} kB gzip`);
  line('scripts of the heaviest page', `${Math.max(...Object.values(pages))} kB gzip`);
  line('worker', kb(size(/^thermal-/)));
  const all = size(/./);
  line('scripts of the Bench as a share of all code', `${Math.round((100 * 1000 * pages.index!) / all.gzip)} %`);
} else console.log('\nno build in dist: run npm run build for the sizes');
void benchBonding(median, line)
  .then(() => benchChecking(median, line))
  .then(() => benchScheduling(median, line))
  .then(() => benchLongFiles(line))
  .then(() => benchOpenings(line))
  .then(() => practiceBench(line, 20));

// `npm run bench -- --devices 30`: minutes, for each of them is built on the check grid too
const devices = process.argv.indexOf('--devices');
benchFirstLook(line, devices > 0 ? Number(process.argv[devices + 1]) : 3);
