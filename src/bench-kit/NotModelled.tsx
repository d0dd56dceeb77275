import { jointOf } from '@/core/device/jointKinds';
import type { ReactNode } from 'react';

import { bondPerimeter } from '@/core/device/perimeter';
import type { Construction } from '@/core/device/types';
import type { JobState } from '@/model/fold';
import type { StageId } from '@/model/stages';
import { Call } from '@/ui/Call';
import { Numbers, RingArcs } from '@/ui/plan/layers';
import { useNow } from './useNow';
import { PlainPlan } from './PlainPlan';
import { StageShell } from './StageShell';
import { told } from '@/words/told';
import { t } from '@/words/kit';

interface NotModelledProps {
  job: JobState;
  stage: StageId;
  caution: string;
  main: ReactNode;
}

type Words = { sentence: string; reason: string };

/** What is common practice for covers that the heat and ring laws do not describe. No time is shown that was not computed. */
const words: Partial<Record<Construction, Partial<Record<StageId, Words>>>> = {
  clipped: {
    heat: {
      get sentence() {
        return t('noHeatForClips');
      },
      get reason() {
        return t('warmOnlyAGluedPatchIf');
      },
    },
  },
};

/** Stage of a cover that the laws of the ring do not describe: what is done, and plainly that nothing is computed. */
export function NotModelled({ job, stage, caution, main }: NotModelledProps) {
  const now = useNow(10_000);
  const path = bondPerimeter(job.device, job.bond);
  const text = words[job.face.construction]?.[stage] ?? {
    sentence: t('notWorkedOutForThisBack'),
    reason: t('thereIsNoModelForIt'),
  };
  return (
    <StageShell
      job={job}
      stage={stage}
      now={now}
      caution={caution}
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          label={`${job.device.name}, ${told(job.face.name)}`}
          lines={[
            ...job.bond.clipsAtMm.map((_, i) => t('clip', { i: i + 1 })),
            ...job.device.cables.map((c) => t('crossesToTheBack', { name: c.name })),
          ]}
        >
          {!jointOf(job.bond).glued ? (
            <Numbers
              items={job.bond.clipsAtMm.map((s, i) => ({
                at: path.point(s).at,
                text: String(i + 1),
                state: i ? 'todo' : 'next',
              }))}
            />
          ) : (
            <RingArcs arcs={[{ fromMm: 0, toMm: path.lengthMm, state: 'plain' }]} />
          )}
        </PlainPlan>
      )}
      call={<Call {...text} />}
      readings={null}
      main={main}
    />
  );
}
