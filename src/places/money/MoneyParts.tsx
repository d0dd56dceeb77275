import { said } from '@/words/codes';
import { MoreList } from '@/ui/MoreList';
import { Link, type Href } from 'expo-router';

import { workNames } from '@/words/eventLine';
import { workOf } from '@/work/bench/shopDurations';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { BarList } from '@/ui/BarList';
import { Table } from '@/ui/Table';
import { Txt } from '@/ui/Txt';
import { day, digits, monthName, percent } from '@/words/units';
import type { MoneyScreenState } from './useMoneyScreen';
import { t } from '@/words/money';

const share = (v: number | null) => (v === null ? '–' : `${v < 0 ? '−' : ''}${percent(Math.abs(v))}`);

/** This month and those before. */
export function Months({ here: { last, money, over, quoted, months, currency } }: { here: MoneyScreenState }) {
  return last ? (
    <>
      <Txt strong size="xl" level={2} testID="monthNow">
        {last.netMinor > 0
          ? t('stayOf', {
              at: monthName(last.at, 'long'),
              marginMinor: money(last.marginMinor),
              share: share(last.share),
              netMinor: money(last.netMinor),
            })
          : t('nothingPaidYet', { at: monthName(last.at, 'long'), costMinor: money(last.costMinor) })}
      </Txt>
      <Txt tone="ink2">
        {last.quotedShare === null
          ? t('tookLonger', { over, count: quoted.length })
          : t('theQuotesHadCountedOnOf', { quotedShare: share(last.quotedShare), over, n: quoted.length })}
      </Txt>
      <BarList
        label={t('marginByMonth', {
          list: months.map((m) => `${monthName(m.at)} ${money(m.marginMinor)}`).join(', '),
        })}
        bars={months.map((m) => ({ name: monthName(m.at), value: m.marginMinor, text: digits(m.marginMinor / 100) }))}
      />
      <Table
        label={t('months')}
        columns={[
          t('month'),
          said('jobs'),
          t('net', { currency }),
          t('cost', { currency }),
          said('stays'),
          t('quoteShort'),
        ]}
        rows={months.map((m) => [
          monthName(m.at, 'short', true),
          `${m.jobs}${m.free ? ` (${m.free})` : ''}`,
          digits(m.netMinor / 100),
          digits(m.costMinor / 100),
          `${share(m.share)}`,
          share(m.quotedShare),
        ])}
        marked={months.flatMap((m, i) => (m.marginMinor < 0 ? [i] : []))}
      />
      <Txt size="s" tone="ink2">
        {t('inBracketsWithoutAPriceAs')}
      </Txt>
    </>
  ) : (
    <Txt tone="ink2">{t('nothingWasHandedOverYet')}</Txt>
  );
}

/** Quote against outcome, job by job. */
export function Outcomes({ here: { sort, setSort, list, money } }: { here: MoneyScreenState }) {
  return (
    <>
      <Choice
        label={t('first')}
        value={sort}
        options={[
          { id: 'newest', name: t('newest') },
          { id: 'least', name: t('leastMargin') },
          { id: 'longest', name: t('longestOver') },
        ]}
        onChange={setSort}
      />
      <MoreList items={list} first={20} step={40}>
        {(o) => (
          <Disclosure
            key={o.job.id}
            title={
              o.quoted
                ? `${o.job.label} ${workNames[workOf(o.job)]}: ${money(o.margin.marginMinor)}, ${share(o.margin.share)}`
                : t('noPriceCost', {
                    label: o.job.label,
                    job: workNames[workOf(o.job)],
                    costMinor: money(o.margin.costMinor),
                  })
            }
          >
            <Table
              label={t('quoteAndOutcomeOf', { label: o.job.label })}
              columns={[t('what'), said('quoted'), t('cameTo')]}
              rows={[
                [t('netPrice'), o.quoted ? money(o.quoted.netMinor) : '–', o.quoted ? money(o.quoted.netMinor) : '–'],
                [
                  t('minutes'),
                  o.quoted ? String(o.quoted.minutes) : '–',
                  o.measured ? digits(o.minutes) : t('notMeasured', { figure: digits(o.minutes) }),
                ],
                [t('cost2'), o.quoted ? money(o.quoted.costMinor) : '–', money(o.margin.costMinor)],
                [t('stays'), o.quoted ? share(o.quoted.margin) : '–', share(o.margin.share)],
              ]}
            />
            <Txt size="s" tone="ink2">
              {o.parts.brokeMinor
                ? t('partUsedLabourOverheadANew', {
                    closedAt: day(o.job.closedAt!),
                    partMinor: money(o.parts.partMinor),
                    usedMinor: money(o.parts.usedMinor),
                    labourMinor: money(o.parts.labourMinor),
                    overheadMinor: money(o.parts.overheadMinor),
                    brokeMinor: money(o.parts.brokeMinor),
                  })
                : t('partUsedLabourOverhead', {
                    closedAt: day(o.job.closedAt!),
                    partMinor: money(o.parts.partMinor),
                    usedMinor: money(o.parts.usedMinor),
                    labourMinor: money(o.parts.labourMinor),
                    overheadMinor: money(o.parts.overheadMinor),
                  })}
            </Txt>
            <Link href={`/jobs/${o.job.id}/record` as Href} className="font-body text-m text-ink underline py-2">
              {t('recordOf', { label: o.job.label })}
            </Link>
          </Disclosure>
        )}
      </MoreList>
    </>
  );
}
