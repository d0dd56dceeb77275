import { ticks } from 'd3-array';
import { View, type DimensionValue } from 'react-native';

import { digits } from '@/words/units';
import { Txt } from '../Txt';

const share = (v: number, from: number, to: number): DimensionValue =>
  `${(100 * Math.min(1, Math.max(0, (v - from) / (to - from)))).toFixed(2)}%` as DimensionValue;

export interface BarPart {
  from: number;
  to: number;
  /** hollow: perhaps; full: surely; thin: what is left */
  look: 'hollow' | 'full' | 'thin';
}

const looks = {
  hollow: 'h-3 border border-dashed border-ink bg-paper',
  full: 'h-3 bg-ink',
  thin: 'h-1 bg-ink2',
};

/** Stretches along an axis that all the pictures beside each other share. `unit` stands at the last of its round ticks, which
 * are only named with one; `at`: a mark upright. */
export function ScaleBar({
  from = 0,
  to,
  parts,
  unit,
  at,
}: {
  from?: number;
  to: number;
  parts: readonly BarPart[];
  unit?: string;
  at?: number | null;
}) {
  const all = ticks(from, to, 3);
  // three names have room on a card: the ends and the middle
  const marks = all.length > 3 ? [all[0]!, all[(all.length - 1) >> 1]!, all[all.length - 1]!] : all;
  return (
    <View className="mt-1" aria-hidden>
      <View className="h-[14px] border-b border-rule moves">
        {parts.map((p, i) => (
          <View
            key={i}
            className={`absolute bottom-0 ${looks[p.look]}`}
            style={{ left: share(p.from, from, to), width: share(p.to - p.from, 0, to - from) }}
          />
        ))}
        {at === null || at === undefined ? null : (
          <View className="absolute bottom-0 h-[14px] w-[3px] bg-caution" style={{ left: share(at, from, to) }} />
        )}
      </View>
      {unit ? (
        <View className="h-[20px]">
          {marks.map((v, i) => (
            <View
              key={v}
              className="absolute w-[60px] items-center"
              style={{ left: share(v, from, to), marginLeft: v === from ? 0 : v >= to * 0.9 ? -60 : -30 }}
            >
              <Txt
                num
                tone="ink2"
                size="s"
                className={`w-full ${v === from ? 'text-left' : v >= to * 0.9 ? 'text-right' : 'text-center'}`}
              >
                {i === marks.length - 1 ? `${digits(v)} ${unit}` : digits(v)}
              </Txt>
            </View>
          ))}
        </View>
      ) : null}
    </View>
  );
}

/** A value against its two marks: dotted, where care begins; solid, where it must not get. */
export function MarkBar({
  name,
  value,
  text,
  from,
  to,
  caution,
  stop,
}: {
  name: string;
  value: number;
  text: string;
  from: number;
  to: number;
  caution?: number | undefined;
  stop?: number | undefined;
}) {
  const over = stop !== undefined && value >= stop;
  const careful = caution !== undefined && value >= caution;
  return (
    <View className="flex-row items-center gap-2 h-[22px]">
      <Txt size="s" tone="ink2" className="w-[58px]" numberOfLines={1}>
        {name}
      </Txt>
      <View className="flex-1 h-[14px] justify-center moves">
        <View
          className={`h-2 ${over ? 'bg-caution' : careful ? 'bg-ink' : 'bg-go'}`}
          style={{ width: share(value, from, to) }}
        />
        {caution === undefined ? null : (
          <View
            className="absolute h-[14px] border-l-2 border-dotted border-ink2"
            style={{ left: share(caution, from, to) }}
          />
        )}
        {stop === undefined ? null : (
          <View className="absolute h-[14px] w-[2px] bg-caution" style={{ left: share(stop, from, to) }} />
        )}
      </View>
      <Txt size="s" num strong tone={over ? 'caution' : 'ink'} className="w-[44px] text-right">
        {text}
      </Txt>
    </View>
  );
}

/** What a whole is made of, piece after piece, to the scale of all; the pieces differ by pattern and stand as text beside. */
export function StackBar({ parts, to }: { parts: readonly number[]; to: number }) {
  const fills = ['bg-ink', 'bg-ink2', 'bg-rule border border-ink2', 'border border-dashed border-ink bg-paper'];
  return (
    <View className="flex-row h-3 mt-1 moves" aria-hidden>
      {parts.map((v, i) => (
        <View key={i} className={`h-3 ${fills[i % fills.length]}`} style={{ width: share(Math.max(0, v), 0, to) }} />
      ))}
    </View>
  );
}
