import { answersOf } from '@/core/heat/heaterKind';
import { useRouter } from 'expo-router';
import { useEffect, useRef } from 'react';

import { fallsBelow } from '@/core/heat/forecast';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { controlPlate } from '@/bench-kit/instruments';
import { hrefAt } from '@/bench-kit/stageHref';
import type { HeatView } from './useHeatForecast';
import type { HeatPlanNow } from './useHeatPlan';

export interface HeatActions {
  layOn: () => void;
  takeOff: () => void;
  comeBack: () => void;
  onAgain: () => void;
  callAway: () => void;
  toLift: () => void;
  tools: (ready: boolean) => void;
  covered: (done: boolean) => void;
  /** pried off without heat */
  cold: () => void;
}

/**
 * What is noted on the heat page, and where it leads.
 * @param missing what stands in the way of laying on; null: nothing
 * @param emergency is the device taken off because something is too hot
 * @param missed did the latest instant go by
 */
export function useHeatActions(
  job: JobState,
  { on, plan, setDraft, heater, behind }: HeatPlanNow,
  view: HeatView | null,
  { missing, emergency, missed }: { missing: string | null; emergency: boolean; missed: boolean },
): HeatActions {
  const router = useRouter();
  const { log, decide } = useActions(job);
  const { setC, preheated } = plan;
  const record = { heater: plan.heater, use: plan.use };
  const toLift = () => router.replace(hrefAt(job, 'lift'));
  const offForecast = ({ thermal, f, lift, liveS }: HeatView) => {
    const off = thermal.run.then({ atS: liveS, setC: null, preheated: false });
    const lasts = (c: number | null) =>
      c === null ? null : Math.max(0, fallsBelow(off, f.first, c, liveS).mean - liveS);
    return { easyForS: lasts(lift.easyC), gripsInS: lasts(lift.workC) };
  };
  const wanted = useRef(false);
  const layOn = () => {
    if (missing || on || !view) return;
    // pressed before the page has followed the dial: what is noted is what the dial shows
    wanted.current = behind();
    if (wanted.current) return;
    const { f, lift, thermal } = view;
    const { easyC, workC } = lift;
    const forS = (s: number | undefined) => (s === undefined ? null : s - f.heatStartS);
    const inputs = { setC, pickMm: lift.pickMm, preheated, ambientC: thermal.ambientC, ...record };
    void log([
      { type: 'heatPlan', setC, pickMm: lift.pickMm, preheated, ...record },
      decide({
        call: 'heat',
        inputs: { ...inputs, flawUm: lift.case.flawUm },
        computed: { tryFromS: f.tryFromS, readyS: f.readyS, battery: f.parts.battery?.peakC, easyC, workC },
        chosen: { setC, pickMm: lift.pickMm },
      }),
      ...(job.stages.intake === 'todo' || job.stages.intake === 'started'
        ? ([{ type: 'stage', stage: 'intake', to: 'done' }] as const)
        : []),
      { type: 'stage', stage: 'heat', to: job.stages.heat === 'done' ? 'done' : 'started' },
      {
        type: 'heatOn',
        setC,
        preheated,
        ...record,
        startC: thermal.ambientC,
        modelRun: thermal.model.modes.digest,
        readyInS: forS(f.readyS?.mean),
        tryInS: forS(f.tryFromS?.mean),
        latestInS: forS(f.readyS?.high),
      },
    ]);
    setDraft(null);
    if (answersOf(heater).steered) controlPlate({ setC, heating: true, deviceOn: true });
  };
  // as soon as the page has followed, with what it shows then
  useEffect(() => {
    if (!wanted.current || behind()) return;
    // once: what stands in the way by now is told on the page, and nothing begins by itself later
    wanted.current = false;
    layOn();
  });
  const takeOff = () => {
    if (!on || !view) return;
    void log([
      ...(missed ? ([{ type: 'observed', what: 'missedAlarm' }] as const) : []),
      { type: 'heatOff', reason: emergency ? 'emergency' : 'ready', ...offForecast(view) },
      { type: 'stage', stage: 'heat', to: 'done' },
    ]);
    controlPlate({ deviceOn: false });
    toLift();
  };
  const comeBack = () => {
    void log([{ type: 'observed', what: 'back' }]);
    // still workable: the hands go on where they were
    if (view?.away && view.away.gripsAtS > view.liveS) toLift();
  };
  const onAgain = () => {
    if (!view) return;
    const { thermal, f, liveS } = view;
    const startC = Math.round(thermal.run.arcC(liveS, f.first).mean * 10) / 10;
    const modelRun = thermal.model.modes.digest;
    void log([
      { type: 'observed', what: 'switchedOff' },
      { type: 'heatOff', reason: 'hold', ...offForecast(view) },
      { type: 'heatOn', setC, preheated: false, ...record, startC, modelRun, readyInS: null },
    ]);
  };
  const callAway = () => {
    if (!view) return;
    controlPlate({ deviceOn: false });
    void log([
      { type: 'heatOff', reason: 'hold', ...offForecast(view) },
      { type: 'observed', what: 'calledAway' },
    ]);
  };
  const tools = (done: boolean) => void log([{ type: 'prep', item: 'toolsReady', done }]);
  const covered = (done: boolean) => void log([{ type: 'prep', item: 'insideCovered', done }]);
  const cold = () => {
    void log([
      decide({ call: 'heat', inputs: { construction: job.face.construction }, computed: null, chosen: 'cold' }),
      { type: 'stage', stage: 'heat', to: 'skipped', why: 'coldWay' },
    ]);
    toLift();
  };
  return { layOn, takeOff, comeBack, onAgain, callAway, toLift, tools, covered, cold };
}
