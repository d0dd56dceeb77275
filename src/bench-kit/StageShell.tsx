import { said } from '@/words/codes';
import { Link, type Href } from 'expo-router';
import { useCallback, useState, type ReactNode } from 'react';
import { Pressable, ScrollView, useWindowDimensions, View } from 'react-native';

import type { JobState, JobWay } from '@/model/fold';
import { type StageId } from '@/model/stages';
import { hasJoints, nextStep, placeOn, stepOf, type Step } from '@/model/way';
import { Mark } from '@/ui/Mark';
import { Txt } from '@/ui/Txt';
import { dayTime, time } from '@/words/units';
import { useWide } from '@/ui/useWide';
import { AsItIs } from './AsItIs';
import { JobStopCard } from './JobStopCard';
import { LastTap } from './LastTap';
import { keyHelp, useStageKeys } from './keys';
import { faceName } from './faceName';
import { GlanceView } from './GlanceView';
import { PlacesNav } from './PlacesNav';
import { stageHref } from './stageHref';
import { t } from '@/words/kit';
import { stageName } from '@/words/stageWords';
import { worksText } from '@/words/worksText';
import type { Glance } from '@/work/voice/glance';

export interface PlanSize {
  width: number;
  height: number;
}

interface StageShellProps {
  job: JobState;
  stage: StageId;
  now: number;
  picture: (size: PlanSize) => ReactNode;
  call: ReactNode;
  readings: ReactNode;
  /** controls that belong right under the readings (slider, gauge entry) */
  controls?: ReactNode;
  /** below the fold */
  children?: ReactNode;
  main: ReactNode;
  side?: ReactNode;
  caution?: string;
  onMain?: () => void;
  /** what is being done within the stage; the screen goes back to its top when it changes */
  step?: string;
  /** what is read from two metres while a clock runs */
  glance?: Glance | null;
  /** the hand follows the picture: it takes the width of a phone, with the call over it */
  large?: boolean;
}

/** Picture, call, readings, action: the same order on every stage; side by side where there is room. */
export function StageShell(p: StageShellProps) {
  const wide = useWide();
  const [help, setHelp] = useState(false);
  useStageKeys(
    p.job,
    p.onMain,
    useCallback(() => setHelp((h) => !h), []),
  );
  return wide ? <WideShell p={p} help={help} /> : <PhoneShell p={p} />;
}

/** The caution of the stage, under what it is about. */
function Caution({ text }: { text: string | undefined }) {
  return text ? (
    <Txt size="s" tone="ink2" className="mt-2" testID="caution">
      {text}
    </Txt>
  ) : null;
}

/** What was tapped last, and the buttons. */
function Actions({ p }: { p: StageShellProps }) {
  return (
    <View role="region" aria-label={t('actions')} className="border-t-[1.5px] border-ink bg-panel px-4 py-3 no-print">
      <LastTap job={p.job} now={p.now} />
      <View className="flex-row flex-wrap gap-x-6">
        {(
          [
            ['happened', t('somethingHappened')],
            ['remember', t('worthRemembering')],
          ] as const
        ).map(([page, name]) => (
          <Link
            key={page}
            href={
              `/jobs/${p.job.id}/${page}?from=${p.stage}${hasJoints(p.job) ? `&joint=${encodeURIComponent(p.job.joint)}` : ''}` as Href
            }
            className="font-body text-m text-ink underline self-start min-h-[44px] pt-2"
          >
            {name}
          </Link>
        ))}
        <AsItIs job={p.job} stage={p.stage} />
        {p.glance ? <GlanceView glance={p.glance} /> : null}
      </View>
      <View className="flex-row gap-3">
        {p.side ? <View className="flex-1">{p.side}</View> : null}
        <View className="flex-[2]">{p.main}</View>
      </View>
    </View>
  );
}

/** Stages at the left, the picture in the middle, what is told and done at the right. */
function WideShell({ p, help }: { p: StageShellProps; help: boolean }) {
  const { height } = useWindowDimensions();
  return (
    <View className="flex-1 flex-row bg-paper">
      <View className="w-[230px] border-r border-rule">
        <ScrollView contentContainerClassName="pb-6">
          <View role="banner" className="p-4">
            <PlacesNav />
            <View className="flex-row mb-1">
              <JobStopCard job={p.job} />
            </View>
            <Txt strong size="l" level={1}>
              {p.job.label}
            </Txt>
            <JobLine job={p.job} now={p.now} />
          </View>
          <StageList job={p.job} stage={p.stage} />
          <View role="region" aria-label={t('keys')} className="px-4 pt-2">
            {help ? (
              keyHelp().map(([key, what]) => (
                <View key={key} className="flex-row gap-2">
                  <Txt size="s" num className="w-[84px]">
                    {key}
                  </Txt>
                  <Txt size="s" className="flex-1">
                    {what}
                  </Txt>
                </View>
              ))
            ) : (
              <Txt size="s" tone="ink2">
                {t('listsTheKeys')}
              </Txt>
            )}
          </View>
        </ScrollView>
      </View>
      <View role="main" className="flex-1 flex-row">
        <ScrollView className="flex-1" contentContainerClassName="p-5">
          <View className="flex-row justify-between mb-2">
            <Txt strong size="l">
              {stageName(p.stage)}
            </Txt>
            <Txt size="s" tone="ink2">
              {t('asYouLookAtIt', { name: p.job.face.name })}
            </Txt>
          </View>
          {p.picture({ width: 480, height: Math.max(320, Math.min(620, height - 240)) })}
        </ScrollView>
        <View className="w-[400px] border-l border-rule">
          <ScrollView key={p.step} className="flex-1" contentContainerClassName={`p-4 gap-3`}>
            {p.call}
            {p.readings}
            {p.controls}
            <Caution text={p.caution} />
            {p.children}
          </ScrollView>
          <Actions p={p} />
        </View>
      </View>
    </View>
  );
}

/** The picture beside the call, the rest below it, the buttons at the foot. */
function PhoneShell({ p }: { p: StageShellProps }) {
  const { width, height } = useWindowDimensions();
  return (
    <View className="flex-1 bg-paper">
      <View role="banner" className="px-4 pt-3">
        <View className="flex-row gap-2 items-start">
          <PlacesNav />
          <JobStopCard job={p.job} />
        </View>
        <View className="flex-row justify-between items-baseline">
          <Txt strong size="l" level={1} className="flex-1">
            {p.job.label} · {p.job.device.name}
          </Txt>
          <Txt num tone="ink2">
            {time(p.now)}
          </Txt>
        </View>
        <StageBar job={p.job} stage={p.stage} />
      </View>
      <ScrollView key={p.step} className="flex-1" contentContainerClassName={`px-4 pb-6`} role="main">
        {p.large ? (
          <View className="gap-2 mt-1">
            {p.call}
            {p.picture({ width: width - 32, height: Math.max(300, height - 430) })}
          </View>
        ) : (
          <View className="flex-row gap-3 mt-1">
            {p.picture({ width: 158, height: 286 })}
            <View className="flex-1">{p.call}</View>
          </View>
        )}
        <View className="mt-3">{p.readings}</View>
        {p.controls}
        <Caution text={p.caution} />
        {p.children}
      </ScrollView>
      <Actions p={p} />
    </View>
  );
}

function JobLine({ job, now }: { job: JobState; now: number }) {
  const work = worksText(job) ?? (job.keepCover ? t('saveTheBack') : t('newBack'));
  return (
    <Txt size="s" tone="ink2">
      {job.promiseAt
        ? t('promised', {
            name: job.device.name,
            work,
            promiseAt: dayTime(job.promiseAt, now),
          })
        : `${job.device.name} · ${work}`}
    </Txt>
  );
}

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
function StageBar({ job, stage }: { job: JobState; stage: StageId }) {
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
          length: job.way.length,
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

function StageList({ job, stage, onGo }: { job: JobState; stage: StageId; onGo?: () => void }) {
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
              className={`min-h-[42px] px-4 flex-row items-center justify-between ${on ? 'bg-panel border-l-4 border-ink' : ''}`}
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
