import { View } from 'react-native';

import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { percent } from '@/words/units';
import type { Thermal } from './useThermal';
import { t } from '@/words/kit';

/** Shown in place of call and readings until a device's modes are there. */
export function ThermalWait({ thermal }: { thermal: Thermal }) {
  if (thermal.cancelled || thermal.problem)
    return (
      <View className="bg-panel border-[1.5px] border-caution p-3 gap-2">
        <Txt strong level={2}>
          {thermal.cancelled ? t('theHeatModelWasNotBuilt') : t('theHeatModelCouldNotBe')}
        </Txt>
        {thermal.problem ? <Txt size="s">{thermal.problem}</Txt> : null}
        <Button kind="small" label={t('buildTheHeatModel')} onPress={thermal.retry} />
      </View>
    );
  if (thermal.building !== null)
    return (
      <View className="bg-panel border-[1.5px] border-ink p-3 gap-2" role="status">
        <Txt strong level={2}>
          {t('newDeviceBuildingItsHeatModel', { max: percent(Math.max(0.01, thermal.building)) })}
        </Txt>
        <View
          role="progressbar"
          aria-label={t('heatModel')}
          aria-valuenow={Math.round(thermal.building * 100)}
          className="h-[10px] bg-rule"
        >
          <View className="h-[10px] bg-ink" style={{ width: `${thermal.building * 100}%` }} />
        </View>
        <Txt size="s" tone="ink2">
          {t('oncePerDeviceUpToHalf')}
        </Txt>
        <Button kind="small" label={t('cancel')} onPress={thermal.cancel} />
      </View>
    );
  return (
    <View className="bg-panel border-[1.5px] border-ink p-3" role="status">
      <Txt>{t('readingTheHeatModel')}</Txt>
    </View>
  );
}
