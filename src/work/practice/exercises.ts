import type { BenchState } from '@/core/practice/happened';
import { reached, type Goal } from '@/core/practice/goal';
import { drawTruth, type Truth } from '@/core/practice/truth';
import type { Perimeter } from '@/core/device/perimeter';
import { exercises, type LiftId } from './exerciseTable';
import type { JobEvent, NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';

export const truthOf = (exercise: LiftId | 'pieces', seed: number, path: Perimeter, lnSd: number): Truth => ({
  ...drawTruth(seed, path, lnSd),
  ...(exercise === 'pieces' ? { chips: [] } : exercises[exercise].fixed),
});

export type Ending = 'passed' | 'broke' | 'hurt' | 'flash' | 'tooHot' | 'given up';

/** How it ended: what went wrong weighs more than how far it came. */
export function endingOf(goal: Goal, s: BenchState, firstEdge: { fromMm: number; toMm: number }): Ending {
  if (s.flash) return 'flash';
  if (s.broke) return 'broke';
  if (s.hurt.length) return 'hurt';
  if (Object.values(s.hot).some((h) => h.aboveStopS > 0)) return 'tooHot';
  return reached(goal, s, firstEdge) ? 'passed' : 'given up';
}

/** What is asked and answered of a made-up device before anything is done to it. */
export const asked = (
  bondId: string,
  how: { work: 'openClose' | 'glassOnly' | 'lensCovers'; closedBy: 'tape' | 'bead' },
): NewEvent[] => [
  { type: 'finding', kind: 'cellSwollen', answer: 'no' },
  { type: 'finding', kind: 'chip', answer: 'no' },
  { type: 'finding', kind: 'bent', answer: 'no' },
  { type: 'finding', kind: 'crack', answer: how.work === 'openClose' ? 'no' : 'yes', edges: [] },
  { type: 'charge', percent: 30 },
  {
    type: 'jobRoute',
    ...{ bondId, work: how.work, closedBy: how.closedBy, through: 'back', internalsOut: false, partHas: [] },
    ...(how.work === 'openClose'
      ? { cover: 'save' as const, origin: null }
      : { cover: 'new' as const, origin: 'aftermarket' as const }),
  },
  { type: 'prep', item: 'powerOff', done: true },
  { type: 'prep', item: 'trayOut', done: true },
];

/** What stands in the log of a made-up device when it comes to its first heat. */
export const readyForHeat = (bondId: string): NewEvent[] => [
  ...asked(bondId, { work: 'openClose', closedBy: 'tape' }),
  { type: 'prep', item: 'toolsReady', done: true },
  { type: 'stage', stage: 'intake', to: 'done' },
];

/** As `readyForHeat`, of a cracked lens cover: it is warmed where it is lifted. */
export const readyForLens = (bondId: string): NewEvent[] => [
  ...asked(bondId, { work: 'lensCovers', closedBy: 'tape' }),
  { type: 'prep', item: 'toolsReady', done: true },
  { type: 'stage', stage: 'intake', to: 'done' },
  { type: 'stage', stage: 'heat', to: 'done' },
];

/** What is worked before a device is heated: an exercise with a customer's own begins where that is done. */
const before: ReadonlySet<JobEvent['type']> = new Set<JobEvent['type']>([
  'opened',
  'finding',
  'charge',
  'jobRoute',
  'prep',
  'crack',
  'chipMark',
  'crackGone',
  'chipGone',
  'ambient',
]);

/** The log of a customer's job as far as its first heat, to be practised on; the job itself stays as it is. */
export const asExercise = (job: Pick<JobState, 'effective'>): NewEvent[] => {
  const taken = job.effective.filter((e) => before.has(e.type)) as unknown as NewEvent[];
  return [...taken, { type: 'stage', stage: 'intake', to: 'done' }];
};
