import { View } from 'react-native';

import { Txt } from './Txt';

/** A bar across for each name, so that a name of any length and language has its room; below nothing they go the other way. */
export function BarList({
  label,
  bars,
}: {
  /** what it shows, for those who do not see it */
  label: string;
  bars: readonly { name: string; value: number; text: string }[];
}) {
  const most = Math.max(1e-9, ...bars.map((b) => Math.abs(b.value)));
  return (
    <View role="img" aria-label={label} className="my-2 gap-1">
      {bars.map((b) => (
        <View key={b.name} className="flex-row items-center gap-2 min-h-[26px]">
          <Txt size="s" className="w-[30%] max-w-[180px]">
            {b.name}
          </Txt>
          <View className="flex-1 h-4 border-l border-ink moves">
            <View
              className={`h-4 ${b.value < 0 ? 'border-[1.5px] border-caution' : 'bg-ink2'}`}
              style={{ width: `${(100 * Math.abs(b.value)) / most}%` }}
            />
          </View>
          <Txt size="s" num className="w-[64px] text-right">
            {b.text}
          </Txt>
        </View>
      ))}
    </View>
  );
}
