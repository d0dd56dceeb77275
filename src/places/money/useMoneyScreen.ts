import { useMemo, useState } from 'react';

import { byMonth, outcomeOf, type Outcome } from '@/work/money/jobMoney';
import { useJobs, useSettings } from '@/store/shop';
import { price } from '@/words/units';

type Sort = 'newest' | 'least' | 'longest';

/** Minutes over the quote; none where there was no quote. */
const overBy = (o: Outcome) => (o.quoted ? o.minutes - o.quoted.minutes : -Infinity);

/** How it stands: what MoneyScreen shows and does. */
export function useMoneyScreen() {
  const jobs = useJobs();
  const settings = useSettings();
  const [sort, setSort] = useState<Sort>('newest');
  const outcomes = useMemo(
    () => jobs.filter((j) => j.closedAt !== null).map((j) => outcomeOf(j, settings)),
    [jobs, settings],
  );
  const months = useMemo(() => byMonth(outcomes), [outcomes]);
  const currency = settings.money.currency;
  const money = (minor: number) => price(minor, currency);
  const last = months[months.length - 1];
  const quoted = outcomes.filter((o) => o.quoted);
  const over = quoted.filter((o) => o.minutes > o.quoted!.minutes * 1.1).length;
  const list = [...outcomes].sort((a, b) =>
    sort === 'newest'
      ? b.job.closedAt! - a.job.closedAt!
      : sort === 'least'
        ? (a.margin.share ?? 9) - (b.margin.share ?? 9)
        : overBy(b) - overBy(a),
  );
  return { sort, setSort, list, money, last, over, quoted, months, currency, outcomes };
}
export type MoneyScreenState = ReturnType<typeof useMoneyScreen>;
