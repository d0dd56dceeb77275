import type { JobState } from '@/model/fold';
import { StageShell } from '@/bench-kit/StageShell';
import { Button } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { length, temp } from '@/words/units';
import { caution, useClipLift } from './useClipLift';
import { ClipPicture, ClipCall, ClipReadings, ClipMain, ClipWhy } from './ClipLiftParts';

/** A clipped cover: clip after clip from the charge port, with the edge no higher than the plastic bears. */
export function ClipLift(p: { job: JobState }) {
  const here = useClipLift(p);
  const { job, now, next, set, goOn, patch, reader, units, strength, broken, plan, name } = here;
  return (
    <StageShell
      job={job}
      stage="lift"
      now={now}
      caution={caution}
      onMain={next ? () => set(next.index, 'open') : () => goOn()}
      picture={(size) => <ClipPicture here={here} size={size} />}
      call={<ClipCall here={here} />}
      readings={<ClipReadings here={here} />}
      main={<ClipMain here={here} />}
      side={next ? <Button label="It broke" onPress={() => set(next.index, 'broken')} /> : undefined}
    >
      {patch ? (
        <Txt size="s" className="mt-2">
          Glued spot{reader ? ' at the reader' : ''}: peel it slowly{' '}
          {patch.workC === null ? 'and cold' : `from ${temp(patch.workC, units)} on`}, and keep the cover under{' '}
          {temp(strength.surfaceC.stop.value, units)}. A drop of alcohol works too.
        </Txt>
      ) : null}
      {broken ? (
        <Txt size="s" className="mt-2">
          A broken clip leaves a gap there: tell the customer, or take a new cover.
        </Txt>
      ) : null}
      <Disclosure title="Clips one by one">
        {plan.steps.map((s, i) => (
          <Tick
            key={s.index}
            label={`${i + 1}. ${name(s)}`}
            on={job.clips.has(s.index)}
            note={`up to ${length(Math.min(s.liftMm, 20), units)}${s.near.length ? `, ${s.near.join(', ')} beside it` : ''}`}
            onChange={(v) => set(s.index, v ? 'open' : 'holds')}
          />
        ))}
      </Disclosure>
      <ClipWhy here={here} />
    </StageShell>
  );
}
