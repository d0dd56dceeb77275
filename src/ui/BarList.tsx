import { View, type DimensionValue } from 'react-native';

import { Txt } from './Txt';

/**
 * A bar across for each name, so that a name of any length and language has its room; below nothing they go the other way. Where
 * it is not sure, a thin line says from where to where it may be.
 */
export function BarList({
  label,
  bars,
}: {
  /** what it shows, for those who do not see it */
  label: string;
  bars: readonly { name: string; value: number; text: string; range?: { low: number; high: number } }[];
}) {
  const most = Math.max(1e-9, ...bars.map((b) => Math.max(Math.abs(b.value), b.range?.high ?? 0)));
  const share = (v: number) => `${(100 * Math.abs(v)) / most}%` as DimensionValue;
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
              style={{ width: share(b.value) }}
            />
            {b.range ? (
              <View
                className="absolute top-[5px] h-[6px] border border-ink bg-paper"
                style={{ left: share(b.range.low), width: share(b.range.high - b.range.low) }}
              />
            ) : null}
          </View>
          <Txt size="s" num className="w-[64px] text-right">
            {b.text}
          </Txt>
        </View>
      ))}
    </View>
  );
}
