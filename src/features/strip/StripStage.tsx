import type { JobState } from '@/model/fold';
import { PlainPlan } from '@/stagekit/PlainPlan';
import { stageHref, StageShell } from '@/stagekit/StageShell';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { useNow } from '@/ui/useNow';
import { useRouter } from 'expo-router';

export function StripStage({ job }: { job: JobState }) {
  const now = useNow(10_000);
  const router = useRouter();
  const on = () => router.replace(stageHref(job.id, 'clean'));
  return (
    <StageShell
      job={job}
      stage="strip"
      now={now}
      onMain={on}
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          label={job.device.name}
          lines={job.device.parts.map((p) => `${p.name}: stays in`)}
        />
      )}
      call={
        <Call
          sentence="Not needed on this route."
          reason="Back glass only: nothing inside comes out, and nothing has to be moved."
        />
      }
      readings={null}
      main={<Button kind="main" label="Go to clean" onPress={on} />}
    />
  );
}
