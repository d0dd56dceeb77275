import { useEffect, useRef } from 'react';
import { View } from 'react-native';

import type { wishCost } from '@/core/schedule/planWork';
import { shopBench } from '@/work/bench/shopBench';
import { useLongRun } from '@/bench-kit/useLongRun';
import type { PlanNow } from '@/work/bench/planNow';
import { Txt } from '@/ui/Txt';
import { span } from '@/words/units';
import { askWishCost } from '@/workers/scheduleClient';
import { labelsOf } from './planWords';
import { t } from '@/words/bench';

type Cost = ReturnType<typeof wishCost>;

/** What everything that was asked of the plan costs, against the plan without it. */
export function WishCost({ now }: { now: PlanNow }) {
  const { result, share, start } = useLongRun<Cost>();
  const wishes = now.input.jobs.reduce((n, j) => n + (j.closedAt === null ? j.wishes.size : 0), 0);
  const key = now.input.jobs
    .flatMap((j) => [...j.wishes.values()].map((w) => w.id))
    .sort()
    .join();
  const latest = useRef(now);
  useEffect(() => {
    latest.current = now;
  });
  // asked again when a wish changes, not with every tick of the clock
  useEffect(() => {
    if (!key) return;
    const { input, plan } = latest.current;
    const free = { ...input, jobs: input.jobs.map((j) => (j.wishes.size ? { ...j, wishes: new Map() } : j)) };
    void start(() => askWishCost(plan, shopBench(free).bench));
  }, [key, start]);
  if (!wishes) return null;
  const label = labelsOf(now.shop);
  return (
    <View className="mt-2" role="status" testID="wishCost">
      <Txt strong>{wishes === 1 ? t('wishInThePlan', { wishes }) : t('wishesInThePlan', { wishes })}</Txt>
      <Txt size="s">{result && share === null ? costText(result, label) : t('workingOutWhatItCosts')}</Txt>
    </View>
  );
}

function costText(c: Cost, label: (id: string) => string): string {
  const later = c.jobs.filter((j) => j.laterS > 0);
  const sooner = c.jobs.filter((j) => j.laterS < 0);
  if (!later.length && c.tardinessS < 30) return t('itCostsNothingNoJobEnds');
  return (
    [
      c.tardinessS >= 30 ? t('itCostsOfLateness', { max: span(Math.max(60, c.tardinessS)) }) : t('itCostsNoLateness'),
      ...(later.length
        ? [
            later
              .slice(0, 4)
              .map((j) => t('later', { job: label(j.job), laterS: span(j.laterS) }))
              .join(', '),
          ]
        : []),
      ...(sooner.length
        ? [
            sooner
              .slice(0, 3)
              .map((j) => t('sooner', { job: label(j.job), laterS: span(-j.laterS) }))
              .join(', '),
          ]
        : []),
    ].join('; ') + '.'
  );
}
