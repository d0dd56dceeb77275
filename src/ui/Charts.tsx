import { memo } from 'react';
import { LineChart } from 'react-native-chart-kit';
import { View } from 'react-native';

import { chartLine, chartLook } from './chartLook';
import { useTokens } from './theme';

export interface ChartProps {
  /** what it shows, for those who do not see it; the same numbers stand in a table beside it */
  label: string;
  names: string[];
  values: number[];
  digits?: number;
  width: number;
}

/** A plain curve from a few numbers; ranges, marks and instants are drawn by `chart/Plot`. */
export default memo(function Charts({ label, names, values, digits = 0, width }: ChartProps) {
  const t = useTokens();
  const look = chartLook(t);
  const config = { ...look.chartConfig, decimalPlaces: digits };
  const every = Math.max(1, Math.ceil(names.length / 8));
  const labels = names.map((n, i) => (i % every === 0 ? n : ''));
  return (
    <View role="img" aria-label={label}>
      <LineChart
        {...look}
        chartConfig={config}
        data={{
          labels,
          datasets: [
            chartLine(values, t.ink),
            { data: [0], color: () => 'transparent', strokeWidth: 0, withDots: false },
          ],
        }}
        width={width}
        height={190}
        fromZero
      />
    </View>
  );
});
