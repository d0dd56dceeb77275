import { said } from '@/words/codes';
import { nextHands, type NextHands } from '@/core/schedule/nextHands';
import type { JobState } from '@/model/fold';
import type { StageId } from '@/model/stages';
import { stageOf } from '@/model/taskNames';
import { bareId } from '@/work/bench/shopBench';
import type { ShopPlanState } from '@/bench-kit/useShopPlan';
import { clock, dayTime } from '@/words/units';
import type { BenchItem } from './benchItems';
import type { NextShown } from './NextCard';
import { atOf, labelsOf, taskTitle, whyFirst } from './planWords';
import { t } from '@/words/bench';

export interface NextUp {
  shown: NextShown;
  job: JobState;
  stage: StageId;
  /** the joint that it is about, where that is not the one where the job stands */
  joint?: string | undefined;
  who: string;
  /** what the plan means by it; null where a running clock alone decides */
  hands: NextHands | null;
  /** it can be taken up with one press */
  start: boolean;
}

/** Is this somebody's hands at once, whatever the plan says: a cell, a heat that runs or has just run. */
const urgent = (i: BenchItem): boolean => i.rank <= 0;

/** What this person does next. What a clock hurries comes first; then the plan; and without a plan what waits longest. */
export function nextUp(
  items: readonly BenchItem[],
  state: ShopPlanState,
  person: string,
  now: number,
): { next: NextUp | null; others: { who: string; text: string; job: JobState }[]; planning: boolean } {
  const all = state.now ? nextHands(state.now.plan) : [];
  const mine = all.find((n) => bareId(n.person) === person) ?? all[0] ?? null;
  const label = state.now ? labelsOf(state.now.shop) : (id: string) => id;
  const others = all
    .filter((n) => n !== mine)
    .flatMap((n) => {
      const job = state.now!.shop.jobs.get(n.entry.job);
      if (!job) return [];
      const from = atOf(state.now!.shop, n.entry.startS);
      const when = from <= now + 30e3 ? said('now') : dayTime(from, now);
      return [{ who: bareId(n.person), text: `${taskTitle(n.entry.task, label(n.entry.job))}, ${when}`, job }];
    });
  const [first] = items;
  if (first && urgent(first)) {
    const own = all.find((n) => n.entry.job === first.job.id) ?? null;
    return {
      next: {
        shown: {
          title: first.title,
          figure: first.dueAt === null ? said('now') : clock((first.dueAt - now) / 1e3),
          countsTo: first.dueAt,
          line: first.line,
          lineAt: first.lineAt,
          why:
            own && state.now && first.rank === 0 && first.state === 'hands'
              ? whyFirst(own, [], state.now.shop, now)
              : null,
        },
        job: first.job,
        stage: first.stage,
        joint: first.joint,
        who: own ? bareId(own.person) : person,
        hands: own,
        start: false,
      },
      others: others.filter((o) => o.job.id !== first.job.id),
      planning: false,
    };
  }
  if (mine && state.now) {
    const job = state.now.shop.jobs.get(mine.entry.job);
    const from = atOf(state.now.shop, mine.entry.startS);
    const isNow = from <= now + 30e3;
    const same = state.answer?.others?.first;
    const alternatives =
      same && same.job === mine.entry.job && same.task === mine.entry.task ? (state.answer?.others?.others ?? []) : [];
    if (job)
      return {
        next: {
          shown: {
            title: taskTitle(mine.entry.task, job.label),
            figure: isNow ? said('now') : from - now < 3600e3 ? clock((from - now) / 1e3) : dayTime(from, now),
            countsTo: isNow || from - now >= 3600e3 ? null : from,
            line: t('min2', {
              max: Math.max(1, Math.round((mine.entry.endS - mine.entry.startS) / 60)),
              name: job.model.name,
            }),
            why: whyFirst(mine, alternatives, state.now.shop, now),
          },
          job,
          stage: stageOf(mine.entry.task),
          who: bareId(mine.person),
          hands: mine,
          start: mine.ready && mine.entry.task !== 'unclamp' && !mine.entry.task.includes('.reheat'),
        },
        others,
        planning: false,
      };
  }
  // nobody is sent to a job that the plan puts behind another a moment later
  if (first && !state.now && !state.problem) return { next: null, others, planning: true };
  if (!first) return { next: null, others, planning: false };
  return {
    next: {
      shown: {
        title: first.title,
        figure:
          first.dueAt === null
            ? said('now')
            : first.state === 'waits'
              ? dayTime(first.dueAt, now)
              : clock((first.dueAt - now) / 1e3),
        countsTo: first.state === 'waits' ? null : first.dueAt,
        line: first.line,
        why: null,
      },
      job: first.job,
      stage: first.stage,
      who: person,
      hands: null,
      start: false,
    },
    others,
    planning: false,
  };
}
