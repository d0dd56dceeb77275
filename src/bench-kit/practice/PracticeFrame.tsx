import { useLocalSearchParams } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import type { PracticeRun } from '@/store/practice';
import { CallsTold } from '@/ui/Call';
import { isClosing } from '@/work/practice/exercises';
import { ClosingHands } from './ClosingHands';
import { Hands } from './Hands';
import { PracticeBar } from './PracticeBar';
import { useClosingLab } from './useClosingLab';
import { useLab } from './useLab';

/** So long after a decision of one's own its call is shown, s of the exercise. */
const toldForS = 20;

interface FrameProps {
  run: PracticeRun;
  job: JobState;
  children: ReactNode;
}

/** A stage of a made-up job: the same page, with the exercise's clock over it and hands under it. */
export default function PracticeFrame(p: FrameProps) {
  return isClosing(p.run.exercise) ? <ClosingFrame {...p} /> : <LiftFrame {...p} />;
}

function LiftFrame({ run, job, children }: FrameProps) {
  const { stage = '' } = useLocalSearchParams<{ stage?: string }>();
  const lab = useLab(run, job);
  return (
    <Frame run={run} nowS={lab.nowS} hands={<Hands run={run} lab={lab} stage={stage} />}>
      {children}
    </Frame>
  );
}

function ClosingFrame({ run, job, children }: FrameProps) {
  const { stage = '' } = useLocalSearchParams<{ stage?: string }>();
  const lab = useClosingLab(run);
  return (
    <Frame run={run} nowS={lab.nowS} hands={<ClosingHands run={run} job={job} lab={lab} stage={stage} />}>
      {children}
    </Frame>
  );
}

function Frame({
  run,
  nowS,
  hands,
  children,
}: Pick<FrameProps, 'run' | 'children'> & { nowS: number; hands: ReactNode }) {
  const last = run.acts.at(-1);
  const told =
    run.way === 'guided' || (run.way === 'checked' && last !== undefined && nowS - last.atS - last.dtS < toldForS);
  return (
    <View className="flex-1 bg-paper">
      <PracticeBar run={run} nowS={nowS} />
      <CallsTold.Provider value={told}>
        <View className="flex-1">{children}</View>
      </CallsTold.Provider>
      {hands}
    </View>
  );
}
