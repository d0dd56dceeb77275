import { useState } from 'react';
import { TextInput, View } from 'react-native';

import { Txt } from './Txt';

export interface NumberFieldProps {
  label: string;
  unit: string;
  low: number;
  high: number;
  value: number | null;
  /** called with a number in range only */
  onCommit: (value: number) => void;
  digits?: number;
  autoFocus?: boolean;
  hideLabel?: boolean;
  onEnter?: () => void;
}

/** Reads what was typed: a comma is a decimal point. Null with a message when it is not a number in range. */
export function readNumber(
  text: string,
  label: string,
  low: number,
  high: number,
  unit: string,
): { value: number } | { problem: string } {
  const t = text.trim().replace(',', '.');
  const allowed = `${low} to ${high} ${unit}`;
  if (!t) return { problem: `${label} is empty, allowed is ${allowed}` };
  if (!/^[+-]?(\d+\.?\d*|\.\d+)$/.test(t))
    return { problem: `${label}: "${t.slice(0, 20)}" is not a number, allowed is ${allowed}` };
  const value = Number(t);
  return value >= low && value <= high
    ? { value }
    : { problem: `${label}: ${t.slice(0, 20)} is out of range, allowed is ${allowed}` };
}

/** A number with its unit and its range. A wrong entry is named and changes nothing. */
export function NumberField(p: NumberFieldProps) {
  const shown = p.value === null ? '' : p.value.toFixed(p.digits ?? 0);
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const commit = (): boolean => {
    if (text === null) return true;
    const read = readNumber(text, p.label, p.low, p.high, p.unit);
    if ('problem' in read) {
      setProblem(read.problem);
      return false;
    }
    setProblem(null);
    setText(null);
    if (p.value === null || Math.abs(read.value - p.value) > 1e-9) p.onCommit(read.value);
    return true;
  };
  return (
    <View className="mb-2">
      {p.hideLabel ? null : (
        <Txt strong className="mb-1">
          {p.label}
        </Txt>
      )}
      <View className="flex-row items-center gap-2">
        <TextInput
          aria-label={`${p.label}, ${p.unit}`}
          aria-invalid={problem !== null}
          inputMode="text"
          autoFocus={p.autoFocus ?? false}
          value={text ?? shown}
          onChangeText={(t) => {
            setText(t);
            setProblem(null);
          }}
          onBlur={() => void commit()}
          onSubmitEditing={() => {
            if (commit()) p.onEnter?.();
          }}
          className={`min-h-[48px] w-[110px] px-3 bg-panel border-[1.5px] rounded-[6px] font-num text-l text-ink ${problem ? 'border-caution' : 'border-ink2'}`}
        />
        <Txt tone="ink2">{p.unit}</Txt>
      </View>
      {problem ? (
        <View role="alert">
          <Txt size="s" tone="caution" className="mt-1">
            {problem}
          </Txt>
        </View>
      ) : null}
    </View>
  );
}
