import { View } from 'react-native';

import { LongRunLine } from '@/bench-kit/LongRunLine';
import { useImproving, type ShopPlanState } from '@/bench-kit/useShopPlan';
import { Txt } from '@/ui/Txt';
import { taskName } from '@/words/stageWords';
import { span, listed } from '@/words/units';
import { problemText, qualityText } from './planWords';
import type { PlanProblem as Problem } from '@/work/bench/planNow';
import { t } from '@/words/bench';

/** Why what is asked for now cannot be planned. */
export function PlanProblem({ problem }: { problem: Problem | null }) {
  return problem ? (
    <View role="alert" className="border-[1.5px] border-caution bg-panel p-3 mt-3" testID="planProblem">
      <Txt tone="caution">{problemText(problem)}</Txt>
    </View>
  ) : null;
}

/** Drawn on its own: what it tells many times a second is not a matter of the plan beside it. */
function Search({ cancel }: { cancel: () => void }) {
  const share = useImproving();
  return share === null ? null : (
    <LongRunLine name={t('lookingForABetterPlan')} share={share} problem={null} onCancel={cancel} />
  );
}

/** How good the plan is proven to be, and the work on a better one. */
export function Improving({ state }: { state: ShopPlanState }) {
  const { now, answer } = state;
  if (!now) return null;
  const made = Math.max(now.plan.made, answer?.plan.made ?? 0);
  return (
    <View className="mt-2" testID="quality">
      <Txt size="s">{answer ? qualityText(now.plan.quality, made) : t('workingOutTheOrderAndThe')}</Txt>
      {state.change ? (
        <Txt size="s" testID="planChange">
          {state.change.jobs.length > 4
            ? t('andMore', {
                why: changeWords[state.change.why],
                list: state.change.jobs
                  .slice(0, 4)
                  .map((j) =>
                    j.toAt > j.fromAt
                      ? t('endsLater', { label: j.label, toAt: span(Math.abs(j.toAt - j.fromAt) / 1e3) })
                      : t('endsSooner', { label: j.label, toAt: span(Math.abs(j.toAt - j.fromAt) / 1e3) }),
                  )
                  .join('; '),
                length: state.change.jobs.length - 4,
              })
            : `${changeWords[state.change.why]} ${state.change.jobs
                .slice(0, 4)
                .map((j) =>
                  j.toAt > j.fromAt
                    ? t('endsLater', { label: j.label, toAt: span(Math.abs(j.toAt - j.fromAt) / 1e3) })
                    : t('endsSooner', { label: j.label, toAt: span(Math.abs(j.toAt - j.fromAt) / 1e3) }),
                )
                .join('; ')}.`}
        </Txt>
      ) : null}
      {now.plan.inserted.map((i) => (
        <Txt key={i.job + i.task} size="s" tone="caution">
          {t('itsWindowWasMissedAReheat', { label: now.shop.jobs.get(i.job)?.label ?? i.job })}
        </Txt>
      ))}
      {now.plan.missed.map((m) => (
        <Txt key={m.job + m.to} size="s" tone="caution">
          {now.shop.jobs.get(m.job)?.label ?? m.job}: {missedWords(m.to)}
        </Txt>
      ))}
      {now.shop.leftOut
        .filter((l) => l.why !== 'swollen')
        .map((l) => (
          <Txt key={l.job.id} size="s" tone="caution">
            {l.why === 'farAhead'
              ? t('waitsForLongerThanThePlan', { label: l.job.label })
              : t('cannotBePlannedWithWhatIs', { label: l.job.label })}
          </Txt>
        ))}
      {now.shop.late.length ? (
        <Txt size="s" tone="ink2">
          {t('outsideOpeningHoursThePlanCounts', { list: listed(now.shop.late) })}
        </Txt>
      ) : null}
      <Search cancel={state.cancel} />
    </View>
  );
}

const changeWords = {
  get noted() {
    return t('thePlanChangedWithWhatWas');
  },
  get better() {
    return t('aBetterOrderWasFound');
  },
  get late() {
    return t('somethingPlannedHasNotBegun');
  },
} as const;

const missedWords = (to: string): string =>
  to === 'clamped'
    ? t('closedAndNoClampsAreFree')
    : to === 'close'
      ? t('theBeadWasOpenForToo')
      : t('theWindowBeforeWasMissed', { task: taskName(to) });
