import { Link, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { defaultGun, defaultLamp, defaultMat, defaultPlate, type Heater } from '@/core/heat/heater';
import { defOf } from '@/core/heat/heaterDefs';
import { measured } from '@/core/source';
import { heatersOf, type Settings } from '@/model/settings';
import { newId } from '@/store/ids';
import { saveSettings, useSettings } from '@/store/shop';
import { savingTrouble } from '@/store/trouble';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { day, dial, length, tempNumber, typedToC } from '@/words/units';
import { withHeater } from './withHeater';
import { t } from '@/words/heaters';
import { told } from '@/words/told';
import { type Figure, AirFields } from './AirFields';

/** Forms of heater as a shop adds them: name, what a new one begins with, the highest dial, °C. */
const forms: Record<Heater['kind'], { name: string; first: Heater; mostC: number }> = {
  plate: {
    get name() {
      return t('hotPlate');
    },
    first: defaultPlate,
    mostC: 300,
  },
  mat: {
    get name() {
      return t('heatMat');
    },
    first: defaultMat,
    mostC: 300,
  },
  air: {
    get name() {
      return t('hotAir');
    },
    first: defaultGun,
    mostC: 400,
  },
  lamp: {
    get name() {
      return t('infraredLamp');
    },
    first: defaultLamp,
    mostC: 400,
  },
};
const formIds = Object.keys(forms) as Heater['kind'][];

/** Everything the shop heats with: figures that the forecasts rest on, where they come from, and calibration. */
export function HeatersScreen() {
  const s = useSettings();
  const [problem, setProblem] = useState<string | null>(null);
  const save = (next: Settings) => saveSettings(next).catch((e: unknown) => setProblem(savingTrouble(e)));
  const put = (h: Heater) => void save(withHeater(s, h));
  const add = (kind: Heater['kind']) => {
    const { name: form, first } = forms[kind];
    const name = `${form} ${heatersOf(s).filter((h) => h.kind === kind).length + 1}`;
    void save({ ...s, heaters: [...s.heaters, { ...first, id: newId(), name }] });
  };
  return (
    <PlaceFrame title={t('heaters')} line={t('whatHeatsOnThisBenchAnd')}>
      {problem ? (
        <View role="alert" className="mb-2">
          <Txt tone="caution">{problem}</Txt>
        </View>
      ) : null}
      {heatersOf(s).map((h) => (
        <Disclosure key={h.id} title={`${told(h.name)}: ${describe(h, s)}`}>
          <Fields heater={h} units={s} onChange={put} />
          <View className="flex-row flex-wrap gap-4 items-center">
            {defOf(h).calibrates ? (
              <Link href={`/heaters/${h.id}` as Href} className="font-body text-m text-ink underline py-2">
                {t('calibrateWithAThermocouple')}
              </Link>
            ) : null}
            {h.id === s.plate.id ? null : (
              <Button
                kind="small"
                label={t('takeOffTheBench', { name: h.name })}
                onPress={() => void save({ ...s, heaters: s.heaters.filter((x) => x.id !== h.id) })}
              />
            )}
          </View>
        </Disclosure>
      ))}
      <View className="mt-4">
        <Txt strong className="mb-1">
          {t('anotherHeater')}
        </Txt>
        <View className="flex-row flex-wrap gap-2">
          {formIds.map((kind) => (
            <Button key={kind} kind="small" label={t('add', { name: forms[kind].name })} onPress={() => add(kind)} />
          ))}
        </View>
      </View>
    </PlaceFrame>
  );
}

function describe(h: Heater, units: Settings): string {
  switch (h.kind) {
    case 'air':
      return t('nozzleLMinAway', {
        nozzleMm: length(h.nozzleMm, units, 0),
        flowLpm: h.flowLpm,
        standoffMm: length(h.standoffMm, units, 0),
      });
    case 'lamp':
      return t('upToFillsOfWhatThe', { maxSetC: dial(h.maxSetC), value: Math.round(h.viewShare.value * 100) });
    case 'plate':
    case 'mat':
      return h.calibration
        ? t('upToCalibrated', { maxSetC: dial(h.maxSetC), at: day(h.calibration.at) })
        : t('upToNotCalibrated', { maxSetC: dial(h.maxSetC) });
  }
}

interface FieldsProps {
  heater: Heater;
  units: Settings;
  onChange: (h: Heater) => void;
}

function Fields({ heater: h, units, onChange }: FieldsProps) {
  const figure: Figure = (name, unit, low, high, s, set, digits = 0) => (
    <NumberField
      label={`${told(h.name)}: ${name}`}
      unit={unit}
      low={low}
      high={high}
      digits={digits}
      value={s.value}
      onCommit={(v) => onChange(set(measured(v, 'set in this shop', s.u)))}
    />
  );
  const temperature = (name: string, low: number, high: number, value: number, set: (c: number) => Heater) => (
    <NumberField
      label={`${told(h.name)}: ${name}`}
      unit={`°${units.temperature}`}
      low={tempNumber(low, units)}
      high={tempNumber(high, units)}
      value={tempNumber(value, units)}
      onCommit={(v) => onChange(set(Math.round(typedToC(v, units))))}
    />
  );
  return (
    <View>
      <Name value={h.name} onCommit={(name) => onChange({ ...h, name })} />
      <Choice
        label={t('itsDialShows')}
        value={h.dialUnit}
        options={[
          { id: 'C', name: '°C' },
          { id: 'F', name: '°F' },
        ]}
        onChange={(dialUnit) => onChange({ ...h, dialUnit })}
      />
      {temperature(t('lowestSetting'), 20, h.maxSetC - 10, h.minSetC, (minSetC) => ({ ...h, minSetC }))}
      {temperature(t('highestSetting'), Math.max(60, h.minSetC + 10), forms[h.kind].mostC, h.maxSetC, (maxSetC) => ({
        ...h,
        maxSetC,
      }))}
      <FormFields heater={h} units={units} figure={figure} onChange={onChange} />
      {figure(t('showsMoreOrLessThanIt'), 'K', -30, 30, h.offsetK, (offsetK) => ({ ...h, offsetK }), 1)}
      {figure(t('timeConstantOfWarmingUp'), 's', 0.5, 300, h.lagS, (lagS) => ({ ...h, lagS }))}
      <NumberField
        label={t('switchesItselfOffAfter0Never', { name: h.name })}
        unit="min"
        low={0}
        high={240}
        value={(h.autoOffS ?? 0) / 60}
        onCommit={(v) => onChange({ ...h, autoOffS: v > 0 ? Math.max(30, v * 60) : null })}
      />
    </View>
  );
}

/** What only a heater of this form has. */
function FormFields({
  heater: h,
  units,
  figure,
  onChange,
}: {
  heater: Heater;
  units: Settings;
  figure: Figure;
  onChange: (h: Heater) => void;
}) {
  switch (h.kind) {
    case 'air':
      return <AirFields heater={h} units={units} figure={figure} onChange={onChange} />;
    case 'lamp':
      return (
        <NumberField
          label={t('shareOfWhatTheGlassSees', { name: h.name })}
          unit="%"
          low={2}
          high={100}
          value={Math.round(h.viewShare.value * 100)}
          onCommit={(v) => onChange({ ...h, viewShare: measured(v / 100, 'set in this shop', h.viewShare.u) })}
        />
      );
    case 'plate':
    case 'mat':
      return figure(t('heatPassingAtTheContact2'), 'W/m²K', 30, 2000, h.conductanceWm2K, (conductanceWm2K) => ({
        ...h,
        conductanceWm2K,
      }));
  }
}

function Name({ value, onCommit }: { value: string; onCommit: (name: string) => void }) {
  const [text, setText] = useState<string | null>(null);
  return (
    <View className="mb-2">
      <Txt strong className="mb-1">
        {t('name')}
      </Txt>
      <TextBox
        aria-label={t('nameOf', { value })}
        value={text ?? value}
        maxLength={60}
        onChangeText={setText}
        onBlur={() => {
          if (text?.trim()) onCommit(text.trim());
          setText(null);
        }}
      />
    </View>
  );
}
