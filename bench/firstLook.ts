import { bondPerimeter, faceOf } from '../src/core/device/perimeter';
import { faceView } from '../src/core/device/faceView';
import { toThermalStack } from '../src/core/device/thermalStack';
import { coarseErrorK, coarseModes } from '../src/core/heat/coarse';
import { defaultGun, defaultPlate } from '../src/core/heat/heater';
import { buildModes } from '../src/core/heat/modes';
import { ReducedModel } from '../src/core/heat/reduced';
import { arcCells } from '../src/core/heat/arcs';
import { HeatRun } from '../src/core/heat/run';
import type { Device } from '../src/core/device/types';
import { guessDevice } from '../src/model/guess';
import { answersOf, firstAnswers, type NewModel } from '../src/work/devices/newModel';

/** Numbers from a seed (mulberry32): the same devices each time. */
function from(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** A device as somebody could put it down: any construction that has a heat model, any size, thickness and layout. */
export function randomDevice(seed: number): Device {
  const r = from(seed);
  const one = <T>(list: readonly T[]): T => list[Math.floor(r() * list.length)]!;
  const between = (low: number, high: number) => low + r() * (high - low);
  const tablet = r() < 0.2;
  const widthMm = tablet ? between(125, 200) : between(58, 82);
  const answers: NewModel = {
    ...firstAnswers(),
    construction: one(['ringGlass', 'ringPlastic', 'fullGlass', 'lensInRing'] as const),
    opensFrom: !tablet && r() < 0.2 ? 'front' : 'back',
    widthMm,
    lengthMm: tablet ? widthMm * between(1.3, 1.5) : widthMm * between(2, 2.2),
    thicknessMm: between(tablet ? 6.5 : 7, 9.6),
    lenses: Math.floor(between(1, 5)),
    cameraShape: one(['column', 'block', 'bar'] as const),
    cameraAt: [widthMm * between(0.15, 0.8), between(15, 30)],
    inside: tablet ? 'twoCells' : one(['boardTop', 'boardSide', 'twoCells'] as const),
    coil: r() < 0.5,
  };
  return guessDevice(answersOf(answers, `own${seed}`, `own ${seed}`)!);
}

/** The edge is usually easy here, °C. */
const easyC = 72;

/** The coarse answer against the check grid's at the usual instant, on plate and air. */
export function benchFirstLook(line: (name: string, value: string) => void, count: number): void {
  let edges = 0;
  let within = 0;
  let coarseMs = 0;
  let exactMs = 0;
  const worst = { low: 0, high: 0, battery: 0 };
  let parts = 0;
  let partsWithin = 0;
  for (let seed = 1; seed <= count; seed++) {
    const d = randomDevice(seed);
    const { device, bond } = faceView(d, d.bonds[0]!);
    const { side } = faceOf(d, d.bonds[0]!);
    const stack = toThermalStack(device, bond, new Set(device.parts.map((p) => p.id)));
    let began = performance.now();
    const first = new ReducedModel(coarseModes(stack, side));
    coarseMs += performance.now() - began;
    began = performance.now();
    const exact = new ReducedModel(buildModes(stack));
    exactMs += performance.now() - began;
    const { lengthMm } = bondPerimeter(device, bond);
    for (const [heater, setC] of [
      [defaultPlate, 110],
      [defaultGun, 220],
    ] as const) {
      const run = (m: ReducedModel) => HeatRun.start(m, heater, 22, [{ atS: 0, setC, preheated: true }]);
      const [a, b] = [run(exact), run(first)];
      const edgesC = (x: HeatRun, m: ReducedModel, tS: number) => x.arcsC(tS, arcCells(m, lengthMm)).map((r) => r.mean);
      let usualS = 20;
      while (usualS < 600) {
        const c = edgesC(a, exact, usualS);
        if (c.reduce((m, v) => m + v, 0) / c.length >= easyC) break;
        usualS += 5;
      }
      const [x, y] = [edgesC(a, exact, usualS), edgesC(b, first, usualS)];
      const error = coarseErrorK[side];
      x.forEach((v, i) => {
        const off = y[i]! - v;
        edges++;
        if (off <= error.bondLow && off >= -error.bondHigh) within++;
        worst.low = Math.min(worst.low, off);
        worst.high = Math.max(worst.high, off);
      });
      const battery = b.partC(usualS, 'battery')!.mean - a.partC(usualS, 'battery')!.mean;
      parts++;
      if (battery <= error.partLow && battery >= -error.partHigh) partsWithin++;
      if (Math.abs(battery) > Math.abs(worst.battery)) worst.battery = battery;
    }
  }
  const k = (v: number) => `${v >= 0 ? '+' : ''}${v.toFixed(1)} K`;
  line(
    `first look on ${count} random devices: edges within its range, goal 95 %`,
    `${((100 * within) / edges).toFixed(1)} % of ${edges}`,
  );
  line('  worst at an edge, battery', `${k(worst.low)} to ${k(worst.high)}, ${k(worst.battery)}`);
  line('  batteries within its range', `${((100 * partsWithin) / parts).toFixed(1)} % of ${parts}`);
  line(
    '  time of a first look, of the exact modes',
    `${(coarseMs / count / 1e3).toFixed(1)} s, ${(exactMs / count / 1e3).toFixed(1)} s`,
  );
}
