import { Link, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { needsOf } from '@/core/schedule/nextHands';
import type { PlanEntry } from '@/core/schedule/types';
import type { JobState } from '@/model/fold';
import { isTask, stageOf, taskName } from '@/model/taskNames';
import { useActions } from '@/bench-kit/actions';
import { resourceName } from '@/work/bench/shopBench';
import { stageHref } from '@/bench-kit/stageHref';
import type { PlanNow } from '@/work/bench/planNow';
import { Entry } from '@/bench-kit/Why';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { DateTimeField } from '@/ui/DateTimeField';
import { Txt } from '@/ui/Txt';
import { dayTime, span, time } from '@/words/units';
import { atOf } from './planWords';

const horizonMs = 85 * 86400e3;
const anybody = '';

/** One task of the plan: when and by whom, and what is wished of it. */
export function TaskEdit({ entry, job, now, at }: { entry: PlanEntry; job: JobState; now: PlanNow; at: number }) {
  const settings = useSettings();
  const { log } = useActions(job);
  const [because, setBecause] = useState('');
  const { shop, plan } = now;
  const use = Object.keys(needsOf(plan.bench, entry));
  const people = use.some((r) => r.startsWith('person:'));
  const going = plan.bench.started.some(
    (s) => s.job === entry.job && s.task === entry.task && s.startS <= plan.bench.nowS,
  );
  const begun = going && job.works.findLast((w) => w.stage === stageOf(entry.task))?.to === 'begun' && people;
  const task = isTask(entry.task) ? entry.task : null;
  const wish = task ? job.wishes.get(task) : undefined;
  const put = (kind: 'notBefore' | 'pinned' | 'who' | 'free', wishAt: number | null, person: string | null) => {
    if (!task) return;
    void log([
      {
        type: 'planWish',
        task,
        kind,
        wishAt,
        person,
        heater: null,
        ...(because.trim() ? { because: because.trim().slice(0, 500) } : {}),
      },
    ]);
    setBecause('');
  };
  const keepAt = wish?.wishAt ?? null;
  const keepKind = wish && wish.kind !== 'free' ? wish.kind : 'who';
  const fromAt = atOf(shop, entry.startS);
  return (
    <View className="border-[1.5px] border-ink bg-panel p-3 my-2" testID="taskEdit">
      <Txt strong level={3}>
        {taskName(entry.task)} {job.label}
      </Txt>
      <Txt size="s" tone="ink2">
        {dayTime(fromAt, at)} to {time(atOf(shop, entry.endS))}, {span(entry.endS - entry.startS)}
        {use.length ? `, ${use.map((r) => resourceName(settings, r)).join(', ')}` : ', by itself'}
        {plan.bench.jobs.find((j) => j.id === entry.job)!.variants.length > 1
          ? `; the plan closes it by ${entry.variant}`
          : ''}
      </Txt>
      <Link href={stageHref(job.id, stageOf(entry.task)) as Href} className="font-body text-m text-ink underline py-2">
        Go to {job.label}
      </Link>
      {going || !task ? (
        <>
          <Txt size="s">
            {going ? 'It has begun: the plan does not move it.' : 'Put in by the plan: a window was missed.'}
          </Txt>
          {begun ? (
            <Button
              kind="small"
              label="Lay it aside"
              onPress={() => void log([{ type: 'work', stage: stageOf(entry.task), to: 'aside' }])}
            />
          ) : null}
        </>
      ) : (
        <>
          <DateTimeField
            label="Not before"
            value={wish?.kind === 'notBefore' ? wish.wishAt : null}
            now={at}
            from={at}
            to={at + horizonMs}
            onCommit={(v) => put('notBefore', v, wish?.person ?? null)}
          />
          <DateTimeField
            label="Exactly at"
            value={wish?.kind === 'pinned' ? wish.wishAt : null}
            now={at}
            from={at}
            to={at + horizonMs}
            onCommit={(v) => put('pinned', v, wish?.person ?? null)}
          />
          {people ? (
            <Choice
              label="Who"
              value={wish?.person ?? anybody}
              options={[{ id: anybody, name: 'Anybody' }, ...settings.people.map((p) => ({ id: p, name: p }))]}
              onChange={(p) => put(p === anybody && keepAt === null ? 'free' : keepKind, keepAt, p || null)}
            />
          ) : null}
          <Entry label="Because" value={because} onChange={setBecause} max={500} />
          <View className="flex-row gap-3 mt-2">
            <View className="flex-1">
              <Button
                kind="small"
                label="Keep it there"
                disabled={fromAt <= at + 60e3}
                onPress={() => put('pinned', fromAt, wish?.person ?? null)}
              />
            </View>
            <View className="flex-1">
              <Button kind="small" label="Free again" disabled={!wish} onPress={() => put('free', null, null)} />
            </View>
          </View>
        </>
      )}
    </View>
  );
}
