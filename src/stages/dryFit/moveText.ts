import type { DryFit } from '@/core/fit/dryFit';
import type { Settings } from '@/model/settings';
import { length } from '@/words/units';

/** The slide and turn in words; a component is said only when it is big enough and sure enough. */
export function moveText(f: DryFit, units: Pick<Settings, 'temperature' | 'length'>): string {
  const parts: string[] = [];
  const d = 2;
  if (f.say.vertical)
    parts.push(
      `${length(Math.abs(f.move.towardTopMm), units, d)} toward the ${f.move.towardTopMm > 0 ? 'top' : 'bottom'}`,
    );
  if (f.say.horizontal)
    parts.push(
      `${length(Math.abs(f.move.towardRightMm), units, d)} toward the ${f.move.towardRightMm > 0 ? 'right' : 'left'}`,
    );
  const slide = parts.length ? `slide ${parts.join(' and ')}` : '';
  const turn = f.say.turn
    ? `turn ${Math.abs(f.move.clockwiseDeg).toFixed(2)} degree ${f.move.clockwiseDeg > 0 ? 'clockwise' : 'counter-clockwise'}`
    : '';
  return [slide, turn].filter(Boolean).join(', ');
}
