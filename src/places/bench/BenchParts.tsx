import { said } from '@/words/codes';
import { useState } from 'react';
import { Pressable, View } from 'react-native';

import type { Instead } from '@/core/schedule/shopPlan';
import { bareId } from '@/work/bench/shopBench';
import { type ShopPlanState } from '@/bench-kit/useShopPlan';
import { CountTo, Ticking } from '@/bench-kit/CountTo';
import { Entry } from '@/bench-kit/Why';
import { useReadingText } from '@/store/reading';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Mark } from '@/ui/Mark';
import { Txt } from '@/ui/Txt';
import { dayTime } from '@/words/units';
import { type BenchItem } from './benchItems';
import { LateJobs } from './LateJobs';
import { NextCard } from './NextCard';
import { type NextUp } from './nextShown';
import { Improving, PlanProblem } from './PlanState';
import { atOf, insteadText, labelsOf, taskTitle } from './planWords';

import type { BenchNow } from './useBench';
import { t as tr } from '@/words/bench';

/** Hands needed next, everybody else, and what is late. */
export function BenchTop({
  bench: { now, shop, state, items, next, others, planning, open, insteadStart },
}: {
  bench: BenchNow;
}) {
  const readingText = useReadingText();
  const card = next ? (
    <NextCard shown={next.shown} who={next.who} onPress={() => open(next.job, next.stage)} />
  ) : planning ? (
    <Txt tone="ink2">{tr('planning')}</Txt>
  ) : shop ? (
    <View className="bg-panel border-[1.5px] border-ink p-4 mt-1">
      <Txt strong size="l" level={2}>
        {tr('nothingOnTheBench')}
      </Txt>
      <Txt tone="ink2">{tr('startWithANewJobThe')}</Txt>
    </View>
  ) : (
    <Txt tone="ink2">{readingText}</Txt>
  );
  return (
    <>
      <View {...({ dataSet: { benchRead: next || (shop && !planning) ? 'true' : 'false' } } as object)}>{card}</View>
      {others.map((o) => (
        <Txt key={o.who} className="mt-2">
          {o.who}: {o.text}
        </Txt>
      ))}
      <PlanProblem problem={state.problem} />
      {state.now && items.length ? <WhyNext state={state} next={next} now={now} onInstead={insteadStart} /> : null}
      {state.now && state.answer ? <LateJobs now={state.now} at={now} /> : null}
    </>
  );
}

/** Everything else that is open. */
export function BenchLists({ bench, only }: { bench: BenchNow; only: readonly ('hands' | 'runs' | 'waits')[] }) {
  const { now, state, open } = bench;
  const titles = { hands: tr('needsHandsAfterThat'), runs: tr('runsByItself'), waits: tr('waits') };
  return only.map((of) => (
    <Group
      key={of}
      title={titles[of]}
      items={bench[of]}
      now={now}
      state={state}
      onGo={(i) => open(i.job, i.stage, i.joint ?? null)}
    />
  ));
}

interface WhyNextProps {
  state: ShopPlanState;
  next: NextUp | null;
  now: number;
  onInstead: (o: Instead, because: string) => void;
}

/** Why this comes first, what it would cost to put another one first, and how good the plan is. */
function WhyNext({ state, next, now, onInstead }: WhyNextProps) {
  const [because, setBecause] = useState('');
  const plan = state.now!;
  const first = state.answer?.others?.first;
  const fits = first && next?.hands && first.job === next.hands.entry.job && first.task === next.hands.entry.task;
  const list = fits ? (state.answer?.others?.others ?? []) : [];
  const promise = next ? state.answer?.promises.jobs.find((p) => p.job === next.job.id) : null;
  const at = (s: number) => dayTime(atOf(plan.shop, s), now);
  return (
    <Disclosure title={tr('whyAndWhatElse')}>
      {promise ? (
        <Txt size="s">
          {promise.inTime === null
            ? tr('mostLikelyReady4TimesIn', {
                label: next!.job.label,
                p50S: at(promise.p50S),
                p80S: at(promise.p80S),
                p95S: at(promise.p95S),
              })
            : tr('mostLikelyReady4TimesIn2', {
                label: next!.job.label,
                p50S: at(promise.p50S),
                p80S: at(promise.p80S),
                p95S: at(promise.p95S),
                inTime: Math.round(promise.inTime * 100),
              })}
        </Txt>
      ) : null}
      {list.map((o) => (
        <View key={o.job} className="flex-row items-center gap-2 border-b border-rule py-1">
          <Txt size="s" className="flex-1">
            {insteadText(o, plan.shop)}
          </Txt>
          <Button
            kind="small"
            label={tr('startInstead', { job: labelsOf(plan.shop)(o.job) })}
            onPress={() => onInstead(o, because)}
          />
        </View>
      ))}
      {list.length ? <Entry label={tr('because')} value={because} onChange={setBecause} max={500} /> : null}
      <Improving state={state} />
      <Txt size="s" tone="ink2">
        {tr('leastLatenessFirstByWeightThen')}
      </Txt>
    </Disclosure>
  );
}

/** Of what runs: how much of its time is left. */
const leftOf = (i: BenchItem, now: number): number | undefined =>
  i.sinceAt === undefined || i.dueAt === null ? undefined : (i.dueAt - now) / Math.max(1, i.dueAt - i.sinceAt);

interface GroupProps {
  title: string;
  items: BenchItem[];
  now: number;
  state: ShopPlanState;
  onGo: (i: BenchItem) => void;
}

function Group({ title, items, now, state, onGo }: GroupProps) {
  if (!items.length) return null;
  const late = new Set(state.now?.plan.late.map((l) => l.job));
  return (
    <View className="mt-4">
      <Txt strong level={2}>
        {title}
      </Txt>
      {items.map((i) => (
        <Pressable
          key={`${i.job.id} ${i.joint ?? ''}`}
          role="button"
          aria-label={`${i.title}, ${planned(i, state, now) ?? i.line}`}
          onPress={() => onGo(i)}
          className="flex-row items-center gap-3 min-h-[60px] border-b border-rule"
        >
          <Mark state={i.state} size={i.state === 'runs' ? 34 : 24} left={leftOf(i, now)} />
          <View className="flex-1 py-2">
            <Txt strong>{i.title}</Txt>
            {i.lineAt ? (
              <Ticking size="s" tone="ink2" of={(at) => `${i.job.device.name} · ${i.lineAt!(at)}`} />
            ) : (
              <Txt size="s" tone="ink2">
                {i.job.device.name} · {planned(i, state, now) ?? i.line}
              </Txt>
            )}
          </View>
          <View className="items-end max-w-[124px]">
            {i.dueAt !== null && i.state !== 'waits' ? (
              <CountTo at={i.dueAt} plain size="l" tone={i.dueAt < now ? 'caution' : 'ink'} />
            ) : null}
            {i.job.promiseAt ? (
              <Txt
                size="s"
                num
                className="text-right"
                tone={i.job.promiseAt < now || late.has(i.job.id) ? 'caution' : 'ink2'}
              >
                {late.has(i.job.id)
                  ? tr('promisedLate', { promiseAt: dayTime(i.job.promiseAt, now) })
                  : tr('promised', { promiseAt: dayTime(i.job.promiseAt, now) })}
              </Txt>
            ) : null}
          </View>
        </Pressable>
      ))}
    </View>
  );
}

/** When the plan has hands for a job that waits, or what it waits for. */
function planned(i: BenchItem, state: ShopPlanState, now: number): string | null {
  if (i.state !== 'waits' || !state.now) return null;
  const { shop, plan } = state.now;
  if (i.job.partDue?.dueAt != null && !i.job.bonded)
    return i.job.partDue.dueAt > now
      ? tr('comes', { part: i.job.partDue.part || 'part', dueAt: dayTime(i.job.partDue.dueAt, now) })
      : tr('shouldHaveCome', { part: i.job.partDue.part || 'part', dueAt: dayTime(i.job.partDue.dueAt, now) });
  const started = new Set(plan.bench.started.map((s) => `${s.job}|${s.task}`));
  const e = plan.plan.find((x) => x.job === i.job.id && !started.has(`${x.job}|${x.task}`));
  if (!e) return null;
  const mode = plan.bench.jobs
    .find((j) => j.id === e.job)
    ?.variants.find((v) => v.id === e.variant)
    ?.tasks.find((t) => t.id === e.task)?.modes[e.mode];
  const who = Object.keys(mode?.use ?? {}).find((r) => r.startsWith('person:'));
  const from = atOf(shop, e.startS);
  const of = { task: taskTitle(e.task, '').trim(), at: from <= now + 30e3 ? said('now') : dayTime(from, now) };
  return who ? tr('taskAtBy', { ...of, person: bareId(who) }) : tr('taskAt', of);
}
