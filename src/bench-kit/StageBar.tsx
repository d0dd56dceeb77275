import { Link, type Href } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';

import type { JobState, JobWay } from '@/model/fold';
import { type StageId } from '@/model/stages';
import { hasJoints, nextStep, placeOn, stepOf, type Step } from '@/model/way';
import { Mark } from '@/ui/Mark';
import { Txt } from '@/ui/Txt';
import { said } from '@/words/codes';
import { t } from '@/words/kit';
import { stageName } from '@/words/stageWords';
import { faceName } from './faceName';
import { stageHref } from './stageHref';

const stateOf = (job: Pick<JobWay, 'step' | 'progress'>, { key }: Step) => {
  const at = job.progress[key];
  return at === 'done' || at === 'skipped' ? at : job.step.key === key ? 'now' : 'todo';
};

/** A step by its name; with its face where the job opens several. */
function stepName(job: JobState, { stage, joint }: Step): string {
  if (joint === null || !hasJoints(job)) return stageName(stage);
  return t('stageAt', { stage: stageName(stage), face: faceName(job.model, joint) });
}

/** Ten ticks and the name of the stage; opens into the list. */
export function StageBar({ job, stage }: { job: JobState; stage: StageId }) {
  const [open, setOpen] = useState(false);
  const next = nextStep(job, stage);
  const here = stepOf(job.way, stage, job.joint);
  return (
    <View>
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={t('stageOfAllStages', {
          stage: here ? stepName(job, here) : stageName(stage),
          way: placeOn(job.way, stage, job.joint),
          n: job.way.length,
        })}
        onPress={() => setOpen(!open)}
        className="pt-2 pb-1"
      >
        <View className="flex-row gap-1">
          {job.way.map((step) => {
            const s = stateOf(job, step);
            const on = step.key === here?.key;
            return (
              <View
                key={step.key}
                className={`flex-1 ${on ? 'h-[9px]' : 'h-[5px]'} ${s === 'done' ? 'bg-go' : on ? 'bg-ink' : 'bg-rule'}`}
              />
            );
          })}
        </View>
        <View className="flex-row justify-between mt-1">
          <Txt strong>{here ? stepName(job, here) : stageName(stage)}</Txt>
          <Txt tone="ink2">{next ? t('next', { next: stepName(job, next) }) : ` ▾`}</Txt>
        </View>
      </Pressable>
      {open ? <StageList job={job} stage={stage} onGo={() => setOpen(false)} /> : null}
    </View>
  );
}

export function StageList({ job, stage, onGo }: { job: JobState; stage: StageId; onGo?: () => void }) {
  const here = stepOf(job.way, stage, job.joint);
  const words = { done: said('done'), skipped: t('notNeeded'), now: said('now'), todo: '' };
  return (
    <View role="navigation" aria-label={t('stages')}>
      {job.way.map((step) => {
        const s = stateOf(job, step);
        const on = step.key === here?.key;
        return (
          <Link
            key={step.key}
            href={stageHref(job.id, step.stage, hasJoints(job) ? step.joint : null)}
            replace
            asChild
            onPress={() => onGo?.()}
          >
            <Pressable
              aria-label={`${stepName(job, step)} ${words[s]}`}
              aria-current={on ? 'page' : undefined}
              className={`min-h-touch px-4 flex-row items-center justify-between ${on ? 'bg-panel border-l-4 border-ink' : ''}`}
            >
              <Txt strong={on} tone={s === 'todo' || s === 'skipped' ? 'ink2' : 'ink'}>
                {stepName(job, step)}
              </Txt>
              {s === 'done' ? (
                <Mark state="done" size={16} />
              ) : (
                <Txt size="s" tone="ink2">
                  {words[s]}
                </Txt>
              )}
            </Pressable>
          </Link>
        );
      })}
      <Link href={`/jobs/${job.id}/way` as Href} className="font-body text-m text-ink underline px-4 py-3">
        {t('changeTheSteps')}
      </Link>
      <Link href={`/jobs/${job.id}/log` as Href} className="font-body text-m text-ink underline px-4 py-3">
        {t('logNotesAndExport')}
      </Link>
    </View>
  );
}
