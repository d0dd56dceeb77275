import { useMemo } from 'react';
import { View } from 'react-native';

import { jointOf } from '@/core/device/jointKinds';
import { easierPick } from '@/core/lift/pickPace';
import { liftThresholds, picksFor } from '@/core/lift/verdict';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { length, temp } from '@/words/units';
import { t } from '@/words/lift';
import type { RingNow } from './useRing';

/** The glue needs more heat than this pick should ask for: the thicker one that goes with less. */
export function EasierPick({ job, ring: { lift, on, heated, setC } }: { job: JobState; ring: RingNow }) {
  const settings = useSettings();
  const { log, decide } = useActions(job);
  const { case: held } = lift;
  const found = useMemo(() => {
    const pickMm = easierPick(held, picksFor(jointOf(job.bond).wholeFace));
    return pickMm === null ? null : { pickMm, workC: liftThresholds({ ...held, pickMm }).workC! };
  }, [held, job.bond]);
  if (!found || on || !heated || lift.nextEdge === null) return null;
  const { pickMm, workC } = found;
  const take = () =>
    void log([
      decide({
        call: 'pick',
        inputs: { pickMm: lift.pickMm, scale: held.adhesive.debond.scale.value },
        computed: { pickMm, workC, workC0: lift.workC },
        chosen: pickMm,
      }),
      {
        ...{ type: 'heatPlan', setC, pickMm, preheated: job.plan?.preheated ?? true },
        ...{ heater: job.plan?.heater, use: job.plan?.use },
      },
    ]);
  const name = length(pickMm, settings, 1);
  return (
    <View className="my-2 border-[1.5px] border-caution px-3 py-2" role="status" testID="easierPick">
      <Txt strong tone="caution">
        {t('strongGlueThickerPick', { pick: name })}
      </Txt>
      <Txt size="s" className="mb-1">
        {lift.workC === null
          ? t('strongGlueNever', { pick: name, from: temp(workC, settings), own: length(lift.pickMm, settings, 1) })
          : t('strongGlueWhy', {
              pick: name,
              from: temp(workC, settings),
              own: length(lift.pickMm, settings, 1),
              ownFrom: temp(lift.workC, settings),
            })}
      </Txt>
      <Button kind="small" label={t('takeThePick', { pick: name })} onPress={take} />
    </View>
  );
}
