import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { StageShell } from '@/bench-kit/StageShell';
import { Flash } from '@/ui/alarm';
import { Call } from '@/ui/Call';
import { Choice } from '@/ui/Choice';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { CameraRing } from './CameraRing';
import { GaveWay } from './GaveWay';
import { LiftLinks } from './LiftLinks';
import { GivingUp } from './GivingUp';
import { ModeChoice } from './ModeChoice';
import { liftCaution } from './words';
import { spotModelK, contactModelK } from './usePiecesHeat';
import { usePiecesLift } from './usePiecesLift';
import { PiecesPicture, PiecesMain, PiecesSide, ThisPiece, PieceOrder, PiecesWhy } from './PiecesLiftParts';
import { t } from '@/words/lift';

/** Cracked glass, piece by piece: the piece now, where it is heated, where the blade goes, how high it is levered. */
export function PiecesLift(p: { job: JobState }) {
  const here = usePiecesLift(p);
  const { alarm, job, now, text, readings, finger, setFinger, setProblem, problem, lift, thermal, lowC, spotted } =
    here;
  return (
    <View className="flex-1">
      <Flash on={alarm.flash} label={t('thePieceGrips')} />
      <StageShell
        job={job}
        stage="lift"
        now={now}
        caution={liftCaution()}
        picture={(size) => <PiecesPicture here={here} size={size} />}
        call={<Call {...text} />}
        controls={thermal && lift ? <GivingUp job={job} ring={{ thermal, lift }} now={now} pieces /> : null}
        readings={<Readings items={readings} />}
        main={<PiecesMain here={here} />}
        side={<PiecesSide here={here} />}
      >
        <Choice
          label={t('theFinger')}
          value={finger}
          options={[
            { id: 'off', name: t('tapItIsOff') },
            { id: 'break', name: t('strokeItBrokeAgain') },
            { id: 'left', name: t('tapGlassLeft') },
            { id: 'look', name: t('justLooks') },
          ]}
          onChange={(f) => {
            setFinger(f);
            setProblem(null);
          }}
        />
        {problem ? (
          <View role="alert">
            <Txt tone="caution">{problem}</Txt>
          </View>
        ) : null}
        <ThisPiece here={here} />
        <PieceOrder here={here} />
        <CameraRing job={job} />
        {lift ? (
          <GaveWay
            job={job}
            lift={lift}
            arcC={{
              low: lowC,
              mean: lowC + (spotted ? spotModelK : contactModelK),
              high: lowC + 2 * (spotted ? spotModelK : contactModelK),
            }}
          />
        ) : null}
        {job.piecesOff.size ? null : <ModeChoice job={job} />}
        <LiftLinks job={job} spot />
        <PiecesWhy here={here} />
      </StageShell>
    </View>
  );
}
