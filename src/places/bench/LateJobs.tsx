import { jointOf } from '@/core/device/jointKinds';
import { useState } from 'react';
import { View } from 'react-native';

import { mapJob } from '@/core/schedule/benchParts';
import { type LateJob } from '@/core/schedule/shopPlan';
import { type Rescue, type RescueIdea } from '@/core/schedule/rescues';
import { shopBench, type CureWay } from '@/work/bench/shopBench';
import { LongRunLine } from '@/bench-kit/LongRunLine';
import { useLongRun } from '@/bench-kit/useLongRun';
import type { PlanNow } from '@/work/bench/planNow';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { listed, span } from '@/words/units';
import { askRescues } from '@/workers/scheduleClient';
import { lateText, labelsOf, rescueText } from './planWords';
import { t } from '@/words/bench';

const stayS = 3600;
/** weight of a job that is put before everything else */
const firstWeight = 1000;

/** What could be changed for one job, each idea as a bench of its own. */
export function ideasFor(now: PlanNow, jobId: string): RescueIdea[] {
  const { plan, input, shop } = now;
  const job = shop.jobs.get(jobId)!;
  const ideas: RescueIdea[] = [
    { id: 'first', what: '', bench: mapJob(plan.bench, jobId, (j) => ({ ...j, weight: j.weight * firstWeight })) },
    { id: 'stayLonger', what: span(stayS), bench: shopBench({ ...input, stayS }).bench },
  ];
  const { closings } = jointOf(job.bond);
  const other: CureWay | undefined = closings.find((c) => c !== (job.route?.closedBy ?? closings[0]));
  if (!job.bonded && other)
    ideas.push({
      id: 'otherWay',
      what: other === 'tape' ? t('tape') : t('aBead'),
      bench: shopBench({ ...input, ways: new Map([...(input.ways ?? []), [jobId, [other]]]) }).bench,
    });
  // leaving one other job for the next day: the one whose work costs this one most
  const rivals = plan.bench.jobs.filter((j) => j.id !== jobId && !plan.bench.started.some((s) => s.job === j.id));
  for (const r of rivals.slice(0, 3))
    ideas.push({
      id: 'dropOthers',
      what: labelsOf(shop)(r.id),
      bench: mapJob(plan.bench, r.id, (j) => ({ ...j, releaseS: Math.max(j.releaseS, plan.bench.nowS + 12 * 3600) })),
    });
  return ideas;
}

/** Jobs that the plan cannot bring in time, by how much, and what would help. */
export function LateJobs({ now, at }: { now: PlanNow; at: number }) {
  const { late } = now.plan;
  const [first] = late;
  if (!first) return null;
  const text = (l: LateJob) => lateText(now.shop, l.job, l.endS, l.tardinessS, at);
  return (
    <View
      role="region"
      aria-label={t('lateJobs')}
      className="border-[1.5px] border-caution bg-panel px-3 mt-3"
      testID="late"
    >
      <Disclosure
        bare
        tone="caution"
        title={
          late.length === 1
            ? text(first)
            : t('lateLine', { count: late.length, list: listed(late.map((l) => labelsOf(now.shop)(l.job))) })
        }
      >
        {late.map((l) => (
          <Late key={l.job} late={l} now={now} text={late.length === 1 ? null : text(l)} at={at} />
        ))}
      </Disclosure>
    </View>
  );
}

function Late({ late, now, text, at }: { late: LateJob; now: PlanNow; text: string | null; at: number }) {
  const long = useLongRun<Rescue[]>();
  const [asked, setAsked] = useState(false);
  const helps = long.result;
  return (
    <View className="mb-2">
      {text ? (
        <Txt strong tone="caution">
          {text}
        </Txt>
      ) : null}
      {helps?.map((r) => (
        <Txt key={r.id + r.what} size="s" className="mt-1">
          {rescueText(r, now.shop, at)}
        </Txt>
      ))}
      {helps && !helps.length ? <Txt size="s">{t('nothingThatWasTriedBringsIt')}</Txt> : null}
      <LongRunLine name={t('trying')} share={long.share} problem={long.problem} onCancel={long.cancel} />
      {asked && (helps || long.share !== null) ? null : (
        <Button
          kind="small"
          label={t('whatWouldSaveIt')}
          onPress={() => {
            setAsked(true);
            void long.start(() => askRescues({ plan: now.plan, job: late.job, ideas: ideasFor(now, late.job) }));
          }}
        />
      )}
    </View>
  );
}
