import { Link, type Href } from 'expo-router';
import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';

import type { JobState } from '@/model/fold';
import { type StageId } from '@/model/stages';
import { hasJoints } from '@/model/way';
import { useInPractice } from '@/store/practice';
import { Txt } from '@/ui/Txt';
import { dayTime, time } from '@/words/units';
import { useWide } from '@/ui/useWide';
import { AsItIs } from './AsItIs';
import { JobStopCard } from './JobStopCard';
import { LastTap } from './LastTap';
import { keyHelp, useStageKeys } from './keys';
import { FirstHint } from './FirstHint';
import { HelpLink } from './HelpLink';
import { GlanceView } from './GlanceView';
import { PlacesNav } from './PlacesNav';
import { StageBar, StageList } from './StageBar';
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
  // what is done on a made-up device is not taken back, and no shop remembers it
  const practised = useInPractice() !== null;
  return (
    <View role="region" aria-label={t('actions')} className="border-t-[1.5px] border-ink bg-panel px-4 py-3 no-print">
      {practised ? null : (
        <>
          <LastTap job={p.job} now={p.now} />
          <View className="flex-row flex-wrap gap-x-4">
            {(
              [
                ['happened', t('somethingHappened'), t('happenedShort')],
                ['remember', t('worthRemembering'), t('rememberShort')],
              ] as const
            ).map(([page, name, short]) => (
              <Link
                key={page}
                aria-label={name}
                href={
                  `/jobs/${p.job.id}/${page}?from=${p.stage}${hasJoints(p.job) ? `&joint=${encodeURIComponent(p.job.joint)}` : ''}` as Href
                }
                className="font-body text-m text-ink underline self-start min-h-touch py-3"
              >
                {short}
              </Link>
            ))}
            <AsItIs job={p.job} stage={p.stage} />
            {p.glance ? <GlanceView glance={p.glance} /> : null}
          </View>
        </>
      )}
      <View className="flex-row gap-3">
        {p.side ? <View className="flex-1">{p.side}</View> : null}
        <View className="flex-[2]">{p.main}</View>
      </View>
    </View>
  );
}

/** After the main thing was done, the next one stands at the top: the list that this is the ref of goes back there. */
function useTopAfterMain() {
  const ref = useRef<ScrollView>(null);
  useEffect(() => {
    const onClick = (e: MouseEvent) => {
      const button = e.target instanceof Element ? e.target.closest('[data-onward="true"]') : null;
      if (!button || button.getAttribute('aria-disabled') === 'true') return;
      setTimeout(() => ref.current?.scrollTo({ y: 0, animated: false }), 0);
    };
    document.addEventListener('click', onClick, true);
    return () => document.removeEventListener('click', onClick, true);
  }, []);
  return ref;
}

/** Stages at the left, the picture in the middle, what is told and done at the right. */
function WideShell({ p, help }: { p: StageShellProps; help: boolean }) {
  const { height } = useWindowDimensions();
  const top = useTopAfterMain();
  return (
    <View className="flex-1 flex-row bg-paper">
      <View className="w-[248px] border-r border-rule">
        <ScrollView contentContainerClassName="pb-4">
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
        <ScrollView className="flex-1" contentContainerClassName="p-4">
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
          <ScrollView ref={top} key={p.step} className="flex-1" contentContainerClassName={`p-4 gap-3`}>
            <FirstHint stage={p.stage} />
            {p.call}
            {p.readings}
            {p.controls}
            <Caution text={p.caution} />
            {p.children}
            <HelpLink topic={p.stage} />
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
  const top = useTopAfterMain();
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
      <ScrollView ref={top} key={p.step} className="flex-1" contentContainerClassName={`px-4 pb-4`} role="main">
        <FirstHint stage={p.stage} />
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
        <HelpLink topic={p.stage} />
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
