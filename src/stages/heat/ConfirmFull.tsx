import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';

import type { Confirmation } from '@/core/heat/confirm';
import type { Heater } from '@/core/heat/heater';
import type { HeatUse } from '@/core/heat/member';
import type { ReducedModel } from '@/core/heat/reduced';
import type { JobState } from '@/model/fold';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { clock, kelvin, percent, temp } from '@/words/units';
import { CancelledError } from '@/workers/longRun';
import { confirmInWorker, thermalKey } from '@/workers/thermalClient';
import { t } from '@/words/heat';

interface ConfirmFullProps {
  job: JobState;
  heater: Heater;
  use: HeatUse;
  model: ReducedModel;
  setC: number;
  heatS: number;
  ambientC: number;
}

/** The full conduction model beside the instant answer, on demand, with progress and cancel. */
export function ConfirmFull({ job, heater, use, model, setC, heatS, ambientC }: ConfirmFullProps) {
  const settings = useSettings();
  const [share, setShare] = useState<number | null>(null);
  const [result, setResult] = useState<Confirmation | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const run = useRef<{ cancel(): void } | null>(null);
  useEffect(() => () => run.current?.cancel(), []);
  const start = async () => {
    setShare(0);
    setProblem(null);
    setResult(null);
    const long = confirmInWorker(
      model.modes,
      thermalKey(job.device, job.bond).stack,
      {
        heater,
        use,
        ambientC,
        setC,
        heatS: Math.min(900, Math.max(30, Math.round(heatS / 10) * 10)),
        coolS: 120,
      },
      setShare,
    );
    run.current = long;
    try {
      setResult(await long.result);
    } catch (e) {
      setProblem(
        e instanceof CancelledError ? t('stopped') : e instanceof Error ? e.message : t('theFullCheckStopped'),
      );
    } finally {
      run.current = null;
      setShare(null);
    }
  };
  return (
    <Disclosure title={t('checkWithTheFullModel')}>
      <Txt size="s" tone="ink2" className="mb-2">
        {t('theQuickAnswersComeFromA')}
      </Txt>
      {share === null ? (
        <Button kind="small" label={t('runTheFullCheck')} onPress={() => void start()} />
      ) : (
        <View className="gap-2" role="status">
          <Txt>{t('fullCheck', { max: percent(Math.max(0.01, share)) })}</Txt>
          <Button kind="small" label={t('cancelTheFullCheck')} onPress={() => run.current?.cancel()} />
        </View>
      )}
      {problem ? <Txt size="s">{problem}</Txt> : null}
      {result ? (
        <View className="mt-2" testID="confirmation">
          <Txt>
            {t('largestDifferenceGlueBattery', {
              largestBondErrorK: kelvin(result.largestBondErrorK, settings, 2),
              largestBatteryErrorK: kelvin(result.largestBatteryErrorK, settings, 2),
            })}
          </Txt>
          {result.samples
            .filter((_, i) => i % 3 === 2)
            .map((s) => (
              <Txt key={s.tS} size="s" num>
                {t('glueBattery', {
                  tS: clock(s.tS),
                  fullBondC: temp(s.fullBondC, settings),
                  reducedBondC: temp(s.reducedBondC, settings),
                  fullBatteryC: temp(s.fullBatteryC ?? 0, settings),
                  reducedBatteryC: temp(s.reducedBatteryC ?? 0, settings),
                })}
              </Txt>
            ))}
          <Txt size="s" tone="ink2">
            {t('fullQuickColdestGlueAndHottest')}
          </Txt>
        </View>
      ) : null}
    </Disclosure>
  );
}
