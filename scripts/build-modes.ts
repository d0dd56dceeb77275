// Builds the thermal modes of the shipped devices on the check grid and writes them to public/modes.
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';

import { faceView } from '../src/core/device/faceView';
import { heatModelled, toThermalStack, type ThermalStack } from '../src/core/device/thermalStack';
import { checkGridSize } from '../src/core/heat/grid';
import type { Part } from '../src/core/device/types';
import { buildModes } from '../src/core/heat/modes';
import { stackDigest } from '../src/core/heat/modeProjection';
import { shippedDevices } from '../src/model/shippedDevices';
import { decodeModes, encodeModes } from '../src/model/modesFile';
import { coarseFile, coarseSize, coarseStack } from '../test-support/modes';

const out = path.join(import.meta.dirname, '..', 'public', 'modes');
mkdirSync(out, { recursive: true });
const digests: Record<string, string> = {};
const build = (key: string, name: string, stack: ThermalStack) => {
  const digest = stackDigest(stack, checkGridSize(stack));
  const file = path.join(out, `${digest}.json`);
  digests[key] = digest;
  // what was built from the same data stays
  if (existsSync(file) && decodeModes(readFileSync(file, 'utf8'), digest)) return;
  const began = performance.now();
  let told = 0;
  const modes = buildModes(stack, (share) => {
    if (share - told < 0.1 && share < 1) return;
    told = share;
    process.stdout.write(`\r${name}: ${Math.round(share * 100)} %   `);
  });
  const text = encodeModes(modes);
  writeFileSync(file, text);
  console.log(
    `${modes.nx} x ${modes.ny}, ${Math.round((performance.now() - began) / 1e3)} s, ${Math.round(text.length / 1e3)} kB`,
  );
};
for (const shipped of shippedDevices) {
  // the bond that a job on it starts with, and a back that is glued all over; others are built when somebody asks for them
  for (const [i, own] of shipped.bonds.entries()) {
    const whole = own.zone === 'fullArea';
    if (i > 0 && !whole) continue;
    const { device, bond } = faceView(shipped, own);
    if (!heatModelled(device, bond)) continue;
    const key = i ? `${device.id}.${bond.id}` : device.id;
    const stack = (left: (p: Part) => boolean) =>
      toThermalStack(device, bond, new Set(device.parts.filter(left).map((p) => p.id)));
    // where the front is opened first its display is off
    const frontFirst = shipped.faces.some((f) => f.side === 'front' && f.id === shipped.insideThrough);
    build(
      key,
      device.name,
      stack((p) => !(i > 0 && frontFirst && p.kind === 'display')),
    );
    // a cover that is glued all over is also taken off the bare housing
    if (whole)
      build(
        `${key}.bare`,
        `${device.name}, bare`,
        stack((p) => !p.removable),
      );
  }
}
for (const f of readdirSync(out))
  if (!Object.values(digests).includes(f.replace('.json', ''))) rmSync(path.join(out, f));
writeFileSync(
  path.join(import.meta.dirname, '..', 'src', 'store', 'shippedModes.json'),
  `${JSON.stringify(digests, null, 2)}\n`,
);

// the coarse modes that tests share
const coarse = coarseStack().stack;
mkdirSync(path.dirname(coarseFile), { recursive: true });
if (!existsSync(coarseFile) || !decodeModes(readFileSync(coarseFile, 'utf8'), stackDigest(coarse, coarseSize)))
  writeFileSync(coarseFile, encodeModes(buildModes(coarse, () => true, coarseSize)));
