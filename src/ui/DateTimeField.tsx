import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { isValid } from 'date-fns/isValid';
import { parse } from 'date-fns/parse';
import { set } from 'date-fns/set';
import { useState } from 'react';
import { View } from 'react-native';

import { readTime } from '@/words/read';
import { TextBox } from './TextBox';
import { Txt } from './Txt';
import { dayTime } from '@/words/units';
import { t as tr } from '@/words/ui';

const written = ['yyyy-MM-dd HH:mm', 'd MMM yyyy HH:mm', 'd MMM HH:mm'];

/** An instant as it is written: 16:30 for the next time the clock says so, or a date with a time. Null when it is neither. */
export function readInstant(text: string, now: number): number | null {
  const t = readTime(text);
  if (t) {
    const today = set(now, { hours: t.hours, minutes: t.minutes, seconds: 0, milliseconds: 0 }).getTime();
    return today <= now ? addDays(today, 1).getTime() : today;
  }
  for (const f of written) {
    const d = parse(text.trim().replace('T', ' '), f, now);
    if (isValid(d)) return d.getTime();
  }
  return null;
}

interface DateTimeFieldProps {
  label: string;
  value: number | null;
  now: number;
  /** earliest and latest that is taken; both named when something else is typed */
  from: number;
  to: number;
  onCommit: (at: number) => void;
}

export function DateTimeField({ label, value, now, from, to, onCommit }: DateTimeFieldProps) {
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const commit = () => {
    if (text === null) return;
    if (!text.trim()) {
      setText(null);
      return;
    }
    const at = readInstant(text, now);
    const allowed = tr('fromTo', { from: dayTime(from, now), to: dayTime(to, now) });
    if (at === null) return setProblem(tr('enterATimeYouEntered', { label, allowed, given: text.slice(0, 20) }));
    if (at < from || at > to)
      return setProblem(
        at < from
          ? tr('isTooEarlyEnterATime', { label, at: dayTime(at, now), allowed })
          : tr('isTooLateEnterATime', { label, at: dayTime(at, now), allowed }),
      );
    setProblem(null);
    setText(null);
    onCommit(at);
  };
  return (
    <View className="my-2">
      <Txt strong className="mb-1">
        {label}
      </Txt>
      <TextBox
        aria-label={tr('timeOrDateAndTime', { label })}
        bad={problem !== null}
        placeholder={tr('n1630Or0900', { now: format(addDays(now, 1), 'yyyy-MM-dd') })}
        value={text ?? (value === null ? '' : format(value, 'yyyy-MM-dd HH:mm'))}
        onChangeText={(t) => {
          setText(t);
          setProblem(null);
        }}
        onBlur={commit}
        onSubmitEditing={commit}
      />
      {problem ? (
        <View role="alert">
          <Txt size="s" tone="caution">
            {problem}
          </Txt>
        </View>
      ) : null}
    </View>
  );
}
