import { Pressable, View } from 'react-native';

import { minSetC, type Plate } from '@/core/heat/heater';
import { picksMm } from '@/core/lift/verdict';
import type { Settings } from '@/model/settings';
import { Button } from '@/ui/Button';
import { NumberField } from '@/ui/NumberField';
import { RangeInput } from '@/ui/RangeInput';
import { Txt } from '@/ui/Txt';
import { dial, length, lengthNumber, tempNumber, typedToC } from '@/ui/units';

interface HeatControlsProps {
  setC: number;
  pickMm: number;
  plate: Plate;
  units: Pick<Settings, 'temperature' | 'length'>;
  onChange: (plan: { setC: number; pickMm: number }) => void;
}

/** Setpoint and pick, chosen together: typed, stepped or dragged. */
export function HeatControls({ setC, pickMm, plate, units, onChange }: HeatControlsProps) {
  return (
    <View className="mt-1">
      <View className="flex-row items-center gap-2">
        <Txt strong>Plate</Txt>
        <NumberField
          hideLabel
          label="Plate setpoint"
          unit={`°${units.temperature}`}
          low={tempNumber(minSetC, units)}
          high={tempNumber(plate.maxSetC, units)}
          value={tempNumber(setC, units)}
          onCommit={(v) => onChange({ setC: Math.round(typedToC(v, units)), pickMm: pickMm })}
        />
        <Txt tone="ink2" className="flex-1 text-right">
          dial: {dial(setC)}
        </Txt>
      </View>
      <View className="flex-row items-center gap-2">
        <Button
          kind="small"
          label="−5"
          onPress={() => onChange({ setC: Math.max(minSetC, setC - 5), pickMm: pickMm })}
        />
        <View className="flex-1">
          <RangeInput
            label={`Plate setpoint, ${minSetC} to ${plate.maxSetC} °C`}
            valueText={dial(setC)}
            low={minSetC}
            high={plate.maxSetC}
            step={1}
            value={setC}
            onChange={(v) => onChange({ setC: v, pickMm: pickMm })}
          />
        </View>
        <Button
          kind="small"
          label="+5"
          onPress={() => onChange({ setC: Math.min(plate.maxSetC, setC + 5), pickMm: pickMm })}
        />
      </View>
      <PickRow units={units} value={pickMm} onChange={(mm) => onChange({ setC, pickMm: mm })} />
    </View>
  );
}

function PickRow({
  units,
  value,
  onChange,
}: {
  units: Pick<Settings, 'temperature' | 'length'>;
  value: number;
  onChange: (mm: number) => void;
}) {
  return (
    <View role="radiogroup" aria-label="Pick thickness" className="flex-row items-center gap-2">
      <Txt strong>Pick</Txt>
      {picksMm.map((mm) => (
        <Pressable
          key={mm}
          role="radio"
          aria-checked={mm === value}
          aria-label={`Pick ${length(mm, units)}`}
          onPress={() => onChange(mm)}
          className={`min-h-[44px] flex-1 items-center justify-center rounded-[6px] border-[1.5px] ${mm === value ? 'bg-ink border-ink' : 'bg-panel border-ink2'}`}
        >
          <Txt num tone={mm === value ? 'onInk' : 'ink'}>
            {lengthNumber(mm, units)}
          </Txt>
        </Pressable>
      ))}
      <Txt tone="ink2">{units.length}</Txt>
    </View>
  );
}
