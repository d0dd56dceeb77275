import { firstTrue } from '../../heat/forecast';
import { defOf } from '../../heat/heaterDefs';
import type { Heater } from '../../heat/heater';
import type { HeatUse } from '../../heat/member';
import { randomOf } from '../../numeric/random';
import { judgement } from '../../source';
import { handFigures, mannerOf, type Style } from '../manner';
import { PiecesBench, piecesFigures, type PiecesAction, type PiecesHappened, type PiecesState } from './bench';

export const pieceHandFigures = {
  liftShare: judgement(0.6, 'a hand stays under the lift that is told'),
  warmerK: judgement(6, 'one that holds where it should have come is heated so much further'),
  mostS: judgement(900, 'longer than this nobody heats for one piece'),
};

/** What the calls say of heat. */
export interface PiecesCalls {
  heater: Heater;
  use: HeatUse;
  setC: number;
  /** the piece to be brought to, and at which a blade still works, °C */
  targetC: number;
  workC: number;
  /** what the model of the device may be wrong by, K */
  modelK: number;
}

export interface PiecesWorked {
  state: PiecesState;
  happened: PiecesHappened[];
  heats: number;
}

/**
 * A shattered cover from the first heat until all of it is off, by what the app believes: its heat model, its order, its
 * depths and lifts; of the truth only what holds. The same input, the same end.
 */
export function workPieces(bench: PiecesBench, calls: PiecesCalls, style: Style, seed: number): PiecesWorked {
  const manner = mannerOf(style, randomOf(seed * 40503 + 17));
  const out: PiecesWorked = { state: bench.start(), happened: [], heats: 0 };
  // the device as it is believed to be, with the same heats
  const belief = new PiecesBench(bench.about, {
    ...{ ...bench.truth, heaterZ: [0, 0] as const, ambientK: 0, lnScale: 0 },
  });
  const act = (a: PiecesAction, dtS: number) => {
    const { state, happened } = bench.step(out.state, a, dtS);
    out.state = state;
    out.happened.push(...happened);
  };
  const believedC = (piece: number, tS: number) => belief.pieceC({ bench: out.state.bench }, piece, tS) - calls.modelK;
  const { stopC = Infinity } = bench.about.marks.battery ?? {};
  let { targetC, workC } = calls;
  const heat = (piece: number) => {
    out.heats++;
    act({ kind: 'heat', heater: calls.heater, use: calls.use, setC: calls.setC, preheated: true }, 0);
    const { tS } = out.state;
    const cell = (t: number) => belief.inner.partC(out.state.bench, 'battery', t) ?? -Infinity;
    const due = firstTrue(
      (t) => believedC(piece, t) >= targetC || cell(t) >= stopC - 3,
      tS,
      tS + pieceHandFigures.mostS.value,
      10,
    );
    const until = (due ?? tS + pieceHandFigures.mostS.value) - tS;
    act({ kind: 'wait' }, Math.max(1, until * manner.heatShare));
    act({ kind: 'off' }, defOf(calls.heater).leadS.value);
  };
  const over = () => out.state.hit !== null || bench.allOff(out.state);
  let held = 0;
  for (let n = 0; n < 400 && !over() && out.heats < handFigures.mostHeats.value; n++) {
    const step = bench.order(out.state)[0]!;
    const cold = believedC(step.pieceId, out.state.tS) < workC;
    if (out.heats === 0 || (cold && manner.feels) || held > 1) {
      if (held > 1) {
        targetC += pieceHandFigures.warmerK.value;
        workC += pieceHandFigures.warmerK.value;
      }
      held = 0;
      heat(step.pieceId);
    }
    const depthMm = Math.max(0.5, Math.min(step.entry?.depthMm ?? 0.5, 25) + 2 * manner.deeperMm);
    const liftMm = bench.limitMm(depthMm) * pieceHandFigures.liftShare.value * Math.max(0.3, manner.speed);
    const before = out.happened.length;
    act({ kind: 'lever', piece: step.pieceId, depthMm, liftMm }, piecesFigures.leverS.value);
    held = out.happened.slice(before).some((h) => h.what === 'pieceHolds') ? held + 1 : 0;
    if (held && !manner.feels && n > 200) break;
  }
  return out;
}
