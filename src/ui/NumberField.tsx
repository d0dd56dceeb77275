import { useEffect, useState } from 'react';
import { View } from 'react-native';

import { useDraft } from './draft';
import { readNumber } from '@/words/read';
import { told } from '@/words/told';
import { digits } from '@/words/units';
import type { Thumb } from './thumb';
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
  /** where its figure comes from, or what it does */
  hint?: string;
  onEnter?: () => void;
  /** called with a number that is out of range, beside the message */
  onRefused?: (value: number) => void;
  /** typed with the keys at the foot of the screen, instead of the phone's own keyboard */
  thumb?: Thumb | undefined;
}

/** A number with its unit and its range. A wrong entry is named and changes nothing. */
export function NumberField(p: NumberFieldProps) {
  const shown = p.value === null ? '' : digits(p.value, p.digits ?? 0);
  const [own, setOwn] = useState<string | null>(null);
  const { thumb } = p;
  const text = thumb ? thumb.text : own;
  const setText = thumb ? thumb.setText : setOwn;
  const [problem, setProblem] = useState<string | null>(null);
  const save = useDraft(`${p.label}, ${p.unit}`, setText);
  const commit = (): boolean => {
    if (text === null) return true;
    const read = readNumber(text, p.label, p.low, p.high, p.unit);
    if ('problem' in read) {
      setProblem(read.problem);
      const number = Number(text.replace(',', '.').replace('−', '-'));
      if (text.trim() && Number.isFinite(number)) p.onRefused?.(number);
      return false;
    }
    setProblem(null);
    setText(null);
    save(null);
    if (p.value === null || Math.abs(read.value - p.value) > 1e-9) p.onCommit(read.value);
    return true;
  };
  const enter = () => {
    if (commit()) p.onEnter?.();
  };
  useEffect(() => {
    thumb?.onDone(enter);
  });
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
          aria-label={p.unit ? `${p.label}, ${told(p.unit)}` : p.label}
          bad={problem !== null}
          inputMode={p.thumb ? 'none' : 'text'}
          autoFocus={p.autoFocus ?? false}
          value={text ?? shown}
          onChangeText={(t) => {
            setText(t);
            save(t);
            setProblem(null);
          }}
          onBlur={() => void commit()}
          onSubmitEditing={enter}
        />
        <Txt tone="ink2">{told(p.unit)}</Txt>
      </View>
      {p.hint ? (
        <Txt size="s" tone="ink2" className="mt-1">
          {p.hint}
        </Txt>
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
