import { coverKinds } from '@/core/device/coverKinds';
import { jointOf } from '@/core/device/jointKinds';
import { useMemo } from 'react';

import { heatModelled } from '@/core/device/thermalStack';
import type { JobState } from '@/model/fold';
import { NotModelled } from '@/bench-kit/NotModelled';
import { presentJob } from '@/work/heat/present';
import { useGoOn } from '@/bench-kit/useGoOn';
import { Button } from '@/ui/Button';
import { ClipLift } from './ClipLift';
import { LensLift } from './LensLift';
import { liftModeOf } from '@/work/lift/liftMode';
import { PiecesLift } from './PiecesLift';
import { RingLift } from './RingLift';
import { liftCaution } from './words';
import { t } from '@/words/lift';

/** How a cover comes off follows from how it is held and from what is left of it. */
export function LiftStage({ job }: { job: JobState }) {
  const goOn = useGoOn(job, 'lift');
  const here = useMemo(() => presentJob(job), [job]);
  const { construction } = job.face;
  if (coverKinds[construction].lens) return <LensLift job={here} />;
  if (!jointOf(job.bond).glued) return <ClipLift job={here} />;
  if (heatModelled(job.device, job.bond))
    return liftModeOf(job).mode === 'pieces' ? <PiecesLift job={here} /> : <RingLift job={here} />;
  return (
    <NotModelled
      job={job}
      stage="lift"
      caution={liftCaution()}
      main={<Button kind="main" label={t('backIsOff')} onPress={() => goOn()} />}
    />
  );
}
