import type { Goal } from '@/core/practice/goal';
import type { Truth } from '@/core/practice/truth';
import { judgement } from '@/core/source';
import type { StageId } from '@/model/stages';

/** What is opened, and what is closed again. */
export const liftIds = ['heat', 'depth', 'reheat', 'corners', 'camera', 'lens', 'stubborn', 'two', 'today'] as const;
export const closingIds = ['residue', 'bead', 'clamps'] as const;
/** What an exercise is about, one skill each, in the order in which they are learned. */
export const exerciseIds = [
  'heat',
  'depth',
  'reheat',
  'corners',
  'camera',
  'pieces',
  'lens',
  'stubborn',
  ...closingIds,
  'two',
  'today',
] as const;
export type LiftId = (typeof liftIds)[number];
export type ClosingId = (typeof closingIds)[number];
export type ExerciseId = LiftId | ClosingId | 'pieces';

/** One that this version knows: a later one may have left another behind. */
export const isExercise = (id: string): id is ExerciseId => (exerciseIds as readonly string[]).includes(id);

/** A shattered cover, piece by piece. */
export const isPieces = (id: string): id is 'pieces' => id === 'pieces';

export const isClosing = (id: string): id is ClosingId => (closingIds as readonly string[]).includes(id);

export interface Exercise {
  id: LiftId;
  /** of the shelf; null: the device of a job of today */
  deviceId: string | null;
  goal: Goal;
  /** the joint, where it is not the device's first */
  bondId?: string;
  /** a lens cover, which is warmed with air and opened with a blade */
  lens?: true;
  /** a second device beside it, and somebody who comes to the counter meanwhile */
  beside?: string;
  /** what the seed does not decide */
  fixed: Partial<Truth>;
}

/** ln of what the glue of the stubborn device is against a usual one. */
const stubbornLn = judgement(0.6, 'near the strong end of what is usual, so that heat alone takes long');

export const exercises: Record<LiftId, Exercise> = {
  heat: { id: 'heat', deviceId: 'ring61', goal: 'gap', fixed: { chips: [] } },
  depth: { id: 'depth', deviceId: 'ring61', goal: 'firstEdge', fixed: { chips: [] } },
  reheat: { id: 'reheat', deviceId: 'ring61', goal: 'off', fixed: { chips: [], lnScale: 0 } },
  corners: { id: 'corners', deviceId: 'ring54', goal: 'off', fixed: { lnScale: 0 } },
  camera: { id: 'camera', deviceId: 'ring54', goal: 'off', fixed: {} },
  lens: {
    id: 'lens',
    deviceId: 'lens67',
    bondId: 'lens1Tape',
    lens: true,
    goal: 'off',
    fixed: { chips: [], nerve: 1e9 },
  },
  stubborn: { id: 'stubborn', deviceId: 'ring61', goal: 'off', fixed: { lnScale: stubbornLn.value } },
  two: { id: 'two', deviceId: 'ring61', beside: 'ring54', goal: 'firstEdge', fixed: { chips: [], lnScale: 0 } },
  today: { id: 'today', deviceId: null, goal: 'off', fixed: {} },
};

export interface ClosingExercise {
  id: ClosingId;
  deviceId: string;
  /** where it begins, and on which page */
  from: 'dirty' | 'bare' | 'closed';
  stage: StageId;
  by: 'tape' | 'bead';
}

export const closings: Record<ClosingId, ClosingExercise> = {
  residue: { id: 'residue', deviceId: 'ring61', from: 'dirty', stage: 'clean', by: 'tape' },
  bead: { id: 'bead', deviceId: 'ring54', from: 'bare', stage: 'bond', by: 'bead' },
  clamps: { id: 'clamps', deviceId: 'ring61', from: 'closed', stage: 'cure', by: 'bead' },
};

/** The shelf's device that an exercise is worked on; null: a job of today. */
export const deviceOf = (id: ExerciseId): string | null =>
  isClosing(id) ? closings[id].deviceId : isPieces(id) ? 'ring61' : exercises[id].deviceId;

/** The page on which an exercise begins. */
export const pageOf = (id: string): StageId =>
  isClosing(id) ? closings[id].stage : exercises[id as LiftId]?.lens ? 'lift' : 'heat';
