import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { StageShell } from '@/bench-kit/StageShell';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { CrackedAndSaved } from './CrackedAndSaved';
import { NoneOfThese, UsualRoute } from './QuickAnswers';
import { caution, useIntakeStage } from './useIntakeStage';
import {
  IntakePicture,
  IntakeReadings,
  IntakeFindings,
  IntakePages,
  PowerAndTray,
  PromiseAndPart,
} from './IntakeParts';
import { IntakeMore, IntakeWhy } from './IntakeMore';
import { t } from '@/words/intake';

export function IntakeStage(p: { job: JobState }) {
  const here = useIntakeStage(p);
  const { job, now, ready, goOn, text, next, swollen, missing } = here;
  return (
    <StageShell
      job={job}
      stage="intake"
      now={now}
      caution={caution()}
      onMain={ready ? () => goOn() : undefined}
      picture={(size) => <IntakePicture here={here} size={size} />}
      call={<Call {...text} />}
      readings={<IntakeReadings here={here} />}
      main={
        <Button
          kind="main"
          label={next}
          onPress={() => goOn()}
          disabled={!ready}
          {...(ready ? {} : { why: swollen ? t('swollenBattery') : t('open', { missing: missing[0] }) })}
        />
      }
    >
      <View className="mt-3">
        <CrackedAndSaved job={job} />
        <NoneOfThese job={job} />
        <IntakeFindings here={here} />
        <UsualRoute job={job} />
        <IntakePages here={here} />
        <PowerAndTray here={here} />
        <PromiseAndPart here={here} />
        <IntakeMore here={here} />
        <IntakeWhy here={here} />
      </View>
    </StageShell>
  );
}
