import type { RouteAdvice } from '@/core/intake/route';
import { percent } from '@/words/units';
import { optionName } from '@/words/optionName';
import { blockText } from './words';
import { t } from '@/words/intake';

/** What comes out cheapest, and how sure that is. */
export function routeCall(
  a: RouteAdvice,
  money: (minor: number) => string,
): { sentence: string; reason: string; tone: 'ink' | 'caution' } {
  if (!a.best) {
    const why = [...new Set(a.options.flatMap((o) => o.blocks))].map((b) => blockText[b]);
    return {
      sentence: t('noRouteIsOpen2'),
      reason: t('changeWhatStandsInTheWay', { list: why.join('; ') }),
      tone: 'caution',
    };
  }
  const s = a.saveOrNew;
  const even = s ? ` ${t('savingPaysWhileTheChanceOf', { min: percent(Math.min(1, Math.max(0, s.pStar))) })}` : '';
  if (a.next?.close)
    return {
      sentence: t('tooCloseToCallOr', {
        best: optionName(a.best),
        next: optionName(a.next.option),
      }),
      reason: t('againstOnAverageTheFirstIs', {
        mean: money(a.best.cost.mean),
        mean2: money(a.next.option.cost.mean),
        probBest: percent(a.next.probBest),
        even,
      }),
      tone: 'ink',
    };
  return {
    sentence: t('onAverage2', { best: optionName(a.best), mean: money(a.best.cost.mean) }),
    reason: a.next
      ? t('toComesNextAt', {
          low: money(a.best.cost.low),
          high: money(a.best.cost.high),
          option: optionName(a.next.option),
          mean: money(a.next.option.cost.mean),
          even,
        })
      : t('to', { low: money(a.best.cost.low), high: money(a.best.cost.high), even }),
    tone: 'ink',
  };
}
