import { useMemo, useRef, useState, useTransition } from 'react';

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
  /** what the dial shows, °C */
  dialC: number;
  /** asked when something is pressed: was the dial turned to where the page has not followed yet */
  behind: () => boolean;
  heater: Heater;
  words: ReturnType<typeof heaterWords>;
}

/** What is planned, or what is going on: a heat that has begun is what it was begun as. */
export function useHeatPlan(job: JobState, settings: Settings): HeatPlanNow {
  const [draft, setPlanned] = useState<HeatPlanDraft | null>(null);
  const last = useRef<HeatPlanDraft | null>(null);
  const [following, follow] = useTransition();
  const [turnedC, setTurnedC] = useState<number | null>(null);
  const setDraft = (d: HeatPlanDraft | null) => {
    last.current = d;
    setPlanned(d);
  };
  const turn = (d: HeatPlanDraft) => {
    last.current = d;
    setTurnedC(d.setC);
    follow(() => setPlanned(d));
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
  const behind = () => last.current !== draft;
  return { on, plan, setDraft, turn, dialC, behind, heater, words: heaterWords(heater) };
}
