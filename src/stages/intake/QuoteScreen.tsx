import { useState } from 'react';
import { Pressable, View } from 'react-native';

import { riskQuantile } from '@/core/money/betaQuantile';
import type { RouteOption } from '@/core/intake/route';
import type { QuoteLine } from '@/core/money/quote';
import type { EventOf } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { useCrackMap } from '@/bench-kit/crackMap';
import { JobPage } from '@/bench-kit/JobPage';
import { SignBox } from '@/bench-kit/SignBox';
import { useJobs, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { Signature } from '@/ui/SignPad';
import { Txt } from '@/ui/Txt';
import { dayTime, price } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import {
  adviceOf,
  chosenOption,
  closedByOf,
  earliestFor,
  factsOf,
  furtherDamage,
  minutesOf,
  priceOf,
} from '@/work/intake/facts';
import { frameOf } from '@/work/bond/frameOf';
import { roundUpQuarter } from '@/core/schedule/promise';
import { usePromises } from '@/bench-kit/usePromises';
import { useShopPlan } from '@/bench-kit/useShopPlan';
import { consentText, optionName } from './words';

const validDays = 14;

type Shown = EventOf<'quoted'>['choices'][number] & { lines: QuoteLine[]; counted?: boolean };

/** Three ways side by side with their prices, the consents, and the customer's mark under them. */
export function QuoteScreen({ job }: { job: JobState }) {
  const settings = useSettings();
  const jobs = useJobs();
  const now = useNow(30_000);
  const { log, decide } = useActions(job);
  const { answer } = useCrackMap(job);
  const pieces = answer && !('problem' in answer) ? answer.map.pieces.length : 1;
  const facts = factsOf(job, jobs, settings, pieces);
  const advice = adviceOf(facts, job, settings);
  const shown = threeOf(advice.options, chosenOption(advice, job));
  const [picked, setPicked] = useState<string | null>(null);
  const [goOn, setGoOn] = useState<'stop' | 'upTo'>('stop');
  const [upTo, setUpTo] = useState<number | null>(null);
  const currency = settings.money.currency;
  const money = (minor: number) => price(minor, currency);

  const plan = useShopPlan();
  const usual = chosenOption(advice, job);
  const base = usual ? minutesOf(usual, facts, job) : (shown[0]?.minutes ?? 1);
  const promises = usePromises(
    plan,
    job,
    shown.map((o) => ({ id: o.id, closedBy: closedByOf(job), stretch: minutesOf(o, facts, job) / base })),
  );
  const live = shown.map((o): Shown => {
    const minutes = minutesOf(o, facts, job);
    const quoted = priceOf(o, minutes, job, settings);
    const ready = earliestFor(job, settings, now, { minutes, closedBy: closedByOf(job) });
    return {
      id: o.id,
      name: optionName(o),
      grossMinor: quoted.gross,
      taxMinor: quoted.tax,
      netMinor: quoted.net,
      costMinor: Math.round(quoted.cost),
      minutes: Math.round(minutes),
      // before the queue is counted no time is told; what is stored then is the estimate without it
      readyAt: promises.get(o.id)?.sayAt ?? roundUpQuarter(now + ready.high * 1e3),
      counted: promises.has(o.id),
      lines: quoted.lines,
    };
  });
  const signed = job.signed.findLast((x) => x.role === 'customer') ?? null;
  // what was agreed stands as it was signed, whatever the figures do later; another choice is a new quote
  const agreed =
    signed && job.quote && signed.loggedAt >= job.quote.loggedAt && (picked === null || picked === job.quote.chosenId)
      ? { signed, quote: job.quote }
      : null;
  const rows: Shown[] = agreed ? agreed.quote.choices.map((c) => ({ ...c, lines: [] })) : live;
  const chosenId = picked ?? job.quote?.chosenId ?? rows[0]?.id ?? null;
  const row = rows.find((r) => r.id === chosenId) ?? rows[0] ?? null;
  const option = advice.options.find((o) => o.id === row?.id) ?? null;
  const risk = agreed ? agreed.quote.risk : option ? furtherDamage(option, riskQuantile) : null;
  const limit = goOn === 'upTo' ? upTo : null;
  const texts = agreed
    ? agreed.signed.text.split('\n')
    : row && risk
      ? consents(job, settings, row.name, money(row.grossMinor), risk, limit === null ? null : money(limit))
      : [];
  const current =
    row !== null &&
    job.quote !== null &&
    job.quote.chosenId === row.id &&
    job.quote.choices.find((c) => c.id === row.id)?.grossMinor === row.grossMinor;

  const put = () => {
    if (!row || !risk) return;
    void log([
      {
        type: 'quoted',
        currency,
        choices: rows.map(({ lines: _, counted: _c, ...c }) => c),
        chosenId: row.id,
        risk,
        upToMinor: limit,
        validUntil: now + validDays * 86400e3,
      },
      decide({ call: 'quote', inputs: { option: row.id }, computed: { grossMinor: row.grossMinor }, chosen: row.id }),
    ]);
  };
  if (!row || !risk)
    return (
      <JobPage
        job={job}
        title="Quote"
        now={now}
        stage="intake"
        main={<Button kind="main" label="Quote it" onPress={put} disabled why="no route is open" />}
      >
        <Txt>No route is open, so there is nothing to quote.</Txt>
      </JobPage>
    );
  return (
    <JobPage
      job={job}
      title="Quote"
      now={now}
      stage="intake"
      side={<Button label="Print" onPress={() => window.print()} />}
      main={
        <Button
          kind="main"
          label={current ? 'Quoted' : 'Quote it'}
          disabled={current || (goOn === 'upTo' && upTo === null)}
          {...(goOn === 'upTo' && upTo === null ? { why: 'up to how much is open' } : {})}
          onPress={put}
        />
      }
    >
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
      {agreed ? null : (
        <SignBox
          key={row.id}
          title="The customer agrees"
          why="quote it first"
          job={job}
          texts={texts}
          enabled={current}
        />
      )}
      {row.lines.length ? (
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
            {(100 * (1 - row.costMinor / row.netMinor)).toFixed(1)} % of the net price of {money(row.netMinor)} stay
            with the shop. Rounded once, at the end, up to {money(settings.money.stepMinor)}
            {settings.money.offMinor ? ` less ${money(settings.money.offMinor)}` : ''}. Rates and prices are set in the
            shop.
          </Txt>
        </Disclosure>
      ) : null}
    </JobPage>
  );
}

/** The option of the route first, then the cheapest others, one for each kind of work before a second of the same. */
function threeOf(options: readonly RouteOption[], chosen: RouteOption | null): RouteOption[] {
  const free = options.filter((o) => !o.blocks.length).sort((a, b) => a.cost.mean - b.cost.mean);
  const out = chosen && !chosen.blocks.length ? [chosen] : free.slice(0, 1);
  for (const distinct of [true, false])
    for (const o of free)
      if (out.length < 3 && !out.includes(o) && !(distinct && out.some((x) => x.work === o.work))) out.push(o);
  return out;
}

function consents(
  job: JobState,
  settings: Parameters<typeof consentText.bent>[1],
  name: string,
  priceText: string,
  risk: { mean: number; low: number; high: number },
  upTo: string | null,
): string[] {
  return [
    consentText.choice(name, priceText, risk, upTo),
    ...(job.findings.bent?.answer === 'yes' ? [consentText.bent(frameOf(job)?.maxGapMm ?? null, settings)] : []),
    consentText.water,
  ];
}
