import { isContact } from '@/core/heat/heater';
import { View } from 'react-native';

import type { ContactHeater } from '@/core/heat/heater';
import { heatersOf } from '@/model/settings';
import { ThermalWait } from '@/bench-kit/ThermalWait';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { Txt } from '@/ui/Txt';
import { useCalibrate } from './useCalibrate';
import { CalibrateCall, LogSource, LogFacts, FitResult, HowItWas } from './CalibrateParts';
import { t } from '@/words/heaters';

/** Conductance, offset and lag of one heater from a thermocouple log: a file, or the live instrument. */
export function CalibrateScreen({ id }: { id: string }) {
  const s = useSettings();
  const heater = heatersOf(s).find((h) => h.id === id);
  if (!heater || !isContact(heater))
    return (
      <PlaceFrame title={t('calibrate')} line={t('noPlateOrMatOfThat')}>
        <Txt>{t('itMayHaveBeenTakenOff')}</Txt>
      </PlaceFrame>
    );
  return <Calibrate heater={heater} />;
}

function Calibrate(p: { heater: ContactHeater }) {
  const here = useCalibrate(p);
  const { heater, router, kept, keep, next, file, problem, fit, model, source, live } = here;
  return (
    <PlaceFrame
      title={t('calibrate2', { name: heater.name })}
      line={
        heater.calibration
          ? t('calibratedOnReadings', { device: heater.calibration.device, count: heater.calibration.count })
          : t('notCalibratedOnThisBench')
      }
      actions={
        <>
          <View className="flex-1">
            <Button label={t('heaters')} onPress={() => router.replace('/heaters')} />
          </View>
          <View className="flex-[2]">
            <Button
              kind="main"
              label={kept ? t('kept') : t('keepForThisHeater')}
              onPress={keep}
              disabled={!next || kept}
              {...(!next ? { why: t('noLogIsFitted') } : {})}
            />
          </View>
        </>
      }
    >
      <CalibrateCall here={here} />
      {file.view}
      {problem ? (
        <View role="alert" className="border-[1.5px] border-caution bg-panel p-2 my-2">
          <Txt tone="caution" testID="problem">
            {problem}
          </Txt>
        </View>
      ) : null}
      {fit && 'problem' in fit ? (
        <View role="alert" className="border-[1.5px] border-caution bg-panel p-2 my-2">
          <Txt tone="caution" testID="problem">
            {fit.problem}
          </Txt>
        </View>
      ) : null}
      {model ? null : <ThermalWait thermal={source} />}
      <LogSource here={here} />
      {live.problem ? (
        <Txt size="s" tone="caution">
          {live.problem}
        </Txt>
      ) : null}
      <LogFacts here={here} />
      <FitResult here={here} />
      <HowItWas here={here} />
    </PlaceFrame>
  );
}
