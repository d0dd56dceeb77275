import { Pressable, View } from 'react-native';

import { langOf } from '@/bench-kit/CustomerLanguage';
import { Paper } from '@/bench-kit/Paper';
import { SignBox } from '@/bench-kit/SignBox';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { Signature } from '@/ui/SignPad';
import { Txt } from '@/ui/Txt';
import { dayTime, digits as inDigits } from '@/words/units';
import { validDays } from './useQuoteReady';
import type { QuoteReadyState } from './useQuoteReady';
import { t as tr } from '@/words/intake';
import { speaking } from '@/words/language';
import { told } from '@/words/told';

/** What the customer reads and agrees to. */
export function QuoteSheet({
  here: { job, now, rows, row, money, setPicked, texts, agreed, tongue },
}: {
  here: QuoteReadyState;
}) {
  return speaking(tongue, () => (
    <Paper
      testID="quote"
      title={`${job.model.name}, ${job.label}`}
      sub={
        job.customerMark
          ? tr('validUntil', {
              customerMark: job.customerMark,
              now: dayTime(now, 0),
              now2: dayTime(now + validDays * 86400e3, 0),
            })
          : tr('validUntil2', { now: dayTime(now, 0), now2: dayTime(now + validDays * 86400e3, 0) })
      }
      device={job}
      lang={langOf(tongue)}
    >
      <View role="radiogroup" aria-label={tr('options')} className="flex-row flex-wrap gap-2 mt-2">
        {rows.map((r) => {
          const on = r.id === row.id;
          return (
            <Pressable
              key={r.id}
              role="radio"
              aria-checked={on}
              aria-label={`${r.name}, ${money(r.grossMinor)}`}
              onPress={() => setPicked(r.id)}
              className={`flex-1 min-w-[104px] p-2 rounded-card border-[1.5px] bg-panel ${on ? 'border-ink border-[4px]' : 'border-ink2'}`}
            >
              <Txt strong size="s">
                {r.name}
              </Txt>
              <Txt num strong size="m" className="mt-1">
                {money(r.grossMinor)}
              </Txt>
              <Txt size="s" tone="ink2">
                {tr('taxInIt', { taxMinor: money(r.taxMinor) })}
              </Txt>
              <Txt size="s" className="mt-1">
                {r.counted === false ? tr('readyWorkingItOut') : tr('ready', { readyAt: dayTime(r.readyAt, now) })}
              </Txt>
              <Txt size="s">{tr('minOfWork', { minutes: r.minutes })}</Txt>
            </Pressable>
          );
        })}
      </View>
      {texts.map((t) => (
        <Txt key={t} className="mt-2">
          {t}
        </Txt>
      ))}
      {agreed ? (
        <View className="mt-3" testID="signed">
          <Txt strong>{tr('agreedBy', { mark: agreed.signed.mark, at: dayTime(agreed.signed.at, 0) })}</Txt>
          {agreed.signed.drawing ? <Signature path={agreed.signed.drawing} /> : null}
        </View>
      ) : (
        <Txt size="s" tone="ink2" className="mt-4">
          {tr('agreed')}
        </Txt>
      )}
    </Paper>
  ));
}

/** What happens if more is damaged, and until when it stands. */
export function QuoteTerms({ here: { goOn, setGoOn, currency, row, upTo, setUpTo } }: { here: QuoteReadyState }) {
  return (
    <View className="mt-3">
      <Choice
        label={tr('ifMoreBreaksOnTheWay')}
        value={goOn}
        options={[
          { id: 'stop', name: tr('stopAndAsk') },
          { id: 'upTo', name: tr('goOnUpToASum') },
        ]}
        onChange={setGoOn}
      />
      {goOn === 'upTo' ? (
        <NumberField
          label={tr('goOnUpTo')}
          unit={currency}
          low={row.grossMinor / 100}
          high={100000}
          digits={2}
          value={upTo === null ? null : upTo / 100}
          onCommit={(v) => setUpTo(Math.round(v * 100))}
        />
      ) : null}
    </View>
  );
}

/** The customer agrees. */
export function QuoteSign({ here: { agreed, row, job, texts, current } }: { here: QuoteReadyState }) {
  return agreed ? null : (
    <SignBox
      key={row.id}
      title={tr('theCustomerAgrees')}
      why={tr('quoteItFirst')}
      job={job}
      texts={texts}
      signedFor="quote"
      enabled={current}
    />
  );
}

/** What the price is made from. */
export function PriceLines({ here: { row, money, settings } }: { here: QuoteReadyState }) {
  return row.lines.length ? (
    <Disclosure title={tr('whatThePriceIsMadeOf')}>
      {row.lines
        .filter((l) => l.amount > 0)
        .map((l, i) => (
          <View key={i} className="flex-row justify-between py-1 border-b border-rule">
            <Txt size="s">{told(l.name)}</Txt>
            <Txt size="s" num>
              {money(l.amount)}
            </Txt>
          </View>
        ))}
      <View className="flex-row justify-between py-1">
        <Txt strong>{tr('costToTheShop')}</Txt>
        <Txt num strong>
          {money(row.costMinor)}
        </Txt>
      </View>
      <Txt size="s" tone="ink2">
        {settings.money.offMinor
          ? tr('ofTheNetPriceOfStay', {
              figure: inDigits(100 * (1 - row.costMinor / row.netMinor), 1),
              netMinor: money(row.netMinor),
              stepMinor: money(settings.money.stepMinor),
              offMinor: money(settings.money.offMinor),
            })
          : tr('ofTheNetPriceOfStay2', {
              figure: inDigits(100 * (1 - row.costMinor / row.netMinor), 1),
              netMinor: money(row.netMinor),
              stepMinor: money(settings.money.stepMinor),
            })}
      </Txt>
    </Disclosure>
  ) : null;
}
