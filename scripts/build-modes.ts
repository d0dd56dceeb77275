// Builds the thermal modes of the shipped devices on the check grid and writes them to public/modes.
import { mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';

import { faceView } from '../src/core/device/faceView';
import { heatModelled, toThermalStack } from '../src/core/device/thermalStack';
import { buildModes } from '../src/core/heat/modes';
import { shippedDevices } from '../src/model/shippedDevices';
import { encodeModes } from '../src/model/modesFile';

const out = path.join(import.meta.dirname, '..', 'public', 'modes');
mkdirSync(out, { recursive: true });
for (const f of readdirSync(out)) rmSync(path.join(out, f));
const digests: Record<string, string> = {};
for (const shipped of shippedDevices) {
  // the bond that a job on it starts with; others are built when somebody asks for them
  const { device, bond } = faceView(shipped, shipped.bonds[0]!);
  if (!heatModelled(device, bond)) continue;
  const stack = toThermalStack(device, bond, new Set(device.parts.map((p) => p.id)));
  const began = performance.now();
  let told = 0;
  const modes = buildModes(stack, (share) => {
    if (share - told < 0.1 && share < 1) return;
    told = share;
    process.stdout.write(`\r${device.name}: ${Math.round(share * 100)} %   `);
  });
  const text = encodeModes(modes);
  writeFileSync(path.join(out, `${modes.digest}.json`), text);
  digests[device.id] = modes.digest;
  console.log(
    `${modes.nx} x ${modes.ny}, ${Math.round((performance.now() - began) / 1e3)} s, ${Math.round(text.length / 1e3)} kB`,
  );
}
writeFileSync(
  path.join(import.meta.dirname, '..', 'src', 'store', 'shippedModes.json'),
  `${JSON.stringify(digests, null, 2)}\n`,
);
