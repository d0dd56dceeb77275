import { View } from 'react-native';

import type { AirHeater } from '@/core/heat/heater';
import { useSettings } from '@/store/shop';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { tempNumber, typedToC } from '@/words/units';
import type { useLensAir } from './useLensAir';
import { t } from '@/words/kit';

/** Which air warms a lens cover, and how hot. */
export function LensAir({ air, heater }: { air: ReturnType<typeof useLensAir>; heater: AirHeater | null }) {
  const units = useSettings();
  return (
    <View>
      <Choice
        label={t('airFrom')}
        value={heater?.id ?? null}
        options={air.airs.map((h) => ({ id: h.id, name: h.name }))}
        onChange={air.setHeaterId}
      />
      {heater ? (
        <NumberField
          label={t('air')}
          unit={`°${units.temperature}`}
          low={tempNumber(Math.max(40, heater.minSetC), units)}
          high={tempNumber(heater.maxSetC, units)}
          value={tempNumber(air.setC, units)}
          onCommit={(v) => air.setSetC(Math.round(typedToC(v, units)))}
        />
      ) : null}
    </View>
  );
}
