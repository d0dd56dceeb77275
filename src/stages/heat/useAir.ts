import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';

import { useActions } from '@/bench-kit/actions';
import { useNow } from '@/bench-kit/useNow';
import type { AirHeater } from '@/core/heat/heater';
import type { JobState } from '@/model/fold';
import { airsOf } from '@/model/settings';
import { useSettings } from '@/store/shop';
import { usualOf } from '@/work/heat/heatPlan';
import { presentJob } from '@/work/heat/present';

/**
 * What both pages of hot air begin with: the job as it lies there, the airs of this bench, which one and how hot.
 * @param first which air is offered first
 */
export function useAir(
  whole: JobState,
  first: (airs: readonly AirHeater[]) => AirHeater | null | undefined,
  everyMs: number,
) {
  const settings = useSettings();
  const now = useNow(everyMs, true);
  const router = useRouter();
  const job = useMemo(() => presentJob(whole), [whole]);
  const { log, decide } = useActions(job);
  const airs = airsOf(settings);
  const [heaterId, setHeaterId] = useState(first(airs)?.id ?? '');
  const heater = airs.find((h) => h.id === heaterId);
  const [setting, setSetting] = useState<number | null>(null);
  const planned = job.plan?.heater === heaterId ? job.plan.setC : null;
  const setC = setting ?? planned ?? (heater ? usualOf(heater) : 0);
  return { settings, now, router, job, log, decide, airs, heaterId, setHeaterId, heater, setC, setSetting };
}
export type Air = ReturnType<typeof useAir>;
