import type { JobState } from '@/model/fold';
import { StageShell } from '@/bench-kit/StageShell';
import { Button } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { listed, length, temp } from '@/words/units';
import { caution, useClipLift } from './useClipLift';
import { ClipPicture, ClipCall, ClipReadings, ClipMain, ClipWhy } from './ClipLiftParts';
import { t } from '@/words/lift';

/** A clipped cover: clip after clip from the charge port, with the edge no higher than the plastic bears. */
export function ClipLift(p: { job: JobState }) {
  const here = useClipLift(p);
  const { job, now, next, set, patch, reader, units, strength, broken, plan, name } = here;
  return (
    <StageShell
      job={job}
      stage="lift"
      now={now}
      caution={caution()}
      picture={(size) => <ClipPicture here={here} size={size} />}
      call={<ClipCall here={here} />}
      readings={<ClipReadings here={here} />}
      main={<ClipMain here={here} />}
      side={next ? <Button label={t('itBroke')} onPress={() => set(next.index, 'broken')} /> : undefined}
    >
      {patch ? (
        <Txt size="s" className="mt-2">
          {reader
            ? patch.workC === null
              ? t('gluedSpotAtTheReaderPeel', { value: temp(strength.surfaceC.stop.value, units) })
              : t('gluedSpotAtTheReaderPeel2', {
                  workC: temp(patch.workC, units),
                  value: temp(strength.surfaceC.stop.value, units),
                })
            : patch.workC === null
              ? t('gluedSpotPeelItSlowlyAnd', { value: temp(strength.surfaceC.stop.value, units) })
              : t('gluedSpotPeelItSlowlyFrom', {
                  workC: temp(patch.workC, units),
                  value: temp(strength.surfaceC.stop.value, units),
                })}
        </Txt>
      ) : null}
      {broken ? (
        <Txt size="s" className="mt-2">
          {t('aBrokenClipLeavesAGap')}
        </Txt>
      ) : null}
      <Disclosure title={t('clipsOneByOne')}>
        {plan.steps.map((s, i) => (
          <Tick
            key={s.index}
            label={`${i + 1}. ${name(s)}`}
            on={job.clips.has(s.index)}
            note={
              s.near.length
                ? t('upToBesideIt', { liftMm: length(Math.min(s.liftMm, 20), units), list: listed(s.near) })
                : t('upTo', { liftMm: length(Math.min(s.liftMm, 20), units) })
            }
            onChange={(v) => set(s.index, v ? 'open' : 'holds')}
          />
        ))}
      </Disclosure>
      <ClipWhy here={here} />
    </StageShell>
  );
}
