import { memo } from 'react';
import { BarChart, LineChart } from 'react-native-chart-kit';
import { View } from 'react-native';

import { chartLine, chartLook } from './chartLook';
import { useTokens } from './theme';

export interface ChartProps {
  /** what it shows, for those who do not see it; the same numbers stand in a table beside it */
  label: string;
  kind: 'bars' | 'lines';
  names: string[];
  values: number[];
  /** a second curve, dashed; only with lines */
  other?: number[];
  suffix: string;
  digits?: number;
  width: number;
}

/** A chart from a few numbers: bars with their values, or a curve with its fit. */
export default memo(function Charts({ label, kind, names, values, other, suffix, digits = 0, width }: ChartProps) {
  const t = useTokens();
  const look = chartLook(t);
  const config = { ...look.chartConfig, decimalPlaces: digits };
  const every = Math.max(1, Math.ceil(names.length / 8));
  const labels = names.map((n, i) => (i % every === 0 ? n : ''));
  return (
    <View role="img" aria-label={label}>
      {kind === 'bars' ? (
        <BarChart
          data={{ labels, datasets: [{ data: values }] }}
          width={width}
          height={190}
          fromZero
          yAxisLabel=""
          yAxisSuffix={suffix}
          segments={4}
          withInnerLines
          showValuesOnTopOfBars
          chartConfig={{
            ...config,
            color: () => t.ink2,
            fillShadowGradientFrom: t.ink2,
            fillShadowGradientTo: t.ink2,
            fillShadowGradientFromOpacity: 1,
            fillShadowGradientToOpacity: 1,
            propsForLabels: { ...config.propsForLabels, fontSize: 10 },
            barPercentage: Math.min(0.9, (width - 96) / (names.length * 40)),
          }}
        />
      ) : (
        <LineChart
          {...look}
          chartConfig={config}
          data={{
            labels,
            datasets: [
              chartLine(values, t.ink),
              ...(other ? [chartLine(other, t.ink2, [6, 4])] : []),
              { data: [0], color: () => 'transparent', strokeWidth: 0, withDots: false },
            ],
          }}
          width={width}
          height={190}
          yAxisSuffix={suffix}
          fromZero
        />
      )}
    </View>
  );
});
