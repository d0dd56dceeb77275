import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { JobPage } from '@/bench-kit/JobPage';
import { LongRunLine } from '@/bench-kit/LongRunLine';
import { hrefAt } from '@/bench-kit/stageHref';
import { Flash } from '@/ui/alarm';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { isSwollen, SwollenPage } from './heatPage';
import { spotCall } from './spotCall';
import { useSpot } from './useSpot';
import { SpotPicture, SpotMain, SpotCycles, SpotControls, SpotWhy } from './SpotParts';
import { t } from '@/words/heat';

/** Heat on one piece of cracked glass: how long, how long it can be worked, and again. */
export function SpotScreen({ job }: { job: JobState }) {
  return isSwollen(job) ? <SwollenPage job={job} title={t('heatOneSpot')} /> : <Spot job={job} />;
}

function Spot(p: { job: JobState }) {
  const here = useSpot(p);
  const { alarm, job, now, on, heats, router, live, r, name, pickMm, th, targetC, units, run } = here;
  return (
    <View className="flex-1">
      <Flash on={alarm.flash} label={t('airOffWork')} />
      <JobPage
        job={job}
        title={t('heatOneSpot')}
        now={now}
        stage="heat"
        picture={(size) => <SpotPicture here={here} size={size} />}
        side={
          <Button
            label={on || heats ? t('lift') : t('heat3')}
            onPress={() => router.replace(hrefAt(job, on || heats ? 'lift' : 'heat'))}
          />
        }
        main={<SpotMain here={here} />}
      >
        <View className="mt-2">
          <Call
            {...(live ?? spotCall({ result: r, name, pickMm, easyC: th.easyC, targetC, workC: th.workC, units }))}
          />
        </View>
        <LongRunLine
          name={t('heatAndWorkOn', { name })}
          share={run.share}
          problem={run.problem}
          onCancel={run.cancel}
        />
        <SpotCycles here={here} />
        <SpotControls here={here} />
        <SpotWhy here={here} />
      </JobPage>
    </View>
  );
}
