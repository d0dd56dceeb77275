import type { Pt } from '@/core/device/types';
import { noticedMm, type EyeFit } from '@/core/fit/byEye';
import type { GaugePoint } from '@/core/fit/gaugePoints';
import type { Settings } from '@/model/settings';
import type { ByEye } from '@/bench-kit/ByEye';
import { eyeWords } from '@/words/eyeWords';
import { length } from '@/words/units';

/** Eight directions of the plan as seen from behind. */
function towardsWord([dx, dy]: Pt): string {
  const across = dx > 0.38 ? 'right' : dx < -0.38 ? 'left' : '';
  const along = dy > 0.38 ? 'bottom' : dy < -0.38 ? 'top' : '';
  return [along, across].filter(Boolean).join(' and ');
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
      sentence: 'Is the gap even all round?',
      reason: `Laid in dry, looked at from straight above. A gap that is ${noticed} off is seen in nine of ten; a gauge tells more.`,
      tone: 'ink',
    };
  if (!eye)
    return {
      sentence: 'Tap where it is tight or wide.',
      reason: 'On the plan, by what you see; the nearest point is marked.',
      tone: 'ink',
    };
  const spots = by.eye.spots
    .map((s) => `${eyeWords.gap[s.how]} at ${placeOf(points.find((p) => p.id === s.point)!)}`)
    .join(', ');
  if (eye.action === 'tooTight')
    return {
      sentence: 'Too tight: it may not fit.',
      reason: `${spots}: no slide frees both. Compare old and new glass side by side, look for residue, or measure.`,
      tone: 'caution',
    };
  if (eye.action === 'move') {
    const words = [
      ...(eye.towards ? [`slide it a touch to the ${towardsWord(eye.towards)}`] : []),
      ...(eye.turn ? [`turn it a touch ${eye.turn}`] : []),
    ].join(', and ');
    return {
      sentence: `${words[0]!.toUpperCase()}${words.slice(1)}.`,
      reason: `${spots}. Then look again: the eye tells the direction, not how far.`,
      tone: 'caution',
    };
  }
  return {
    sentence: 'Leave it where it is.',
    reason: `Even by eye: a place that is ${noticed} off would have been seen in nine of ten.`,
    tone: 'ink',
  };
}
