import { useRouter } from 'expo-router';
import { useState } from 'react';

import type { RouteOption } from '@/core/intake/route';
import { internalsOutOf } from '@/core/intake/works';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { useCrackMap } from '@/bench-kit/crackMap';
import { backHref } from '@/bench-kit/cameFrom';
import { useJobs, useSettings } from '@/store/shop';
import { price } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { adviceOf, breakPlan, chosenOption, closedByOf, factsOf } from '@/work/intake/facts';
import { routeCall } from './routeCall';

/** The fields of a recorded route without those of its event. */
function pick(c: Partial<NonNullable<JobState['route']>>): Partial<NonNullable<JobState['route']>> {
  const { bondId, through, partHas, closedBy, internalsOut: out } = c;
  return {
    ...(bondId ? { bondId } : {}),
    ...(through ? { through } : {}),
    ...(partHas ? { partHas } : {}),
    ...(closedBy ? { closedBy } : {}),
    ...(out === undefined ? {} : { internalsOut: out }),
  };
}

/** How it stands: what RouteScreen shows and does. */
export function useRouteScreen({ job, stay = false }: { job: JobState; stay?: boolean }) {
  const settings = useSettings();
  const jobs = useJobs();
  const now = useNow(30_000);
  const router = useRouter();
  const { log, decide } = useActions(job);
  const { answer } = useCrackMap(job);
  const pieces = answer && !('problem' in answer) ? answer.map.pieces.length : 1;
  const facts = factsOf(job, jobs, settings, pieces);
  const advice = adviceOf(facts, job, settings);
  const chosen = chosenOption(advice, job);
  const [picked, setPicked] = useState<string | null>(null);
  const [because, setBecause] = useState('');
  const option = advice.options.find((o) => o.id === (picked ?? chosen?.id ?? advice.best?.id)) ?? null;
  const plan = breakPlan(job, settings);
  const money = (minor: number) => price(minor, settings.money.currency);
  const other = option !== null && advice.best !== null && option.id !== advice.best.id && !advice.next?.close;
  const text = routeCall(advice, money);

  const also = job.route?.also ?? [];
  const route = (change: Partial<NonNullable<JobState['route']>>, o: RouteOption): NewEvent => ({
    type: 'jobRoute',
    bondId: job.route?.bondId ?? job.bond.id,
    work: o.work,
    ...(also.length ? { also } : {}),
    cover: o.cover,
    origin: o.origin,
    through: job.route?.through ?? job.model.insideThrough,
    internalsOut: internalsOutOf({ work: o.work, also }),
    partHas: job.route?.partHas ?? [],
    closedBy: closedByOf(job),
    ...pick(change),
  });
  const back = () => router.replace(backHref(job, 'intake'));
  const take = () => {
    if (!option) return;
    void log([
      route({}, option),
      decide({
        call: 'route',
        computed: {
          best: advice.best?.id ?? null,
          expectedMinor: advice.best ? Math.round(advice.best.cost.mean) : null,
        },
        inputs: { pieces, breakChance: plan.chance, bent: facts.bent },
        chosen: option.id,
        // a plain choice needs no reason: one that is said is kept
        ...(other ? { because: because.trim() || 'otherWayNoReason' } : {}),
      }),
    ]);
    if (!stay) back();
  };
  const blocked = option?.blocks.includes('swollen') ?? true;
  const same = option !== null && option.id === chosen?.id;
  return {
    job,
    facts,
    advice,
    money,
    option,
    setPicked,
    settings,
    log,
    route,
    now,
    same,
    back,
    take,
    blocked,
    text,
    other,
    because,
    setBecause,
    plan,
  };
}
export type RouteScreenState = ReturnType<typeof useRouteScreen>;
