import { View } from 'react-native';

import { LongRunLine } from '@/bench-kit/LongRunLine';
import type { ShopPlanState } from '@/bench-kit/useShopPlan';
import { Txt } from '@/ui/Txt';
import { taskName } from '@/model/taskNames';
import { span } from '@/words/units';
import { qualityText } from './planWords';

/** Why what is asked for now cannot be planned. */
export function PlanProblem({ problem }: { problem: string | null }) {
  return problem ? (
    <View role="alert" className="border-[1.5px] border-caution bg-panel p-3 mt-3" testID="planProblem">
      <Txt tone="caution">{problem}</Txt>
    </View>
  ) : null;
}

/** How good the plan is proven to be, and the work on a better one. */
export function Improving({ state }: { state: ShopPlanState }) {
  const { now, answer, improving } = state;
  if (!now) return null;
  const made = Math.max(now.plan.made, answer?.plan.made ?? 0);
  return (
    <View className="mt-2" testID="quality">
      <Txt size="s">{answer ? qualityText(now.plan.quality, made) : 'Working out the order and the times.'}</Txt>
      {state.change ? (
        <Txt size="s" testID="planChange">
          {changeWords[state.change.why]}{' '}
          {state.change.jobs
            .slice(0, 4)
            .map(
              (j) =>
                `${j.label} ends ${span(Math.abs(j.toAt - j.fromAt) / 1e3)} ${j.toAt > j.fromAt ? 'later' : 'sooner'}`,
            )
            .join('; ')}
          {state.change.jobs.length > 4 ? `; and ${state.change.jobs.length - 4} more` : ''}.
        </Txt>
      ) : null}
      {now.plan.inserted.map((i) => (
        <Txt key={i.job + i.task} size="s" tone="caution">
          {now.shop.jobs.get(i.job)?.label ?? i.job}: its window was missed, a reheat is planned.
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
            {l.job.label}{' '}
            {l.why === 'farAhead'
              ? 'waits for longer than the plan looks ahead: it is left out.'
              : 'cannot be planned with what is noted: open it to see which entry it is.'}
          </Txt>
        ))}
      {now.shop.late.length ? (
        <Txt size="s" tone="ink2">
          Outside the opening hours: counted on {now.shop.late.join(' and ')} for an hour and a half from now.
        </Txt>
      ) : null}
      {improving !== null ? (
        <LongRunLine name="Looking for a better plan" share={improving} problem={null} onCancel={state.cancel} />
      ) : null}
    </View>
  );
}

const changeWords = {
  noted: 'The plan changed with what was noted:',
  better: 'A better order was found:',
  late: 'Something planned has not begun:',
} as const;

const missedWords = (to: string): string =>
  to === 'clamped'
    ? 'closed, and no clamps are free for it.'
    : to === 'close'
      ? 'the bead was open for too long; it has to be laid again.'
      : `the window before ${taskName(to).toLowerCase()} was missed.`;
