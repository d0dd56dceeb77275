import { demoJobs, demoSettings } from '../demo/shop';
import type { JobEvent } from './event';
import { readFile, writeShopFile } from './files';
import { freshPhotos, restorePlan } from './restorePlan';
import { shippedDevices } from './shippedDevices';

const t0 = Date.UTC(2026, 3, 14, 13);
const logs = demoJobs(t0);
const photo = 'data:image/jpeg;base64,AAAA';
const read = readFile(
  writeShopFile(demoSettings, logs, {}, t0, { photos: { p1: photo }, devices: [shippedDevices[0]!] }),
);
const file = read.ok ? read.value : null!;
const here = (jobs: readonly (readonly JobEvent[])[], settings = demoSettings) => ({
  jobs: new Map(jobs.map((l) => [l[0]!.jobId, l])),
  settings,
  devices: [],
  tries: [],
});

it('into an empty browser: everything is new, nothing differs', () => {
  const p = restorePlan(file, here([]), new Set());
  expect(p.newJobs).toHaveLength(12);
  expect(p.entries).toBe(logs.flat().length);
  expect(p).toMatchObject({ grown: [], sameJobs: 0, differing: 0, devices: 1, photos: 1, settings: [] });
});

it('beside what is here: what is the same, what grows, and what has other words under the same name', () => {
  const changed = logs.map((l, i) => (i === 0 ? l.map((e, k) => (k === 1 ? { ...e, by: 'somebody' } : e)) : l));
  const short = changed.map((l, i) => (i === 1 ? l.slice(0, 3) : l));
  const p = restorePlan(file, here(short), new Set(['p1']));
  expect(p.newJobs).toEqual([]);
  expect(p.grown).toEqual([{ label: 'J-0143', entries: logs[1]!.length - 3 }]);
  expect(p.sameJobs).toBe(11);
  expect(p.differing).toBe(1);
  expect(p.photos).toBe(0);
});

it('names the settings that differ', () => {
  const p = restorePlan(file, here([], { ...demoSettings, roomC: 12, length: 'in' }), new Set());
  expect(p.settings!.sort()).toEqual(['length', 'roomC']);
  expect(restorePlan({ ...file, settings: null }, here([]), new Set()).settings).toBeNull();
});

it('only pictures that are not here are written again', () => {
  expect(freshPhotos({ a: photo, b: photo }, new Set(['a']))).toEqual({ b: photo });
});
