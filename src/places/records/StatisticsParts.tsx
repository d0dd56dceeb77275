import { said } from '@/words/codes';

import { bondingMethodNames, constructionNames, workNames } from '@/words/eventLine';
import { stageName } from '@/words/stageWords';
import { statisticsFigures, type Count } from '@/work/records/shopStatistics';
import { rowOf, WhyRows } from '@/bench-kit/Why';
import { breakWeight } from '@/core/intake/routeFigures';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { BarList } from '@/ui/BarList';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { digits, percent, countOf, rangeText, listed } from '@/words/units';
import { all } from './useStatisticsScreen';

import type { StatisticsScreenState } from './useStatisticsScreen';
import { t } from '@/words/records';

/** A kind of job in words. */
export function kindName(kind: string): string {
  const [construction, work] = kind.split('/') as [keyof typeof constructionNames, keyof typeof workNames];
  return `${constructionNames[construction] ?? construction}, ${workNames[work] ?? work}`;
}

/** None of them is none, not a little. */
const shareOf = (v: number) => (v <= 0 ? '0 %' : percent(v));

const countRow = (name: string, c: Count): string[] => [
  name,
  countOf(c.hits, c.of),
  shareOf(c.hits / c.of),
  rangeText(shareOf(c.low), shareOf(c.high)),
];

/** Shares as bars, each with the range that so few of them leave; the figures behind a line. */
function Shares({ label, columns, counts }: { label: string; columns: string[]; counts: readonly [string, Count][] }) {
  const rows = counts.map(([name, c]) => countRow(name, c));
  return (
    <>
      <BarList
        label={`${label}: ${rows.map(([name, n, share, range]) => `${name} ${share}, ${range} (${n})`).join('; ')}`}
        bars={counts.map(([name, c]) => ({
          name,
          value: c.hits / c.of,
          text: shareOf(c.hits / c.of),
          range: { low: c.low, high: c.high },
        }))}
      />
      <Disclosure title={t('asATable')}>
        <Table label={label} columns={columns} rows={rows} />
      </Disclosure>
    </>
  );
}

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
        label={t('period')}
        value={period}
        options={[
          { id: 'd30', name: t('n30Days') },
          { id: 'd60', name: t('n60Days') },
          { id: 'all', name: t('all2') },
        ]}
        onChange={setPeriod}
      />
      <Choice
        label={t('person')}
        value={person}
        options={[{ id: all, name: t('all3') }, ...settings.people.map((p) => ({ id: p, name: p }))]}
        onChange={setPerson}
      />
      <Disclosure
        title={
          school
            ? t('kindAndWayOfBonding', {
                kind: kind ? kindName(kind) : t('ofEveryKind'),
                school: bondingMethodNames[school as keyof typeof bondingMethodNames],
              })
            : t('kindAndWayOfBonding2', { kind: kind ? kindName(kind) : t('ofEveryKind') })
        }
      >
        <Choice
          label={t('kind')}
          value={kind}
          options={[{ id: all, name: t('all') }, ...kinds.map((k) => ({ id: k, name: kindName(k) }))]}
          onChange={setKind}
        />
        <Choice
          label={t('bondedBy')}
          value={school}
          options={[
            { id: all, name: t('all3') },
            ...schools.map((s) => ({ id: s, name: bondingMethodNames[s as keyof typeof bondingMethodNames] })),
          ]}
          onChange={setSchool}
        />
      </Disclosure>
    </>
  );
}

/** Minutes of each stage against plan. */
export function MinutesOfStages({ here: { minutes } }: { here: StatisticsScreenState }) {
  return minutes.length ? (
    <>
      <BarList
        label={t('minutesInTheMiddle', {
          list: minutes.map((m) => `${stageName(m.stage)} ${digits(m.medianMin)}`).join(', '),
        })}
        bars={minutes.map((m) => ({
          name: stageName(m.stage),
          value: m.medianMin,
          text: `${digits(m.medianMin)} min`,
        }))}
      />
      <Table
        label={t('minutesOfEachStage')}
        columns={[t('stage'), t('middleMin'), t('n4Of5Min'), t('ofPlan'), said('jobs')]}
        rows={minutes.map((m) => [
          stageName(m.stage),
          digits(m.medianMin, 1),
          digits(m.p80Min, 1),
          m.overrun ? `× ${digits(m.overrun.ratio, 2)}` : '–',
          String(m.n),
        ])}
        marked={minutes.flatMap((m, i) => (m.stands ? [i] : []))}
      />
      <Disclosure title={t('howSureIsThat')}>
        <Table
          label={t('againstPlanWith95Ranges')}
          columns={[t('stage'), t('againstPlan'), '95 %', t('overPlan'), t('lost')]}
          rows={minutes.flatMap((m) =>
            m.overrun
              ? [
                  [
                    stageName(m.stage),
                    `× ${digits(m.overrun.ratio, 2)}`,
                    m.overrun.n > 1
                      ? t('to', { figure: digits(m.overrun.low, 2), figure2: digits(m.overrun.high, 2) })
                      : t('oneJob'),
                    t('to2', {
                      share: percent(m.overrun.over.share),
                      low: percent(m.overrun.over.low),
                      high: percent(m.overrun.over.high),
                    }),
                    t('min', { lostS: Math.round(m.overrun.lostS / 60) }),
                  ],
                ]
              : [],
          )}
        />
        <Txt size="s" tone="ink2">
          {t('geometricMeanOfActualOverPlanned')}
        </Txt>
        <WhyRows rows={[rowOf(t('namedByChanceAtMost'), statisticsFigures.namedWrongly, '')]} />
      </Disclosure>
    </>
  ) : null;
}

/** Covers that broke. */
export function BreakageFigures({ here: { breakage } }: { here: StatisticsScreenState }) {
  return breakage.all ? (
    <>
      <Shares
        label={t('breakage')}
        columns={[t('whoAndWhat'), t('broke'), t('share'), '95 %']}
        counts={[
          [t('all2'), breakage.all],
          ...breakage.byPerson.map((c) => [c.name, c] as [string, Count]),
          ...breakage.byKind.map((c) => [kindName(c.name), c] as [string, Count]),
        ]}
      />
      <Txt size="s">
        {t('forOneMoreTryToBeta', {
          mean: percent(breakage.belief.mean),
          low: percent(breakage.belief.low),
          high: percent(breakage.belief.high),
          figure: digits(breakage.belief.a, 1),
          figure2: digits(breakage.belief.b, 1),
          value: breakWeight.value,
        })}
      </Txt>
      {breakage.difference ? (
        <Txt size="s" tone="ink2">
          {breakage.difference.low <= 0 && breakage.difference.high >= 0
            ? t('cannotBeToldApartByThis', {
                list: listed(breakage.difference.names),
                low: percentSigned(breakage.difference.low),
                high: percentSigned(breakage.difference.high),
              })
            : t('againstTo', {
                names: breakage.difference.names[0],
                names2: breakage.difference.names[1],
                diff: percentSigned(breakage.difference.diff),
                low: percentSigned(breakage.difference.low),
                high: percentSigned(breakage.difference.high),
              })}
        </Txt>
      ) : null}
    </>
  ) : (
    <Txt tone="ink2">{t('noBackWasToBeSaved')}</Txt>
  );
}

/** Jobs that came back. */
export function ComeBackFigures({ here: { comeBacks } }: { here: StatisticsScreenState }) {
  return comeBacks.all ? (
    <>
      <Shares
        label={t('comeBacks')}
        columns={[t('whoAndHow'), t('cameBack'), t('share'), '95 %']}
        counts={[
          [t('all2'), comeBacks.all],
          ...comeBacks.byPerson.map((c) => [c.name, c] as [string, Count]),
          ...comeBacks.bySchool.map(
            (c) => [bondingMethodNames[c.name as keyof typeof bondingMethodNames] ?? c.name, c] as [string, Count],
          ),
        ]}
      />
      {comeBacks.stays.length ? (
        <Disclosure title={t('howLongTheyStay')}>
          <Table
            label={t('shareThatStaysByDays')}
            columns={[t('daysOut'), t('outSoLong'), said('stays'), t('giveOrTake')]}
            rows={comeBacks.stays.map((s) => [String(s.days), String(s.atRisk), percent(s.stays), percent(s.se)])}
          />
          <Txt size="s" tone="ink2">
            {t('kaplanAndMeier1958AJob')}
          </Txt>
        </Disclosure>
      ) : null}
    </>
  ) : null;
}
