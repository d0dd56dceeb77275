import { useState } from 'react';
import { View } from 'react-native';

import { readNumber } from './read';
import { ThumbPad } from './ThumbPad';
import { TextBox } from './TextBox';
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
  /** called with a number that is out of range, beside the message */
  onRefused?: (value: number) => void;
  /** keys for one thumb in gloves under the field, instead of the phone's own keyboard; the word on its last key */
  pad?: string | undefined;
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
      const number = Number(text.replace(',', '.'));
      if (text.trim() && Number.isFinite(number)) p.onRefused?.(number);
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
        <TextBox
          num
          aria-label={`${p.label}, ${p.unit}`}
          bad={problem !== null}
          inputMode={p.pad ? 'none' : 'text'}
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
        />
        <Txt tone="ink2">{p.unit}</Txt>
      </View>
      {p.pad ? (
        <ThumbPad
          last={p.pad}
          onKey={(key) => {
            setProblem(null);
            setText((t) => (key === '⌫' ? (t ?? shown).slice(0, -1) : `${t ?? ''}${key}`.slice(0, 8)));
          }}
          onDone={() => {
            if (commit()) p.onEnter?.();
          }}
        />
      ) : null}
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
