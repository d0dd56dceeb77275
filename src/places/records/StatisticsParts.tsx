import { Suspense } from 'react';
import { View } from 'react-native';

import { wrightAt } from '@/core/statistics/learning';
import { bondingMethodNames, constructionNames, workNames } from '@/model/eventLine';
import { stageNames } from '@/model/stages';
import { statisticsFigures, type Count } from '@/work/records/shopStatistics';
import { rowOf, WhyRows } from '@/bench-kit/Why';
import { breakWeight } from '@/core/intake/routeFigures';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Charts } from '@/ui/LazyCharts';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { percent } from '@/words/units';
import { all } from './useStatisticsScreen';

import type { StatisticsScreenState } from './useStatisticsScreen';

/** A kind of job in words. */
export function kindName(kind: string): string {
  const [construction, work] = kind.split('/') as [keyof typeof constructionNames, keyof typeof workNames];
  return `${constructionNames[construction] ?? construction}, ${workNames[work] ?? work}`;
}

/** None of them is none, not a little. */
const shareOf = (v: number) => (v <= 0 ? '0 %' : percent(v));

const countRow = (name: string, c: Count): string[] => [
  name,
  `${c.hits} of ${c.of}`,
  shareOf(c.hits / c.of),
  `${shareOf(c.low)} to ${shareOf(c.high)}`,
];

const percentSigned = (v: number) => `${v < 0 ? '−' : '+'}${Math.round(Math.abs(v) * 100)} %`;

/** Whose jobs, of which time and kind. */
export function Filters({
  here: { period, setPeriod, person, settings, setPerson, kind, school, kinds, setKind, schools, setSchool },
}: {
  here: StatisticsScreenState;
}) {
  return (
    <>
      <Choice
        label="Period"
        value={period}
        options={[
          { id: 'd30', name: '30 days' },
          { id: 'd60', name: '60 days' },
          { id: 'all', name: 'All' },
        ]}
        onChange={setPeriod}
      />
      <Choice
        label="Person"
        value={person}
        options={[{ id: all, name: 'All' }, ...settings.people.map((p) => ({ id: p, name: p }))]}
        onChange={setPerson}
      />
      <Disclosure
        title={`Kind and way of bonding: ${kind ? kindName(kind) : 'all'}${school ? `, ${bondingMethodNames[school as keyof typeof bondingMethodNames]}` : ''}`}
      >
        <Choice
          label="Kind"
          value={kind}
          options={[{ id: all, name: 'All' }, ...kinds.map((k) => ({ id: k, name: kindName(k) }))]}
          onChange={setKind}
        />
        <Choice
          label="Bonded by"
          value={school}
          options={[
            { id: all, name: 'All' },
            ...schools.map((s) => ({ id: s, name: bondingMethodNames[s as keyof typeof bondingMethodNames] })),
          ]}
          onChange={setSchool}
        />
      </Disclosure>
    </>
  );
}

/** Minutes of each stage against plan. */
export function MinutesOfStages({ here: { minutes, chartWidth } }: { here: StatisticsScreenState }) {
  return minutes.length ? (
    <>
      <Suspense fallback={<View style={{ height: 190 }} />}>
        <Charts
          kind="bars"
          label={`Minutes in the middle: ${minutes.map((m) => `${stageNames[m.stage]} ${m.medianMin.toFixed(0)}`).join(', ')}`}
          names={minutes.map((m) => stageNames[m.stage].split(' ')[0]!)}
          values={minutes.map((m) => Number(m.medianMin.toFixed(1)))}
          suffix=""
          width={chartWidth}
        />
      </Suspense>
      <Table
        label="Minutes of each stage"
        columns={['Stage', 'middle, min', '4 of 5, min', 'of plan', 'jobs']}
        rows={minutes.map((m) => [
          stageNames[m.stage],
          m.medianMin.toFixed(1),
          m.p80Min.toFixed(1),
          m.overrun ? `× ${m.overrun.ratio.toFixed(2)}` : '–',
          String(m.n),
        ])}
        marked={minutes.flatMap((m, i) => (m.stands ? [i] : []))}
      />
      <Disclosure title="How sure is that">
        <Table
          label="Against plan with 95 % intervals"
          columns={['Stage', 'against plan', '95 %', 'over plan', 'lost']}
          rows={minutes.flatMap((m) =>
            m.overrun
              ? [
                  [
                    stageNames[m.stage],
                    `× ${m.overrun.ratio.toFixed(2)}`,
                    m.overrun.n > 1 ? `${m.overrun.low.toFixed(2)} to ${m.overrun.high.toFixed(2)}` : 'one job',
                    `${percent(m.overrun.over.share)} (${percent(m.overrun.over.low)} to ${percent(m.overrun.over.high)})`,
                    `${Math.round(m.overrun.lostS / 60)} min`,
                  ],
                ]
              : [],
          )}
        />
        <Txt size="s" tone="ink2">
          Geometric mean of actual over planned with its t interval on the logarithm; share over plan by Wilson 1927; a
          stage is named only when it stands among all of them (Benjamini and Hochberg 1995). Work in which somebody was
          called away is left out.
        </Txt>
        <WhyRows rows={[rowOf('Named by chance at most', statisticsFigures.namedWrongly, '')]} />
      </Disclosure>
    </>
  ) : null;
}

/** Covers that broke. */
export function BreakageFigures({ here: { breakage } }: { here: StatisticsScreenState }) {
  return breakage.all ? (
    <>
      <Table
        label="Breakage"
        columns={['Who and what', 'broke', 'share', '95 %']}
        rows={[
          countRow('All', breakage.all),
          ...breakage.byPerson.map((c) => countRow(c.name, c)),
          ...breakage.byKind.map((c) => countRow(kindName(c.name), c)),
        ]}
      />
      <Txt size="s">
        For one more try: {percent(breakage.belief.mean)}, {percent(breakage.belief.low)} to{' '}
        {percent(breakage.belief.high)} (beta with {breakage.belief.a.toFixed(1)} and {breakage.belief.b.toFixed(1)};
        the accepted chance counts as {breakWeight.value} jobs before the shop’s own).
      </Txt>
      {breakage.difference ? (
        <Txt size="s" tone="ink2">
          {breakage.difference.low <= 0 && breakage.difference.high >= 0
            ? `${breakage.difference.names.join(' and ')} cannot be told apart by this: the difference lies between ${percentSigned(breakage.difference.low)} and ${percentSigned(breakage.difference.high)}.`
            : `${breakage.difference.names[0]} against ${breakage.difference.names[1]}: ${percentSigned(breakage.difference.diff)}, ${percentSigned(breakage.difference.low)} to ${percentSigned(breakage.difference.high)}.`}
        </Txt>
      ) : null}
    </>
  ) : (
    <Txt tone="ink2">No cover was to be saved here.</Txt>
  );
}

/** Jobs that came back. */
export function ComeBackFigures({ here: { comeBacks } }: { here: StatisticsScreenState }) {
  return comeBacks.all ? (
    <>
      <Table
        label="Come-backs"
        columns={['Who and how', 'came back', 'share', '95 %']}
        rows={[
          countRow('All', comeBacks.all),
          ...comeBacks.byPerson.map((c) => countRow(c.name, c)),
          ...comeBacks.bySchool.map((c) =>
            countRow(bondingMethodNames[c.name as keyof typeof bondingMethodNames] ?? c.name, c),
          ),
        ]}
      />
      {comeBacks.stays.length ? (
        <Disclosure title="How long they stay">
          <Table
            label="Share that stays, by days"
            columns={['Days out', 'out so long', 'stay', 'give or take']}
            rows={comeBacks.stays.map((s) => [String(s.days), String(s.atRisk), percent(s.stays), percent(s.se)])}
          />
          <Txt size="s" tone="ink2">
            Kaplan and Meier 1958: jobs that are out for less count only as long as they are out.
          </Txt>
        </Disclosure>
      ) : null}
    </>
  ) : null;
}

/** Minutes of job after job. */
export function LearningCurve({
  here: { stage, minutes, setStage, curve, chartWidth },
}: {
  here: StatisticsScreenState;
}) {
  return (
    <>
      <Choice
        label="Time of"
        value={stage}
        options={[
          { id: 'all' as const, name: 'All stages' },
          ...minutes.map((m) => ({ id: m.stage, name: stageNames[m.stage] })),
        ]}
        onChange={setStage}
      />
      {curve ? (
        <>
          <Txt>
            Twice as many jobs take {percent(curve.curve.rate)} of the time
            {curve.curve.rateLow !== null && curve.curve.rateHigh !== null
              ? ` (${percent(curve.curve.rateLow)} to ${percent(curve.curve.rateHigh)})`
              : ''}
            ; the next one {wrightAt(curve.curve, curve.minutes.length + 1).toFixed(0)} min.
          </Txt>
          <Suspense fallback={<View style={{ height: 190 }} />}>
            <Charts
              kind="lines"
              label={`Minutes of job after job: ${curve.minutes.map((m) => m.toFixed(0)).join(', ')}`}
              names={curve.minutes.map((_, i) => String(i + 1))}
              values={curve.minutes.map((m) => Number(m.toFixed(1)))}
              other={curve.minutes.map((_, i) => Number(wrightAt(curve.curve, i + 1).toFixed(1)))}
              suffix=" min"
              width={chartWidth}
            />
          </Suspense>
          <Disclosure title="As a table">
            <Table
              label="Minutes of job after job"
              columns={['Job', 'took, min', 'curve, min']}
              rows={curve.minutes.map((m, i) => [String(i + 1), m.toFixed(1), wrightAt(curve.curve, i + 1).toFixed(1)])}
            />
            <Txt size="s" tone="ink2">
              T = T1 n^b (Wright 1936), least squares on the logarithms.
            </Txt>
          </Disclosure>
        </>
      ) : (
        <Txt tone="ink2">Fewer than {statisticsFigures.leastForCurve.value} jobs of this kind: no curve yet.</Txt>
      )}
    </>
  );
}
