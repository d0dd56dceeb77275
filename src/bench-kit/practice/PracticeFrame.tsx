import { useLocalSearchParams } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import type { PracticeRun } from '@/store/practice';
import { CallsTold } from '@/ui/Call';
import { Hands } from './Hands';
import { PracticeBar } from './PracticeBar';
import { useLab } from './useLab';

/** So long after a decision of one's own its call is shown, s of the exercise. */
const toldForS = 20;

/** A stage of a made-up job: the same page, with the exercise's clock over it and hands under it. */
export default function PracticeFrame({
  run,
  job,
  children,
}: {
  run: PracticeRun;
  job: JobState;
  children: ReactNode;
}) {
  const { stage } = useLocalSearchParams<{ stage?: string }>();
  const lab = useLab(run, job);
  const last = run.acts.at(-1);
  const told =
    run.way === 'guided' || (run.way === 'checked' && last !== undefined && lab.nowS - last.atS - last.dtS < toldForS);
  return (
    <View className="flex-1 bg-paper">
      <PracticeBar run={run} nowS={lab.nowS} />
      <CallsTold.Provider value={told}>
        <View className="flex-1">{children}</View>
      </CallsTold.Provider>
      <Hands run={run} lab={lab} stage={stage ?? ''} />
    </View>
  );
}
