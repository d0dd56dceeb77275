import { useState } from 'react';
import { TextInput, View } from 'react-native';

import { Txt } from './Txt';
import { time } from './units';

interface TimeFieldProps {
  label: string;
  value: number | null;
  onCommit: (hours: number, minutes: number) => void;
}

/** A time of day as it is written: 16:30 or 1630. */
export function readTime(text: string): { hours: number; minutes: number } | null {
  const m = /^\s*(\d{1,2})[:.h]?(\d{2})\s*$/.exec(text);
  if (!m) return null;
  const hours = Number(m[1]);
  const minutes = Number(m[2]);
  return hours < 24 && minutes < 60 ? { hours, minutes } : null;
}

export function TimeField({ label, value, onCommit }: TimeFieldProps) {
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState(false);
  const commit = () => {
    if (text === null) return;
    const t = readTime(text);
    setProblem(t === null);
    if (!t) return;
    setText(null);
    onCommit(t.hours, t.minutes);
  };
  return (
    <View className="my-2">
      <Txt strong className="mb-1">
        {label}
      </Txt>
      <TextInput
        aria-label={`${label}, time of day`}
        aria-invalid={problem}
        placeholder="16:30"
        value={text ?? (value === null ? '' : time(value))}
        onChangeText={(t) => {
          setText(t);
          setProblem(false);
        }}
        onBlur={commit}
        onSubmitEditing={commit}
        className={`min-h-[48px] w-[110px] px-3 bg-panel border-[1.5px] rounded-[6px] font-num text-l text-ink ${problem ? 'border-caution' : 'border-ink2'}`}
      />
      {problem ? (
        <View role="alert">
          <Txt size="s" tone="caution">
            {label}: &quot;{text?.slice(0, 20)}&quot; is not a time, allowed is 00:00 to 23:59
          </Txt>
        </View>
      ) : null}
    </View>
  );
}
