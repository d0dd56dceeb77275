import type { CalendarEntry } from '@/model/cureCalendar';
import type { PlanNow } from '@/work/bench/planNow';
import { time } from '@/words/units';
import { t } from '@/words/bench';

/** Promises of the open jobs, with what the plan says of each. */
export function calendarOf({ shop, plan }: PlanNow): CalendarEntry[] {
  return [...shop.jobs.values()].flatMap((job): CalendarEntry[] => {
    if (job.promiseAt === null) return [];
    const endS = plan.doneS[job.id];
    const ready = endS === undefined ? '' : `${t('plannedToBeReady', { originAt: time(shop.originAt + endS * 1e3) })} `;
    return [
      {
        uid: `promise-${job.id}@northcove`,
        at: job.promiseAt,
        title: t('promised2', { label: job.label }),
        note: `${ready}${job.model.name}${job.customerMark ? `, ${job.customerMark}` : ''}`,
      },
    ];
  });
}
