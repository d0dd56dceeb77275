import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { OpenAgain } from '@/bench-kit/OpenAgain';
import { StageShell } from '@/bench-kit/StageShell';
import { Flash } from '@/ui/alarm';
import { HoldButton } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Readings } from '@/ui/Readings';
import { AirLog } from './AirLog';
import { CureFiles } from './CureFiles';
import { HoldChoice } from './HoldChoice';
import { ShelfPlace } from './ShelfPlace';
import { WhyHours } from './WhyHours';
import { caution, useCureStage } from './useCureStage';
import { CurePicture, CureMain, CureNotes, DidItHold, WhereItSlipped, PeelOff, CureMarks, CureWhy } from './CureParts';
import { t } from '@/words/cure';

export function CureStage(p: { job: JobState }) {
  const here = useCureStage(p);
  const { alarm, job, now, text, shown, markReading, start, off, left, clampOff, ways, way, setPicked, cure } = here;
  return (
    <View className="flex-1">
      <Flash on={alarm.flash} label={t('clampsMayComeOff')} />
      <StageShell
        job={job}
        stage="cure"
        now={now}
        caution={caution()}
        glance={here.glance}
        picture={(size) => <CurePicture here={here} size={size} />}
        call={<Call {...text} />}
        readings={<Readings items={shown.map(markReading)} />}
        main={<CureMain here={here} />}
        side={
          start !== null && !off && left > 0 ? (
            <HoldButton kind="side" label={t('offEarly')} onPress={() => clampOff(true)} />
          ) : undefined
        }
      >
        <CureNotes here={here} />
        {start === null ? <HoldChoice ways={ways} way={way} onWay={setPicked} /> : null}
        <PeelOff here={here} />
        <DidItHold here={here} />
        <WhereItSlipped here={here} />
        <CureMarks here={here} />
        <ShelfPlace job={job} cure={cure} now={now} />
        <AirLog job={job} cure={cure} now={now} />
        <WhyHours cure={cure} now={now} />
        <CureFiles job={job} cure={cure} now={now} />
        <OpenAgain job={job} now={now} />
        <CureWhy here={here} />
      </StageShell>
    </View>
  );
}
