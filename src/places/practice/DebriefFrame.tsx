import { useRouter, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { Circle } from 'react-native-svg';

import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { startPractice } from '@/bench-kit/practice/LazyStart';
import type { JobState } from '@/model/fold';
import { endPractice, type PracticeRun } from '@/store/practice';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { DeviceBody, DeviceLines } from '@/ui/plan/BaseLayer';
import { usePlanFrame } from '@/ui/plan/frame';
import { Plan } from '@/ui/plan/Plan';
import { useWide } from '@/ui/useWide';
import { t } from '@/words/practice';
import { type ExerciseId } from '@/work/practice/exerciseTable';

/** A debrief: what happened where beside what is told of it, and the exercise once more. */
export function DebriefFrame({
  run,
  job,
  plan,
  told,
}: {
  run: PracticeRun;
  job: JobState;
  plan: ReactNode;
  told: ((wide: boolean) => ReactNode) | null;
}) {
  const router = useRouter();
  const wide = useWide();
  const settings = useSettings();
  const again = async (seed: number) => {
    const { way, person } = run;
    const exercise = run.exercise as ExerciseId;
    router.replace(
      (await startPractice({
        ...{ exercise, seed, way, person, settings },
        ...(exercise === 'today' ? { job } : {}),
      })) as Href,
    );
  };
  return (
    <PlaceFrame
      title={t('debrief')}
      full={wide}
      actions={
        <>
          <View className="flex-1">
            <Button label={t('again')} onPress={() => void again(run.seed)} />
          </View>
          <View className="flex-1">
            <Button kind="main" label={t('another')} onPress={() => void again(run.seed + 1)} />
          </View>
        </>
      }
    >
      {told ? (
        <View className={wide ? 'flex-row gap-4' : ''}>
          <View>{plan}</View>
          <View className="flex-1">
            {told(wide)}
            <View className="mt-3 self-start">
              <Button
                kind="small"
                label={t('leaveExercise')}
                onPress={() => {
                  endPractice();
                  router.replace('/practice' as Href);
                }}
              />
            </View>
          </View>
        </View>
      ) : null}
    </PlaceFrame>
  );
}

/** The device with what happened on it. */
export function DebriefPlan({
  job,
  lines,
  share = 1,
  children,
}: {
  /** so many stand side by side on a phone */
  share?: 1 | 2;
  job: Pick<JobState, 'device' | 'bond'>;
  lines: readonly string[];
  children: ReactNode;
}) {
  const wide = useWide();
  const { width } = useWindowDimensions();
  return (
    <Plan
      device={job.device}
      bond={job.bond}
      width={wide ? 320 : (width - 32 - 12 * (share - 1)) / share}
      height={wide ? 460 : share > 1 ? 260 : 340}
      label={t('planOfIt')}
      lines={[...lines]}
    >
      <DeviceBody />
      <DeviceLines />
      {children}
    </Plan>
  );
}

/** Where something was hit or was left. */
export function Hits({ at }: { at: readonly (readonly [number, number])[] }) {
  const { tokens, mm } = usePlanFrame();
  return at.map(([x, y], i) => (
    <Circle key={i} cx={x} cy={y} r={8 * mm} fill="none" stroke={tokens.caution} strokeWidth={3 * mm} />
  ));
}
