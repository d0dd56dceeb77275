import { said } from '@/words/codes';
import type { Pt } from '@/core/device/types';
import { noticedMm } from '@/core/fit/byEye';
import type { EyeFit } from '@/core/fit/fitByEye';
import type { GaugePoint } from '@/core/fit/gaugePoints';
import type { Settings } from '@/model/settings';
import type { ByEye } from '@/bench-kit/ByEye';
import { eyeWords } from '@/words/eyeWords';
import { length, listed, whereText } from '@/words/units';
import { t } from '@/words/dryFit';

/** Eight directions of the plan as seen from behind. */
function towardsWord([dx, dy]: Pt): string {
  const across = dx > 0.38 ? said('right') : dx < -0.38 ? said('left') : '';
  const along = dy > 0.38 ? said('bottom') : dy < -0.38 ? said('top') : '';
  return listed([along, across].filter(Boolean));
}

/** The call of a dry fit that is judged by eye. */
export function eyeText(
  by: ByEye,
  eye: EyeFit | null,
  placeOf: (p: GaugePoint) => string,
  points: readonly GaugePoint[],
  units: Pick<Settings, 'temperature' | 'length'>,
): { sentence: string; reason: string; tone: 'ink' | 'caution' } {
  const noticed = length(noticedMm('gap'), units, 2);
  if (!by.eye)
    return {
      sentence: t('isTheGapEvenAllRound'),
      reason: t('layItInDryAndLook', { noticed }),
      tone: 'ink',
    };
  if (!eye)
    return {
      sentence: t('tapWhereItIsTightOr'),
      reason: t('onThePlanByWhatYou'),
      tone: 'ink',
    };
  const spots = by.eye.spots
    .map((s) => whereText(eyeWords.gap[s.how], placeOf(points.find((p) => p.id === s.point)!)))
    .join(', ');
  if (eye.action === 'tooTight')
    return {
      sentence: t('tooTightItMayNotFit'),
      reason: t('noSlideFreesBothCompareOld', { spots }),
      tone: 'caution',
    };
  if (eye.action === 'move') {
    const words = [
      ...(eye.towards ? [t('slideItATouchToThe', { towards: towardsWord(eye.towards) })] : []),
      ...(eye.turn ? [t('turnItATouch', { turn: eye.turn })] : []),
    ].join(', and ');
    return {
      sentence: `${words[0]!.toUpperCase()}${words.slice(1)}.`,
      reason: t('thenLookAgainTheEyeTells', { spots }),
      tone: 'caution',
    };
  }
  return {
    sentence: t('leaveItWhereItIs'),
    reason: t('evenByEyeYouWouldHave', { noticed }),
    tone: 'ink',
  };
}
