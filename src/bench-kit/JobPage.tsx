import { Link } from 'expo-router';
import type { ReactNode } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';

import type { JobState } from '@/model/fold';
import { type StageId } from '@/model/stages';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { JobStopCard } from './JobStopCard';
import { usePedal } from './keys';
import { LastTap } from './LastTap';
import { PlacesNav } from './PlacesNav';
import { hrefAt } from './stageHref';
import type { PlanSize } from './StageShell';
import { t } from '@/words/kit';
import { stageName } from '@/words/stageWords';

interface JobPageProps {
  job: JobState;
  title: string;
  now: number;
  /** stage that it belongs to, for the way back */
  stage: StageId;
  picture?: (size: PlanSize) => ReactNode;
  children: ReactNode;
  /** beside the picture on a wide screen, under it on a phone, before everything else */
  lead?: ReactNode;
  main: ReactNode;
  side?: ReactNode;
  /** pictures beside each other: all of a wide screen */
  full?: boolean;
}

/** A page of a job beside its ten stages: one thing large, with the way back to its stage. */
export function JobPage(p: JobPageProps) {
  usePedal();
  const wide = useWide();
  const { width, height } = useWindowDimensions();
  const room = p.full ? 'max-w-[1840px]' : 'max-w-[1080px]';
  const head = (
    <View role="banner" className={`px-4 pt-3 pb-1 no-print ${wide && p.picture ? '' : `w-full ${room} self-center`}`}>
      <View className="flex-row gap-2 items-start">
        <PlacesNav />
        <JobStopCard job={p.job} />
      </View>
      <Link href={hrefAt(p.job, p.stage)} className="font-body text-m text-ink underline min-h-touch py-3 self-start">
        {stageName(p.stage)}
      </Link>
      <Txt strong size="l" level={1}>
        {p.job.label} · {p.title}
      </Txt>
    </View>
  );
  const bar = (
    <View role="region" aria-label={t('actions')} className="border-t-[1.5px] border-ink bg-panel py-3 no-print">
      <View className={`px-4 ${wide && p.picture ? '' : `w-full ${room} self-center`}`}>
        <LastTap job={p.job} now={p.now} />
        <View className="flex-row gap-3">
          {p.side ? <View className="flex-1">{p.side}</View> : null}
          <View className="flex-[2]">{p.main}</View>
        </View>
      </View>
    </View>
  );
  if (wide && p.picture)
    return (
      <View className="flex-1 bg-paper">
        {head}
        <View role="main" className="flex-1 flex-row">
          <ScrollView className="flex-1" contentContainerClassName="p-4">
            {p.picture({ width: Math.min(760, width - 500), height: Math.max(320, height - 190) })}
          </ScrollView>
          <View className="w-[440px] border-l border-rule">
            <ScrollView className="flex-1" contentContainerClassName={`p-4 pb-4`}>
              {p.lead}
              {p.children}
            </ScrollView>
            {bar}
          </View>
        </View>
      </View>
    );
  return (
    <View className="flex-1 bg-paper">
      {head}
      <ScrollView className="flex-1" contentContainerClassName={`px-4 pb-4 w-full ${room} self-center`} role="main">
        {p.lead}
        {p.picture?.({ width: width - 32, height: Math.max(320, Math.min(470, height - 440)) })}
        {p.children}
      </ScrollView>
      {bar}
    </View>
  );
}
