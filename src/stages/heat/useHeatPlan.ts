import { useMemo, useRef, useState } from 'react';

import type { Heater } from '@/core/heat/heater';
import type { JobState } from '@/model/fold';
import { onPlate } from '@/model/stages/heat';
import { heaterOf, type Settings } from '@/model/settings';
import { firstPlan, type HeatPlanDraft } from '@/work/heat/heatPlan';
import { heaterWords } from '@/words/heaterWords';

export interface HeatPlanNow {
  /** the heat that is going on; null while it is planned */
  on: ReturnType<typeof onPlate>;
  plan: HeatPlanDraft;
  setDraft: (d: HeatPlanDraft | null) => void;
  /** the plan as it was last asked for: before the page, which follows a dial in turns of its own */
  wanted: () => HeatPlanDraft;
  /** asked when something is pressed: was the dial turned to where the page has not followed yet */
  behind: () => boolean;
  heater: Heater;
  words: ReturnType<typeof heaterWords>;
}

/** What is planned, or what is going on: a heat that has begun is what it was begun as. */
export function useHeatPlan(job: JobState, settings: Settings): HeatPlanNow {
  const [draft, setPlanned] = useState<HeatPlanDraft | null>(null);
  const last = useRef<HeatPlanDraft | null>(null);
  const setDraft = (d: HeatPlanDraft | null) => {
    last.current = d;
    setPlanned(d);
  };
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
  const behind = () => last.current !== draft;
  const wanted = () => last.current ?? plan;
  return { on, plan, setDraft, wanted, behind, heater, words: heaterWords(heater) };
}
