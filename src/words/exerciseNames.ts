import { t } from './practice';
import { type ExerciseId } from '@/work/practice/exerciseTable';

const names = {
  heat: 'skillHeat',
  depth: 'skillDepth',
  reheat: 'skillReheat',
  corners: 'skillCorners',
  camera: 'skillCamera',
  pieces: 'skillPieces',
  lens: 'skillLens',
  stubborn: 'skillStubborn',
  residue: 'skillResidue',
  bead: 'skillBead',
  clamps: 'skillClamps',
  two: 'skillTwo',
  today: 'skillToday',
} as const satisfies Record<ExerciseId, string>;

export const exerciseName = (id: string): string => (Object.hasOwn(names, id) ? t(names[id as ExerciseId]) : id);
