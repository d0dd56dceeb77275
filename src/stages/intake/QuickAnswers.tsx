import type { ReactNode } from 'react';
import { View } from 'react-native';

import { boundOf, outsideOf } from '@/core/device/beforeOpening';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { missingMark } from '@/ui/missing';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/intake';
import { optionName } from '@/words/optionName';
import { told } from '@/words/told';
import { outsideText } from '@/words/outside';
import { listed, price } from '@/words/units';
import { useRouteScreen } from './useRouteScreen';

interface Usual {
  line: string;
  events: NewEvent[];
}

/** What is usually so when a device comes in: the things that are still open, and of how many. */
function usualOf(job: JobState): { open: Usual[]; total: number } {
  const finding = (kind: 'cellSwollen' | 'chip' | 'bent', line: string) => ({
    line,
    said: job.findings[kind] !== undefined,
    events: [{ type: 'finding', kind, answer: 'no' }] satisfies NewEvent[],
  });
  const prep = (item: 'powerOff' | 'trayOut' | 'outerScrews' | 'boundMarked', line: string) => ({
    line,
    said: job.prep.has(item),
    events: [{ type: 'prep', item, done: true }] satisfies NewEvent[],
  });
  const bound = boundOf(job.device);
  const all: (Usual & { said: boolean })[] = [
    finding('cellSwollen', t('usualBattery')),
    finding('chip', t('usualEdges')),
    finding('bent', t('usualFrame')),
    { line: t('usualCharge'), said: job.chargePercent !== null, events: [{ type: 'charge', percent: aboutAThird }] },
    prep('powerOff', t('powerIsOff')),
    prep('trayOut', t('cardTrayIsOut')),
    ...(outsideOf(job.device).length
      ? [prep('outerScrews', t('outsideIsOut', { what: outsideText(job.device) }))]
      : []),
    ...(bound.length
      ? [prep('boundMarked', t('boundMarkedTick', { list: listed(bound.map((p) => told(p.name))) }))]
      : []),
  ];
  return { open: all.filter((x) => !x.said), total: all.length };
}

/**
 * The device as it usually is: read line by line, said in one tap. What is not so, and what was said, stands behind the line
 * below.
 */
export function AsItUsuallyIs({ job, children }: { job: JobState; children: ReactNode }) {
  const { log } = useActions(job);
  const { open, total } = usualOf(job);
  const offered = open.length > 1 && job.findings.cellSwollen?.answer !== 'yes';
  return (
    <View className="mb-3">
      {offered ? (
        <View {...missingMark(true)} className="border-[1.5px] border-ink bg-panel p-3">
          {open.map((o) => (
            <Txt key={o.line}>· {o.line}</Txt>
          ))}
          <View className="mt-2">
            <Button
              onward
              label={open.length === total ? t('allOfThisIsSo') : t('theRestIsSo')}
              onPress={() => void log(open.flatMap((o) => o.events))}
            />
          </View>
        </View>
      ) : null}
      <Disclosure
        title={offered ? t('somethingIsNotSo') : t('theDeviceAsItCame')}
        open={open.length > 0 && open.length < total}
      >
        {children}
      </Disclosure>
    </View>
  );
}

/** A battery that is "a third or less", %: what is noted of it. */
const aboutAThird = 30;

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

/** What is usually done with such a device; null where nothing is to be recommended, or it was chosen. */
export function useUsualRoute(job: JobState): { name: string; priceMinor: number; take: () => void } | null {
  const { advice, blocked, take, option } = useRouteScreen({ job, stay: true });
  const best = advice.best;
  // nothing is recommended before it was said where it is cracked (law 22)
  const said = job.findings.crack || job.cracks.size;
  if (job.route || !said || !job.findings.cellSwollen || !best || blocked || option?.id !== best.id) return null;
  return { name: told(optionName(best)), priceMinor: Math.round(best.cost.mean), take };
}

/** The usual repair with its price: taken in one tap, or looked at on its own page. */
export function UsualRoute({ usual }: { usual: NonNullable<ReturnType<typeof useUsualRoute>> }) {
  const settings = useSettings();
  return (
    <View className="border-[1.5px] border-ink bg-panel p-3 mb-3" testID="usualRoute">
      <Txt strong>
        {t('usuallyThis', { what: usual.name, price: price(usual.priceMinor, settings.money.currency) })}
      </Txt>
      <View className="mt-2">
        <Button onward label={t('takeThisRepair')} onPress={usual.take} />
      </View>
    </View>
  );
}
