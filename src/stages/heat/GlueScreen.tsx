import { useMemo } from 'react';

import { batteryGlueStack } from '@/core/device/thermalStack';
import type { JobState } from '@/model/fold';
import { JobPage } from '@/bench-kit/JobPage';
import { isOut } from '@/work/heat/present';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Txt } from '@/ui/Txt';
import { useNow } from '@/bench-kit/useNow';
import { BackToHeat, isSwollen, SwollenPage } from './heatPage';
import { useGlue } from './useGlue';
import { GlueAnswer, GlueControls, GlueWhy } from './GlueParts';
import { t } from '@/words/heat';

const warning = () => t('neverHeatOrPullASwollen');

/** The glue of the cell, warmed through the front. */
export function GlueScreen({ job }: { job: JobState }) {
  const now = useNow(10_000);
  const device = useMemo(() => ({ ...job.model, parts: job.model.parts.filter((p) => !isOut(job, p.id)) }), [job]);
  const stack = useMemo(() => batteryGlueStack(device), [device]);
  if (isSwollen(job)) return <SwollenPage job={job} title={t('batteryGlue')} />;
  if (!stack)
    return (
      <JobPage job={job} title={t('batteryGlue')} now={now} stage="heat" main={<BackToHeat job={job} kind="main" />}>
        <Call sentence={t('noGlueToWarm')} reason={t('theBatteryIsOutOrThis')} tone="ink" />
      </JobPage>
    );
  return <Glue job={job} device={device} stack={stack} />;
}

function Glue(p: {
  job: JobState;
  device: JobState['model'];
  stack: NonNullable<ReturnType<typeof batteryGlueStack>>;
}) {
  const here = useGlue(p);
  const { job, now, take, r, peak, stopC, wet } = here;
  return (
    <JobPage
      job={job}
      title={t('batteryGlue')}
      now={now}
      stage="heat"
      side={<BackToHeat job={job} />}
      main={
        <Button
          kind="main"
          label={t('noteItAndGoToStrip')}
          onPress={take}
          disabled={!r?.readyS || peak >= stopC || wet !== null}
          {...(wet ? { why: wet } : r && peak >= stopC ? { why: t('theBatteryGetsPastItsLimit2') } : {})}
        />
      }
    >
      <GlueAnswer here={here} />
      <Txt size="s" tone="ink2" className="my-2">
        {warning()}
      </Txt>
      <GlueControls here={here} />
      <GlueWhy here={here} />
    </JobPage>
  );
}
