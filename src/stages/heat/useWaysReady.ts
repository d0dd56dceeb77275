import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useQueries } from '@tanstack/react-query';

import { gentleFirst, gentlest } from '@/core/heat/ways';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { presentJob } from '@/work/heat/present';
import { hrefAt } from '@/bench-kit/stageHref';
import { strengthOf, batteryMarks } from '@/work/heat/watchMarks';
import { useSettings } from '@/store/shop';
import { useNow } from '@/bench-kit/useNow';
import { wayInWorker } from '@/workers/thermalClient';
import { useHeatPage } from './heatPage';
import { coldAnswer, waysInput, waysOf } from './ways';

/** What is known before anything is drawn. */
export function useWaysBase({ job: whole }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(10_000);
  const router = useRouter();
  const job = useMemo(() => presentJob(whole), [whole]);
  const { log, decide } = useActions(job);
  const { source, model, openedAt, thermal, lift } = useHeatPage(job);
  const [chosen, setChosen] = useState<string | null>(null);
  const [because, setBecause] = useState('');
  const nowS = thermal && job.heat.length ? Math.max(0, Math.floor((openedAt - thermal.t0) / 5e3) * 5) : 0;
  const listed = useMemo(
    () =>
      thermal && lift
        ? waysOf(
            job,
            settings,
            lift.steps.find((s) => s.edge === lift.nextEdge),
            thermal.path.lengthMm,
          )
        : [],
    [job, settings, thermal, lift],
  );
  const answers = useQueries({
    queries: listed.map(({ way, use }) => {
      const input = waysInput(job, thermal!, lift!, nowS, use);
      return {
        queryKey: ['way', model?.modes.digest, way, input],
        queryFn: () => wayInWorker(model!.modes, way, input),
        enabled: model !== null,
        gcTime: 60_000,
      };
    }),
  });
  const results = answers.flatMap((a) => (a.data ? [a.data] : []));
  // a gentlest setting that is the usual one is no row of its own
  const order = gentleFirst(results).filter(
    (r) => !results.some((x) => r.id === x.id.replace('-usual', '-gentle') && r !== x && r.setC === x.setC),
  );
  const waiting = listed.filter((l) => !results.some((r) => r.id === l.way.id));
  // a worker that does not answer is no way that works and none that fails
  const failed = new Set(listed.flatMap((l, i) => (answers[i]?.isError ? [l.way.id] : [])));
  const all = results.length === listed.length;
  const best = all ? gentlest(results) : null;
  const units = settings;
  const marks = batteryMarks(job.device);
  const plastic = strengthOf(job).yieldMPa !== undefined;
  const cold = useMemo(() => (thermal ? coldAnswer(thermal) : null), [thermal]);
  return {
    chosen,
    best,
    results,
    listed,
    log,
    lift,
    decide,
    because,
    router,
    job,
    now,
    marks,
    units,
    plastic,
    order,
    thermal,
    setChosen,
    waiting,
    failed,
    answers,
    setBecause,
    cold,
    source,
  };
}

export type WaysBase = ReturnType<typeof useWaysBase>;

export type WaysReadyProps = WaysBase & {
  thermal: NonNullable<WaysBase['thermal']>;
  lift: NonNullable<WaysBase['lift']>;
};

/** How it stands: what WaysReady shows and does. */
export function useWaysReady({
  chosen,
  best,
  results,
  listed,
  log,
  lift,
  decide,
  because,
  router,
  job,
  now,
  marks,
  units,
  plastic,
  order,
  thermal,
  setChosen,
  waiting,
  failed,
  answers,
  setBecause,
  cold,
}: WaysReadyProps) {
  const pick = chosen ?? best?.id ?? null;
  const picked = results.find((r) => r.id === pick);
  // what was not shown to be the gentlest is taken with a reason
  const other = pick !== null && results.length === listed.length && pick !== best?.id;
  const take = () => {
    const l = listed.find((x) => x.way.id === pick);
    if (!l || !picked) return;
    void log([
      {
        type: 'heatPlan',
        setC: picked.setC,
        pickMm: lift.pickMm,
        preheated: l.way.preheated,
        heater: l.way.heater.id,
        use: l.use,
      },
      decide({
        call: 'ways',
        inputs: { pickMm: lift.pickMm, easyC: lift.easyC, ways: listed.map((x) => x.way.id) },
        computed: results.map((r) => ({ id: r.id, setC: r.setC, readyS: r.readyS?.high ?? null, over: r.over })),
        chosen: pick,
        ...(other ? { because: because.trim() } : {}),
      }),
    ]);
    router.replace(hrefAt(job, 'heat'));
  };
  return {
    job,
    lift,
    results,
    units,
    other,
    best,
    because,
    setBecause,
    cold,
    order,
    listed,
    pick,
    thermal,
    setChosen,
    waiting,
    failed,
    answers,
    take,
    picked,
    marks,
    plastic,
    now,
  };
}
export type WaysReadyState = ReturnType<typeof useWaysReady>;
