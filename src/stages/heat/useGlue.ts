import { guessErrorK } from '@/core/device/known';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';

import { batteryGlueStack } from '@/core/device/thermalStack';
import { gentlestGlue, warmGlue } from '@/core/heat/glue';
import { answersOf } from '@/core/heat/heaterKind';
import type { JobState } from '@/model/fold';
import { contactsOf } from '@/model/settings';
import { useActions } from '@/bench-kit/actions';
import { hrefAt } from '@/bench-kit/stageHref';
import { batteryMarks } from '@/work/heat/watchMarks';
import { useThermalStack } from '@/bench-kit/useThermal';
import { wetStop } from '@/bench-kit/wet';
import { useJobs, useSettings } from '@/store/shop';
import { useNow } from '@/bench-kit/useNow';
import { keyOf } from '@/workers/thermalClient';

/** How it stands: what Glue shows and does. */
export function useGlue({
  job,
  device,
  stack,
}: {
  job: JobState;
  device: JobState['model'];
  stack: NonNullable<ReturnType<typeof batteryGlueStack>>;
}) {
  const settings = useSettings();
  const jobs = useJobs();
  const units = settings;
  const now = useNow(10_000);
  const router = useRouter();
  const { log, decide } = useActions(job);
  const source = useThermalStack(useMemo(() => keyOf(stack, guessErrorK(device), 'front'), [stack, device]));
  const model = source.model;
  const heaters = useMemo(() => contactsOf(settings), [settings]);
  const [heaterId, setHeaterId] = useState(settings.plate.id);
  const heater = useMemo(() => heaters.find((h) => h.id === heaterId) ?? heaters[0]!, [heaters, heaterId]);
  const [setting, setSetting] = useState<number | null>(null);
  const ambientC = job.ambientC ?? settings.roomC;
  const { preheated } = answersOf(heater);
  const limit = device.parts.find((p) => p.kind === 'display')?.limitC;
  const marks = useMemo(
    () => ({
      battery: batteryMarks(device),
      display: limit ? { cautionC: limit.caution.value, stopC: limit.stop.value } : null,
    }),
    [device, limit],
  );
  const { proposed, r, setC } = useMemo(() => {
    const input = { preheated, ambientC, marks };
    const gentle = model ? gentlestGlue(model, heater, input) : null;
    const at = setting ?? gentle?.setC ?? Math.max(heater.minSetC, 60);
    return { proposed: gentle, r: model ? warmGlue(model, heater, { ...input, setC: at }) : null, setC: at };
  }, [model, heater, preheated, ambientC, marks, setting]);
  const { cautionC, stopC } = marks.battery;
  const peak = r?.battery?.peakC.high ?? 0;
  const wet = wetStop(job, jobs, settings, now);
  const take = () => {
    if (!r?.readyS) return;
    void log([
      decide({
        call: 'batteryGlue',
        inputs: { heater: heater.id, setC, ambientC },
        computed: { readyS: r.readyS, battery: r.battery?.peakC, proposedC: proposed?.setC ?? null },
        chosen: { heater: heater.id, setC },
      }),
    ]);
    router.replace(hrefAt(job, 'strip'));
  };
  return {
    job,
    heater,
    setC,
    r,
    heaters,
    setHeaterId,
    setSetting,
    units,
    source,
    peak,
    stopC,
    cautionC,
    proposed,
    marks,
    now,
    take,
    wet,
  };
}
export type GlueState = ReturnType<typeof useGlue>;
