import { memo } from 'react';
import { LineChart } from 'react-native-chart-kit';
import { View } from 'react-native';

import { chartLine, chartLook } from '@/ui/chartLook';
import { useTokens } from '@/ui/theme';
import { watchFigures, type Chart } from '@/work/records/statistics';
import { t as tr } from '@/words/records';

/** Height of the watch, or weekly shares, with the line that they must not cross; the same stands in the text beside it. */
export default memo(function WatchChart({ chart, width }: { chart: Chart; width: number }) {
  const t = useTokens();
  const values = chart.kind === 'jobs' ? chart.cusum.path : chart.points.map((p) => 100 * p.share);
  const limit =
    chart.kind === 'jobs'
      ? chart.cusum.path.map(() => watchFigures.height.value)
      : chart.points.map((p) => 100 * p.high);
  const names = chart.kind === 'jobs' ? chart.labels : chart.points.map((p) => p.label);
  const every = Math.max(1, Math.ceil(names.length / 5));
  const look = chartLook(t);
  return (
    <View
      role="img"
      aria-label={
        chart.kind === 'jobs'
          ? tr('chartOfComeBacksJobs', { length: values.length })
          : tr('chartOfComeBacksWeeks', { length: values.length })
      }
    >
      <LineChart
        {...look}
        chartConfig={{ ...look.chartConfig, decimalPlaces: 1 }}
        data={{
          labels: names.map((n, i) => (i % every === 0 ? n : '')),
          datasets: [
            chartLine(values, t.ink),
            chartLine(limit, t.caution, [6, 4], 1.5),
            { data: [0], color: () => 'transparent', strokeWidth: 0, withDots: false },
          ],
        }}
        width={width}
        height={180}
        fromZero
      />
    </View>
  );
});
