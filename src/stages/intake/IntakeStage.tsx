import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { StageShell } from '@/bench-kit/StageShell';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { CrackedAndSaved } from './CrackedAndSaved';
import { AsItUsuallyIs, UsualRoute } from './QuickAnswers';
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
import { PracticeAsked } from '@/bench-kit/PracticeAsked';
import { t } from '@/words/intake';

export function IntakeStage(p: { job: JobState }) {
  const here = useIntakeStage(p);
  const { job, now, ready, text, next, swollen, missing, usual, main } = here;
  return (
    <StageShell
      job={job}
      stage="intake"
      now={now}
      caution={caution()}
      picture={(size) => <IntakePicture here={here} size={size} />}
      call={<Call {...text} />}
      readings={
        // asked first, decided first (law 22); figures come after what they follow from
        <View>
          <CrackedAndSaved job={job} />
          <AsItUsuallyIs job={job}>
            <IntakeFindings here={here} />
            <PowerAndTray here={here} />
          </AsItUsuallyIs>
          {usual ? <UsualRoute usual={usual} /> : null}
        </View>
      }
      main={
        <Button
          kind="main"
          label={main && !ready ? t('useItAndGo', { next }) : next}
          onPress={() => main?.()}
          disabled={!main}
          {...(main ? {} : { why: swollen ? t('swollenBattery') : t('open', { missing: missing[0] }) })}
        />
      }
    >
      <View className="mt-3">
        <PracticeAsked job={job} />
        <IntakeReadings here={here} />
        <IntakePages here={here} />
        <PromiseAndPart here={here} />
        <IntakeMore here={here} />
        <IntakeWhy here={here} />
      </View>
    </StageShell>
  );
}
