import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Text } from 'react-native-svg';

import { useTokens } from '../theme';
import { dotColumns } from './dotColumns';
import { letter } from './plotLayout';

interface DotChartProps {
  /** what it shows, for those who do not see it */
  label: string;
  /** instants of equal chance, rising */
  at: readonly number[];
  /** what is held against them, named over its line */
  mark: { name: string; at: number } | null;
  text: (at: number) => string;
  width: number;
}

const dotPx = 11;

/** When something is likely to end, as dots that can be counted: those after the mark are hollow, so nothing hangs on colour. */
export const DotChart = memo(function DotChart({ label, at, mark, text, width }: DotChartProps) {
  const t = useTokens();
  const p = dotColumns(at, mark ? [mark.at] : [], width, dotPx);
  const top = mark ? letter.line + 4 : 2;
  const foot = top + p.height + 2;
  const nameWidth = mark ? (letter.body * mark.name.length) / 2 : 0;
  const shown = p.ticks.filter(
    (k, i) => i === 0 || k.x - p.ticks[i - 1]!.x > letter.num * (text(k.at).length + 1) || i % 2 === 0,
  );
  return (
    <View role="img" aria-label={label}>
      <Svg width={width} height={foot + letter.line + 6} aria-hidden>
        <Line x1={0} x2={width} y1={foot} y2={foot} stroke={t.ink2} />
        {p.dots.map((d, i) => (
          <Circle
            key={i}
            cx={d.x}
            cy={foot - d.y}
            r={dotPx / 2 - 1}
            fill={mark && d.at > mark.at ? t.panel : t.ink}
            stroke={mark && d.at > mark.at ? t.caution : t.ink}
            strokeWidth={1.5}
          />
        ))}
        {shown.map((k) => (
          <G key={k.at}>
            <Line x1={k.x} x2={k.x} y1={foot} y2={foot + 4} stroke={t.ink2} />
            <Text
              x={Math.min(Math.max(k.x, 22), width - 22)}
              y={foot + letter.line + 3}
              fontSize={letter.px}
              fontFamily="Mono_500"
              textAnchor="middle"
              fill={t.ink2}
            >
              {text(k.at)}
            </Text>
          </G>
        ))}
        {mark ? (
          <G>
            <Line x1={p.x(mark.at)} x2={p.x(mark.at)} y1={letter.line} y2={foot} stroke={t.ink} strokeWidth={2} />
            <Text
              x={Math.min(Math.max(p.x(mark.at), nameWidth), width - nameWidth)}
              y={letter.px - 1}
              fontSize={letter.px}
              fontFamily="Next_700"
              textAnchor="middle"
              fill={t.ink}
            >
              {mark.name}
            </Text>
          </G>
        ) : null}
      </Svg>
    </View>
  );
});
