import { Link, type Href } from 'expo-router';
import { Suspense } from 'react';
import { View } from 'react-native';

import { Button } from '@/ui/Button';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { useRoom } from '@/bench-kit/pageRoom';
import { day } from '@/words/units';
import { useWide } from '@/ui/useWide';
import { Away } from './Away';

import { DemoDay } from './DemoDay';
import { FindBox } from './FindBox';
import { BenchLists, BenchTop } from './BenchParts';
import { PlanView } from './LazyPlanView';
import { useKeepFirst } from './keepFirst';
import { useBench } from './useBench';
import { t } from '@/words/bench';

const besideNext = ['hands', 'runs'] as const;
const all = [...besideNext, 'waits'] as const;

/** Room that is kept for it until it is there, px. */
const planHeight = 300;

export function BenchScreen({ demoAgain }: { demoAgain?: () => Promise<void> }) {
  const bench = useBench();
  const { router, now, settings, state, items, openJobs, next, begun, start } = bench;
  useKeepFirst(next?.shown ?? null);
  const wide = useWide();
  const frame = useRoom();
  const line =
    state.now && items.length ? (
      <Suspense fallback={<View style={{ height: planHeight }} />}>
        <PlanView now={state.now} at={now} width={frame} first={wide ? 'day' : 'two'} />
      </Suspense>
    ) : items.length && !state.problem ? (
      // its room is kept, so that nothing jumps when it is there
      <View style={{ height: planHeight }} />
    ) : null;
  return (
    <PlaceFrame
      help="bench"
      full
      title={t('bench')}
      line={
        openJobs === 1
          ? t('openJob', { now: day(now), n: openJobs, person: settings.person })
          : t('openJobs', { now: day(now), n: openJobs, person: settings.person })
      }
      actions={
        <>
          <View className="flex-1">
            <Button label={t('newJob')} onPress={() => router.push('/jobs/new')} />
          </View>
          {next ? (
            <View className="flex-[2]">
              <Button
                kind="main"
                label={
                  next.start && !begun ? t('start', { label: next.job.label }) : t('goTo', { label: next.job.label })
                }
                means={`${next.job.id}/${next.stage}`}
                onPress={start}
              />
            </View>
          ) : null}
        </>
      }
    >
      <View className={wide ? 'flex-row-reverse gap-4' : ''}>
        <DemoDay again={demoAgain} />
        <View className={wide ? 'flex-1' : ''}>
          <FindBox />
        </View>
      </View>
      {wide ? (
        <>
          <View className="flex-row gap-4">
            <View className="w-[440px]">
              <BenchTop bench={bench} />
            </View>
            <View className="flex-1">
              <BenchLists bench={bench} only={besideNext} />
            </View>
          </View>
          {line}
          <BenchLists bench={bench} only={['waits']} />
        </>
      ) : (
        <>
          <BenchTop bench={bench} />
          {line}
          <BenchLists bench={bench} only={all} />
        </>
      )}
      {state.now && items.length ? (
        <Link href="/plan" className="font-body text-m text-ink underline py-3">
          {t('theWholePlanAsAList')}
        </Link>
      ) : null}
      <Link href={'/practice' as Href} className="font-body text-m text-ink underline py-3">
        {t('practicePage')}
      </Link>
      <Away settings={settings} now={now} />
    </PlaceFrame>
  );
}
