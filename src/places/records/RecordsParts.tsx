import { JobRow } from '@/bench-kit/JobRow';
import { MoreList } from '@/ui/MoreList';
import { type Href } from 'expo-router';
import { Suspense } from 'react';
import { View } from 'react-native';

import { works } from '@/core/intake/works';
import { comeBackNames, workNames } from '@/words/eventLine';
import { WhyRows, rowOf } from '@/bench-kit/Why';
import { capital } from '@/words/capital';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Readings } from '@/ui/Readings';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { digits, dayTime, percent, stamp } from '@/words/units';
import { WatchChart } from './LazyWatchChart';
import { watchFigures, type Share } from '@/work/records/statistics';
import type { RecordsScreenState } from './useRecordsScreen';
import { t } from '@/words/records';
import { worksText } from '@/words/worksText';

const shareText = (s: Share | null) =>
  s
    ? t('toOf', { hits: percent(s.hits / s.of), low: percent(s.low), high: percent(s.high), hits2: s.hits, of: s.of })
    : t('nothingToCountYet');

/** Come-backs and promises. */
export function RecordFigures({ here: { stats, signals } }: { here: RecordsScreenState }) {
  return (
    <Readings
      items={[
        {
          id: 'comeBacks',
          value: stats.comeBacks ? percent(stats.comeBacks.hits / stats.comeBacks.of) : '–',
          label: stats.comeBacks
            ? t('cameBackToOf', {
                low: percent(stats.comeBacks.low),
                high: percent(stats.comeBacks.high),
                hits: stats.comeBacks.hits,
                of: stats.comeBacks.of,
              })
            : t('cameBack'),
          tone: signals ? 'caution' : 'ink',
        },
        {
          id: 'onTime',
          value: stats.onTime ? percent(stats.onTime.hits / stats.onTime.of) : '–',
          label: stats.onTime
            ? t('inTimeTo', { low: percent(stats.onTime.low), high: percent(stats.onTime.high) })
            : t('inTime'),
        },
      ]}
    />
  );
}

/** Come-backs as they are watched, job by job or week by week. */
export function RecordWatch({ here: { signals, chart, room } }: { here: RecordsScreenState }) {
  if (!chart) return null;
  return (
    <View className="my-2">
      <Txt strong>
        {signals
          ? signals === 1
            ? t('signalMoreComeBacksThanUsual', { signals })
            : t('signalsMoreComeBacksThanUsual', { signals })
          : t('noSignalComeBacksAsUsual')}
      </Txt>
      <Txt size="s" tone="ink2">
        {chart.kind === 'jobs'
          ? t('watchedJobByJobUpWith', {
              value: watchFigures.height.value,
              value2: percent(watchFigures.usual.value),
              runGood: Math.round(chart.runGood),
              value3: percent(watchFigures.tooMany.value),
              runBad: Math.round(chart.runBad),
            })
          : t('shareEachWeekWithItsLimit', { mean: percent(chart.mean) })}
      </Txt>
      <Suspense fallback={<View style={{ height: 180 }} />}>
        <WatchChart chart={chart} width={room} />
      </Suspense>
    </View>
  );
}

/** All else that is counted. */
export function MoreFigures({ here: { stats } }: { here: RecordsScreenState }) {
  return (
    <Disclosure title={t('moreFigures')}>
      <Txt size="s">{t('cameBack2', { comeBacks: shareText(stats.comeBacks) })}</Txt>
      <Txt size="s">{t('inTime2', { onTime: shareText(stats.onTime) })}</Txt>
      <Txt size="s">{t('backsThatWereToBeSaved', { saved: shareText(stats.saved) })}</Txt>
      <Txt size="s">{t('jobsWithAFaultAtThe', { newFaults: shareText(stats.newFaults) })}</Txt>
      <Txt size="s">{t('theCauseNamedFirstWasThe', { named: shareText(stats.named) })}</Txt>
      <Txt size="s">
        {t('functionsLostMendedByChanceThat', {
          worse: stats.changed.worse,
          better: stats.changed.better,
          pMid: percent(stats.changed.pMid),
        })}
      </Txt>
      {stats.hours ? (
        <Txt size="s">
          {t('fromCounterToCounterHIn', {
            figure: digits(stats.hours.median, 1),
            figure2: digits(stats.hours.most, 1),
          })}
        </Txt>
      ) : null}
      <Txt size="s" tone="ink2" className="my-1">
        {t('rangesAre95Wilson1927A')}
      </Txt>
      <WhyRows
        rows={[
          rowOf(t('usualShareOfComeBacks'), watchFigures.usual, ''),
          rowOf(t('tooMany'), watchFigures.tooMany, ''),
          rowOf(t('signalAt'), watchFigures.height, ''),
          rowOf(t('weeklyChartFrom'), watchFigures.leastPerWeek, t('jobsAWeek')),
        ]}
      />
    </Disclosure>
  );
}

/** Searched and filtered. */
export function RecordFilters({
  here: { find, setFind, only, setOnly, present, work, setWork },
}: {
  here: RecordsScreenState;
}) {
  return (
    <>
      <TextBox
        aria-label={t('searchRecords')}
        placeholder={t('labelTagDeviceMarkNote')}
        value={find}
        onChangeText={setFind}
        className="my-3"
      />
      <Choice
        label={t('which')}
        value={only}
        options={[
          { id: 'all', name: t('all') },
          { id: 'cameBack', name: t('cameBack3') },
          { id: 'late', name: t('late') },
          { id: 'notFlush', name: t('notFlush') },
          { id: 'faults', name: t('withAFault') },
        ]}
        onChange={setOnly}
      />
      {present.size > 1 ? (
        <Choice
          label={t('work')}
          value={work}
          options={[
            { id: 'all' as const, name: t('all') },
            ...works.filter((w) => present.has(w)).map((w) => ({ id: w, name: capital(workNames[w]) })),
          ]}
          onChange={setWork}
        />
      ) : null}
    </>
  );
}

/** The jobs that were found. */
export function RecordList({ here: { shown, now, master } }: { here: RecordsScreenState }) {
  return (
    <MoreList items={shown} first={30} step={50} none={t('noJobMatches')}>
      {({ job, cameBack }) => (
        <JobRow
          key={job.id}
          job={job}
          {...(master.wide ? { onChoose: () => master.choose(job.id), chosen: job.id === master.chosen } : {})}
          href={`/jobs/${job.id}/record` as Href}
          said={t('recordOf', { label: job.label, name: job.model.name })}
          line={[
            ...[worksText(job) ?? []].flat(),
            ...(job.customerMark ? [job.customerMark] : []),
            ...(job.comeBack ? [t('comeBackOf2', { firstLabel: job.comeBack.firstLabel || t('anotherShop') })] : []),
            ...(cameBack
              ? [
                  t('cameBackAs', {
                    openedAt: dayTime(cameBack.openedAt, now),
                    label: cameBack.label,
                    presumed: comeBackNames[cameBack.comeBack!.presumed],
                  }),
                ]
              : []),
          ].join(' · ')}
          at={stamp(job.closedAt!)}
          bad={cameBack !== null}
        />
      )}
    </MoreList>
  );
}
