import { bondPerimeter } from '../device/perimeter';
import { arcCells } from '../heat/arcs';
import type { Heater } from '../heat/heater';
import type { HeatUse } from '../heat/member';
import type { ReducedModel } from '../heat/reduced';
import { edgeOrder } from '../lift/order';
import { PracticeBench } from './bench';
import { type PracticeCase } from './happened';
import { workRing } from './hands';
import { reached, type Goal } from './goal';
import type { Truth } from './truth';
import type { Visitor } from './visitor';

/** A case as it goes to a worker: what is made from the geometry and the model is made there. */
export type PlainCase = Omit<PracticeCase, 'model' | 'path' | 'arcs'>;

export interface ByCallsInput {
  about: PlainCase;
  truth: Truth;
  heater: Heater;
  use: HeatUse;
  setC: number;
  pickMm: number;
  goal: Goal;
  visitor?: Visitor;
}

export interface ByCalls {
  seconds: number;
  heats: number;
  broke: boolean;
  /** it came as far as the exercise asks */
  off: boolean;
  /** a customer who came in was seen to, or none came */
  served: boolean;
}

/** The same device worked by somebody who follows the calls: what an exercise is measured against. */
export function byCalls(
  model: ReducedModel,
  { about, truth, heater, use, setC, pickMm, goal, visitor }: ByCallsInput,
): ByCalls {
  const path = bondPerimeter(about.device, about.bond);
  const bench = new PracticeBench({ ...about, model, path, arcs: arcCells(model, path.lengthMm) }, truth);
  const edge = edgeOrder(about.device, about.bond, about.outs)[0]!;
  const w = workRing({
    bench,
    heater,
    use,
    setC,
    pickMm,
    style: 'guided',
    seed: truth.seed,
    enough: (s) => reached(goal, s, edge),
    ...(visitor ? { visitor } : {}),
  });
  return {
    seconds: w.state.tS,
    heats: w.heats,
    broke: w.state.broke !== null,
    off: reached(goal, w.state, edge),
    served: !visitor || w.wentS !== null,
  };
}
