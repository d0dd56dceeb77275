import { format } from 'date-fns/format';
import { Link } from 'expo-router';
import { View } from 'react-native';

import { rowsCsv } from '@/model/csv';
import { type Outcome } from '@/work/money/jobMoney';
import { workOf } from '@/work/bench/shopDurations';
import { Button } from '@/ui/Button';
import { download } from '@/ui/download';
import { Beside } from '@/bench-kit/Beside';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { Txt } from '@/ui/Txt';
import { useMoneyScreen } from './useMoneyScreen';
import { Months, Outcomes } from './MoneyParts';
import { t } from '@/words/money';

const moneyCsv = (list: readonly Outcome[], currency: string): string =>
  rowsCsv(
    [
      'job',
      'handed_over',
      'work',
      'currency',
      'net',
      'quoted_cost',
      'cost',
      'margin',
      'quoted_minutes',
      'minutes',
      'part',
      'used',
      'labour',
      'broke',
      'overhead',
    ],
    [...list]
      .sort((a, b) => a.job.closedAt! - b.job.closedAt!)
      .map((o) => [
        o.job.label,
        format(o.job.closedAt!, 'yyyy-MM-dd'),
        workOf(o.job),
        currency,
        ...[o.quoted?.netMinor ?? 0, o.quoted?.costMinor ?? 0, o.margin.costMinor, o.margin.marginMinor].map(
          (v) => v / 100,
        ),
        o.quoted?.minutes ?? '',
        Number(o.minutes.toFixed(1)),
        ...Object.values(o.parts).map((v) => v / 100),
      ]),
  );

/** What jobs brought and cost, by month and one by one, and how far the quotes were off. */
export function MoneyScreen() {
  const here = useMoneyScreen();
  const { outcomes, quoted, currency } = here;
  return (
    <PlaceFrame
      full
      title={t('money')}
      line={t('jobsHandedOverWithAQuote', { count: outcomes.length, of: quoted.length })}
      actions={
        <View className="flex-1">
          <Button
            kind="main"
            label={t('moneyAsCsv')}
            disabled={!outcomes.length}
            onPress={() => download('money.csv', moneyCsv(outcomes, currency), 'text/csv')}
          />
        </View>
      }
    >
      <Beside
        left={<Months here={here} />}
        right={
          <>
            <Txt strong size="l" level={2}>
              {t('quoteAgainstOutcome')}
            </Txt>
            <Outcomes here={here} />
          </>
        }
      />
      <Link href="/shop" className="font-body text-m text-ink underline py-3">
        {t('ratesAndPriceList')}
      </Link>
    </PlaceFrame>
  );
}
