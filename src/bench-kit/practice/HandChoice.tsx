import { Pressable, View } from 'react-native';

import { Txt } from '@/ui/Txt';

/** What hands take up or turn to: small, for it stands beside what is dragged. */
export function HandChoice<Id extends string>({
  label,
  shown = false,
  value,
  options,
  onChange,
}: {
  label: string;
  /** the label stands over it; where what it offers says enough it does not */
  shown?: boolean;
  value: Id;
  options: readonly { id: Id; name: string }[];
  onChange: (id: Id) => void;
}) {
  return (
    <View role="radiogroup" aria-label={label} className="flex-row flex-wrap gap-1 shrink">
      {shown ? (
        <Txt size="s" tone="ink2" className="w-full">
          {label}
        </Txt>
      ) : null}
      {options.map(({ id, name }) => {
        const on = id === value;
        return (
          <Pressable
            key={id}
            role="radio"
            aria-checked={on}
            aria-label={`${label}: ${name}`}
            onPress={() => onChange(id)}
            className={`min-h-touch px-2 items-center justify-center rounded-card border-[1.5px] ${on ? 'bg-ink border-ink' : 'border-ink2'}`}
          >
            <Txt size="s" tone={on ? 'onInk' : 'ink'}>
              {name}
            </Txt>
          </Pressable>
        );
      })}
    </View>
  );
}
