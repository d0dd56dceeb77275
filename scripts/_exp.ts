import { toThermalStack } from '../src/core/device/thermalStack';
import { backPattern, type BackSpec } from '../src/core/heat/backPattern';
import { benchEnvironment } from '../src/core/heat/environment';
import { checkGridSize, makeGrid } from '../src/core/heat/grid';
import { buildModes, type ThermalModes } from '../src/core/heat/modes';
import { defaultDryer, defaultGun, defaultNozzle, jetOf } from '../src/core/heat/heater';
import { bondReadings, faceReadings, readOff } from '../src/core/heat/observe';
import { ReducedModel, Trajectory } from '../src/core/heat/reduced';
import { HeatSolver } from '../src/core/heat/solver';
import { shippedDevices } from '../src/model/shippedDevices';

const device = shippedDevices.find((d) => d.id === (process.argv[2] ?? 'ring61'))!;
const bond = device.bonds[0]!;
const stack = toThermalStack(device, bond, new Set(device.parts.map((p) => p.id)));
const size = checkGridSize(stack);
let t0 = performance.now();
const full = buildModes(device, bond, stack, () => true, size, Number(process.argv[3] ?? 40));
console.log('build s', ((performance.now() - t0) / 1e3).toFixed(1), 'grid', size, 'rows', full.rows.map((r) => [r.id, r.count]));
const cut = (m: ThermalModes, r: number): ThermalModes => {
  const sub = (a: number[]) => { const o: number[] = []; for (let i = 0; i < r; i++) for (let j = 0; j < r; j++) o.push(a[i * m.rank + j]!); return o; };
  return { ...m, rank: r, k: sub(m.k), b: sub(m.b), forcing: m.forcing.slice(0, r), rows: m.rows.map((x) => { const v = new Float32Array(x.count * r); for (let q = 0; q < x.count; q++) for (let i = 0; i < r; i++) v[q * r + i] = x.values[q * m.rank + i]!; return { ...x, values: v }; }) };
};
const grid = makeGrid(stack, size);
const centers = Array.from({ length: grid.nx * grid.ny }, (_, c) => grid.center(c));
const cam = { shape: stack.cameraZones[0]! };
const jet = jetOf(defaultGun, 200);
const loop = (insetMm: number, masks: never[] | { shape: never; factor: number }[] = [], j = jet): BackSpec => ({ kind: 'jet', jet: j, path: { kind: 'loop', insetMm, roundS: 4 }, masks });
const cases: [string, BackSpec, number, number, number][] = [
  ['plate 350', { kind: 'contact', hWm2K: 350, lifted: [] }, 110, 240, 240],
  ['plate lifted camera .3', { kind: 'contact', hWm2K: 350, lifted: [{ shape: cam.shape, factor: 0.3 }] }, 110, 240, 120],
  ['gun loop +2', loop(2), 200, 240, 120],
  ['gun loop +5', loop(5), 200, 240, 120],
  ['gun loop -10', loop(-10), 200, 240, 120],
  ['gun loop +2 masked', loop(2, [{ shape: cam.shape as never, factor: 0.3 }]), 200, 240, 120],
  ['dryer', loop(2, [], jetOf(defaultDryer, 120)), 120, 400, 120],
  ['strip bottom', { kind: 'jet', jet, path: { kind: 'strip', insetMm: 2, from: -0.08, to: 0.08, speedMmS: 30 }, masks: [] }, 200, 60, 60],
  ['strip left', { kind: 'jet', jet, path: { kind: 'strip', insetMm: 3, from: 0.15, to: 0.33, speedMmS: 30 }, masks: [] }, 200, 60, 60],
  ['spot nozzle', { kind: 'jet', jet: jetOf(defaultNozzle, 200), path: { kind: 'spot', at: [36, 90], radiusMm: 7 }, masks: [] }, 200, 60, 60],
];
const ring = bondReadings(grid);
const parts = (id: string) => grid.watch.filter((w) => w.id === id).flatMap((w) => faceReadings(grid, w.columns, w.k));
const bat = parts('battery'), came = parts('camera');
for (const rad of ['linearised', 'true'] as const)
for (const [name, spec, drive, heat, cool] of cases) {
  const p = backPattern(spec, stack.outline, centers, 22);
  const env = benchEnvironment(22, rad);
  const s = new HeatSolver(grid, env, 22, 1e-5);
  const models = [30, 40].map((r) => ({ r, m: new ReducedModel(cut(full, r)), e: { cold: 0, cell: 0, bat: 0, cam: 0 } }));
  const traj = models.map(({ m }) => new Trajectory(m, [
    { startS: 0, contactWm2K: spec, targetC: drive, plateStartC: 22, lagS: 0 },
    { startS: heat, contactWm2K: null, targetC: 22, plateStartC: 22, lagS: 0 }], 22, full.hFreeWm2K));
  const at = (c: number, k: number) => s.at(c, k);
  const compare = (t: number) => {
    const fb = ring.map((x) => readOff(at, x)), f = { cold: Math.min(...fb), bat: Math.max(...bat.map((x) => readOff(at, x))), cam: Math.max(...came.map((x) => readOff(at, x))) };
    models.forEach((mm, q) => {
      const y = traj[q]!.state(t);
      const val = (id: 'bond' | 'battery' | 'camera') => { const rr = mm.m.rows(id); return Array.from({ length: rr.count }, (_, i) => { let v = 22; for (let k = 0; k < mm.r; k++) v += rr.values[i * mm.r + k]! * y[k]!; return v; }); };
      const rb = val('bond');
      mm.e.cold = Math.max(mm.e.cold, Math.abs(Math.min(...rb) - f.cold));
      mm.e.cell = Math.max(mm.e.cell, ...rb.map((v, i) => Math.abs(v - fb[i]!)));
      mm.e.bat = Math.max(mm.e.bat, Math.abs(Math.max(...val('battery')) - f.bat));
      mm.e.cam = Math.max(mm.e.cam, Math.abs(Math.max(...val('camera')) - f.cam));
    });
    return f;
  };
  let end = { cold: 0, bat: 0, cam: 0 };
  t0 = performance.now();
  s.run({ conductanceWm2K: p.contact, plateC: () => drive, ...(spec.kind === 'jet' ? { jet: { hWm2K: p.jet, share: p.share } } : {}) }, heat, 5, (t) => { if (t % 10 < 1e-6) end = compare(t); });
  s.run(null, cool, 5, (t) => { if (t % 10 < 1e-6) compare(heat + t); });
  console.log(rad.slice(0, 4), name.padEnd(22), `full ${((performance.now() - t0) / 1e3).toFixed(1)} s`, 'end', Object.values(end).map((v) => v.toFixed(1)).join('/'), ...models.map((m) => `r${m.r}: ${Object.values(m.e).map((v) => v.toFixed(2)).join('/')}`));
}
for (const r of [30, 40]) { const m = new ReducedModel(cut(full, r)); m.patterned(cases[2]![1], 22, full.hFreeWm2K); const t = performance.now(); for (let i = 0; i < 5; i++) m.patterned(loop(2 + i * 0.01), 22, full.hFreeWm2K); console.log('pattern ms r', r, ((performance.now() - t) / 5).toFixed(1)); }
