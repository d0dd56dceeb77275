import type { AirHeater, Heater } from '@/core/heat/heater';
import type { Sourced } from '@/core/source';
import type { Settings } from '@/model/settings';
import { NumberField } from '@/ui/NumberField';
import { lengthValue, typedToMm } from '@/words/units';
import { t } from '@/words/heaters';
import { told } from '@/words/told';

/** A field for one sourced figure of a heater, in the range that it can have. */
export type Figure = (
  name: string,
  unit: string,
  low: number,
  high: number,
  s: Sourced,
  set: (s: Sourced) => Heater,
  digits?: number,
) => React.ReactNode;

/** What an air heater is, beside its name: flow, nozzle, distance. */
export function AirFields({
  heater: h,
  units,
  figure,
  onChange,
}: {
  heater: AirHeater;
  units: Settings;
  figure: Figure;
  onChange: (h: Heater) => void;
}) {
  const mm = (name: string, low: number, high: number, value: number, set: (v: number) => Heater) => (
    <NumberField
      label={`${told(h.name)}: ${name}`}
      unit={units.length}
      low={lengthValue(low, units, 0)}
      high={lengthValue(high, units, 0)}
      digits={units.length === 'mm' ? 0 : 2}
      value={lengthValue(value, units, 0)}
      onCommit={(v) => onChange(set(typedToMm(v, units)))}
    />
  );
  return (
    <>
      {mm(t('nozzleInnerDiameter'), 2, 80, h.nozzleMm, (nozzleMm) => ({ ...h, nozzleMm }))}
      <NumberField
        label={t('flow', { name: h.name })}
        unit="l/min"
        low={5}
        high={3000}
        value={h.flowLpm}
        onCommit={(flowLpm) => onChange({ ...h, flowLpm })}
      />
      {mm(t('distanceToTheGlass'), 5, 300, h.standoffMm, (standoffMm) => ({ ...h, standoffMm }))}
      {mm(t('halfOfTheHeatIsLeft'), 5, 400, h.entrainMm, (entrainMm) => ({ ...h, entrainMm }))}
      {figure(t('jetAgainstTheFormula'), '×', 0.2, 5, h.hScale, (hScale) => ({ ...h, hScale }), 2)}
    </>
  );
}
