import type { JobState } from '@/model/fold';
import { CameraTests, Sizes } from '@/bench-kit/LensSet';
import { StageShell } from '@/bench-kit/StageShell';
import { Flash } from '@/ui/alarm';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { View } from 'react-native';
import { caution, useLensBond } from './useLensBond';
import { LensBondPicture, LensBondReadings, LensBondWhy } from './LensBondParts';
import { t } from '@/words/bond';

/** New lens covers, one after the other: only over tested cameras, the right size, pressed under the finger. */
export function LensBond(p: { job: JobState }) {
  const here = useLensBond(p);
  const { alarm, glance, job, now, shut, act, text, label } = here;
  return (
    <View className="flex-1">
      <Flash on={alarm.flash} label={t('letGo')} />
      <StageShell
        job={job}
        stage="bond"
        now={now}
        caution={caution()}
        glance={glance}
        picture={(size) => <LensBondPicture here={here} size={size} />}
        call={<Call {...text} />}
        readings={<LensBondReadings here={here} />}
        main={
          <Button kind="main" label={label} onPress={act} disabled={shut !== null} {...(shut ? { why: shut } : {})} />
        }
      >
        {here.tested ? null : <CameraTests job={job} log={here.log} />}
        {here.wrong ? <Sizes job={job} chosen={here.chosen} /> : null}
        <LensBondWhy here={here} />
      </StageShell>
    </View>
  );
}
