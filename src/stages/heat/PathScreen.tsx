import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { FirstLook } from '@/bench-kit/FirstLook';
import { JobPage } from '@/bench-kit/JobPage';
import { LongRunLine } from '@/bench-kit/LongRunLine';
import { ThermalWait } from '@/bench-kit/ThermalWait';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Txt } from '@/ui/Txt';
import { BackToHeat, isSwollen, SwollenPage } from './heatPage';
import { usePathBase, usePathReady, type PathReadyProps } from './usePathReady';
import { PathPicture, Rounds, ConfirmMoving, PathControls, PathWhy } from './PathReadyParts';
import { t } from '@/words/heat';

/** Which round of hot air, how fast, and where slower; compared with a steady round, and confirmed with the moving jet. */
export function PathScreen({ job }: { job: JobState }) {
  return isSwollen(job) ? <SwollenPage job={job} title={t('pathOfTheAir')} /> : <Path job={job} />;
}

function Path(p: { job: JobState }) {
  const base = usePathBase(p);
  const { thermal, lift, heater, job, now, source } = base;
  if (!thermal || !lift || !heater)
    return (
      <JobPage job={job} title={t('pathOfTheAir')} now={now} stage="heat" main={<BackToHeat job={job} kind="main" />}>
        {heater ? <ThermalWait thermal={source} /> : <Txt>{t('noHotAirOnThisBench')}</Txt>}
      </JobPage>
    );
  return <PathReady {...base} thermal={thermal} lift={lift} heater={heater} />;
}

/** The page with all that it needs at hand. */
function PathReady(props: PathReadyProps) {
  const here = usePathReady(props);
  const { job, now, take, p, text, plan } = here;
  return (
    <JobPage
      job={job}
      title={t('pathOfTheAir')}
      now={now}
      stage="heat"
      picture={(size) => <PathPicture here={here} size={size} />}
      lead={null}
      side={<BackToHeat job={job} />}
      main={
        <Button
          kind="main"
          label={t('useThisRound')}
          onPress={take}
          disabled={!p || p.best.readyS === null}
          {...(p && p.best.readyS === null ? { why: t('itDoesNotGetTheGlue') } : {})}
        />
      }
    >
      <View className="mt-2">
        <Call {...text} />
      </View>
      <FirstLook thermal={props.source} />
      <LongRunLine name={t('workingOutTheRound')} share={plan.share} problem={plan.problem} onCancel={plan.cancel} />
      <Rounds here={here} />
      <ConfirmMoving here={here} />
      <PathControls here={here} />
      <PathWhy here={here} />
    </JobPage>
  );
}
