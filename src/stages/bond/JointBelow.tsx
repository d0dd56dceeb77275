import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { OpenAgain } from '@/bench-kit/OpenAgain';
import { ScrewGate } from '@/bench-kit/ScrewGate';
import { Why } from '@/bench-kit/Why';
import { digits, clock, length } from '@/words/units';
import { BeadDetails } from './BeadDetails';
import { BeforeClosing, ClosingList } from './ClosingList';
import { RealUse } from './RealUse';
import { whyRows } from './readings';
import { BondingMethodTable } from './BondingMethodTable';
import { TapeDetails } from './TapeDetails';
import { isLiquid, type Joint } from './useJoint';
import { t } from '@/words/bond';

interface JointBelowProps {
  job: JobState;
  settings: Settings;
  joint: Joint;
}

/** Under the buttons: screws first, the way's own figures, the order of closing, all ways side by side, why. */
export function JointBelow({ job, settings, joint }: JointBelowProps) {
  const { now, picks, pick, work, school, strips, liquid, bead, closing, phase, awake, screwStop } = joint;
  return (
    <View className="mt-2">
      <ScrewGate job={job} stop={screwStop} />
      {phase === 'tape' ? <BeforeClosing job={job} /> : null}
      {strips && (phase === 'tape' || phase === 'plan') ? (
        <TapeDetails job={job} work={work} tape={strips} onTape={(tapeId) => pick({ tapeId })} />
      ) : null}
      {isLiquid(school) && phase === 'plan' && liquid ? (
        <BeadDetails job={job} work={work} school={school} liquid={liquid} bead={bead} picks={picks} onPicks={pick} />
      ) : null}
      {job.bonded || phase === 'laying' ? null : <ClosingList job={job} closing={closing} bead={bead} awake={awake} />}
      {phase === 'tape' || phase === 'plan' ? (
        <BondingMethodTable job={job} work={work} bead={bead} school={school} />
      ) : null}
      {job.bonded ? (
        <>
          <RealUse job={job} />
          <OpenAgain job={job} now={now} />
        </>
      ) : null}
      <JointWhy job={job} settings={settings} joint={joint} />
    </View>
  );
}

/** What the way was chosen from. */
function JointWhy({ job, settings, joint: { work, school, strips, choice, liquid, bead } }: JointBelowProps) {
  return (
    <Why
      job={job}
      call="bond"
      inputs={{ school, rings: work.rings, tape: strips?.tape.id, liquid: liquid?.id }}
      computed={{
        cost: choice.cost,
        pieces: strips?.plan.pieces.length,
        rollUsedMm: strips?.plan.rollUsedMm,
        ml: bead?.ml,
      }}
      notes={[
        t('costsAreMaterialWorkTheChance'),
        ...(bead
          ? [
              bead.squeeze.timeS === null
                ? t('hereToWaitAndToThe', { waitS: clock(bead.open.waitS), skinS: clock(bead.open.skinS) })
                : t('hereToWaitAndToThe2', {
                    waitS: clock(bead.open.waitS),
                    skinS: clock(bead.open.skinS),
                    figure: digits(bead.squeeze.timeS, 2),
                  }),
              t('itsOwnStiffnessWouldStopIt', {
                stopMm: length(bead.squeeze.stopMm, settings, 2),
                gapMm: length(bead.gapMm, settings, 2),
              }),
            ]
          : []),
      ]}
      rows={whyRows(choice, bead, strips !== null)}
    />
  );
}
