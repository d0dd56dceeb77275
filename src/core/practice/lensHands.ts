import { defOf } from '../heat/heaterDefs';
import type { Heater } from '../heat/heater';
import type { HeatUse } from '../heat/member';
import { randomOf } from '../numeric/random';
import type { PracticeBench } from './bench';
import type { Worked } from './hands';
import type { HandAction } from './happened';
import { handFigures, mannerOf, slowestMmS, type Style } from './manner';

export interface LensHandsInput {
  bench: PracticeBench;
  heater: Heater;
  use: HeatUse;
  setC: number;
  /** s of air that are said */
  readyS: number;
  bladeMm: number;
  depthMm: number;
  style: Style;
  seed: number;
}

const shares = [1, 0.7, 0.5, 0.35, 0.2, 0.1];

/**
 * A lens cover from the first air until it is off: warmed for as long as it is said, the blade once round, warmed again where
 * it grips. Of the truth only what a hand feels. The same input, the same end.
 */
export function workLens({ bench, heater, use, setC, readyS, bladeMm, depthMm, style, seed }: LensHandsInput): Worked {
  const manner = mannerOf(style, randomOf(seed * 40503 + 13));
  const { lengthMm } = bench.about.path;
  const out: Worked = { state: bench.start(), happened: [], heats: 0, wentS: null };
  const act = (a: HandAction, dtS: number) => {
    const { state, happened } = bench.step(out.state, a, dtS);
    out.state = state;
    out.happened.push(...happened);
  };
  const over = () => out.state.free || out.state.broke !== null || out.state.hurt.length > 0;
  let sMm = 0;
  let before = -1;
  while (!over() && out.heats < handFigures.mostHeats.value) {
    // where the last one brought it no further, a little longer
    const longer = sMm === before && manner.feels ? 1.3 : 1;
    before = sMm;
    out.heats++;
    act({ kind: 'heat', heater, use, setC, preheated: true }, 0);
    act({ kind: 'wait' }, Math.max(1, readyS * (manner.late ? 1.5 : manner.heatShare) * longer));
    act({ kind: 'off' }, defOf(heater).leadS.value);
    while (!over() && sMm < lengthMm - 1e-9) {
      const share = manner.feels
        ? shares.find((k) => bench.feel(out.state, sMm, bladeMm, k * manner.speed) === 'goes')
        : 1;
      if (share === undefined || share * manner.speed < slowestMmS.value) break;
      const speed = share * manner.speed;
      const mm = Math.min(1, lengthMm - sMm);
      const cut = out.state.cut.freeMm;
      act({ kind: 'push', sMm, depthMm: depthMm + manner.deeperMm, speedMmS: speed, pickMm: bladeMm }, mm / speed);
      // forced on where nothing follows it gets nowhere
      if (out.state.cut.freeMm <= cut && !manner.feels) break;
      sMm += mm;
    }
    if (sMm >= lengthMm - 1e-9) break;
    act({ kind: 'wait' }, handFigures.turnS.value);
  }
  return out;
}
