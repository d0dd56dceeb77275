import type { ScrewFinding, ScrewSpec } from '@/core/strip/screws';
import type { TransferItem } from '@/core/strip/transfer';
import type { ScrewHole } from '@/core/device/types';
import type { Settings } from '@/model/settings';
import { length } from '@/words/units';

type Units = Pick<Settings, 'temperature' | 'length'>;

export const headNames: Record<ScrewHole['head'], string> = {
  cross: 'cross',
  fiveLobe: 'five-lobe',
  threeWing: 'three-wing',
  hex: 'hex',
  slot: 'slot',
};

export const specText = (s: ScrewSpec, units: Units) =>
  `${s.colour ? `${s.colour} ` : ''}${headNames[s.head]}, ${length(s.diaMm, units)} × ${length(s.lengthMm, units)}`;

/** A finding in the words of the bench, and what to do. */
export function findingText(f: ScrewFinding, units: Units, under: string | null = null): string {
  switch (f.type) {
    case 'missing':
      return `${f.hole}: came out and is not back in.`;
    case 'missingAtIntake':
      return `${f.hole}: was missing when it was opened.`;
    case 'added':
      return `${f.hole}: was missing, has one now.`;
    case 'extra':
      return `${f.hole}: a screw in a hole that none came out of.`;
    case 'duplicate':
      return `${f.hole}: put in twice.`;
    case 'swapped':
      return `${f.hole} and ${f.with}: each has the other’s screw. Change them.`;
    case 'wrongSpec':
      return `${f.hole}: not the screw that came out.`;
    case 'pierce':
      return `${f.hole}: ${length(f.overMm, units, 2)} too long, it pierces what lies under it${under ? `, the ${under}` : ''}. Out with it.`;
    case 'tight':
      return `${f.hole}: ${length(f.roomMm, units, 2)} of room under it, tight.`;
    case 'weak':
      return `${f.hole}: ${length(f.engageMm, units, 2)} of thread holds, weak.`;
    case 'mixedCell':
      return `cell ${f.cell}: two kinds of screws lie in it.`;
  }
}

export const moveHints: Partial<Record<TransferItem['kind'], string>> = {
  motor: 'with its glue, or it rattles; a drop of flexible glue',
  magnet: 'same side up: a missing or turned one disables functions',
  mesh: 'new, glued side down, nothing over the hole',
  gasket: 'new, no old glue under it',
  antenna: 'note how the lines cross before it comes off',
  insulation: 'new tape over the same fields',
  paste: 'old off, a rice grain of new',
  spreader: 'flat, over the same chips',
  film: 'peel it before anything lies on it',
  earpiece: 'contacts clean',
  button: 'bracket first, press each key',
  part: '',
};
