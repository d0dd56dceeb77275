import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { useActions } from '@/bench-kit/actions';
import { faceName } from '@/bench-kit/faceName';
import { JobPage } from '@/bench-kit/JobPage';
import { stageHref } from '@/bench-kit/stageHref';
import { useNow } from '@/bench-kit/useNow';
import { Entry } from '@/bench-kit/Why';
import type { JobState } from '@/model/fold';
import { hasJoints, type Step } from '@/model/way';
import { canAdd, canLeaveOut, leaveOut, moved, withStep } from '@/model/wayEdit';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Txt } from '@/ui/Txt';
import { said } from '@/words/codes';
import { t } from '@/words/jobs';
import { stageName } from '@/words/stageWords';

const stepName = (job: JobState, s: Step): string =>
  s.joint !== null && hasJoints(job) ? `${stageName(s.stage)}, ${faceName(job.model, s.joint)}` : stageName(s.stage);

const keysOf = (steps: readonly Step[]) => steps.map((s) => s.key).join(' ');

/** The steps of a job, left out, added or moved as long as nothing depends on them; with a reason, which goes into the log. */
export function WayScreen({ job }: { job: JobState }) {
  const router = useRouter();
  const now = useNow(60_000);
  const { log } = useActions(job);
  const [steps, setSteps] = useState<readonly Step[]>(job.way);
  const [why, setWhy] = useState('');
  const back = () => router.replace(stageHref(job.id, job.stage, hasJoints(job) ? job.step.joint : null));
  const same = keysOf(steps) === keysOf(job.way);
  const take = () => {
    if (!same) void log([{ type: 'wayChange', steps: [...steps], why: why.trim().slice(0, 500) }]);
    back();
  };
  return (
    <JobPage
      job={job}
      title={t('changeTheSteps')}
      now={now}
      stage={job.stage}
      main={
        <Button
          kind="main"
          label={same ? t('back') : t('takeTheseSteps')}
          onPress={take}
          disabled={!same && !why.trim()}
          {...(!same && !why.trim() ? { why: t('sayWhyFirst') } : {})}
        />
      }
    >
      <Call sentence={t('stepsNow', { count: steps.length })} reason={t('whatWasBegunStays')} tone="ink" />
      <Steps job={job} steps={steps} onChange={setSteps} />
      <Added job={job} steps={steps} onChange={setSteps} />
      {same ? null : <Entry label={t('whyTheSteps')} value={why} onChange={setWhy} />}
    </JobPage>
  );
}

interface StepsProps {
  job: JobState;
  steps: readonly Step[];
  onChange: (steps: readonly Step[]) => void;
}

/** Step by step, with what can be done to each. */
function Steps({ job, steps, onChange }: StepsProps) {
  return (
    <View role="list" aria-label={t('stepsOfTheJob')} className="mt-3">
      {steps.map((s) => {
        const name = stepName(job, s);
        const state = job.progress[s.key] ?? 'todo';
        const [earlier, later] = ([-1, 1] as const).map((by) => moved(job, steps, s, by, job.model));
        return (
          <View key={s.key} role="listitem" className="border-b border-rule py-2">
            <View className="flex-row items-center justify-between min-h-touch">
              <Txt strong>{name}</Txt>
              {state === 'todo' ? null : (
                <Txt size="s" tone="ink2">
                  {said(state)}
                </Txt>
              )}
            </View>
            <View className="flex-row flex-wrap gap-2">
              {(
                [
                  [earlier, t('earlier'), t('stepEarlier', { name })],
                  [later, t('later'), t('stepLater', { name })],
                  [canLeaveOut(job, s) ? leaveOut(steps, s) : null, t('leaveOut'), t('leaveStepOut', { name })],
                ] as const
              ).map(([then, label, say]) =>
                then ? (
                  <Button key={label} kind="small" label={label} say={say} onPress={() => onChange(then)} />
                ) : null,
              )}
            </View>
          </View>
        );
      })}
    </View>
  );
}

/** What is not on the way, to be put there. */
function Added({ job, steps, onChange }: StepsProps) {
  const more = canAdd(steps);
  return more.length ? (
    <View className="mt-3">
      <Txt strong className="mb-1">
        {t('addAStep')}
      </Txt>
      <View className="flex-row flex-wrap gap-2">
        {more.map((s) => (
          <Button key={s.key} kind="small" label={stepName(job, s)} onPress={() => onChange(withStep(job, steps, s))} />
        ))}
      </View>
    </View>
  ) : null;
}
