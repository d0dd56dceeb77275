import { useLocalSearchParams } from 'expo-router';
import { Suspense } from 'react';

import { ExerciseFrame, type FrameProps } from './ExerciseFrame';
import { PiecesFrame } from './LazyPiecesFrame';
import { TwoFrame } from './LazyTwoFrame';
import { ClosingHands } from './ClosingHands';
import { Hands } from './Hands';
import { useClosingLab } from './useClosingLab';
import { useLab } from './useLab';
import { isClosing, isExercise, isPieces } from '@/work/practice/exerciseTable';

/** A stage of a made-up job: the same page, with the exercise's clock over it and hands under it. */
export default function PracticeFrame(p: FrameProps) {
  if (!isExercise(p.run.exercise)) return p.children;
  if (isPieces(p.run.exercise))
    return (
      <Suspense fallback={null}>
        <PiecesFrame {...p} />
      </Suspense>
    );
  if (p.run.second)
    return (
      <Suspense fallback={null}>
        <TwoFrame {...p} />
      </Suspense>
    );
  return isClosing(p.run.exercise) ? <ClosingFrame {...p} /> : <LiftFrame {...p} />;
}

function LiftFrame({ run, job, children }: FrameProps) {
  const { stage = '' } = useLocalSearchParams<{ stage?: string }>();
  const lab = useLab(run, job);
  return (
    <ExerciseFrame run={run} nowS={lab.nowS} hands={<Hands run={run} lab={lab} stage={stage} />}>
      {children}
    </ExerciseFrame>
  );
}

function ClosingFrame({ run, job, children }: FrameProps) {
  const { stage = '' } = useLocalSearchParams<{ stage?: string }>();
  const lab = useClosingLab(run);
  return (
    <ExerciseFrame run={run} nowS={lab.nowS} hands={<ClosingHands run={run} job={job} lab={lab} stage={stage} />}>
      {children}
    </ExerciseFrame>
  );
}
