import { Pressable, View } from 'react-native';

import { faceView } from '@/core/device/faceView';
import { breakWeight, comebackChance, damageChance, priorWeight } from '@/core/intake/routeFigures';
import { closeCall } from '@/core/money/choices';
import type { NewEvent } from '@/model/event';
import { rowOf, Why } from '@/bench-kit/Why';
import { Choice } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { percent } from '@/words/units';
import { adviceOf, minutesOf } from '@/work/intake/facts';
import { optionName } from '@/words/optionName';
import { blockText } from './words';
import type { RouteScreenState } from './useRouteScreen';
import { t } from '@/words/intake';

/** Which face is worked on. */
export function FaceAndJoint({ here: { job, facts, settings, setPicked, log, route } }: { here: RouteScreenState }) {
  return job.model.bonds.length > 1 ? (
    <View className="mt-3">
      <Choice
        label={t('sideThatIsWorkedOn')}
        value={job.bond.id}
        options={job.model.bonds.map((b) => ({
          id: b.id,
          name: job.model.faces.find((f) => f.id === b.onFace)?.name ?? b.onFace,
        }))}
        onChange={(bondId) => {
          const next = job.model.bonds.find((b) => b.id === bondId)!;
          const face = faceView(job.model, next);
          const first = adviceOf(
            {
              ...facts,
              construction: face.device.faces.find((f) => f.id === next.onFace)!.construction,
              side: face.device.faces.find((f) => f.id === next.onFace)!.side,
            },
            job,
            settings,
          ).best;
          setPicked(null);
          if (first) void log([{ ...route({}, first), bondId } as NewEvent]);
        }}
      />
    </View>
  ) : null;
}

/** The ways with what they cost. */
export function RouteWays({ here: { advice, option, money, setPicked, facts, job } }: { here: RouteScreenState }) {
  return (
    <View role="radiogroup" aria-label={t('ways')} className="mt-3">
      {advice.options.map((o) => {
        const on = o.id === option?.id;
        const off = o.blocks.length > 0;
        return (
          <Pressable
            key={o.id}
            role="radio"
            aria-checked={on}
            aria-label={
              off
                ? `${optionName(o)}: ${o.blocks.map((b) => blockText[b]).join(', ')}`
                : t('onAverage', { o: optionName(o), mean: money(o.cost.mean) })
            }
            onPress={() => setPicked(o.id)}
            className={`min-h-[60px] px-3 py-2 mb-2 rounded-[6px] border-[1.5px] ${on ? 'bg-ink border-ink' : 'bg-panel border-ink2'}`}
          >
            <View className="flex-row justify-between gap-2">
              <Txt strong tone={on ? 'onInk' : 'ink'} className="flex-1">
                {optionName(o)}
              </Txt>
              <Txt num strong tone={on ? 'onInk' : 'ink'}>
                {off ? '–' : money(o.cost.mean)}
              </Txt>
            </View>
            <Txt size="s" tone={on ? 'onInk' : 'ink2'}>
              {off
                ? o.blocks.map((b) => blockText[b]).join(', ')
                : o.risks[0]?.id === 'break'
                  ? o.id === advice.best?.id
                    ? t('toMinBreaksCheapest', {
                        low: money(o.cost.low),
                        high: money(o.cost.high),
                        o: Math.round(minutesOf(o, facts, job)),
                        a: percent(o.risks[0].a / (o.risks[0].a + o.risks[0].b)),
                      })
                    : t('toMinBreaks', {
                        low: money(o.cost.low),
                        high: money(o.cost.high),
                        o: Math.round(minutesOf(o, facts, job)),
                        a: percent(o.risks[0].a / (o.risks[0].a + o.risks[0].b)),
                      })
                  : o.id === advice.best?.id
                    ? t('toMinCheapest', {
                        low: money(o.cost.low),
                        high: money(o.cost.high),
                        o: Math.round(minutesOf(o, facts, job)),
                      })
                    : t('toMin', {
                        low: money(o.cost.low),
                        high: money(o.cost.high),
                        o: Math.round(minutesOf(o, facts, job)),
                      })}
            </Txt>
          </Pressable>
        );
      })}
    </View>
  );
}

/** Why this way. */
export function RouteWhy({ here: { job, facts, advice, money, option } }: { here: RouteScreenState }) {
  return (
    <Why
      job={job}
      call="route"
      inputs={{ facts }}
      computed={{ options: advice.options.map((o) => ({ id: o.id, mean: Math.round(o.cost.mean) })) }}
      notes={[
        t('chancesAreBetaDistributionsAFirst', {
          value: priorWeight.value,
          value2: breakWeight.value,
          done: facts.counts.done,
          saved: facts.counts.saved,
        }),
        ...(advice.saveOrNew
          ? [
              t('breakEvenChanceKnowingTheChance', {
                pStar: percent(advice.saveOrNew.pStar),
                evpi: money(advice.saveOrNew.evpi),
              }),
            ]
          : []),
      ]}
      rows={[
        rowOf(t('comeBacksNewGenuineGlass'), comebackChance.genuine, ''),
        rowOf(t('comeBacksAftermarketGlass'), comebackChance.aftermarket, ''),
        rowOf(t('damageInsideThisWork'), damageChance[option?.work ?? 'glassOnly'], ''),
        rowOf(t('tooCloseToCallFrom'), closeCall.low, ''),
        rowOf(t('weightOfAFirstFigure'), priorWeight, 'jobs'),
      ]}
    />
  );
}
