import type { NextHands } from '@/core/schedule/nextHands';
import type { Instead } from '@/core/schedule/shopPlan';
import type { Rescue } from '@/core/schedule/rescues';
import type { Quality } from '@/core/schedule/improve';
import { taskName, taskVerb } from '@/model/taskNames';
import type { Settings } from '@/model/settings';
import { resourceName, type ShopBench } from '@/work/bench/shopBench';
import { dayTime, span, time } from '@/words/units';

export type LabelOf = (jobId: string) => string;
export const labelsOf =
  (shop: ShopBench): LabelOf =>
  (id) =>
    shop.jobs.get(id)?.label ?? id;

/** Instant of a second of the plan. */
export const atOf = (shop: ShopBench, s: number): number => shop.originAt + s * 1e3;

/** A task as what hands do. */
export const taskTitle = (task: string, label: string): string => `${taskVerb(task)} ${label}`;

/** Why this comes first, in one sentence: a window, what another order would cost, a long clock, or the promise. */
export function whyFirst(n: NextHands, others: readonly Instead[], shop: ShopBench, now: number): string {
  const label = labelsOf(shop);
  if (n.untilS !== null) {
    const left = (atOf(shop, n.untilS) - now) / 1e3;
    return left > 0 ? `Its window closes in ${span(Math.max(60, left))}.` : 'Its window is closing.';
  }
  const dear = [...others].sort((a, b) => b.moreLateS - a.moreLateS)[0];
  if (dear && dear.moreLateS >= 60) {
    const who = dear.newlyLate.length ? ` and ${dear.newlyLate.map(label).join(', ')} late` : '';
    return `${label(dear.job)} first would cost ${span(dear.moreLateS)} of lateness${who}.`;
  }
  if (n.clockS >= 1200) return `${span(n.clockS)} run by themselves after it: the sooner they begin the better.`;
  if (n.slackS !== null && n.slackS < 0) return `It is late by ${span(-n.slackS)} already.`;
  if (n.slackS !== null && n.slackS < 3 * 3600) return `Its promise has ${span(n.slackS)} to spare.`;
  const longer = [...others].sort((a, b) => b.moreSpanS - a.moreSpanS)[0];
  if (longer && longer.moreSpanS >= 60)
    return `${label(longer.job)} first would end the day ${span(longer.moreSpanS)} later.`;
  return 'Nothing else has to go before it.';
}

export const insteadText = (o: Instead, shop: ShopBench): string => {
  const label = labelsOf(shop);
  const parts = [
    o.moreLateS >= 30
      ? `${span(Math.max(60, o.moreLateS))} more lateness`
      : o.moreLateS <= -30
        ? `${span(-o.moreLateS)} less lateness`
        : 'no more lateness',
    ...(o.newlyLate.length ? [`${o.newlyLate.map(label).join(', ')} late`] : []),
    ...(o.moreSpanS >= 60 ? [`the last job ends ${span(o.moreSpanS)} later`] : []),
  ];
  return `${taskTitle(o.task, label(o.job))} first: ${parts.join(', ')}.`;
};

export function qualityText(q: Quality, made: number): string {
  const tried = `${made} ${made === 1 ? 'plan was' : 'plans were'} tried`;
  switch (q.kind) {
    case 'best':
      return `Proven best: no plan has less lateness. ${tried}.`;
    case 'within':
      return `Within ${(q.share * 100).toFixed(1)} % of what no plan can undercut. ${tried}.`;
    case 'notProven':
      return `Not proven: the bound is far from it, a better plan may exist. ${tried}.`;
  }
}

export const lateText = (shop: ShopBench, jobId: string, endS: number, tardinessS: number, now: number): string =>
  `${labelsOf(shop)(jobId)} is late by ${span(Math.max(60, tardinessS))}: ready ${dayTime(atOf(shop, endS), now)}.`;

const rescueNames: Record<Rescue['id'], (what: string) => string> = {
  first: () => 'Put it before everything else',
  otherWay: (w) => `Close it with ${w}`,
  stayLonger: (w) => `Stay ${w} longer today`,
  secondPerson: (w) => `${w} works on it too`,
  otherHeater: (w) => `Heat it on ${w}`,
  dropOthers: (w) => `Leave ${w} for later`,
};

export function rescueText(r: Rescue, shop: ShopBench, now: number): string {
  const label = labelsOf(shop);
  const costs = r.costs.length
    ? `; ${r.costs.map((c) => `${label(c.job)} ${span(Math.max(60, c.tardinessS))} later than promised`).join(', ')}`
    : '; no other job is late by it';
  return `${rescueNames[r.id](r.what)}: ${r.tardinessS < 30 ? 'in time' : `still ${span(Math.max(60, r.tardinessS))} late`}, ready ${dayTime(atOf(shop, r.endS), now)}${costs}.`;
}

/** A task on the plan as one line for the list and the screen reader. */
export function entryText(
  shop: ShopBench,
  e: { job: string; task: string; startS: number; endS: number },
  use: readonly string[],
  settings: Settings,
  now: number,
): string {
  const who = use.map((r) => resourceName(settings, r)).join(', ');
  return `${dayTime(atOf(shop, e.startS), now)} to ${time(atOf(shop, e.endS))}, ${taskName(e.task)} ${labelsOf(shop)(e.job)}${who ? `, ${who}` : ', by itself'}`;
}
