import { coverKindOf } from '@/core/device/coverKinds';
import { goTo } from '@/bench-kit/goTo';
import { useMemo } from 'react';

import { heatModelled } from '@/core/device/thermalStack';
import type { JobState } from '@/model/fold';
import { onPlate } from '@/model/stages/heat';
import { NotModelled } from '@/bench-kit/NotModelled';
import { presentJob } from '@/work/heat/present';
import { useGoOn } from '@/bench-kit/useGoOn';
import { Button } from '@/ui/Button';
import { HeatBench } from './HeatBench';
import { heatCaution } from './heatCaution';
import { LensHeatStage } from './LensHeatStage';
import { SpotScreen } from './SpotScreen';

/** Heat: the bench for what is modelled, and for the rest what is known without a model. */
export function HeatStage({ job }: { job: JobState }) {
  const goOn = useGoOn(job, 'heat');
  const here = useMemo(() => presentJob(job), [job]);
  if (coverKindOf(job.face).lens) return <LensHeatStage job={job} />;
  // a spot has its own clock and its own model
  if (onPlate(job)?.use?.path?.kind === 'spot') return <SpotScreen job={job} />;
  if (heatModelled(job.device, job.bond)) return <HeatBench job={here} />;
  return (
    <NotModelled
      job={job}
      stage="heat"
      caution={heatCaution()}
      main={<Button kind="main" label={goTo(job, 'heat')} onPress={() => goOn()} />}
    />
  );
}
