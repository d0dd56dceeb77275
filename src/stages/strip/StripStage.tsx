import { useRouter } from 'expo-router';
import { goTo } from '@/bench-kit/goTo';
import { useMemo, useState } from 'react';

import type { JobState } from '@/model/fold';
import { View } from 'react-native';

import { useActions } from '@/bench-kit/actions';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { hrefAfter } from '@/bench-kit/stageHref';
import { StageShell } from '@/bench-kit/StageShell';
import { stripWork, transferred } from '@/work/strip/stripJob';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice } from '@/ui/Choice';
import { useNow } from '@/bench-kit/useNow';
import { BackIn } from './BackIn';
import { MoveOver } from './MoveOver';
import { TakeOut } from './TakeOut';
import { t as tr } from '@/words/strip';

const stripEvents = new Set(['screw', 'stripped', 'partState', 'tightened']);

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
        picture={(size) => (
          <PlainPlan
            job={job}
            size={size}
            label={job.device.name}
            lines={job.device.parts.map((p) => tr('staysIn', { name: p.name }))}
          />
        )}
        call={<Call sentence={tr('notNeededOnThisRoute')} reason={tr('nothingInsideComesOutAndNothing')} />}
        readings={null}
        main={<Button kind="main" label={goTo(job, 'strip')} onPress={() => router.replace(hrefAfter(job, 'strip'))} />}
      />
    );
  return <Strip job={job} />;
}

function Strip({ job }: { job: JobState }) {
  const work = useMemo(() => stripWork(job), [job]);
  const { undo } = useActions(job);
  // settled once when the page opens: a tap that was meant for the last thing out does not tick off the first one over
  const [phase, setPhase] = useState<StripPhase>(() => {
    if (!work.out.every(work.isOff)) return 'out';
    const started = job.screwsIn.size > 0 || work.back.some(work.isBack);
    const left = work.transfer.some((t) => !(t.way === 'move' && t.kind === 'part') && !transferred(job, t));
    return started || !left ? 'back' : 'move';
  });
  const last = job.effective.findLast((e) => stripEvents.has(e.type));
  const tabs = (
    <View>
      <View className="flex-row justify-end mt-2">
        <Button
          kind="small"
          label={tr('undoTheLastOne')}
          disabled={!last}
          onPress={() => {
            if (last) undo(last.id);
          }}
        />
      </View>
      <Choice
        label={tr('now')}
        value={phase}
        options={[
          { id: 'out', name: tr('out') },
          { id: 'move', name: tr('moveOver2') },
          { id: 'back', name: tr('backIn') },
        ]}
        onChange={setPhase}
      />
    </View>
  );
  if (phase === 'out') return <TakeOut job={job} work={work} tabs={tabs} onPhase={setPhase} />;
  if (phase === 'move') return <MoveOver job={job} work={work} tabs={tabs} onPhase={setPhase} />;
  return <BackIn job={job} work={work} tabs={tabs} />;
}
