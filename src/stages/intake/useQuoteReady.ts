import { useState } from 'react';

import { riskQuantile } from '@/core/money/betaQuantile';
import type { RouteOption } from '@/core/intake/route';
import type { QuoteLine } from '@/core/money/quote';
import type { EventOf } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { jointsSeen } from '@/bench-kit/jointsSeen';
import { useCustomerLanguage } from '@/bench-kit/useCustomerLanguage';
import type { Language, Settings } from '@/model/settings';
import { speaking } from '@/words/language';
import { useCrackMap } from '@/bench-kit/crackMap';
import { useJobs, useSettings } from '@/store/shop';
import { price } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import {
  adviceOf,
  chosenOption,
  closedByOf,
  earliestFor,
  factsOf,
  furtherDamage,
  moreWork,
  minutesOf,
  priceOf,
} from '@/work/intake/facts';
import { frameOf } from '@/work/bond/frameOf';
import { roundUpQuarter } from '@/core/schedule/promiseParts';
import { usePromises } from '@/bench-kit/usePromises';
import { useShopPlan } from '@/bench-kit/useShopPlan';
import { optionName } from '@/words/optionName';
import { consentText } from './words';

export const validDays = 14;

export type Shown = EventOf<'quoted'>['choices'][number] & { lines: QuoteLine[]; counted?: boolean };

interface Quoted {
  job: JobState;
  facts: ReturnType<typeof factsOf>;
  settings: Settings;
  more: ReturnType<typeof moreWork>;
  tongue: Language;
  now: number;
  /** when it is ready by the plan of the bench; none: the queue is not counted yet */
  sayAt: number | undefined;
}

/** One option as it is quoted: its name in the customer's words, price, minutes, and when it is ready. */
function shownOf(o: RouteOption, { job, facts, settings, more, tongue, now, sayAt }: Quoted): Shown {
  const minutes = minutesOf(o, facts, job);
  const quoted = priceOf(o, minutes, job, settings, more);
  const all = minutes + more.reduce((s, x) => s + x.minutes, 0);
  const ready = earliestFor(job, settings, now, { minutes: all, closedBy: closedByOf(job) });
  return {
    id: o.id,
    name: speaking(tongue, () =>
      [{ ...o, also: facts.also }, ...more.map((x) => ({ ...x.option, also: x.job.route?.also }))]
        .map(optionName)
        .join(' + '),
    ),
    grossMinor: quoted.gross,
    taxMinor: quoted.tax,
    netMinor: quoted.net,
    costMinor: Math.round(quoted.cost),
    minutes: Math.round(all),
    // before the queue is counted no time is told; what is stored then is the estimate without it
    readyAt: sayAt ?? roundUpQuarter(now + ready.high * 1e3),
    counted: sayAt !== undefined,
    lines: quoted.lines,
  };
}

/** What is known before anything is drawn. */
export function useQuoteBase({ job }: { job: JobState }) {
  const settings = useSettings();
  const jobs = useJobs();
  const now = useNow(30_000);
  const { log, decide } = useActions(job);
  const { answer, fresh } = useCrackMap(job);
  // a price is not quoted before the pieces that it counts are known: it would be another one a moment later
  const counting = job.cracks.size > 0 && !fresh;
  const pieces = answer && !('problem' in answer) ? answer.map.pieces.length : 1;
  const facts = factsOf(job, jobs, settings, pieces);
  const advice = adviceOf(facts, job, settings);
  // what was asked for is quoted by its own ways
  const asked = advice.options.filter((o) => o.work === facts.asked && !o.blocks.length);
  const shown = threeOf(asked.length ? asked : advice.options, chosenOption(advice, job));
  const [picked, setPicked] = useState<string | null>(null);
  const [goOn, setGoOn] = useState<'stop' | 'upTo'>('stop');
  const [upTo, setUpTo] = useState<number | null>(null);
  const tongue = useCustomerLanguage(job);
  // what else is opened in the same job is in the price
  const more = moreWork(
    jointsSeen(job).filter((j) => j.joint !== job.joint),
    jobs,
    settings,
  );
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
  const live = shown.map((o) =>
    shownOf(o, { job, facts, settings, more, tongue, now, sayAt: promises.get(o.id)?.sayAt }),
  );
  const signed = job.signed.findLast((x) => x.role === 'customer' && x.signedFor !== 'received') ?? null;
  // what was agreed stands as it was signed, whatever the figures do later; another choice is a new quote
  const agreed =
    signed && job.quote && signed.loggedAt >= job.quote.loggedAt && (picked === null || picked === job.quote.chosenId)
      ? { signed, quote: job.quote }
      : null;
  const rows: Shown[] = agreed ? agreed.quote.choices.map((c) => ({ ...c, lines: [] })) : live;
  const chosenId = picked ?? job.quote?.chosenId ?? rows[0]?.id ?? null;
  const row = rows.find((r) => r.id === chosenId) ?? rows[0] ?? null;
  const option = advice.options.find((o) => o.id === row?.id) ?? null;
  const risk = agreed
    ? agreed.quote.risk
    : option
      ? furtherDamage({ risks: [option, ...more.map((x) => x.option)].flatMap((x) => x.risks) }, riskQuantile)
      : null;
  const limit = goOn === 'upTo' ? upTo : null;
  const texts = agreed
    ? agreed.signed.text.split('\n')
    : row && risk
      ? speaking(tongue, () =>
          consents(job, settings, row.name, money(row.grossMinor), risk, limit === null ? null : money(limit)),
        )
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
  return {
    job,
    now,
    current,
    goOn,
    upTo,
    put,
    rows,
    row,
    money,
    setPicked,
    texts,
    agreed,
    setGoOn,
    currency,
    setUpTo,
    settings,
    risk,
    tongue,
    counting,
  };
}

export type QuoteBase = ReturnType<typeof useQuoteBase>;

export type QuoteReadyProps = QuoteBase & { row: NonNullable<QuoteBase['row']> };

/** The option of the route first, then the cheapest others, one for each kind of work before a second of the same. */
export function threeOf(options: readonly RouteOption[], chosen: RouteOption | null): RouteOption[] {
  const free = options.filter((o) => !o.blocks.length).sort((a, b) => a.cost.mean - b.cost.mean);
  const out = chosen && !chosen.blocks.length ? [chosen] : free.slice(0, 1);
  for (const distinct of [true, false])
    for (const o of free)
      if (out.length < 3 && !out.includes(o) && !(distinct && out.some((x) => x.work === o.work))) out.push(o);
  return out;
}

export function consents(
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

/** How it stands: what QuoteReady shows and does. */
export function useQuoteReady({
  job,
  now,
  current,
  goOn,
  upTo,
  put,
  rows,
  row,
  money,
  setPicked,
  texts,
  agreed,
  setGoOn,
  currency,
  setUpTo,
  settings,
  tongue,
  counting,
}: QuoteReadyProps) {
  return {
    row,
    money,
    settings,
    agreed,
    job,
    texts,
    current,
    goOn,
    setGoOn,
    currency,
    upTo,
    setUpTo,
    now,
    rows,
    setPicked,
    put,
    tongue,
    counting,
  };
}
export type QuoteReadyState = ReturnType<typeof useQuoteReady>;
