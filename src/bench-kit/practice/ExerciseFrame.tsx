import type { ReactNode } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import type { PracticeRun } from '@/store/practice';
import { CallsTold } from '@/ui/Call';
import { PracticeBar } from './PracticeBar';

/** So long after a decision of one's own its call is shown, s of the exercise. */
const toldForS = 20;

export interface FrameProps {
  run: PracticeRun;
  job: JobState;
  children: ReactNode;
}

/** The page of a stage with the exercise's clock over it and hands under it. */
export function ExerciseFrame({
  run,
  nowS,
  hands,
  bar,
  children,
}: Pick<FrameProps, 'run' | 'children'> & { nowS: number; hands: ReactNode; bar?: ReactNode }) {
  const last = run.acts.at(-1);
  const told =
    run.way === 'guided' || (run.way === 'checked' && last !== undefined && nowS - last.atS - last.dtS < toldForS);
  return (
    <View className="flex-1 bg-paper">
      <PracticeBar run={run} nowS={nowS} />
      {bar}
      <CallsTold.Provider value={told}>
        <View className="flex-1">{children}</View>
      </CallsTold.Provider>
      {hands}
    </View>
  );
}
