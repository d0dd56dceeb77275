import { View } from 'react-native';

import { boundOf, outsideOf } from '@/core/device/beforeOpening';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/intake';
import { optionName } from '@/words/optionName';
import { told } from '@/words/told';
import { price } from '@/words/units';
import { useRouteScreen } from './useRouteScreen';

/** The device as it usually is, in one tap; where it is not, each question stands below. */
export function NoneOfThese({ job }: { job: JobState }) {
  const { log } = useActions(job);
  const asked = ['cellSwollen', 'chip', 'bent'] as const;
  const open = asked.filter((kind) => !job.findings[kind]);
  if (open.length < 2) return null;
  return (
    <View className="mb-3">
      <Button
        label={t('flatWholeStraight')}
        onPress={() => void log(open.map((kind) => ({ type: 'finding', kind, answer: 'no' })))}
      />
    </View>
  );
}

const levels = ['10', '30', '50', '80', '100'] as const;

/** About how full it is: nobody needs it to the percent. */
export function ChargeAbout({ job }: { job: JobState }) {
  const { log } = useActions(job);
  const put = (percent: number) => void log([{ type: 'charge', percent }]);
  return (
    <>
      <Choice
        label={t('batteryAbout')}
        asked={job.chargePercent === null}
        value={levels.find((l) => Number(l) === job.chargePercent) ?? null}
        options={levels.map((id) => ({ id, name: `${id} %` }))}
        onChange={(l) => put(Number(l))}
      />
      <Disclosure title={t('toThePercent')}>
        <NumberField label={t('batteryLevel')} unit="%" low={0} high={100} value={job.chargePercent} onCommit={put} />
      </Disclosure>
    </>
  );
}

/** Off and without its tray: two ticks in one tap, where nothing else has to come out. */
export function OffAndEmpty({ job }: { job: JobState }) {
  const { log } = useActions(job);
  const more = outsideOf(job.device).length || boundOf(job.device).length;
  if (more || job.prep.has('powerOff') || job.prep.has('trayOut')) return null;
  return (
    <View className="mb-1">
      <Button
        label={t('offAndTrayOut')}
        onPress={() =>
          void log([
            { type: 'prep', item: 'powerOff', done: true },
            { type: 'prep', item: 'trayOut', done: true },
          ])
        }
      />
    </View>
  );
}

/** What is usually done with such a device, with its price: taken in one tap, or looked at on its own page. */
export function UsualRoute({ job }: { job: JobState }) {
  const settings = useSettings();
  const { advice, blocked, take, option } = useRouteScreen({ job, stay: true });
  const best = advice.best;
  // nothing is recommended before it was said where it is cracked (law 22)
  const said = job.findings.crack || job.cracks.size;
  if (job.route || !said || !job.findings.cellSwollen || !best || blocked || option?.id !== best.id) return null;
  return (
    <View className="border-[1.5px] border-ink bg-panel p-3 mb-3" testID="usualRoute">
      <Txt strong>
        {t('usuallyThis', {
          what: told(optionName(best)),
          price: price(Math.round(best.cost.mean), settings.money.currency),
        })}
      </Txt>
      <View className="mt-2">
        <Button label={t('takeThisRepair')} onPress={take} />
      </View>
    </View>
  );
}
