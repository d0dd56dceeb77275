import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { StageShell } from '@/bench-kit/StageShell';
import { useJobs, useSettings } from '@/store/shop';
import { Flash } from '@/ui/alarm';
import { Button, HoldButton } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Readings } from '@/ui/Readings';
import { BeforeClosing } from './ClosingList';
import { JointBelow } from './JointBelow';
import { jointCall } from './jointCall';
import { JointPicture } from './JointPicture';
import { beadReadings, dryReadings, ringReadings, tapeReadings } from './readings';
import { BondingMethodChoice } from './BondingMethodTable';
import { useJoint } from './useJoint';
import { useJointActions } from './useJointActions';
import { t } from '@/words/bond';
import { clock } from '@/words/units';

const cautions = {
  get tape() {
    return t('sharpBladeAndGlassEdgesGloves');
  },
  get solvent() {
    return t('solventGlueItsVapourBurnsAnd');
  },
  get moisture() {
    return t('sealantGlovesAirTheRoomKeep');
  },
};

/** How a cover is bonded again: the way, how much of it, laid where, closed when. */
export function JointBond({ job }: { job: JobState }) {
  const settings = useSettings();
  const jobs = useJobs();
  const joint = useJoint(job, jobs, settings);
  const { now, setPicked, work, school, lays, strips, choice, bead, phase, late } = joint;
  const { main, wipeOff } = useJointActions(job, joint);
  const { text, stop, lacksTick } = jointCall(job, jobs, settings, joint);
  return (
    <View className="flex-1">
      <Flash on={joint.openFlash} label={t('closeNow')} />
      <Flash on={joint.lastFlash} label={t('lastChanceToClose')} />
      <StageShell
        job={job}
        stage="bond"
        now={now}
        caution={cautions[bead ? bead.liquid.cure : 'tape']}
        step={phase}
        large={phase === 'laying'}
        glance={joint.glance}
        picture={(size) => <JointPicture job={job} settings={settings} size={size} joint={joint} />}
        controls={
          phase === 'tape' || phase === 'plan' ? (
            <BondingMethodChoice work={work} school={school} onSchool={setPicked} />
          ) : phase === 'open' ? (
            <BeforeClosing job={job} />
          ) : null
        }
        call={<Call {...text} />}
        readings={
          <Readings
            items={
              bead
                ? beadReadings(bead, choice, settings)
                : strips
                  ? tapeReadings(strips, settings)
                  : lays === 'ring'
                    ? ringReadings(work)
                    : dryReadings(job, choice, settings)
            }
          />
        }
        main={
          phase === 'open' && late ? (
            <HoldButton
              key="late"
              label={t('closedOverTheSkin')}
              onPress={main.act}
              disabled={lacksTick !== null}
              {...(lacksTick ? { why: lacksTick } : {})}
            />
          ) : (
            <Button
              key={phase}
              kind="main"
              clock={joint.glance?.leftS == null ? null : clock(joint.glance.leftS)}
              label={main.label}
              onPress={main.act}
              disabled={stop !== null}
              {...(stop ? { why: stop } : {})}
            />
          )
        }
        side={
          phase === 'laying' || phase === 'open' ? (
            <HoldButton kind="side" label={t('wipedOff')} onPress={wipeOff} />
          ) : undefined
        }
      >
        <JointBelow job={job} settings={settings} joint={joint} />
      </StageShell>
    </View>
  );
}
