import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';

import type { JobState } from '@/model/fold';
import { PlainPlan } from '@/stagekit/PlainPlan';
import { stageHref, StageShell } from '@/stagekit/StageShell';
import { stripWork, transferred } from '@/stagekit/stripJob';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice } from '@/ui/Choice';
import { useNow } from '@/ui/useNow';
import { BackIn } from './BackIn';
import { MoveOver } from './MoveOver';
import { TakeOut } from './TakeOut';

export type StripPhase = 'out' | 'move' | 'back';

/** Work inside: what comes out and in which order, what moves to the new shell, and back in again. */
export function StripStage({ job }: { job: JobState }) {
  const router = useRouter();
  const now = useNow(10_000);
  const needed = job.stages.strip !== 'skipped';
  if (!needed)
    return (
      <StageShell
        job={job}
        stage="strip"
        now={now}
        onMain={() => router.replace(stageHref(job.id, 'clean'))}
        picture={(size) => (
          <PlainPlan
            job={job}
            size={size}
            label={job.device.name}
            lines={job.device.parts.map((p) => `${p.name}: stays in`)}
          />
        )}
        call={
          <Call sentence="Not needed on this route." reason="Nothing inside comes out, and nothing has to be moved." />
        }
        readings={null}
        main={<Button kind="main" label="Go to clean" onPress={() => router.replace(stageHref(job.id, 'clean'))} />}
      />
    );
  return <Strip job={job} />;
}

function Strip({ job }: { job: JobState }) {
  const work = useMemo(() => stripWork(job), [job]);
  const [chosen, setChosen] = useState<StripPhase | null>(null);
  const allOut = work.out.every(work.isOff);
  const started = job.screwsIn.size > 0 || work.back.some(work.isBack);
  const allMoved = work.transfer.filter((t) => t.way !== 'move' || t.kind !== 'part').every((t) => transferred(job, t));
  const phase: StripPhase = chosen ?? (!allOut ? 'out' : started || allMoved ? 'back' : 'move');
  const tabs = (
    <Choice
      label="Now"
      value={phase}
      options={[
        { id: 'out', name: 'Out' },
        { id: 'move', name: 'Move over' },
        { id: 'back', name: 'Back in' },
      ]}
      onChange={setChosen}
    />
  );
  if (phase === 'out') return <TakeOut job={job} work={work} tabs={tabs} onPhase={setChosen} />;
  if (phase === 'move') return <MoveOver job={job} work={work} tabs={tabs} onPhase={setChosen} />;
  return <BackIn job={job} work={work} tabs={tabs} />;
}
