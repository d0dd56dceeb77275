import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';

import { reached } from '@/core/practice/goal';
import type { HandAction } from '@/core/practice/happened';
import { drawVisitor, visitorAt, type VisitorNow } from '@/core/practice/visitor';
import { foldJob, type JobState } from '@/model/fold';
import { changePractice, sideOf, type PracticeRun } from '@/store/practice';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { playedOn, waited, type Done } from '@/work/practice/replay';
import { t } from '@/words/practice';
import { clock } from '@/words/units';
import { ExerciseFrame, type FrameProps } from './ExerciseFrame';
import { Hands } from './Hands';
import { useBench, useLab } from './useLab';

/** Two devices and one pair of hands: the one that is looked at, how the other one stands, and the counter. */
export function TwoFrame({ run, job, children }: FrameProps) {
  const { stage = '' } = useLocalSearchParams<{ stage?: string }>();
  const mine = useMemo(() => sideOf(run, job.id), [run, job.id]);
  const lab = useLab(mine, job);
  const others = job.id === run.id ? run.second!.id : run.id;
  const other = useMemo(() => sideOf(run, others), [run, others]);
  const otherJob = useMemo(() => foldJob(other.events)!, [other.events]);
  const { nowS } = lab;
  const otherOver = useOver(other, otherJob, nowS);
  const own = lab.state && lab.lab ? { over: isOver(lab.lab, lab.state) } : { over: false };
  const visitor = useMemo(() => drawVisitor(run.seed), [run.seed]);
  const counter = visitorAt(visitor, run.wentS ?? null, nowS);
  const away = counter.what === 'withYou';
  const phones = [
    { job: job.id === run.id ? job : otherJob, over: job.id === run.id ? own.over : otherOver },
    { job: job.id === run.id ? otherJob : job, over: job.id === run.id ? otherOver : own.over },
  ];
  return (
    <ExerciseFrame
      run={mine}
      nowS={nowS}
      bar={
        <View
          className="bg-panel border-b border-rule px-4 py-1 gap-1 no-print"
          role="region"
          aria-label={t('bothPhones')}
        >
          <Phones phones={phones} here={job.id} startMs={run.startMs} nowS={nowS} shut={away} />
          <Counter now={counter} guided={run.way === 'guided'} stands={run.speed === 0} nowS={nowS} />
        </View>
      }
      hands={away ? null : <Hands run={mine} lab={lab} stage={stage} alone={otherOver && counterOver(counter)} />}
    >
      {away ? (
        <View className="flex-1 p-4 gap-2" role="main" testID="atCounter">
          <Txt strong size="xl" level={1}>
            {t('atCounter', { left: clock(counter.leftS) })}
          </Txt>
          <Txt>{t('atCounterWhy')}</Txt>
        </View>
      ) : (
        children
      )}
    </ExerciseFrame>
  );
}

const counterOver = (c: VisitorNow) => c.what === 'done' || c.what === 'gone';

type On = NonNullable<ReturnType<typeof useBench>>;
const isOver = (on: On, s: Parameters<typeof reached>[1]) =>
  s.broke !== null || s.flash || s.hurt.length > 0 || reached(on.goal, s, on.firstEdge);

/** Whether the device that is not looked at is done, or past help. */
function useOver(run: PracticeRun, job: JobState, nowS: number): boolean {
  const on = useBench(run, job);
  const played = useMemo(
    () => (on ? playedOn(on.bench, run.acts as readonly Done<HandAction>[]) : null),
    [on, run.acts],
  );
  return on && played ? isOver(on, waited(on.bench, played.state, nowS).state) : false;
}

/** How both stand, and the way to the other one. */
function Phones({
  phones,
  here,
  startMs,
  nowS,
  shut,
}: {
  phones: readonly { job: JobState; over: boolean }[];
  here: string;
  startMs: number;
  nowS: number;
  shut: boolean;
}) {
  const router = useRouter();
  return (
    <View role="radiogroup" aria-label={t('bothPhones')} className="flex-row gap-2">
      {phones.map(({ job, over }) => {
        const on = job.id === here;
        const state = over ? t('phoneDone') : heatState(job, startMs, nowS);
        return (
          <Pressable
            key={job.id}
            role="radio"
            aria-checked={on}
            aria-disabled={shut}
            aria-label={t('phoneState', { phone: job.label, state })}
            onPress={() => (on || shut ? undefined : router.replace(`/jobs/${job.id}/${job.stage}` as Href))}
            className={`flex-1 min-h-touch px-2 justify-center rounded-card border-[1.5px] border-ink ${on ? 'bg-ink' : 'bg-panel'}`}
          >
            <Txt strong size="s" tone={on ? 'onInk' : 'ink'}>
              {job.label}
            </Txt>
            <Txt size="s" num tone={on ? 'onInk' : 'ink2'}>
              {state}
            </Txt>
          </Pressable>
        );
      })}
    </View>
  );
}

/** Since when it lies on the heat or is off it. */
function heatState(job: JobState, startMs: number, nowS: number): string {
  const last = job.effective.findLast((e) => e.type === 'heatOn' || e.type === 'heatOff');
  if (!last) return t('phoneCold');
  const since = clock(Math.max(0, nowS - (last.at - startMs) / 1e3));
  return last.type === 'heatOn' ? t('phoneOnHeat', { since }) : t('phoneOff', { since });
}

/** Who waits at the counter. */
function Counter({ now, guided, stands, nowS }: { now: VisitorNow; guided: boolean; stands: boolean; nowS: number }) {
  if (now.what === 'notYet' || now.what === 'withYou') return null;
  if (now.what !== 'waits')
    return (
      <Txt size="s" tone={now.what === 'gone' ? 'caution' : 'go'} testID="counter">
        {now.what === 'gone' ? t('counterGone') : t('counterDone')}
      </Txt>
    );
  return (
    <View className="gap-1">
      <View className="flex-row items-center gap-2">
        <Txt strong size="s" className="flex-1" testID="counter">
          {t('counterWaits', { left: clock(now.leftS) })}
        </Txt>
        <Button
          kind="small"
          label={t('counterGo')}
          disabled={stands}
          onPress={() => changePractice((r) => ({ ...r, wentS: nowS }))}
        />
      </View>
      {guided ? (
        <Txt size="s" tone="ink2">
          {t('counterAdvice')}
        </Txt>
      ) : null}
    </View>
  );
}
