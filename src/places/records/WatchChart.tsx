import { memo } from 'react';

import { Plot } from '@/ui/chart/Plot';
import { watchFigures, type Chart } from '@/work/records/statistics';
import { digits } from '@/words/units';
import { t } from '@/words/records';

/** Height of the watch, or weekly shares, with the line that they must not cross and what crossed it. */
export default memo(function WatchChart({ chart, width }: { chart: Chart; width: number }) {
  const byJob = chart.kind === 'jobs';
  const names = byJob ? chart.labels : chart.points.map((p) => p.label);
  const values = byJob ? chart.cusum.path : chart.points.map((p) => 100 * p.share);
  const out = byJob ? chart.cusum.signals : chart.points.flatMap((p, i) => (p.out ? [i] : []));
  const height = watchFigures.height.value;
  return (
    <Plot
      label={
        byJob
          ? t('chartOfComeBacksJobs', { count: values.length })
          : t('chartOfComeBacksWeeks', { count: values.length })
      }
      width={width}
      x={{
        at: names.map((_, i) => i),
        kind: 'number',
        name: byJob ? t('job') : t('week'),
        text: (i) => names[Math.round(i)] ?? '',
      }}
      y={{
        name: byJob ? t('heightOfTheWatch') : t('cameBackPerWeek'),
        text: byJob ? (v) => digits(v, 1) : (v) => `${digits(v)} %`,
        from: 0,
        ...(byJob ? { to: height } : {}),
      }}
      lines={[
        { id: 'seen', name: byJob ? t('heightOfTheWatch') : t('cameBack'), y: values },
        ...(byJob
          ? []
          : [
              {
                id: 'limit',
                name: t('limitOfTheWeek'),
                y: chart.points.map((p) => 100 * p.high),
                tone: 'caution' as const,
                dash: [6, 4],
              },
            ]),
      ]}
      marks={byJob ? [{ name: t('signalsHere'), at: height, tone: 'caution' }] : []}
      {...(out.length
        ? { points: { name: t('signalsHere'), at: out.map((i) => [i, values[i]!] as const), tone: 'caution' as const } }
        : {})}
    />
  );
});
