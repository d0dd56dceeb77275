import { View } from 'react-native';

import type { Settings } from '@/model/settings';
import { newId } from '@/store/ids';
import { Button } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { TempField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';
import { temp } from '@/words/units';
import { t } from '@/words/stock';

interface ShelfAirProps {
  settings: Settings;
  onChange: (change: Partial<Settings>) => void;
}

/** Places to cure on, and the air there by day and night. */
export function ShelfAir({ settings: s, onChange }: ShelfAirProps) {
  const n = s.night;
  const night = (change: Partial<Settings['night']>) => onChange({ night: { ...n, ...change } });
  return (
    <Disclosure title={t('shelfAndAir')}>
      {s.shelves.map((x) => (
        <View key={x.id} className="border-b border-rule pb-2 mb-2">
          <Txt strong>
            {x.tC === null ? t('placeAsTheRoom', { name: x.name }) : t('place', { name: x.name, tC: temp(x.tC, s) })}
          </Txt>
          <TempField
            label={t('temperatureOfIfItHasIts', { name: x.name })}
            units={s}
            lowC={-10}
            highC={60}
            valueC={x.tC}
            onC={(v) => onChange({ shelves: s.shelves.map((y) => (y.id === x.id ? { ...y, tC: v } : y)) })}
          />
          {x.tC === null ? null : (
            <Button
              kind="small"
              label={t('isAsTheRoom', { name: x.name })}
              onPress={() => onChange({ shelves: s.shelves.map((y) => (y.id === x.id ? { ...y, tC: null } : y)) })}
            />
          )}
        </View>
      ))}
      <Button
        kind="small"
        label={t('anotherPlace')}
        disabled={s.shelves.length >= 40}
        onPress={() =>
          onChange({
            shelves: [...s.shelves, { id: newId().slice(0, 12), name: `A${s.shelves.length + 1}`, tC: null }],
          })
        }
      />
      <NumberField
        label={t('humidityOfTheRoom')}
        unit="%"
        low={5}
        high={100}
        value={s.humidity}
        onCommit={(humidity) => onChange({ humidity })}
      />
      <Tick
        label={t('theShopIsColderAtNight')}
        note={t('curesThatRunOverNightCount')}
        on={n.on}
        onChange={(on) => night({ on })}
      />
      {n.on ? (
        <>
          <TempField
            label={t('nightTemperature')}
            units={s}
            lowC={-10}
            highC={40}
            valueC={n.tC}
            onC={(v) => night({ tC: v })}
          />
          <NumberField
            label={t('coldFrom')}
            unit="o’clock"
            low={0}
            high={23}
            value={n.fromH}
            onCommit={(v) => night({ fromH: Math.round(v) })}
          />
          <NumberField
            label={t('warmAgainAt')}
            unit="o’clock"
            low={0}
            high={23}
            value={n.toH}
            onCommit={(v) => night({ toH: Math.round(v) })}
          />
        </>
      ) : null}
    </Disclosure>
  );
}
