import { told } from '@/words/told';
import { Link, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { needsOf } from '@/core/schedule/benchParts';
import type { PlanEntry } from '@/core/schedule/types';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { stageDefs } from '@/model/stageDefs';
import { isTask, stageOf } from '@/model/taskNames';
import { taskName } from '@/words/stageWords';
import { PracticeAsked } from '@/bench-kit/PracticeAsked';
import { useActions } from '@/bench-kit/actions';
import { bareId, resourceName } from '@/work/bench/shopBench';
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
import { t } from '@/words/bench';

const horizonMs = 85 * 86400e3;
const anybody = '';

/** From when to when, how long, with what, and how it is closed where there is a choice. */
function whenLine(entry: PlanEntry, { shop, plan }: PlanNow, settings: Settings, at: number): string {
  const use = Object.keys(needsOf(plan.bench, entry));
  const of = {
    fromAt: dayTime(atOf(shop, entry.startS), at),
    shop: time(atOf(shop, entry.endS)),
    endS: span(entry.endS - entry.startS),
  };
  const chosen = plan.bench.jobs.find((j) => j.id === entry.job)!.variants.length > 1;
  if (!use.length)
    return chosen ? t('toByItselfThePlanCloses', { ...of, variant: entry.variant }) : t('toByItself', of);
  const list = use.map((r) => told(resourceName(settings, r))).join(', ');
  return chosen ? t('toThePlanClosesItBy', { ...of, list, variant: entry.variant }) : t('to2', { ...of, list });
}

/** One task of the plan: when and by whom, and what is wished of it. */
export function TaskEdit({ entry, job, now, at }: { entry: PlanEntry; job: JobState; now: PlanNow; at: number }) {
  const settings = useSettings();
  const { log } = useActions(job);
  const [because, setBecause] = useState('');
  const { shop, plan } = now;
  const use = Object.keys(needsOf(plan.bench, entry));
  const persons = use.flatMap((r) => (r.startsWith('person:') ? [bareId(r)] : []));
  const people = persons.length > 0;
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
  const { how } = stageDefs[stageOf(entry.task)].work;
  const keepAt = wish?.wishAt ?? null;
  const keepKind = wish && wish.kind !== 'free' ? wish.kind : 'who';
  const fromAt = atOf(shop, entry.startS);
  return (
    <View className="border-[1.5px] border-ink bg-panel p-3 my-2" testID="taskEdit">
      <Txt strong level={3}>
        {taskName(entry.task)} {job.label}
      </Txt>
      <Txt size="s" tone="ink2">
        {whenLine(entry, now, settings, at)}
      </Txt>
      {how === 'heat' || how === 'lift' ? persons.map((who) => <PracticeAsked key={who} job={job} who={who} />) : null}
      <Link href={stageHref(job.id, stageOf(entry.task)) as Href} className="font-body text-m text-ink underline py-2">
        {t('goTo', { label: job.label })}
      </Link>
      {going || !task ? (
        <>
          <Txt size="s">{going ? t('itHasBegunThePlanDoes') : t('putInByThePlanA')}</Txt>
          {begun ? (
            <Button
              kind="small"
              label={t('layItAside')}
              onPress={() => void log([{ type: 'work', stage: stageOf(entry.task), to: 'aside' }])}
            />
          ) : null}
        </>
      ) : (
        <>
          <DateTimeField
            label={t('notBefore2')}
            value={wish?.kind === 'notBefore' ? wish.wishAt : null}
            now={at}
            from={at}
            to={at + horizonMs}
            onCommit={(v) => put('notBefore', v, wish?.person ?? null)}
          />
          <DateTimeField
            label={t('exactlyAt')}
            value={wish?.kind === 'pinned' ? wish.wishAt : null}
            now={at}
            from={at}
            to={at + horizonMs}
            onCommit={(v) => put('pinned', v, wish?.person ?? null)}
          />
          {people ? (
            <Choice
              label={t('who')}
              value={wish?.person ?? anybody}
              options={[{ id: anybody, name: t('anybody') }, ...settings.people.map((p) => ({ id: p, name: p }))]}
              onChange={(p) => put(p === anybody && keepAt === null ? 'free' : keepKind, keepAt, p || null)}
            />
          ) : null}
          <Entry label={t('because')} value={because} onChange={setBecause} max={500} />
          <View className="flex-row gap-3 mt-2">
            <View className="flex-1">
              <Button
                kind="small"
                label={t('keepItThere')}
                disabled={fromAt <= at + 60e3}
                onPress={() => put('pinned', fromAt, wish?.person ?? null)}
              />
            </View>
            <View className="flex-1">
              <Button kind="small" label={t('freeAgain')} disabled={!wish} onPress={() => put('free', null, null)} />
            </View>
          </View>
        </>
      )}
    </View>
  );
}
