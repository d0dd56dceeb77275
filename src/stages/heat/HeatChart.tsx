import { memo } from 'react';
import { LineChart } from 'react-native-chart-kit';
import { Circle, Line } from 'react-native-svg';
import { View } from 'react-native';

import { chartLine, chartLook } from '@/ui/chartLook';
import { useTokens } from '@/ui/theme';
import { Txt } from '@/ui/Txt';
import { clock, toF } from '@/words/units';
import type { Settings } from '@/model/settings';
import type { Curves } from '@/work/heat/heatForecast';
import { t as tr } from '@/words/heat';

interface HeatChartProps {
  curves: Curves;
  easyC: number | null;
  nowS: number | null;
  /** readings of a live probe, s of the run */
  probe: readonly { tS: number; tempC: number | null }[];
  width: number;
  units: Pick<Settings, 'temperature' | 'length'>;
}

const left = 46;
const height = 170;

/** Curves over time; three line styles, so that nothing hangs on colour. The same numbers stand in the text below. */
export default memo(function HeatChart({ curves, easyC, nowS, probe, width, units }: HeatChartProps) {
  const t = useTokens();
  const n = curves.first.length;
  const shown = (list: number[]) => list.map((c) => Math.round((units.temperature === 'C' ? c : toF(c)) * 10) / 10);
  // an unseen line from 20 to 100 °C (60 to 220 °F) gives the axis round numbers
  const axis = units.temperature === 'C' ? [20, 100] : [60, 220];
  const line = (data: number[], color: string, dash?: number[], width?: number) =>
    chartLine(shown(data), color, dash, width);
  const datasets = [
    line(curves.first, t.ink),
    line(curves.coldest, t.ink2, [2, 4]),
    line(curves.battery, t.caution, [8, 4]),
    { data: axis, color: () => 'transparent', strokeWidth: 0, withDots: false },
    ...(easyC === null
      ? []
      : [
          line(
            curves.first.map(() => easyC),
            t.ink,
            [1, 3],
            1,
          ),
        ]),
  ];
  const labels = curves.first.map((_, i) => (i % 6 === 0 && i < n - 1 ? clock(i * curves.stepS) : ''));
  // the chart's own scale, for what is drawn over it
  const every = datasets.flatMap((d) => d.data);
  const [least, most] = [Math.min(...every), Math.max(...every)];
  const xOf = (tS: number) => left + (((tS - curves.fromS) / curves.stepS) * (width - left)) / n;
  const yOf = (c: number) =>
    (height * (1 - ((units.temperature === 'C' ? c : toF(c)) - least) / (most - least)) * 3) / 4 + 16;
  const dots = probe.flatMap((r) =>
    r.tempC !== null && r.tS >= curves.fromS && r.tS <= curves.fromS + (n - 1) * curves.stepS
      ? [[r.tS, r.tempC] as const]
      : [],
  );
  const stride = Math.ceil(dots.length / 60);
  const at = nowS === null ? null : (nowS - curves.fromS) / curves.stepS;
  return (
    <View
      role="img"
      aria-label={tr('temperatureOverGlueUpToBattery', {
        n: clock((n - 1) * curves.stepS),
        max: Math.round(Math.max(...shown(curves.first))),
        max2: Math.round(Math.max(...shown(curves.battery))),
        temperature: units.temperature,
      })}
    >
      <LineChart
        data={{ labels, datasets }}
        width={width}
        height={height}
        withInnerLines
        fromNumber={axis[1]}
        {...chartLook(t)}
        style={{ paddingRight: left }}
        decorator={() => [
          ...dots
            .filter((_, i) => i % stride === 0)
            .map(([tS, c]) => <Circle key={tS} cx={xOf(tS)} cy={yOf(c)} r={2.5} fill={t.go} />),
          at === null || at < 0 || at > n - 1 ? null : (
            <Line
              key="now"
              x1={left + (at * (width - left)) / n}
              x2={left + (at * (width - left)) / n}
              y1={10}
              y2={140}
              stroke={t.ink}
              strokeWidth={1.5}
            />
          ),
        ]}
      />
      <Txt
        size="s"
        tone="ink2"
      >{`${tr('solidLineFirstEdgeAtLeast')}${nowS === null ? '' : ` ${tr('uprightLineNow')}`}${dots.length ? ` ${tr('dotsProbe')}` : ''}`}</Txt>
    </View>
  );
});
