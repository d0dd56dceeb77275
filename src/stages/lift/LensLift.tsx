import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { StageShell } from '@/bench-kit/StageShell';
import { Flash } from '@/ui/alarm';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Readings } from '@/ui/Readings';
import { CameraTests } from '@/bench-kit/LensSet';
import { LiftLinks } from './LiftLinks';
import { caution, useLensLift } from './useLensLift';
import { LensPicture, LensMain, WhichCovers, LensHeatChoice, LensWhy } from './LensLiftParts';
import { t } from '@/words/lift';

/** Lens covers, one after the other: warm or cold, blade under the tape, tap out, look, and the cameras tested. */
export function LensLift(p: { job: JobState }) {
  const here = useLensLift(p);
  const { alarm, job, now, text, readings, next, warm, soft, on, log, step, chosen } = here;
  return (
    <View className="flex-1">
      <Flash on={alarm.flash} label={t('airOff')} />
      <StageShell
        job={job}
        stage="lift"
        now={now}
        caution={caution()}
        picture={(size) => <LensPicture here={here} size={size} />}
        call={<Call {...text} />}
        readings={<Readings items={readings} />}
        main={<LensMain here={here} />}
        side={
          next && warm && !soft && !on ? (
            <Button label={t('offAlready')} onPress={() => void log([step(next, 'off')])} />
          ) : undefined
        }
      >
        <WhichCovers here={here} />
        <LensHeatChoice here={here} />
        {next || !chosen.length ? null : <CameraTests job={job} log={log} />}
        <LiftLinks job={job} />
        <LensWhy here={here} />
      </StageShell>
    </View>
  );
}
