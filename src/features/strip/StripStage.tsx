import { useRouter } from 'expo-router';
import { View } from 'react-native';

import type { Part } from '@/core/device/types';
import type { JobState } from '@/model/fold';
import { useActions } from '@/stagekit/actions';
import { PlainPlan } from '@/stagekit/PlainPlan';
import { stageHref, StageShell } from '@/stagekit/StageShell';
import { useGoOn } from '@/stagekit/useGoOn';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Tick } from '@/ui/Choice';
import { Outlines } from '@/ui/plan/layers';
import { useNow } from '@/ui/useNow';

const caution =
  'Battery unplugged first, plugged in last, with plastic; wrist strap. A swollen, bent or punctured cell goes to the fire-proof bag, never back in.';

/** Battery first off, last on; the rest as the model lists it. */
const outOrder = (a: Part, b: Part) => Number(b.kind === 'battery') - Number(a.kind === 'battery');

export function StripStage({ job }: { job: JobState }) {
  const now = useNow(10_000);
  const { log } = useActions(job);
  const goOn = useGoOn(job, 'strip');
  const router = useRouter();
  const needed = job.stages.strip !== 'skipped';
  const on = () => (needed ? goOn() : router.replace(stageHref(job.id, 'clean')));
  const parts = job.device.parts.filter((p) => p.removable).sort(outOrder);
  const out = parts.filter((p) => job.parts[p.id] === 'out');
  const next = parts.find((p) => job.parts[p.id] !== 'out');
  const text = !needed
    ? {
        sentence: 'Not needed on this route.',
        reason: 'Nothing inside comes out, and nothing has to be moved.',
      }
    : next
      ? {
          sentence: `Out next: ${next.name}. ${parts.length - out.length} of ${parts.length} to go.`,
          reason: 'Battery first. The order of the others is not computed: as the model lists them.',
        }
      : { sentence: 'Everything that comes out is out.', reason: 'Count the screws before going on.' };
  return (
    <StageShell
      job={job}
      stage="strip"
      now={now}
      {...(needed ? { caution } : {})}
      onMain={on}
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          label={job.device.name}
          lines={job.device.parts.map(
            (p) => `${p.name}: ${needed && p.removable ? (job.parts[p.id] ?? 'in') : 'stays in'}`,
          )}
        >
          {needed ? (
            <Outlines
              items={parts
                .filter((p) => job.parts[p.id] !== 'out')
                .map((p) => ({ shape: p.shape.kind === 'band' ? p.shape.of : p.shape, on: p === next }))}
            />
          ) : null}
        </PlainPlan>
      )}
      call={<Call {...text} />}
      readings={null}
      main={<Button kind="main" label="Go to clean" onPress={on} />}
    >
      {needed ? (
        <View className="mt-3">
          {parts.map((p) => (
            <Tick
              key={p.id}
              label={`${p.name}: out`}
              on={job.parts[p.id] === 'out'}
              onChange={(on) => void log([{ type: 'partState', partId: p.id, to: on ? 'out' : 'in' }])}
            />
          ))}
        </View>
      ) : null}
    </StageShell>
  );
}
