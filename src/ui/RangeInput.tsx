import { useTokens } from './theme';

interface RangeInputProps {
  label: string;
  /** what is read out for the value */
  valueText: string;
  low: number;
  high: number;
  step: number;
  value: number;
  onChange: (value: number) => void;
}

/** The browser's own range control: drags with a finger, steps with the arrow keys, reads its value out. Web only. */
export function RangeInput({ label, valueText, low, high, step, value, onChange }: RangeInputProps) {
  const t = useTokens();
  return (
    <input
      type="range"
      aria-label={label}
      aria-valuetext={valueText}
      min={low}
      max={high}
      step={step}
      value={value}
      onChange={(e) => onChange(Number(e.target.value))}
      style={{ width: '100%', height: 48, margin: 0, accentColor: t.ink, cursor: 'pointer' }}
    />
  );
}
