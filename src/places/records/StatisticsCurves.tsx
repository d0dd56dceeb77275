import { Suspense } from 'react';
import { View } from 'react-native';

import { wrightAt, wrightRange } from '@/core/statistics/learning';
import { stageName } from '@/words/stageWords';
import { statisticsFigures } from '@/work/records/shopStatistics';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Plot } from '@/ui/chart/LazyPlot';
import { Charts } from '@/ui/LazyCharts';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { dayMonth, digits, percent } from '@/words/units';
import type { StatisticsScreenState } from './useStatisticsScreen';
import { t } from '@/words/records';

/** Minutes of job after job. */
export function LearningCurve({
  here: { stage, minutes, setStage, curve, chartWidth },
}: {
  here: StatisticsScreenState;
}) {
  return (
    <>
      <Choice
        label={t('timeOf')}
        value={stage}
        options={[
          { id: 'all' as const, name: t('allStages') },
          ...minutes.map((m) => ({ id: m.stage, name: stageName(m.stage) })),
        ]}
        onChange={setStage}
      />
      {curve ? (
        <>
          <Txt>
            {curve.curve.rateLow !== null && curve.curve.rateHigh !== null
              ? t('withTwiceAsManyJobsEach', {
                  rate: percent(curve.curve.rate),
                  rateLow: percent(curve.curve.rateLow),
                  rateHigh: percent(curve.curve.rateHigh),
                  figure: digits(wrightAt(curve.curve, curve.minutes.length + 1)),
                })
              : t('withTwiceAsManyJobsEach2', {
                  rate: percent(curve.curve.rate),
                  figure: digits(wrightAt(curve.curve, curve.minutes.length + 1)),
                })}
          </Txt>
          <Suspense fallback={<View style={{ height: 190 }} />}>
            <Plot
              label={t('minutesOfJobAfterJob', { list: curve.minutes.map((m) => digits(m)).join(', ') })}
              width={chartWidth}
              x={{
                at: curve.minutes.map((_, i) => i + 1),
                kind: 'number',
                name: t('jobNumber'),
                text: (n) => digits(n),
              }}
              y={{ name: t('minutesEach'), text: (v) => digits(v), from: 0 }}
              lines={[
                {
                  id: 'curve',
                  name: t('curveAndRange'),
                  y: curve.minutes.map((_, i) => wrightAt(curve.curve, i + 1)),
                  ...(curve.curve.fit
                    ? {
                        band: {
                          low: curve.minutes.map((_, i) => wrightRange(curve.curve, i + 1)!.low),
                          high: curve.minutes.map((_, i) => wrightRange(curve.curve, i + 1)!.high),
                        },
                      }
                    : {}),
                },
                { id: 'took', name: t('tookEach'), y: curve.minutes, tone: 'go', dots: true },
              ]}
              table={false}
            />
          </Suspense>
          <Disclosure title={t('asATable')}>
            <Table
              label={t('minutesOfJobAfterJob2')}
              columns={[t('job'), t('tookMin'), t('curveMin')]}
              rows={curve.minutes.map((m, i) => [String(i + 1), digits(m, 1), digits(wrightAt(curve.curve, i + 1), 1)])}
            />
            <Txt size="s" tone="ink2">
              {t('tT1NBWright1936')}
            </Txt>
          </Disclosure>
        </>
      ) : (
        <Txt tone="ink2">{t('fewerThanJobsOfThisKind', { value: statisticsFigures.leastForCurve.value })}</Txt>
      )}
    </>
  );
}

/** How many jobs went out each week. */
export function HandedOver({ here: { weeks, chartWidth } }: { here: StatisticsScreenState }) {
  return weeks.length > 2 ? (
    <Suspense fallback={<View style={{ height: 190 }} />}>
      <Txt strong size="l" level={2} className="mt-3">
        {t('handedOverByWeek')}
      </Txt>
      <Charts
        label={t('handedOverEachWeek', { list: weeks.map((w) => `${dayMonth(w.at)} ${w.jobs}`).join(', ') })}
        names={weeks.map((w) => dayMonth(w.at))}
        values={weeks.map((w) => w.jobs)}
        width={chartWidth}
      />
    </Suspense>
  ) : null;
}
