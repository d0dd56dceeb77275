import { useMemo, useState } from 'react';

import type { Heater } from '@/core/heat/heater';
import { onPlate, type JobState } from '@/model/fold';
import { heaterOf, type Settings } from '@/model/settings';
import { firstPlan, type HeatPlanDraft } from '@/stagekit/heatPlan';
import { heaterWords } from '@/stagekit/heaterWords';

export interface HeatPlanNow {
  /** the heat that is going on; null while it is planned */
  on: ReturnType<typeof onPlate>;
  plan: HeatPlanDraft;
  setDraft: (d: HeatPlanDraft | null) => void;
  heater: Heater;
  words: ReturnType<typeof heaterWords>;
}

/** What is planned, or what is going on: a heat that has begun is what it was begun as. */
export function useHeatPlan(job: JobState, settings: Settings): HeatPlanNow {
  const [draft, setDraft] = useState<HeatPlanDraft | null>(null);
  const on = onPlate(job);
  const plan: HeatPlanDraft = useMemo(() => {
    const chosen = draft ?? firstPlan(job, settings);
    return on
      ? {
          ...chosen,
          heater: on.heater ?? settings.plate.id,
          use: on.use ?? {},
          setC: on.setC ?? chosen.setC,
          preheated: on.preheated,
        }
      : chosen;
  }, [draft, job, settings, on]);
  const heater = heaterOf(settings, plan.heater);
  return { on, plan, setDraft, heater, words: heaterWords(heater) };
}
