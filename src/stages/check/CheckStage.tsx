import type { JobState } from '@/model/fold';
import { StageShell } from '@/bench-kit/StageShell';
import { Call } from '@/ui/Call';
import { FaultCard } from './FaultCard';
import { caution, useCheckStage } from './useCheckStage';
import { ShopEye } from '@/bench-kit/ShopEye';
import { CheckPicture, CheckReadings, CheckControls, CheckMain, CheckSide, CheckPages, CheckWhy } from './CheckParts';

export function CheckStage(p: { job: JobState }) {
  const here = useCheckStage(p);
  const { job, now, text, complete, eye } = here;
  return (
    <StageShell
      job={job}
      stage="check"
      now={now}
      caution={caution()}
      picture={(size) => <CheckPicture here={here} size={size} />}
      call={<Call {...text} />}
      readings={<CheckReadings here={here} />}
      controls={<CheckControls here={here} />}
      main={<CheckMain here={here} />}
      side={<CheckSide here={here} />}
    >
      {complete || eye ? <FaultCard job={job} /> : null}
      <CheckPages here={here} />
      <ShopEye of="step" />
      <CheckWhy here={here} />
    </StageShell>
  );
}
