import { useState } from 'react';
import { View } from 'react-native';

import { airSteps } from '@/core/cure/airSteps';
import type { JobState } from '@/model/fold';
import { maxLogBytes } from '@/model/thermoLog';
import { useActions } from '@/bench-kit/actions';
import type { JobCure } from '@/work/cure/cureJob';
import { useFileRead } from '@/bench-kit/useFileRead';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { pickText } from '@/ui/download';
import { NumberField } from '@/ui/NumberField';
import { TempField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';
import { dayTime, temp } from '@/words/units';
import { thermoLogOf } from '@/workers/filesClient';
import { t } from '@/words/cure';

/** The air round the bond: noted when it changes, and what is expected of the night. */
export function AirLog({ job, cure, now }: { job: JobState; cure: JobCure; now: number }) {
  const settings = useSettings();
  const { log } = useActions(job);
  const file = useFileRead();
  const [rh, setRh] = useState<number | null>(null);
  const [message, setMessage] = useState<{ text: string; bad: boolean } | null>(null);
  const last = [...job.airs].sort((a, b) => a.at - b.at).at(-1);
  const nowRh = rh ?? last?.rh ?? settings.humidity;
  const start = cure.startAt ?? now;
  const upTo = cure.clocks.full.high;
  const steps = cure.steps.filter((s) => s.fromS <= upTo).slice(0, 12);
  const takeLog = async () => {
    setMessage(null);
    try {
      const picked = await pickText('.csv,text/csv,text/plain', maxLogBytes);
      if (!picked) return;
      const read = await file.read(picked.name, (onShare) => thermoLogOf(picked.text, {}, onShare));
      const list = airSteps(read.tS, read.tempC);
      const at = (tS: number) => Math.min(now, start + tS * 1e3);
      for (const s of list) await log([{ type: 'ambient', tempC: s.tC, rh: nowRh }], at(s.fromS));
      setMessage({
        text: t('changesTakenInCountedFromClosing', { name: picked.name, count: list.length }),
        bad: false,
      });
    } catch (e) {
      if (!(e instanceof Error)) throw e;
      setMessage({ text: t('nothingWasChanged', { message: e.message }), bad: true });
    }
  };
  return (
    <Disclosure title={t('theAirRoundIt')} open={cure.kind === 'moisture'}>
      <TempField
        label={t('temperatureAtTheShelfNow')}
        units={settings}
        lowC={-10}
        highC={45}
        valueC={last?.tempC ?? settings.roomC}
        onC={(v) => void log([{ type: 'ambient', tempC: v, rh: nowRh }])}
      />
      <NumberField
        label={t('humidityThere')}
        unit="%"
        low={5}
        high={100}
        value={nowRh}
        onCommit={(v) => {
          setRh(v);
          void log([{ type: 'ambient', tempC: last?.tempC ?? settings.roomC, rh: v }]);
        }}
      />
      <Txt size="s" tone="ink2">
        {t('eachEntryCountsFromItsTime')}
      </Txt>
      {cure.startAt !== null ? (
        <Button kind="small" label={t('takeInATemperatureLogCsv')} onPress={() => void takeLog()} />
      ) : null}
      {file.view}
      {message ? (
        <View role={message.bad ? 'alert' : 'status'}>
          <Txt size="s" tone={message.bad ? 'caution' : 'ink'}>
            {message.text}
          </Txt>
        </View>
      ) : null}
      <View role="table" aria-label={t('airTheClocksCountWith')} className="mt-1">
        {steps.map((s) => (
          <View key={s.fromS} role="row" className="flex-row border-b border-rule py-1 gap-2">
            <View role="cell" className="flex-1">
              <Txt size="s">{t('from', { start: dayTime(start + s.fromS * 1e3, now) })}</Txt>
            </View>
            <View role="cell">
              <Txt size="s" num>
                {temp(s.tC, settings)}, {Math.round(s.rh)} %
              </Txt>
            </View>
          </View>
        ))}
      </View>
    </Disclosure>
  );
}
