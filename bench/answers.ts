// A finger on any dial: every shipped device under every kind of heater, another setpoint each time. One answer is all arcs,
// the battery and the picture at an instant; the whole one is try, easy and latest with every part watched.
import { readFileSync } from 'node:fs';

import { bondPerimeter } from '../src/core/device/perimeter';
import {
  defaultDryer,
  defaultGun,
  defaultLamp,
  defaultMat,
  defaultNozzle,
  defaultPlate,
} from '../src/core/heat/heater';
import { answersOf } from '../src/core/heat/heaterKind';
import { opening } from '../src/core/heat/opening';
import { ReducedModel } from '../src/core/heat/reduced';
import { arcCells } from '../src/core/heat/arcs';
import { HeatRun } from '../src/core/heat/run';
import { decodeModes } from '../src/model/modesFile';
import { shippedDevices } from '../src/model/shippedDevices';
import shipped from '../src/store/shippedModes.json';

const heaters = [defaultPlate, defaultMat, defaultGun, defaultNozzle, defaultDryer, defaultLamp];
const marks = {
  battery: { cautionC: 60, stopC: 80 },
  camera: { cautionC: 70, stopC: 85 },
  display: { cautionC: 75, stopC: 85 },
  cover: { cautionC: 150, stopC: 200 },
};

/** Middle of some times after warming up, ms. */
function middle(work: () => unknown, runs = 41, warm = 25): number {
  for (let i = 0; i < warm; i++) work();
  const list = Array.from({ length: runs }, () => {
    const began = performance.now();
    work();
    return performance.now() - began;
  }).sort((a, b) => a - b);
  return list[Math.floor(runs / 2)]!;
}

export function benchAnswers(line: (name: string, value: string) => void): void {
  let most = 0;
  for (const [id, digest] of Object.entries(shipped)) {
    const device = shippedDevices.find((d) => d.id === id);
    const bond = device?.bonds[0];
    const modes = decodeModes(readFileSync(`public/modes/${digest}.json`, 'utf8'), digest);
    if (!device || !bond || !modes) continue;
    const model = new ReducedModel(modes);
    const arcs = arcCells(model, bondPerimeter(device, bond).lengthMm);
    // glued all over it takes another glue's temperatures
    const [easyC, workC] = bond.zone === 'fullArea' ? [95, 80] : [62, 45];
    const found = heaters.map((heater) => {
      let k = 0;
      const run = () =>
        HeatRun.start(model, heater, 22, [
          { atS: 0, setC: answersOf(heater).usualSetC.value - 10 + (k++ % 20), preheated: true },
        ]);
      const one = middle(() => {
        const r = run();
        return [r.arcsC(120, arcs), r.partC(120, 'battery'), r.picture(120)];
      });
      const whole = middle(() =>
        opening({ run: run(), fromS: 0, arcs, order: [0, 1, 23], easyC, workC, upperC: 150, marks }),
      );
      return { one, whole };
    });
    most = Math.max(most, ...found.map((f) => f.one));
    line(
      `${device.name}: one answer, ${heaters.map((h) => h.kind).join(', ')}, target under 5 ms`,
      found.map((f) => f.one.toFixed(1)).join(', '),
    );
    line('  with try, easy, latest and every part', found.map((f) => f.whole.toFixed(1)).join(', '));
  }
  line('slowest of all answers, target under 5 ms', `${most.toFixed(1)} ms`);
}
