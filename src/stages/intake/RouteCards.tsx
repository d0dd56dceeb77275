import { optionName } from '@/words/optionName';
import { minutesOf } from '@/work/intake/facts';
import { ScaleBar } from '@/ui/multiples/bars';
import { MultipleCard, Multiples } from '@/ui/multiples/Multiples';
import { Txt } from '@/ui/Txt';
import { chance } from '@/words/units';
import { blockText } from './words';
import type { RouteScreenState } from './useRouteScreen';
import { t } from '@/words/intake';

/** The ways with what they cost the shop and take of its time, each with its range, all to the same scales. */
export function RouteCards({ here: { advice, option, money, setPicked, facts, job } }: { here: RouteScreenState }) {
  const open = advice.options.filter((o) => !o.blocks.length).sort((a, b) => a.cost.mean - b.cost.mean);
  // the cheapest is seen first on a phone, what cannot be done last
  const inOrder = [...open, ...advice.options.filter((o) => o.blocks.length)];
  const toCost = Math.max(1, ...open.map((o) => o.cost.high));
  const toMin = Math.max(1, ...open.map((o) => minutesOf(o, facts, job)));
  return (
    <Multiples label={t('ways')}>
      {inOrder.map((o) => {
        const off = o.blocks.length > 0;
        const why = o.blocks.map((b) => blockText[b]).join(', ');
        const breaks = o.risks[0]?.id === 'break' ? o.risks[0].a / (o.risks[0].a + o.risks[0].b) : null;
        const minutes = minutesOf(o, facts, job);
        return (
          <MultipleCard
            key={o.id}
            label={off ? `${optionName(o)}: ${why}` : t('onAverage', { o: optionName(o), mean: money(o.cost.mean) })}
            title={optionName(o)}
            {...(o.id === advice.best?.id ? { note: t('cheapestWord') } : {})}
            on={o.id === option?.id}
            onPress={() => setPicked(o.id)}
          >
            {off ? (
              <Txt size="s" tone="caution">
                {why}
              </Txt>
            ) : (
              <>
                <Txt num strong size="l">
                  {money(o.cost.mean)}
                </Txt>
                <Txt size="s" tone="ink2">
                  {t('costBetween', { low: money(o.cost.low), high: money(o.cost.high) })}
                </Txt>
                <ScaleBar
                  to={toCost}
                  parts={[
                    { from: 0, to: o.cost.low, look: 'full' },
                    { from: o.cost.low, to: o.cost.high, look: 'hollow' },
                  ]}
                  at={o.cost.mean}
                />
                <Txt size="s" className="mt-2">
                  {t('minutesOfWork', { o: Math.round(minutes) })}
                </Txt>
                <ScaleBar to={toMin} parts={[{ from: 0, to: minutes, look: 'full' }]} />
                {breaks === null ? null : (
                  <>
                    <Txt size="s" className="mt-2">
                      {t('breaksWhileSaved', { a: chance(breaks) })}
                    </Txt>
                    <ScaleBar to={1} parts={[{ from: 0, to: breaks, look: 'full' }]} />
                  </>
                )}
              </>
            )}
          </MultipleCard>
        );
      })}
    </Multiples>
  );
}
