import type { Settings } from '@/model/settings';

import { NumberField } from './NumberField';
import { lengthValue, tempNumber, typedToC, typedToMm } from '@/words/units';

type Units = Pick<Settings, 'temperature' | 'length'>;

interface LengthFieldProps {
  label: string;
  units: Units;
  lowMm: number;
  highMm: number;
  valueMm: number | null;
  onMm: (mm: number) => void;
  /** decimals in mm; two more in inches */
  digits?: number;
  hint?: string;
}

/** A length in the reader's unit; the value stays in mm. */
export function LengthField({ label, units, lowMm, highMm, valueMm, onMm, digits = 2, hint }: LengthFieldProps) {
  const shown = (mm: number) => lengthValue(mm, units, digits);
  return (
    <NumberField
      label={label}
      unit={units.length}
      low={shown(lowMm)}
      high={shown(highMm)}
      digits={units.length === 'mm' ? digits : digits + 2}
      value={valueMm === null ? null : shown(valueMm)}
      onCommit={(v) => onMm(typedToMm(v, units))}
      {...(hint ? { hint } : {})}
    />
  );
}

interface TempFieldProps {
  label: string;
  units: Units;
  lowC: number;
  highC: number;
  valueC: number | null;
  onC: (c: number) => void;
}

/** A temperature in the reader's unit; the value stays in °C. */
export function TempField({ label, units, lowC, highC, valueC, onC }: TempFieldProps) {
  return (
    <NumberField
      label={label}
      unit={`°${units.temperature}`}
      low={tempNumber(lowC, units)}
      high={tempNumber(highC, units)}
      value={valueC === null ? null : tempNumber(valueC, units)}
      onCommit={(v) => onC(typedToC(v, units))}
    />
  );
}
