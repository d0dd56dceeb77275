import { type ReactNode } from 'react';

import type { JobState } from '@/model/fold';
import { StageShell } from '@/bench-kit/StageShell';
import { type StripWork } from '@/work/strip/stripJob';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { StripLinks } from './StripLinks';
import { stripCaution } from './TakeOut';
import { useBackIn } from './useBackIn';
import { BackInPicture, BackInReadings, ScrewFindings, TestBeforeClosing, BackInWhy } from './BackInParts';

/** Back in, the reverse: battery last, every screw started before any is tight, tested before it is closed. */
export function BackIn(p: { job: JobState; work: StripWork; tabs: ReactNode }) {
  const here = useBackIn(p);
  const { job, now, shut, act, text, label, tabs } = here;
  return (
    <StageShell
      job={job}
      stage="strip"
      now={now}
      caution={stripCaution()}
      picture={(size) => <BackInPicture here={here} size={size} />}
      call={<Call {...text} />}
      readings={<BackInReadings here={here} />}
      main={
        <Button kind="main" label={label} onPress={act} disabled={shut !== null} {...(shut ? { why: shut } : {})} />
      }
    >
      {tabs}
      <ScrewFindings here={here} />
      <TestBeforeClosing here={here} />
      <StripLinks job={job} />
      <BackInWhy here={here} />
    </StageShell>
  );
}
