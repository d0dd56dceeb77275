import type { DryFit } from '@/core/fit/dryFit';
import type { Settings } from '@/model/settings';
import { digits, length, listed } from '@/words/units';
import { t } from '@/words/dryFit';

/** The slide and turn in words; a component is said only when it is big enough and sure enough. */
export function moveText(f: DryFit, units: Pick<Settings, 'temperature' | 'length'>): string {
  const parts: string[] = [];
  const d = 2;
  if (f.say.vertical)
    parts.push(
      f.move.towardTopMm > 0
        ? t('towardTheTop', { towardTopMm: length(Math.abs(f.move.towardTopMm), units, d) })
        : t('towardTheBottom', { towardTopMm: length(Math.abs(f.move.towardTopMm), units, d) }),
    );
  if (f.say.horizontal)
    parts.push(
      f.move.towardRightMm > 0
        ? t('towardTheRight', { towardRightMm: length(Math.abs(f.move.towardRightMm), units, d) })
        : t('towardTheLeft', { towardRightMm: length(Math.abs(f.move.towardRightMm), units, d) }),
    );
  const slide = parts.length ? t('slide', { list: listed(parts) }) : '';
  const turn = f.say.turn
    ? f.move.clockwiseDeg > 0
      ? t('turnDegreeClockwise', { figure: digits(Math.abs(f.move.clockwiseDeg), 2) })
      : t('turnDegreeCounterClockwise', { figure: digits(Math.abs(f.move.clockwiseDeg), 2) })
    : '';
  return [slide, turn].filter(Boolean).join(', ');
}
