import type { LearnedKind } from '@/core/device/types';
import { capital } from './capital';
import { t } from './log';

const keys = {
  tip: 'learnedTip',
  screw: 'learnedScrew',
  plug: 'learnedPlug',
  bracket: 'learnedBracket',
  mesh: 'learnedMesh',
  patch: 'learnedPatch',
  part: 'learnedPart',
  hiddenScrew: 'learnedHiddenScrew',
  cable: 'learnedCable',
  noCable: 'learnedNoCable',
  weak: 'learnedWeak',
  pry: 'learnedPry',
  magnet: 'learnedMagnet',
  bound: 'learnedBound',
} as const satisfies Record<LearnedKind, string>;

export const learnedName = (what: LearnedKind): string => t(keys[what]);

/** With what was said about it. */
export const learnedText = (what: LearnedKind, text: string): string =>
  capital(text ? t('learnedWith', { what: learnedName(what), text }) : learnedName(what));
