import { coverKinds } from '@/core/device/coverKinds';
import type { Construction } from '@/core/device/types';
import { Link } from 'expo-router';
import { Suspense, useMemo, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';

import { wrightAt } from '@/core/statistics/learning';
import { rowsCsv } from '@/model/csv';
import { constructionNames, schoolNames, workNames } from '@/model/eventLine';
import { stageNames, type StageId } from '@/model/stages';
import { kindOf } from '@/work/bench/shopDurations';
import {
  breakageOf,
  comeBacksOf,
  filtered,
  learningOf,
  schoolOf,
  stageMinutesOf,
  statisticsFigures,
  type Count,
  type StageMinutes,
} from '@/work/records/shopStatistics';
import { rowOf, WhyRows } from '@/bench-kit/Why';
import { breakWeight } from '@/core/intake/route';
import { useJobs, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { download } from '@/ui/download';
import { Charts } from '@/ui/LazyCharts';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { percent } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';

const all = '';
const day = 86400e3;
const periods = { d30: 30, d60: 60, all: 1e5 };

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

/** Minutes, overruns, breakage, come-backs and learning, from the shop's own log. */
export function StatisticsScreen() {
  const jobs = useJobs();
  const settings = useSettings();
  const now = useNow(60_000);
  const { width } = useWindowDimensions();
  const [person, setPerson] = useState(all);
  const [kind, setKind] = useState(all);
  const [school, setSchool] = useState(all);
  const [period, setPeriod] = useState<keyof typeof periods>('all');
  const [stage, setStage] = useState<StageId | 'all'>('all');
  const today = Math.ceil(now / day) * day;
  const finished = useMemo(() => jobs.filter((j) => j.closedAt !== null), [jobs]);
  const kinds = useMemo(() => [...new Set(finished.map(kindOf))].sort(), [finished]);
  const schools = useMemo(() => [...new Set(finished.map(schoolOf).filter((s) => s !== null))].sort(), [finished]);
  const list = useMemo(
    () =>
      filtered(jobs, {
        person: null,
        kind: kind || null,
        school: school || null,
        sinceAt: today - periods[period] * day,
      }),
    [jobs, kind, school, today, period],
  );
  const who = person || null;
  const own = useMemo(
    () => (who ? filtered(list, { person: who, kind: null, school: null, sinceAt: 0 }) : list),
    [list, who],
  );
  const minutes = useMemo(() => stageMinutesOf(list, who), [list, who]);
  const breakage = useMemo(
    () => breakageOf(own, { chance: settings.breakLimit, weight: breakWeight.value }),
    [own, settings.breakLimit],
  );
  const comeBacks = useMemo(() => comeBacksOf(own, jobs, today), [own, jobs, today]);
  const curveKind =
    kind || (kinds.find((k) => coverKinds[k.split('/')[0] as Construction]?.hard === 'experienced') ?? kinds[0] ?? '');
  const curve = useMemo(() => learningOf(list, curveKind, stage, who), [list, curveKind, stage, who]);
  const chartWidth = Math.min(1040, width - 40);
  return (
    <PlaceFrame
      title="Statistics"
      line={`${own.length} of ${finished.length} jobs handed over${who ? `, repaired by ${who}` : ''}`}
      actions={
        <View className="flex-1">
          <Button
            kind="main"
            label="Minutes as CSV"
            disabled={!minutes.length}
            onPress={() => download('minutes.csv', minutesCsv(minutes), 'text/csv')}
          />
        </View>
      }
    >
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
        title={`Kind and way of bonding: ${kind ? kindName(kind) : 'all'}${school ? `, ${schoolNames[school as keyof typeof schoolNames]}` : ''}`}
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
            ...schools.map((s) => ({ id: s, name: schoolNames[s as keyof typeof schoolNames] })),
          ]}
          onChange={setSchool}
        />
      </Disclosure>
      <Txt strong size="l" level={2} className="mt-3">
        Minutes of each stage
      </Txt>
      <Txt>{overrunSentence(minutes)}</Txt>
      {minutes.length ? (
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
              Geometric mean of actual over planned with its t interval on the logarithm; share over plan by Wilson
              1927; a stage is named only when it stands among all of them (Benjamini and Hochberg 1995). Work in which
              somebody was called away is left out.
            </Txt>
            <WhyRows rows={[rowOf('Named by chance at most', statisticsFigures.namedWrongly, '')]} />
          </Disclosure>
        </>
      ) : null}
      <Txt strong size="l" level={2} className="mt-4">
        Covers that broke while they were to be saved
      </Txt>
      {breakage.all ? (
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
            {percent(breakage.belief.high)} (beta with {breakage.belief.a.toFixed(1)} and {breakage.belief.b.toFixed(1)}
            ; the accepted chance counts as {breakWeight.value} jobs before the shop’s own).
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
      )}
      <Txt strong size="l" level={2} className="mt-4">
        Come-backs
      </Txt>
      {comeBacks.all ? (
        <>
          <Table
            label="Come-backs"
            columns={['Who and how', 'came back', 'share', '95 %']}
            rows={[
              countRow('All', comeBacks.all),
              ...comeBacks.byPerson.map((c) => countRow(c.name, c)),
              ...comeBacks.bySchool.map((c) => countRow(schoolNames[c.name as keyof typeof schoolNames] ?? c.name, c)),
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
      ) : null}
      <Txt strong size="l" level={2} className="mt-4">
        Learning
      </Txt>
      <Txt>{kindName(curveKind)}</Txt>
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
      <Link href="/records" className="font-body text-m text-ink underline py-3">
        Records of what was handed over
      </Link>
      <Link href="/money" className="font-body text-m text-ink underline py-3">
        Money: quotes against outcome
      </Link>
    </PlaceFrame>
  );
}

const percentSigned = (v: number) => `${v < 0 ? '−' : '+'}${Math.round(Math.abs(v) * 100)} %`;

function overrunSentence(list: readonly StageMinutes[]): string {
  const named = list.filter((m) => m.stands).sort((a, b) => b.overrun!.lostS - a.overrun!.lostS);
  if (!list.length) return 'Nothing was worked through yet.';
  if (!named.length) return 'No stage runs over its plan more than chance would have it.';
  const [first, ...rest] = named;
  return `${stageNames[first!.stage]} runs over its plan, × ${first!.overrun!.ratio.toFixed(2)}: ${Math.round(first!.overrun!.lostS / 60)} min lost in ${first!.overrun!.n} jobs${rest.length ? `; also ${rest.map((m) => stageNames[m.stage].toLowerCase()).join(', ')}` : ''}.`;
}

const minutesCsv = (list: readonly StageMinutes[]): string =>
  rowsCsv(
    [
      'stage',
      'jobs',
      'median_min',
      'p80_min',
      'ratio_to_plan',
      'ratio_low',
      'ratio_high',
      'share_over_plan',
      'lost_min',
    ],
    list.map((m) => [
      m.stage,
      m.n,
      Number(m.medianMin.toFixed(2)),
      Number(m.p80Min.toFixed(2)),
      m.overrun ? Number(m.overrun.ratio.toFixed(3)) : '',
      m.overrun && m.overrun.n > 1 ? Number(m.overrun.low.toFixed(3)) : '',
      m.overrun && m.overrun.n > 1 ? Number(m.overrun.high.toFixed(3)) : '',
      m.overrun ? Number(m.overrun.over.share.toFixed(3)) : '',
      m.overrun ? Math.round(m.overrun.lostS / 60) : '',
    ]),
  );
