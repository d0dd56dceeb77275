import { Pressable, View } from 'react-native';

import { missingMark } from './missing';
import { Txt } from './Txt';
import { told } from '@/words/told';

interface ChoiceProps<T extends string> {
  label: string;
  value: T | null;
  options: readonly { id: T; name: string }[];
  onChange: (id: T) => void;
  hint?: string;
  /** the page goes on only when it is answered */
  asked?: boolean;
}

/** One of a few, large enough for gloves; a radio group for the keyboard and a screen reader. */
export function Choice<T extends string>({ label, value, options, onChange, hint, asked = false }: ChoiceProps<T>) {
  return (
    <View className="mb-3" {...missingMark(asked && value === null)}>
      <Txt strong size="m" className="mb-1">
        {label}
      </Txt>
      <View role="radiogroup" aria-label={label} className="flex-row flex-wrap gap-2">
        {options.map((o) => {
          const on = o.id === value;
          return (
            <Pressable
              key={o.id}
              role="radio"
              aria-checked={on}
              aria-label={`${label}: ${told(o.name)}`}
              onPress={() => onChange(o.id)}
              className={`min-h-touch min-w-[64px] px-3 justify-center items-center rounded-card border-[1.5px] ${on ? 'bg-ink border-ink' : 'bg-panel border-ink2'}`}
            >
              <Txt strong={on} tone={on ? 'onInk' : 'ink'}>
                {told(o.name)}
              </Txt>
            </Pressable>
          );
        })}
      </View>
      {hint ? (
        <Txt size="s" tone="ink2" className="mt-1">
          {hint}
        </Txt>
      ) : null}
    </View>
  );
}

/** A line that is ticked off; the tick is a shape, not a colour. */
export function Tick({
  label,
  say,
  on,
  onChange,
  note,
  asked = false,
}: {
  label: string;
  /** its name for who does not see the heading over it; ends in the label */
  say?: string;
  on: boolean;
  onChange: (on: boolean) => void;
  note?: string;
  /** the page goes on only when it is ticked */
  asked?: boolean;
}) {
  return (
    <Pressable
      {...missingMark(asked && !on)}
      role="checkbox"
      aria-checked={on}
      aria-label={say ?? label}
      onPress={() => onChange(!on)}
      className="min-h-touch flex-row items-center gap-3 border-b border-rule"
    >
      <View className={`w-6 h-6 border-[1.5px] border-ink items-center justify-center ${on ? 'bg-ink' : 'bg-panel'}`}>
        <Txt strong size="m" tone="onInk">
          {on ? '✓' : ''}
        </Txt>
      </View>
      <View className="flex-1">
        <Txt>{label}</Txt>
        {note ? (
          <Txt size="s" tone="ink2">
            {note}
          </Txt>
        ) : null}
      </View>
    </Pressable>
  );
}
