import { Redirect, useLocalSearchParams } from 'expo-router';
import { lazy, Suspense, type ComponentType } from 'react';

import type { JobState } from '@/model/fold';
import { stageIds, type StageId } from '@/model/stages';
import { stageHref } from '@/bench-kit/stageHref';
import { WithJob } from '@/bench-kit/WithJob';

const screens: Record<StageId, ComponentType<{ job: JobState }>> = {
  intake: lazy(() => import('@/stages/intake/IntakeStage').then((m) => ({ default: m.IntakeStage }))),
  heat: lazy(() => import('@/stages/heat/HeatStage').then((m) => ({ default: m.HeatStage }))),
  lift: lazy(() => import('@/stages/lift/LiftStage').then((m) => ({ default: m.LiftStage }))),
  strip: lazy(() => import('@/stages/strip/StripStage').then((m) => ({ default: m.StripStage }))),
  clean: lazy(() => import('@/stages/clean/CleanStage').then((m) => ({ default: m.CleanStage }))),
  dryFit: lazy(() => import('@/stages/dryFit/DryFitStage').then((m) => ({ default: m.DryFitStage }))),
  bond: lazy(() => import('@/stages/bond/BondStage').then((m) => ({ default: m.BondStage }))),
  cure: lazy(() => import('@/stages/cure/CureStage').then((m) => ({ default: m.CureStage }))),
  check: lazy(() => import('@/stages/check/CheckStage').then((m) => ({ default: m.CheckStage }))),
  handover: lazy(() => import('@/stages/handover/HandoverStage').then((m) => ({ default: m.HandoverStage }))),
};

export default function Stage() {
  const { id, stage } = useLocalSearchParams<{ id: string; stage: string }>();
  const known = stageIds.find((s) => s === stage);
  return (
    <WithJob id={id}>
      {(job) => {
        if (!known) return <Redirect href={stageHref(job.id, job.stage)} />;
        const Screen = screens[known];
        return (
          <Suspense fallback={null}>
            <Screen key={`${job.id}-${known}-${job.joint}`} job={job} />
          </Suspense>
        );
      }}
    </WithJob>
  );
}
