import { useState } from 'react';
import { View } from 'react-native';

import { readTime } from '@/words/read';
import { TextBox } from './TextBox';
import { Txt } from './Txt';
import { time } from '@/words/units';
import { t as tr } from '@/words/ui';

interface TimeFieldProps {
  label: string;
  value: number | null;
  onCommit: (hours: number, minutes: number) => void;
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
      <TextBox
        num
        aria-label={tr('timeOfDay', { label })}
        bad={problem}
        placeholder="16:30"
        value={text ?? (value === null ? '' : time(value))}
        onChangeText={(t) => {
          setText(t);
          setProblem(false);
        }}
        onBlur={commit}
        onSubmitEditing={commit}
      />
      {problem ? (
        <View role="alert">
          <Txt size="s" tone="caution">
            {tr('enterATimeFrom0000', { label, given: text?.slice(0, 20) })}
          </Txt>
        </View>
      ) : null}
    </View>
  );
}
