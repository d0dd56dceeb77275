import { Pressable, View } from 'react-native';

import { SignBox } from '@/bench-kit/SignBox';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { Signature } from '@/ui/SignPad';
import { Txt } from '@/ui/Txt';
import { dayTime } from '@/words/units';
import { validDays } from './useQuoteReady';
import type { QuoteReadyState } from './useQuoteReady';

/** What the customer reads and agrees to. */
export function QuoteSheet({
  here: { job, now, rows, row, money, setPicked, texts, agreed },
}: {
  here: QuoteReadyState;
}) {
  return (
    <View className="sheet" testID="quote">
      <Txt strong size="m" level={2}>
        {job.model.name}, {job.label}
      </Txt>
      <Txt size="s" tone="ink2" className="mb-2">
        {job.customerMark ? `${job.customerMark} · ` : ''}
        {dayTime(now, 0)} · valid until {dayTime(now + validDays * 86400e3, 0)}
      </Txt>
      <View role="radiogroup" aria-label="Options" className="flex-row flex-wrap gap-2">
        {rows.map((r) => {
          const on = r.id === row.id;
          return (
            <Pressable
              key={r.id}
              role="radio"
              aria-checked={on}
              aria-label={`${r.name}, ${money(r.grossMinor)}`}
              onPress={() => setPicked(r.id)}
              className={`flex-1 min-w-[104px] p-2 rounded-[6px] border-[1.5px] bg-panel ${on ? 'border-ink border-[4px]' : 'border-ink2'}`}
            >
              <Txt strong size="s">
                {r.name}
              </Txt>
              <Txt num strong size="m" className="mt-1">
                {money(r.grossMinor)}
              </Txt>
              <Txt size="s" tone="ink2">
                {money(r.taxMinor)} tax in it
              </Txt>
              <Txt size="s" className="mt-1">
                {r.counted === false ? 'ready: working it out' : `ready ${dayTime(r.readyAt, now)}`}
              </Txt>
              <Txt size="s">{r.minutes} min of work</Txt>
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
          <Txt strong>
            Agreed by {agreed.signed.mark}, {dayTime(agreed.signed.at, 0)}
          </Txt>
          {agreed.signed.drawing ? <Signature path={agreed.signed.drawing} /> : null}
        </View>
      ) : (
        <Txt size="s" tone="ink2" className="mt-4">
          Agreed: ______________________
        </Txt>
      )}
    </View>
  );
}

/** What happens if more is damaged, and until when it stands. */
export function QuoteTerms({ here: { goOn, setGoOn, currency, row, upTo, setUpTo } }: { here: QuoteReadyState }) {
  return (
    <View className="mt-3">
      <Choice
        label="If more is damaged on the way"
        value={goOn}
        options={[
          { id: 'stop', name: 'Stop and ask' },
          { id: 'upTo', name: 'Go on up to a sum' },
        ]}
        onChange={setGoOn}
      />
      {goOn === 'upTo' ? (
        <NumberField
          label="Go on up to"
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
    <SignBox key={row.id} title="The customer agrees" why="quote it first" job={job} texts={texts} enabled={current} />
  );
}

/** What the price is made from. */
export function PriceLines({ here: { row, money, settings } }: { here: QuoteReadyState }) {
  return row.lines.length ? (
    <Disclosure title="What the price is made from">
      {row.lines
        .filter((l) => l.amount > 0)
        .map((l, i) => (
          <View key={i} className="flex-row justify-between py-1 border-b border-rule">
            <Txt size="s">{l.name}</Txt>
            <Txt size="s" num>
              {money(l.amount)}
            </Txt>
          </View>
        ))}
      <View className="flex-row justify-between py-1">
        <Txt strong>Cost to the shop</Txt>
        <Txt num strong>
          {money(row.costMinor)}
        </Txt>
      </View>
      <Txt size="s" tone="ink2">
        {(100 * (1 - row.costMinor / row.netMinor)).toFixed(1)} % of the net price of {money(row.netMinor)} stay with
        the shop. Rounded once, at the end, up to {money(settings.money.stepMinor)}
        {settings.money.offMinor ? ` less ${money(settings.money.offMinor)}` : ''}. Rates and prices are set in the
        shop.
      </Txt>
    </Disclosure>
  ) : null;
}
