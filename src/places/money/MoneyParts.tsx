import { MoreList } from '@/ui/MoreList';
import { format } from 'date-fns/format';
import { Link, type Href } from 'expo-router';
import { Suspense } from 'react';
import { View } from 'react-native';

import { workNames } from '@/model/eventLine';
import { workOf } from '@/work/bench/shopDurations';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Charts } from '@/ui/LazyCharts';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { day, percent } from '@/words/units';
import type { MoneyScreenState } from './useMoneyScreen';

const share = (v: number | null) => (v === null ? '–' : `${v < 0 ? '−' : ''}${percent(Math.abs(v))}`);

/** This month and those before. */
export function Months({ here: { last, money, over, quoted, months, width, currency } }: { here: MoneyScreenState }) {
  return last ? (
    <>
      <Txt strong size="xl" level={2} testID="monthNow">
        {format(last.at, 'MMMM')}: {money(last.marginMinor)} stay, {share(last.share)} of {money(last.netMinor)}.
      </Txt>
      <Txt tone="ink2">
        The quotes had counted on {share(last.quotedShare)}. {over} of {quoted.length} jobs took over a tenth longer
        than quoted.
      </Txt>
      <Suspense fallback={<View style={{ height: 190 }} />}>
        <Charts
          kind="bars"
          label={`Margin by month: ${months.map((m) => `${format(m.at, 'MMM')} ${money(m.marginMinor)}`).join(', ')}`}
          names={months.map((m) => format(m.at, 'MMM'))}
          values={months.map((m) => Math.round(m.marginMinor / 100))}
          suffix=""
          width={Math.min(1040, width - 40)}
        />
      </Suspense>
      <Table
        label="Months"
        columns={['Month', 'jobs', `net, ${currency}`, `cost, ${currency}`, 'stays', 'quoted']}
        rows={months.map((m) => [
          format(m.at, 'MMM yyyy'),
          `${m.jobs}${m.free ? ` (${m.free})` : ''}`,
          (m.netMinor / 100).toFixed(0),
          (m.costMinor / 100).toFixed(0),
          `${share(m.share)}`,
          share(m.quotedShare),
        ])}
        marked={months.flatMap((m, i) => (m.marginMinor < 0 ? [i] : []))}
      />
      <Txt size="s" tone="ink2">
        In brackets: without a price, as come-backs are. Cost: the part by the price list of today, what the log says
        was used, the minutes that the log measured at today’s rate, overhead, and a new cover where one broke that was
        to be saved.
      </Txt>
    </>
  ) : (
    <Txt tone="ink2">Nothing was handed over yet.</Txt>
  );
}

/** Quote against outcome, job by job. */
export function Outcomes({ here: { sort, setSort, list, money } }: { here: MoneyScreenState }) {
  return (
    <>
      <Choice
        label="First"
        value={sort}
        options={[
          { id: 'newest', name: 'Newest' },
          { id: 'least', name: 'Least margin' },
          { id: 'longest', name: 'Longest over' },
        ]}
        onChange={setSort}
      />
      <MoreList items={list} first={20} step={40}>
        {(o) => (
          <Disclosure
            key={o.job.id}
            title={`${o.job.label} ${workNames[workOf(o.job)]}: ${o.quoted ? `${money(o.margin.marginMinor)}, ${share(o.margin.share)}` : `no price, cost ${money(o.margin.costMinor)}`}`}
          >
            <Table
              label={`Quote and outcome of ${o.job.label}`}
              columns={['What', 'quoted', 'came to']}
              rows={[
                ['Net price', o.quoted ? money(o.quoted.netMinor) : '–', o.quoted ? money(o.quoted.netMinor) : '–'],
                [
                  'Minutes',
                  o.quoted ? String(o.quoted.minutes) : '–',
                  `${o.minutes.toFixed(0)}${o.measured ? '' : ' (not measured)'}`,
                ],
                ['Cost', o.quoted ? money(o.quoted.costMinor) : '–', money(o.margin.costMinor)],
                ['Stays', o.quoted ? share(o.quoted.margin) : '–', share(o.margin.share)],
              ]}
            />
            <Txt size="s" tone="ink2">
              {day(o.job.closedAt!)}. Part {money(o.parts.partMinor)}, used {money(o.parts.usedMinor)}, labour{' '}
              {money(o.parts.labourMinor)}, overhead {money(o.parts.overheadMinor)}
              {o.parts.brokeMinor ? `, a new cover for the one that broke ${money(o.parts.brokeMinor)}` : ''}.
            </Txt>
            <Link href={`/jobs/${o.job.id}/record` as Href} className="font-body text-m text-ink underline py-2">
              Record of {o.job.label}
            </Link>
          </Disclosure>
        )}
      </MoreList>
    </>
  );
}
