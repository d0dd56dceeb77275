import { useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';

import { needsOf } from '@/core/schedule/benchParts';
import type { PlanEntry } from '@/core/schedule/types';
import { useActionsOn } from '@/bench-kit/actions';
import { bareId } from '@/work/bench/shopBench';
import type { PlanNow } from '@/work/bench/planNow';
import { useJobs, useSettings } from '@/store/shop';
import { Choice } from '@/ui/Choice';
import { refused, type Told, Message } from '@/ui/Message';
import { Txt } from '@/ui/Txt';
import { dayTime, time } from '@/words/units';
import { lanesOf } from '@/work/bench/lanes';
import { atOf, entryText } from './planWords';
import { TaskEdit } from './TaskEdit';
import { TimeLine, type Dropped } from './TimeLine';
import { t } from '@/words/bench';

const hour = 3600e3;
export type Stretch = 'two' | 'day' | 'days';

/** First and last instant that are drawn. */
export function stretchOf(which: Stretch, now: PlanNow, at: number): { from: number; to: number } {
  if (which === 'two') return { from: at - 10 * 60e3, to: at + 2 * hour };
  if (which === 'days') return { from: at - hour, to: at + 72 * hour };
  const ends = [...now.shop.spans.values()].flat();
  const today = ends.filter((s) => s.from <= at && s.to > at);
  const next = ends.filter((s) => s.from > at).sort((a, b) => a.from - b.from)[0];
  const close = Math.max(
    at + 3 * hour,
    ...(today.length
      ? ends.filter((s) => s.from < at + 18 * hour && sameDay(s.to, at)).map((s) => s.to)
      : next
        ? [next.to]
        : []),
  );
  return { from: at - 20 * 60e3, to: Math.ceil(close / (30 * 60e3)) * 30 * 60e3 };
}
const sameDay = (a: number, b: number) => new Date(a).toDateString() === new Date(b).toDateString();

interface PlanViewProps {
  now: PlanNow;
  at: number;
  width: number;
  first?: Stretch;
  /** with the list of every task under it */
  list?: boolean;
}

/** The plan as rows and, for those who read or cannot drag, as a list: the same tasks and the same ways to change them. */
export function PlanView({ now, at, width, first = 'two', list = false }: PlanViewProps) {
  const settings = useSettings();
  const jobs = useJobs();
  const logOn = useActionsOn();
  const [which, setWhich] = useState<Stretch>(first);
  /** chosen on the picture or in the list: its sheet stands where it was chosen */
  const [chosen, setChosen] = useState<{ job: string; task: string; inList: boolean } | null>(null);
  const [told, setTold] = useState<Told | null>(null);
  const [shown, setShown] = useState(24);
  const { shop, plan } = now;
  const { from, to } = stretchOf(which, now, at);
  const lanes = lanesOf(now, settings, from, to);
  const entry = chosen ? (plan.plan.find((e) => e.job === chosen.job && e.task === chosen.task) ?? null) : null;
  // the job as it is now: the plan that is shown may be the last that held, from before the wish that broke it
  const job = entry ? (jobs.find((j) => j.id === entry.job) ?? null) : null;
  const drop = ({ bar, at: when, lane }: Dropped) => {
    const { job: jobId, task } = bar.entry;
    setChosen({ job: jobId, task, inList: false });
    if (task.includes('.reheat')) return setTold(refused(t('aReheatThatThePlanPut')));
    if (when < at) return setTold(refused(t('isOverEnterATimeFrom', { label: bar.label, when: time(when) })));
    const person = lane?.kind === 'person' ? bareId(lane.id) : null;
    setTold({
      text: person
        ? t('notBeforeBy', { label: bar.label, when: dayTime(when, at), person })
        : t('notBefore', { label: bar.label, when: dayTime(when, at) }),
      bad: false,
    });
    void logOn(jobId, [
      {
        type: 'planWish',
        task: task as never,
        kind: 'notBefore',
        wishAt: when,
        person,
        heater: null,
        because: 'dragged',
      },
    ]);
  };
  const edit =
    entry && job ? <TaskEdit key={`${entry.job}${entry.task}`} entry={entry} job={job} now={now} at={at} /> : null;
  const going = new Set(plan.bench.started.map((s) => `${s.job}|${s.task}`));
  const rows = plan.plan.filter((e) => atOf(shop, e.endS) > at);
  // a task that is put off far stays in sight while it is being changed
  const upTo = Math.max(
    shown,
    chosen?.inList ? rows.findIndex((e) => e.job === chosen.job && e.task === chosen.task) + 1 : 0,
  );
  return (
    <View className="mt-3">
      <Choice
        label={t('show')}
        value={which}
        options={[
          { id: 'two', name: t('n2Hours') },
          { id: 'day', name: t('day') },
          { id: 'days', name: t('n3Days') },
        ]}
        onChange={setWhich}
      />
      <TimeLine
        lanes={lanes}
        fromAt={from}
        toAt={to}
        now={at}
        width={width}
        chosen={chosen}
        onChoose={(b) => setChosen({ job: b.entry.job, task: b.entry.task, inList: false })}
        onDrop={drop}
      />
      <Txt size="s" tone="ink2">
        {t('filledHasBegunDashedRunsBy')}
      </Txt>
      <Message told={told} />
      {chosen?.inList ? null : edit}
      {list ? (
        <View className="mt-3">
          <Txt strong level={2}>
            {t('theSameAsAList')}
          </Txt>
          <View role="list" aria-label={t('tasksOfThePlan')}>
            {rows.slice(0, upTo).map((e) => (
              <Row
                key={`${e.job}${e.task}`}
                e={e}
                now={now}
                at={at}
                going={going.has(`${e.job}|${e.task}`)}
                edit={chosen?.inList && chosen.job === e.job && chosen.task === e.task ? edit : null}
                onPress={() =>
                  setChosen(
                    chosen?.job === e.job && chosen.task === e.task ? null : { job: e.job, task: e.task, inList: true },
                  )
                }
              />
            ))}
          </View>
          {rows.length > upTo ? (
            <Pressable
              role="button"
              aria-label={t('more', { length: rows.length - upTo })}
              className="min-h-touch justify-center"
              onPress={() => setShown(upTo + 40)}
            >
              <Txt className="underline">{t('more', { length: rows.length - upTo })}</Txt>
            </Pressable>
          ) : null}
        </View>
      ) : null}
    </View>
  );
}

interface RowProps {
  e: PlanEntry;
  now: PlanNow;
  at: number;
  going: boolean;
  edit: ReactNode;
  onPress: () => void;
}

function Row({ e, now, at, going, edit, onPress }: RowProps) {
  const settings = useSettings();
  const use = Object.keys(needsOf(now.plan.bench, e));
  const late = now.plan.late.some((l) => l.job === e.job);
  const text = entryText(now.shop, e, use, settings, at);
  return (
    <View role="listitem">
      <Pressable
        role="button"
        aria-label={
          going
            ? late
              ? t('hasBegunItsJobIsLate', { text })
              : t('hasBegun', { text })
            : late
              ? t('itsJobIsLate', { text })
              : text
        }
        aria-expanded={edit !== null}
        onPress={onPress}
        className="min-h-touch flex-row items-center gap-3 border-b border-rule"
      >
        <Txt num size="s" className="w-[104px]">
          {dayTime(atOf(now.shop, e.startS), at)}
        </Txt>
        <Txt size="s" className="flex-1" tone={late ? 'caution' : 'ink'} strong={going}>
          {going
            ? late
              ? t('hasBegunLate', { indexOf: text.slice(text.indexOf(', ') + 2) })
              : t('hasBegun2', { indexOf: text.slice(text.indexOf(', ') + 2) })
            : late
              ? t('late', { indexOf: text.slice(text.indexOf(', ') + 2) })
              : text.slice(text.indexOf(', ') + 2)}
        </Txt>
      </Pressable>
      {edit}
    </View>
  );
}
