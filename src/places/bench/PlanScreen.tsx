import { listed } from '@/words/units';
import { useRouter } from 'expo-router';
import { View } from 'react-native';

import type { PlanNow } from '@/work/bench/planNow';
import { useShopPlan } from '@/bench-kit/useShopPlan';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { download } from '@/ui/download';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { useRoom } from '@/bench-kit/pageRoom';
import { Txt } from '@/ui/Txt';
import { useNow } from '@/bench-kit/useNow';
import { Away } from './Away';
import { LateJobs } from './LateJobs';
import { Improving, PlanProblem } from './PlanState';
import { calendarOf } from './planCalendar';
import { PlanView } from './PlanView';
import { WishCost } from './WishCost';
import { t } from '@/words/bench';

async function saveCalendar(now: PlanNow): Promise<void> {
  // its packages are large and seldom asked for
  const { planCalendar } = await import('@/model/cureCalendar');
  download('promises.ics', planCalendar(calendarOf(now)), 'text/calendar');
}

/** The whole plan: who does what when, what is late and what was asked of it. */
export function PlanScreen() {
  const router = useRouter();
  const settings = useSettings();
  const at = useNow(15_000);
  const state = useShopPlan();
  const room = useRoom();
  const { now } = state;
  return (
    <PlaceFrame
      full
      title={t('plan')}
      line={
        now
          ? t('jobs', { count: now.plan.bench.jobs.length, list: listed([...now.shop.spans.keys()]) })
          : t('noPlanYet')
      }
      actions={
        <>
          <View className="flex-1">
            <Button label={t('bench')} onPress={() => router.push('/')} />
          </View>
          <View className="flex-[2]">
            <Button
              kind="main"
              label={t('promisesAsACalendar')}
              disabled={!now || !calendarOf(now).length}
              onPress={() => now && void saveCalendar(now)}
            />
          </View>
        </>
      }
    >
      <PlanProblem problem={state.problem} />
      {now ? (
        <>
          <PlanView now={now} at={at} width={room} list />
          {/* under the picture: what comes and goes here must not move a bar under a finger */}
          <Improving state={state} />
          <LateJobs now={now} at={at} />
          <WishCost now={now} />
        </>
      ) : (
        <Txt tone="ink2">{t('nothingIsPlanned')}</Txt>
      )}
      <Away settings={settings} now={at} />
    </PlaceFrame>
  );
}
