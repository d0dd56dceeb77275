import type { ExerciseId } from '@/work/practice/exercises';
import { t } from './practice';

const names = {
  heat: 'skillHeat',
  depth: 'skillDepth',
  reheat: 'skillReheat',
  corners: 'skillCorners',
  camera: 'skillCamera',
  lens: 'skillLens',
  stubborn: 'skillStubborn',
  residue: 'skillResidue',
  bead: 'skillBead',
  clamps: 'skillClamps',
  today: 'skillToday',
} as const satisfies Record<ExerciseId, string>;

export const exerciseName = (id: string): string => (Object.hasOwn(names, id) ? t(names[id as ExerciseId]) : id);
