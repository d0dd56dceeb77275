import type { RouteAdvice } from '@/core/intake/route';
import { percent } from '@/words/units';
import { blockText, optionName } from './words';

/** What comes out cheapest, and how sure that is. */
export function routeCall(
  a: RouteAdvice,
  money: (minor: number) => string,
): { sentence: string; reason: string; tone: 'ink' | 'caution' } {
  if (!a.best) {
    const why = [...new Set(a.options.flatMap((o) => o.blocks))].map((b) => blockText[b]);
    return {
      sentence: 'No route is open.',
      reason: `${why.join('; ')}. Change what stands in the way, or decline.`,
      tone: 'caution',
    };
  }
  const s = a.saveOrNew;
  const even = s
    ? ` Saving pays while the chance of breaking is under ${percent(Math.min(1, Math.max(0, s.pStar)))}.`
    : '';
  if (a.next?.close)
    return {
      sentence: `Too close to call: ${optionName(a.best).toLowerCase()} or ${optionName(a.next.option).toLowerCase()}.`,
      reason: `${money(a.best.cost.mean)} against ${money(a.next.option.cost.mean)} expected; the first is the cheaper one with ${percent(a.next.probBest)}.${even}`,
      tone: 'ink',
    };
  return {
    sentence: `${optionName(a.best)}: ${money(a.best.cost.mean)} expected.`,
    reason: `${money(a.best.cost.low)} to ${money(a.best.cost.high)}.${a.next ? ` ${optionName(a.next.option)} comes next at ${money(a.next.option.cost.mean)}.` : ''}${even}`,
    tone: 'ink',
  };
}
