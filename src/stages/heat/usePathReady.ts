import { useEffect, useMemo, useState } from 'react';

import { cameraZones, toThermalStack } from '@/core/device/thermalStack';
import { loopSpeeds } from '@/core/heat/airPath';
import type { MovingResult } from '@/core/heat/moving';
import { type PathPlan, type RoundResult } from '@/core/heat/pathPlan';
import type { JobState } from '@/model/fold';
import { heatUse } from '@/work/heat/heating';
import { hrefAt } from '@/bench-kit/stageHref';
import { batteryMarks, everyPart, partStopC } from '@/work/heat/watchMarks';
import { useLongRun } from '@/bench-kit/useLongRun';
import { movingInWorker, roundInWorker } from '@/workers/thermalClient';
import { useHeatPage } from './heatPage';
import { pathCall } from './pathCall';
import { useAir } from './useAir';

export const insetsMm = [2, -10, -20] as const;

/** What is known before anything is drawn. */
export function usePathBase({ job: whole }: { job: JobState }) {
  const air = useAir(whole, (airs) => airs.find((h) => h.id === whole.plan?.heater) ?? airs[0], 10_000);
  const { settings, job, heater, setC } = air;
  const { source, model, thermal, lift } = useHeatPage(job);
  const zones = useMemo(() => cameraZones(job.device, job.bond), [job.device, job.bond]);
  const [masked, setMasked] = useState(zones.length > 0);
  const [roundS, setRoundS] = useState<'4' | '8'>('4');
  const targetC = lift?.easyC ?? null;
  const plan = useLongRun<PathPlan | null>();
  const { start, cancel } = plan;
  useEffect(() => {
    if (!model || !thermal || !heater || targetC === null) return;
    void start((tell) =>
      roundInWorker(
        model.modes,
        {
          heater,
          use: heatUse(job.device, job.bond, { masked }),
          setC,
          ambientC: thermal.ambientC,
          arcs: thermal.arcs,
          targetC,
          stopC: { battery: batteryMarks(job.device).stopC, ...partStopC({ device: job.device, route: job.route }) },
          cameraZones: zones,
          insetsMm,
          roundS: Number(roundS),
        },
        tell,
      ),
    );
    return cancel;
  }, [model, thermal, heater, targetC, masked, setC, roundS, job.device, job.bond, job.route, zones, start, cancel]);
  const moving = useLongRun<{ steady: MovingResult; planned: MovingResult }>();

  return {
    ...air,
    units: settings,
    plan,
    roundS,
    setRoundS,
    moving,
    targetC,
    masked,
    setMasked,
    zones,
    thermal,
    lift,
    source,
  };
}

export type PathBase = ReturnType<typeof usePathBase>;

export type PathReadyProps = PathBase & {
  thermal: NonNullable<PathBase['thermal']>;
  lift: NonNullable<PathBase['lift']>;
  heater: NonNullable<PathBase['heater']>;
};

/** How it stands: what PathReady shows and does. */
export function usePathReady(base: PathReadyProps) {
  const { plan, roundS, moving, targetC, units, job, masked, heater, setC, thermal, log, lift, decide, router } = base;
  const p = plan.result;
  const pathOf = (r: RoundResult) => ({
    kind: 'loop' as const,
    insetMm: r.insetMm,
    roundS: Number(roundS),
    ...(r.shares ? { shares: r.shares } : {}),
  });
  const bestPath = p ? pathOf(p.best) : null;
  const text = pathCall({ plan: p, moving: moving.result, targetC, units });
  const confirm = () => {
    if (!p || targetC === null) return;
    const stack = toThermalStack(job.device, job.bond, everyPart(job.device));
    const { masks = [] } = heatUse(job.device, job.bond, { masked });
    const input = (r: RoundResult) => ({
      heater,
      setC,
      ambientC: thermal.ambientC,
      path: pathOf(r),
      masks,
      targetC,
      maxS: 900,
    });
    void moving.start((tell) => {
      // both at once, each in a worker of its own
      const shares = [0, 0];
      const tellOne = (i: number) => (share: number) => {
        shares[i] = share;
        tell((shares[0]! + shares[1]!) / 2);
      };
      const runs = [p.against, p.best].map((r, i) => movingInWorker(stack, input(r), tellOne(i)));
      return {
        result: Promise.all(runs.map((r) => r.result)).then(([steady, planned]) => ({
          steady: steady!,
          planned: planned!,
        })),
        cancel: () => runs.forEach((r) => r.cancel()),
      };
    });
  };
  const take = () => {
    if (!p || !bestPath) return;
    void log([
      {
        type: 'heatPlan',
        setC,
        pickMm: lift.pickMm,
        preheated: true,
        heater: heater.id,
        use: { masked, path: bestPath },
      },
      decide({
        call: 'path',
        inputs: { heater: heater.id, setC, masked, roundS, targetC },
        computed: { best: p.best, against: p.against, gain: p.gain, confirmed: moving.result },
        chosen: { insetMm: p.best.insetMm, slower: p.best.shares !== null },
      }),
    ]);
    router.replace(hrefAt(job, 'heat'));
  };
  const speeds = bestPath ? loopSpeeds(thermal.model.modes.outline, bestPath) : [];
  return { ...base, p, confirm, speeds, bestPath, take, text };
}
export type PathReadyState = ReturnType<typeof usePathReady>;
