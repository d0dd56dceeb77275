import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { StageShell } from '@/bench-kit/StageShell';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { RingArcs } from '@/ui/plan/layers';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { KeepLearned } from './KeepLearned';
import { caution, useHandoverStage } from './useHandoverStage';
import {
  HandoverReadings,
  HandoverMain,
  OutsideBack,
  PaidTick,
  Sheet,
  SheetActions,
  HandoverWhy,
} from './HandoverParts';
import { t } from '@/words/handover';

export function HandoverStage(p: { job: JobState }) {
  const here = useHandoverStage(p);
  const wide = useWide();
  const { job, now, path, text, savePdf, problem } = here;
  return (
    <StageShell
      job={job}
      stage="handover"
      now={now}
      caution={caution()}
      // a wide screen has the sheet itself in its middle, as it will be printed
      picture={(size) =>
        wide ? (
          <View tabIndex={0}>
            <Sheet here={here} />
          </View>
        ) : (
          <PlainPlan job={job} size={size} label={t('closed', { name: job.device.name })} lines={[job.device.name]}>
            <RingArcs arcs={[{ fromMm: 0, toMm: path.lengthMm, state: 'free' }]} />
          </PlainPlan>
        )
      }
      call={<Call {...text} />}
      readings={<HandoverReadings here={here} />}
      main={<HandoverMain here={here} />}
      side={<Button label={t('sheetAsPdf')} onPress={() => void savePdf()} />}
    >
      {problem ? (
        <View role="alert">
          <Txt tone="caution">{problem}</Txt>
        </View>
      ) : null}
      <KeepLearned job={job} />
      <OutsideBack here={here} />
      <PaidTick here={here} />
      {wide ? null : <Sheet here={here} />}
      <SheetActions here={here} />
      <HandoverWhy here={here} />
    </StageShell>
  );
}
