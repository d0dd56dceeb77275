import { defOf } from '@/core/heat/heaterDefs';
import type { ReducedModel } from '@/core/heat/reduced';
import { answersOf } from '@/core/heat/heaterKind';
import type { Heater } from '@/core/heat/heater';
import { taskFigures, type HeatWay } from '@/core/schedule/jobTasks';
import type { JobState } from '@/model/fold';
import { contactsOf, heaterOf, type Settings } from '@/model/settings';
import { heatAnswer } from './heatForecast';
import { firstPlan, setFor } from './heatPlan';

/**
 * Heating time and window of a job on the heaters that can do it: the one it is planned with, and the plates and mats beside it.
 * The one answer of the Heat page, at its usual instant; heaters that do not open it, or not within the marks, are left out
 * unless they are the one it is planned with.
 */
export function heatWays(job: JobState, settings: Settings, model: ReducedModel, now: number): HeatWay[] {
  const draft = firstPlan(job, settings);
  const planned = heaterOf(settings, draft.heater);
  const others: Heater[] = !defOf(planned).under ? [] : contactsOf(settings).filter((h) => h.id !== planned.id);
  return [planned, ...others].flatMap((heater): HeatWay[] => {
    const own = heater === planned;
    const f = heatAnswer(
      job,
      settings,
      model,
      now,
      own
        ? draft
        : { ...draft, heater: heater.id, use: {}, setC: setFor(heater, job), preheated: answersOf(heater).preheated },
    )?.forecast;
    if (!f?.readyS || !f.easyUntilS || (!own && f.over.length)) return [];
    const heatS = f.readyS.mean - f.heatStartS;
    return [
      {
        heater: heater.id,
        held: !defOf(heater).under || heatS <= taskFigures.standByS.value,
        heatS,
        windowS: Math.max(10, f.easyUntilS.mean - f.readyS.mean),
        reheatS: Math.max(20, heatS * taskFigures.reheatShare.value),
      },
    ];
  });
}
