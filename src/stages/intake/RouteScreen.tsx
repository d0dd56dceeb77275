import { View } from 'react-native';

import { type RouteOption } from '@/core/intake/route';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { JobPage } from '@/bench-kit/JobPage';
import { cameFrom } from '@/bench-kit/cameFrom';
import { Entry } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Txt } from '@/ui/Txt';
import { percent, temp } from '@/words/units';
import { useRouteScreen } from './useRouteScreen';
import { FaceAndJoint, RouteWays, RouteWhy } from './RouteParts';
import { useRouteDetails } from './useRouteDetails';
import { RouteChoices, NewPartHas, MustMove, SideBySide } from './RouteDetailsParts';

export function RouteScreen(p: { job: JobState }) {
  const here = useRouteScreen(p);
  const {
    job,
    now,
    same,
    back,
    take,
    option,
    blocked,
    needsReason,
    text,
    other,
    because,
    setBecause,
    plan,
    settings,
    log,
    route,
  } = here;
  return (
    <JobPage
      job={job}
      title="Route"
      now={now}
      stage="intake"
      main={
        <Button
          kind="main"
          label={same ? (cameFrom(job, 'intake') === 'intake' ? 'Back to intake' : 'Back') : 'Take this route'}
          onPress={same ? back : take}
          disabled={!same && (!option || blocked || needsReason)}
          {...(blocked ? { why: 'swollen cell' } : needsReason ? { why: 'say why another one than computed' } : {})}
        />
      }
    >
      <Call {...text} />
      <FaceAndJoint here={here} />
      <RouteWays here={here} />
      {other && !same ? (
        <Entry label="Why another one than the cheapest" value={because} onChange={setBecause} />
      ) : null}
      <Txt size="s" tone="ink2">
        Expected cost to the shop, with 95 % of what is not known about its chances. Saving at {temp(plan.tC, settings)}
        : {percent(plan.chance)} chance of breaking
        {plan.safe ? '' : ', no temperature within the limits is safe for it'}. No twisting and no hidden chips are
        reckoned with: it looks optimistic.
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
