import { useMemo, useState, useTransition } from 'react';

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
  /** a dial under the finger: it shows its own number at once, and the page follows in turns that never hold it up */
  turn: (d: HeatPlanDraft) => void;
  /** what the dial shows, °C, and whether the page still follows it */
  dialC: number;
  following: boolean;
  heater: Heater;
  words: ReturnType<typeof heaterWords>;
}

/** What is planned, or what is going on: a heat that has begun is what it was begun as. */
export function useHeatPlan(job: JobState, settings: Settings): HeatPlanNow {
  const [draft, setDraft] = useState<HeatPlanDraft | null>(null);
  const [following, follow] = useTransition();
  const [turnedC, setTurnedC] = useState<number | null>(null);
  const turn = (d: HeatPlanDraft) => {
    setTurnedC(d.setC);
    follow(() => setDraft(d));
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
  const dialC = following && turnedC !== null ? turnedC : plan.setC;
  return { on, plan, setDraft, turn, dialC, following, heater, words: heaterWords(heater) };
}
