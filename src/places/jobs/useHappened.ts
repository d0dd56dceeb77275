import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';

import { useActions } from '@/bench-kit/actions';
import { useCrackMap } from '@/bench-kit/crackMap';
import { jointsSeen } from '@/bench-kit/jointsSeen';
import { hrefAt } from '@/bench-kit/stageHref';
import { useCustomerLanguage } from '@/bench-kit/useCustomerLanguage';
import { useNow } from '@/bench-kit/useNow';
import type { Happening } from '@/model/entries/job';
import type { EventOf, NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { StageId } from '@/model/stageIds';
import { stockNow } from '@/model/stock';
import { nowMs } from '@/store/clock';
import { newId } from '@/store/ids';
import { saveSettings, useJobs, useSettings } from '@/store/shop';
import { roundUpQuarter } from '@/core/schedule/promiseParts';
import { absentFor } from '@/work/bench/absence';
import { followsFrom, type Said } from '@/work/happened';
import { priceNow, type PricedNow } from '@/work/intake/facts';
import { countedFor, partOrdered } from '@/work/stock/partFlow';
import { optionName } from '@/words/optionName';
import { speaking } from '@/words/language';
import { dayTime, price } from '@/words/units';
import { customerSentence, handsSentence, type Before } from './happenedSentence';

/** What was tapped, and how the job stood then. */
interface Noted {
  id: string;
  what: Happening;
  said: Said;
  before: Before;
  beforeMinor: number | null;
}

/** The quote as it is now, in place of the one before. */
const quoteAgain = (
  quote: EventOf<'quoted'>,
  { option, minutes, price: p, risk }: PricedNow,
  readyAt: number,
  now: number,
  name: string,
): NewEvent => ({
  type: 'quoted',
  currency: quote.currency,
  choices: [
    {
      ...{ id: option.id, name: name.slice(0, 120), minutes, readyAt },
      ...{ grossMinor: p.gross, taxMinor: p.tax, netMinor: p.net, costMinor: Math.round(p.cost) },
    },
  ],
  chosenId: option.id,
  risk,
  upToMinor: quote.upToMinor,
  validUntil: Math.max(now, quote.validUntil),
});

/** How it stands: what the page of what happened shows and does. */
/** @param first what is opened already when the page comes up; null: nothing */
export function useHappened(job: JobState, stage: StageId, first: Happening | null) {
  const settings = useSettings();
  const jobs = useJobs();
  const router = useRouter();
  const now = useNow(30_000);
  const { log } = useActions(job);
  const { answer } = useCrackMap(job);
  const tongue = useCustomerLanguage(job);
  const [what, setWhat] = useState<Happening | null>(first);
  const [noRoom, setNoRoom] = useState(false);
  const [noted, setNoted] = useState<Noted | null>(null);
  const pieces = answer && !('problem' in answer) ? answer.map.pieces.length : 1;
  const money = (minor: number) => price(minor, settings.money.currency);
  const stands = priceNow(
    job,
    jointsSeen(job).filter((j) => j.joint !== job.joint),
    jobs,
    settings,
    now,
    pieces,
  );
  // what was agreed is what it cost, whatever the figures have done since
  const agreedMinor = job.quote?.choices.find((c) => c.id === job.quote!.chosenId)?.grossMinor ?? null;
  const back = () => router.replace(hrefAt(job, stage));

  const note = async (happening: Happening, said: Said) => {
    const at = nowMs();
    const written = await log(followsFrom(job, happening, stage, said, at));
    // the next part is on order from now on where the shop counts it
    const [part] = happening === 'wrongPart' && said.days !== undefined ? countedFor(settings, job) : [];
    if (part) {
      const dueAt = said.days == null ? null : at + said.days * 86400e3;
      const change = partOrdered(settings, stockNow(settings, jobs), part, { qty: 1, dueAt }, { at, newId });
      void saveSettings({ ...settings, ...change }).catch(() => setNoRoom(true));
    }
    const first = written.find((e) => e.type === 'happened');
    if (!first) return;
    const beforeMinor = agreedMinor ?? stands?.price.gross ?? null;
    setNoted({
      id: first.id,
      what: happening,
      said,
      before: {
        job: { keepCover: job.keepCover, stages: job.stages },
        price: beforeMinor === null ? null : speaking(tongue, () => money(beforeMinor)),
      },
      beforeMinor,
    });
  };
  const away = (minutes: number) => {
    const at = nowMs();
    void log(followsFrom(job, 'calledAway', stage, {}, at));
    void saveSettings({ ...settings, absences: absentFor(settings, newId(), at, minutes) }).then(back, () =>
      setNoRoom(true),
    );
  };
  const due = job.partDue?.dueAt ?? null;
  const readyAt = stands ? roundUpQuarter(Math.max(now, due ?? 0) + stands.readyS.high * 1e3) : null;
  const nowMinor = stands?.price.gross ?? null;
  // a price that went down by what happened is not promised: it stays as it was
  const saidMinor =
    noted && nowMinor !== null && noted.beforeMinor !== null ? Math.max(nowMinor, noted.beforeMinor) : nowMinor;
  const toCustomer = noted
    ? speaking(tongue, () =>
        customerSentence(job, noted.what, stage, noted.said, noted.before, {
          price: saidMinor === null ? null : money(saidMinor),
          ready: readyAt === null ? null : dayTime(readyAt, now),
          due: due === null ? null : dayTime(due, now),
        }),
      )
    : null;
  const limit = job.quote?.upToMinor ?? null;
  const dearer = noted !== null && saidMinor !== null && noted.beforeMinor !== null && saidMinor > noted.beforeMinor;
  const bound = dearer && limit !== null ? { within: saidMinor! <= limit, limit: money(limit) } : null;
  const answerOf = noted ? (job.customerSaid.get(noted.id)?.answer ?? null) : null;
  const customer = (said: EventOf<'customerSaid'>['answer']) => {
    if (!noted) return;
    // what is agreed is the new quote and the new promise; what was signed before stands in the log as it was
    const later = readyAt !== null && job.promiseAt !== null && readyAt > job.promiseAt;
    const again = said === 'agreed' && answerOf !== 'agreed' && toCustomer !== null;
    void log([
      { type: 'customerSaid', happenedId: noted.id, answer: said, ...(toCustomer ? { told: toCustomer } : {}) },
      ...(again && dearer && job.quote && stands && readyAt !== null
        ? [
            quoteAgain(
              job.quote,
              stands,
              readyAt,
              now,
              speaking(tongue, () => optionName(stands.option)),
            ),
          ]
        : []),
      ...(again && later ? [{ type: 'promise' as const, promiseAt: readyAt }] : []),
    ]);
  };
  return {
    job,
    stage,
    now,
    what,
    setWhat,
    noted,
    note,
    away,
    noRoom,
    back,
    toHands: noted ? handsSentence(job, noted.what, noted.said) : null,
    toCustomer,
    bound,
    answerOf,
    customer,
    toRoute: () => router.replace(`/jobs/${job.id}/route` as Href),
    toHeat: () => router.replace(hrefAt(job, 'heat')),
  };
}
export type HappenedState = ReturnType<typeof useHappened>;
