import { Pressable, View } from 'react-native';

import { Txt } from '@/ui/Txt';

/** What hands take up or turn to: small, for it stands beside what is dragged. */
export function HandChoice<Id extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: Id;
  options: readonly { id: Id; name: string }[];
  onChange: (id: Id) => void;
}) {
  return (
    <View role="radiogroup" aria-label={label} className="flex-row flex-wrap gap-1 shrink">
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
