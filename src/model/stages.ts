import type { StageMinutes } from '../core/intake/collection';
import { stageDefs } from './stageDefs';
import { stageIds, type StageId } from './stageIds';

export { stageDefs, type StageDef } from './stageDefs';
export { stageIds, type StageId } from './stageIds';

/** Hands-on minutes of the stages that have any. */
export const stageMinutes: Readonly<Partial<Record<StageId, StageMinutes>>> = Object.fromEntries(
  stageIds.flatMap((id) => (stageDefs[id].minutes ? [[id, stageDefs[id].minutes]] : [])),
);

/** Usual minutes of a plain route, all its stages together. */
export const usualMinutes = Object.values(stageMinutes).reduce((m, s) => m + (s.ofRoute ? s.p50.value : 0), 0);
