import { View } from 'react-native';

import { type RouteOption } from '@/core/intake/route';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { JobPage } from '@/bench-kit/JobPage';
import { withFace } from '@/bench-kit/withFace';
import { cameFrom } from '@/bench-kit/cameFrom';
import { Entry } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Txt } from '@/ui/Txt';
import { percent, temp } from '@/words/units';
import { assembledMaxC } from '@/work/heat/heatPlan';
import { useRouteScreen } from './useRouteScreen';
import { RouteCards } from './RouteCards';
import { FaceAndJoint, RouteWhy } from './RouteParts';
import { useRouteDetails } from './useRouteDetails';
import { RouteChoices, NewPartHas, MustMove, SideBySide } from './RouteDetailsParts';
import { t } from '@/words/intake';

export function RouteScreen(p: { job: JobState }) {
  const here = useRouteScreen(p);
  const { job, now, same, back, take, option, blocked, text, other, because, setBecause, plan, settings, log, route } =
    here;
  return (
    <JobPage
      job={job}
      title={withFace(job, t('route'))}
      now={now}
      stage="intake"
      full
      main={
        <Button
          kind="main"
          label={same ? (cameFrom(job, 'intake') === 'intake' ? t('backToIntake') : t('back')) : t('takeThisRoute')}
          onPress={same ? back : take}
          disabled={!same && (!option || blocked)}
          {...(blocked ? { why: t('swollenBattery') } : {})}
        />
      }
    >
      <Call {...text} />
      <FaceAndJoint here={here} />
      <RouteCards here={here} />
      {other && !same ? <Entry label={t('whyNotTheCheapest')} value={because} onChange={setBecause} /> : null}
      <Txt size="s" tone="ink2">
        {plan.tC > assembledMaxC.value
          ? // no device with parts in it is heated to where the law puts a bond all over: benches take it piece by piece
            t('averageCostOnly')
          : plan.safe
            ? t('averageCostToTheShopWith', { tC: temp(plan.tC, settings), chance: percent(plan.chance) })
            : t('averageCostToTheShopWith2', { tC: temp(plan.tC, settings), chance: percent(plan.chance) })}
      </Txt>
      {job.route && option ? (
        <RouteDetails
          job={job}
          work={option.work}
          onRoute={(change) => void log([route(change, option)])}
          onEvents={(e) => void log(e)}
        />
      ) : null}
      <RouteWhy here={here} />
    </JobPage>
  );
}

function RouteDetails(p: {
  job: JobState;
  work: RouteOption['work'];
  onRoute: (change: Partial<NonNullable<JobState['route']>>) => void;
  onEvents: (e: NewEvent[]) => void;
}) {
  const here = useRouteDetails(p);
  return (
    <View className="mt-4">
      <RouteChoices here={here} />
      <NewPartHas here={here} />
      <MustMove here={here} />
      <SideBySide here={here} />
    </View>
  );
}
