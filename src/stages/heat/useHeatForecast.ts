import { useDeferredValue, useMemo } from 'react';

import { choosePick } from '@/core/lift/picks';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import {
  aboveSoFarS,
  curvesOf,
  heatForecast,
  magnetsAtC,
  type Curves,
  type HeatForecast,
} from '@/work/heat/heatForecast';
import { withinUse } from '@/work/heat/heatPlan';
import { lookAt } from '@/work/heat/look';
import { shopThresholds } from '@/work/heat/shopAdhesive';
import { edgeMeans, liftState, pickInForce, type LiftState, type ThermalJob } from '@/work/heat/thermalJob';
import { batteryMarks } from '@/work/heat/watchMarks';
import { usePicks } from '@/bench-kit/usePicks';
import type { HeatPlanNow } from './useHeatPlan';

export interface HeatView {
  thermal: ThermalJob;
  lift: LiftState;
  f: HeatForecast;
  /** bond plane at the instant that the picture shows, °C */
  field: Float64Array;
  /** s of the run now, and at the instant that is shown */
  liveS: number;
  shownS: number;
  picks: ReturnType<typeof usePicks>['data'] | null;
  choice: ReturnType<typeof choosePick> | null;
  curves: Curves | null;
  range: ReturnType<typeof shopThresholds>;
  magnets: number | null;
  /** how it stands for somebody who was called away; null: nobody was */
  away: ReturnType<typeof lookAt> | null;
  /** over the battery's caution mark up to now, all heats, s */
  aboveS: number;
}

/** All that a plan or a running heat is told from; null while there is no heat model. */
export function useHeatForecast(
  job: JobState,
  settings: Settings,
  thermal: ThermalJob | null,
  { on, plan }: HeatPlanNow,
  now: number,
): HeatView | null {
  const { setC, preheated, pickMm } = plan;
  const liveS = thermal ? (now - thermal.t0) / 1e3 : 0;
  // a cooling device is looked at afresh every few seconds; a heating one from its recorded start
  const lookS = Math.floor(liveS / 5) * 5;
  const startS = thermal && job.heat.length && !on ? lookS : 0;
  // alcohol in the edge goes on softening: looked at every ten seconds
  const wetAt = job.alcohol.length ? Math.floor(now / 1e4) * 1e4 : null;
  const lift = useMemo(() => {
    if (!thermal) return null;
    const pick = pickMm ?? pickInForce(job, settings);
    const state = liftState(job, settings, thermal.path, thermal.arcs, pick, edgeMeans(job, thermal), wetAt);
    return withinUse(state, plan.use);
  }, [job, settings, thermal, pickMm, plan.use, wetAt]);
  // the table of picks is an offer beside the one that is in force
  const picks = usePicks(job, settings, thermal, lift, setC, preheated).data ?? null;
  const choice = useMemo(() => (picks ? choosePick(picks, job.keepCover) : null), [picks, job]);
  const f = useMemo(
    () => (thermal && lift ? heatForecast(job, thermal, lift, { setC, preheated }, startS) : null),
    [job, thermal, lift, setC, preheated, startS],
  );
  const range = useMemo(() => (lift ? shopThresholds(settings, lift.case) : null), [settings, lift]);
  const magnets = useMemo(() => (f ? magnetsAtC(job, f) : null), [job, f]);
  // the chart follows in its own, interruptible turn: the finger never waits for it
  const chartF = useDeferredValue(f);
  const curves = useMemo(() => (chartF && thermal ? curvesOf(chartF, thermal) : null), [chartF, thermal]);
  // while planning the picture shows the line as it will be when the heat ends
  const shownS = on || !f ? liveS : (f.readyS?.mean ?? startS + 300);
  const pictureS = on ? Math.floor(shownS) : shownS;
  const field = useMemo(() => (f ? f.run.picture(pictureS) : null), [f, pictureS]);
  const away = useMemo(
    () => (thermal && lift && job.calledAway && !on && job.heat.length ? lookAt(thermal, lift, setC, lookS) : null),
    [thermal, lift, job, on, setC, lookS],
  );
  // what has gone by above the battery's caution mark is counted live, over all heats
  const cautionC = useMemo(() => batteryMarks(job.device).cautionC, [job.device]);
  const aboveS = useMemo(
    () => (f && (on || job.heat.length) ? aboveSoFarS(f, 'battery', cautionC, lookS) : 0),
    [f, on, job.heat.length, cautionC, lookS],
  );
  if (!thermal || !lift || !f || !field || !range) return null;
  return { thermal, lift, f, field, liveS, shownS, picks, choice, curves, range, magnets, away, aboveS };
}
