import { View } from 'react-native';

import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { percent } from '@/words/units';
import type { Thermal } from './useThermal';

/** Shown in place of call and readings until a device's modes are there. */
export function ThermalWait({ thermal }: { thermal: Thermal }) {
  if (thermal.cancelled || thermal.problem)
    return (
      <View className="bg-panel border-[1.5px] border-caution p-3 gap-2">
        <Txt strong level={2}>
          {thermal.cancelled ? 'The heat model was not built' : 'The heat model could not be built'}
        </Txt>
        {thermal.problem ? <Txt size="s">{thermal.problem}</Txt> : null}
        <Button kind="small" label="Build the heat model" onPress={thermal.retry} />
      </View>
    );
  if (thermal.building !== null)
    return (
      <View className="bg-panel border-[1.5px] border-ink p-3 gap-2" role="status">
        <Txt strong level={2}>
          New device: building its heat model, {percent(Math.max(0.01, thermal.building))}
        </Txt>
        <View
          role="progressbar"
          aria-label="Heat model"
          aria-valuenow={Math.round(thermal.building * 100)}
          className="h-[10px] bg-rule"
        >
          <View className="h-[10px] bg-ink" style={{ width: `${thermal.building * 100}%` }} />
        </View>
        <Txt size="s" tone="ink2">
          Once per device, up to half a minute; it is kept then. Everything else goes on meanwhile.
        </Txt>
        <Button kind="small" label="Cancel" onPress={thermal.cancel} />
      </View>
    );
  return (
    <View className="bg-panel border-[1.5px] border-ink p-3" role="status">
      <Txt>Reading the heat model</Txt>
    </View>
  );
}
