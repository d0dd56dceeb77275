import { useLocalSearchParams } from 'expo-router';

import { ExerciseFrame, type FrameProps } from './ExerciseFrame';
import { PiecesHands } from './PiecesHands';
import { usePiecesLab } from './usePiecesLab';

/** A shattered cover, worked piece by piece. */
export function PiecesFrame({ run, job, children }: FrameProps) {
  const { stage = '' } = useLocalSearchParams<{ stage?: string }>();
  const lab = usePiecesLab(run, job);
  return (
    <ExerciseFrame run={run} nowS={lab.nowS} hands={<PiecesHands run={run} lab={lab} stage={stage} />}>
      {children}
    </ExerciseFrame>
  );
}
