import { useState } from 'react';
import { View } from 'react-native';

import { placeholders } from '@/core/lift/corner';
import type { JobState } from '@/model/fold';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { StageShell } from '@/bench-kit/StageShell';
import { edgeName } from '@/words/placeNames';
import { FirstLook } from '@/bench-kit/FirstLook';
import { ThermalWait } from '@/bench-kit/ThermalWait';
import { wetRule } from '@/bench-kit/wet';
import { useJobs, useSettings } from '@/store/shop';
import { capital } from '@/words/capital';
import { Flash, useAlarm, useAwake } from '@/ui/alarm';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Readings } from '@/ui/Readings';
import { useNow } from '@/bench-kit/useNow';
import { useVoice } from '@/bench-kit/useVoice';
import { EasierPick } from './EasierPick';
import { GivingUp } from './GivingUp';
import { RingBelow, type Finger } from './RingBelow';
import { ringFacts } from './ringFacts';
import { RingPicture } from './RingPicture';
import { leftOf, ringCues, ringGlance } from './ringVoice';
import { useRing } from './useRing';
import { useRingActions } from './useRingActions';
import { liftCaution } from './words';
import { t } from '@/words/lift';

/** An intact or taped cover along its ring, edge by edge, against the cooling line. */
export function RingLift({ job }: { job: JobState }) {
  const settings = useSettings();
  const jobs = useJobs();
  const now = useNow(500, true);
  const [finger, setFinger] = useState<Finger>('cut');
  const { source, ring } = useRing(job, settings, now);
  const actions = useRingActions(job);
  const closesAt =
    ring?.look && ring.look.gripsAtS > ring.nowS ? ring.thermal.t0 + (ring.look.gripsAtS - 20) * 1e3 : null;
  const alarm = useAlarm(closesAt, now, 'closes', settings.sound && !settings.voice.on);
  useVoice(ring ? ringCues(job, ring) : []);
  useAwake(ring !== null && ring.heated && !ring.on && ring.lift.nextEdge !== null);

  if (!ring)
    return (
      <StageShell
        job={job}
        stage="lift"
        now={now}
        picture={(size) => <PlainPlan job={job} size={size} label={job.device.name} lines={[]} />}
        call={<ThermalWait thermal={source} />}
        readings={null}
        main={
          <Button kind="main" label={t('edgeIsFree')} onPress={() => {}} disabled why={t('theHeatModelIsNotReady2')} />
        }
        caution={liftCaution()}
      />
    );

  const { thermal, lift, on, heated, cold } = ring;
  const facts = ringFacts(job, settings, ring);
  const act = actions(ring, facts);
  const { nextEdge } = lift;
  const shut = on ? t('itIsOnTheHeat') : !heated && !cold ? t('heatFirst') : null;
  const reheatHot = (facts.battery?.hotC ?? 0) >= facts.marks.stopC;
  const swollen = job.findings.cellSwollen?.answer === 'yes';
  const wet = wetRule(job, jobs, settings, now, thermal.heater).stop;
  const noHeat = swollen ? t('theBatteryIsSwollen') : (wet ?? (reheatHot ? t('theBatteryIsAtItsLimit') : null));
  const pegs = placeholders(thermal.path, job.cut.free);
  const part = { job, ring, facts, pegs };
  return (
    <View className="flex-1">
      <Flash on={alarm.flash} label={t('itGripsIn20S')} />
      <StageShell
        job={job}
        stage="lift"
        now={now}
        caution={liftCaution()}
        step={nextEdge ?? 'end'}
        glance={heated && !on ? ringGlance(ring, facts.verdict, now) : null}
        picture={(size) => (
          <RingPicture
            {...part}
            units={settings}
            size={size}
            onStretch={finger === 'look' || !nextEdge || shut ? null : (s) => act.mark(s, finger)}
          />
        )}
        call={
          <>
            <Call {...facts.text} />
            <FirstLook thermal={source} />
            <EasierPick job={job} ring={ring} />
          </>
        }
        readings={<Readings items={facts.readings} />}
        controls={<GivingUp job={job} ring={ring} now={now} />}
        main={
          // a button of its own at the end: a tap that was meant for the last edge does not end the stage
          <Button
            key={nextEdge ? 'edge' : 'end'}
            kind="main"
            label={
              nextEdge
                ? t('isFree2', { nextEdge: capital(edgeName(nextEdge)) })
                : job.face.side === 'front'
                  ? t('frontIsOff')
                  : t('backIsOff')
            }
            clock={nextEdge && heated && !on ? leftOf(ring) : null}
            onPress={act.next}
            disabled={nextEdge !== null && shut !== null}
            {...(shut && nextEdge ? { why: shut } : {})}
          />
        }
        side={
          !nextEdge ? undefined : on || !heated ? (
            <Button label={t('heat')} onPress={act.toHeat} />
          ) : (
            <Button
              label={t('itGripsReheat')}
              onPress={act.reheat}
              disabled={noHeat !== null}
              {...(noHeat ? { why: noHeat } : {})}
            />
          )
        }
      >
        <RingBelow {...part} settings={settings} act={act} shut={shut} finger={finger} onFinger={setFinger} />
      </StageShell>
    </View>
  );
}
