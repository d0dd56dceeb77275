import { told } from '@/words/told';
import type { PlanProblem } from '@/work/bench/planNow';
import type { NextHands } from '@/core/schedule/nextHands';
import type { Instead } from '@/core/schedule/shopPlan';
import type { Rescue } from '@/core/schedule/rescues';
import type { Quality } from '@/core/schedule/improve';
import { taskName, taskTitle } from '@/words/stageWords';
import type { Settings } from '@/model/settings';
import { resourceName, type ShopBench } from '@/work/bench/shopBench';
import { listed, digits, dayTime, span, time } from '@/words/units';
import { t } from '@/words/bench';

export type LabelOf = (jobId: string) => string;
export const labelsOf =
  (shop: ShopBench): LabelOf =>
  (id) =>
    shop.jobs.get(id)?.label ?? id;

/** Instant of a second of the plan. */
export const atOf = (shop: ShopBench, s: number): number => shop.originAt + s * 1e3;

/** A task as what hands do. */
export { taskTitle };

/** Why this comes first, in one sentence: a window, what another order would cost, a long clock, or the promise. */
export function whyFirst(n: NextHands, others: readonly Instead[], shop: ShopBench, now: number): string {
  const label = labelsOf(shop);
  if (n.untilS !== null) {
    const left = (atOf(shop, n.untilS) - now) / 1e3;
    return left > 0 ? t('itsWindowClosesIn', { max: span(Math.max(60, left)) }) : t('itsWindowIsClosing');
  }
  const dear = [...others].sort((a, b) => b.moreLateS - a.moreLateS)[0];
  if (dear && dear.moreLateS >= 60) {
    const who = dear.newlyLate.length ? ` ${t('andLate', { list: listed(dear.newlyLate.map(label)) })}` : '';
    return t('firstWouldCostOfLateness', { job: label(dear.job), moreLateS: span(dear.moreLateS), who });
  }
  if (n.clockS >= 1200) return t('runByThemselvesAfterItThe', { clockS: span(n.clockS) });
  if (n.slackS !== null && n.slackS < 0) return t('itIsLateByAlready', { slackS: span(-n.slackS) });
  if (n.slackS !== null && n.slackS < 3 * 3600) return t('toSpareBeforeItsPromise', { slackS: span(n.slackS) });
  const longer = [...others].sort((a, b) => b.moreSpanS - a.moreSpanS)[0];
  if (longer && longer.moreSpanS >= 60)
    return t('firstWouldEndTheDayLater', { job: label(longer.job), moreSpanS: span(longer.moreSpanS) });
  return t('nothingElseHasToGoBefore');
}

export const insteadText = (o: Instead, shop: ShopBench): string => {
  const label = labelsOf(shop);
  const parts = [
    o.moreLateS >= 30
      ? t('moreLateness', { max: span(Math.max(60, o.moreLateS)) })
      : o.moreLateS <= -30
        ? t('lessLateness', { moreLateS: span(-o.moreLateS) })
        : t('noMoreLateness'),
    ...(o.newlyLate.length ? [t('late2', { list: listed(o.newlyLate.map(label)) })] : []),
    ...(o.moreSpanS >= 60 ? [t('theLastJobEndsLater', { moreSpanS: span(o.moreSpanS) })] : []),
  ];
  return t('first', { task: taskTitle(o.task, label(o.job)), list: parts.join(', ') });
};

export function qualityText(q: Quality, made: number): string {
  const tried = made === 1 ? t('planWasTried', { made }) : t('plansWereTried', { made });
  switch (q.kind) {
    case 'best':
      return t('theBestThereIsNoPlan', { tried });
    case 'within':
      return t('withinOfTheBestPossible', { figure: digits(q.share * 100, 1), tried });
    case 'notProven':
      return t('aBetterPlanMayExist', { tried });
  }
}

export const lateText = (shop: ShopBench, jobId: string, endS: number, tardinessS: number, now: number): string =>
  t('isLateByReady', {
    jobId: labelsOf(shop)(jobId),
    max: span(Math.max(60, tardinessS)),
    shop: dayTime(atOf(shop, endS), now),
  });

const rescueNames: Record<Rescue['id'], (what: string) => string> = {
  first: () => t('putItBeforeEverythingElse'),
  otherWay: (w) => t('closeItWith', { w }),
  stayLonger: (w) => t('stayLongerToday', { w }),
  secondPerson: (w) => t('worksOnItToo', { w }),
  otherHeater: (w) => t('heatItOn', { w }),
  dropOthers: (w) => t('leaveForLater', { w }),
};

export function rescueText(r: Rescue, shop: ShopBench, now: number): string {
  const label = labelsOf(shop);
  const costs = r.costs.length
    ? `; ${r.costs.map((c) => t('laterThanPromised', { job: label(c.job), max: span(Math.max(60, c.tardinessS)) })).join(', ')}`
    : t('noOtherJobIsLateBy');
  return r.tardinessS < 30
    ? t('inTimeReady', { what: rescueNames[r.id](r.what), shop: dayTime(atOf(shop, r.endS), now), costs })
    : t('stillLateReady', {
        what: rescueNames[r.id](r.what),
        max: span(Math.max(60, r.tardinessS)),
        shop: dayTime(atOf(shop, r.endS), now),
        costs,
      });
}

/** A task on the plan as one line for the list and the screen reader. */
export function entryText(
  shop: ShopBench,
  e: { job: string; task: string; startS: number; endS: number },
  use: readonly string[],
  settings: Settings,
  now: number,
): string {
  const who = use.map((r) => told(resourceName(settings, r))).join(', ');
  return who
    ? t('to3', {
        shop: dayTime(atOf(shop, e.startS), now),
        shop2: time(atOf(shop, e.endS)),
        task: taskName(e.task),
        job: labelsOf(shop)(e.job),
        who,
      })
    : t('toByItself2', {
        shop: dayTime(atOf(shop, e.startS), now),
        shop2: time(atOf(shop, e.endS)),
        task: taskName(e.task),
        job: labelsOf(shop)(e.job),
      });
}

const breachWords = {
  variant: 'breachVariant',
  tasks: 'breachTasks',
  started: 'breachStarted',
  release: 'breachRelease',
  calendar: 'breachCalendar',
  window: 'breachWindow',
  capacity: 'breachCapacity',
} as const;

/** Why there is no other plan, and which one is shown. */
export function problemText(p: PlanProblem): string {
  const why =
    p.why === 'failed'
      ? p.message
        ? t('planFailed', { message: p.message })
        : t('noPlanWasMade')
      : p.label
        ? t('planBrokenOf', { label: p.label, what: t(breachWords[p.what]), where: p.where })
        : t('planBroken', { what: t(breachWords[p.what]), where: p.where });
  return p.kept ? t('lastPlanShown', { why }) : p.why === 'broken' ? t('planBelowDoesNotHold', { why }) : why;
}
