import type { HeatWay } from '@/core/schedule/jobTasks';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { nowMs } from '@/store/clock';
import { heatWays } from '@/work/heat/heatWays';
import { presentJob } from '@/work/heat/present';
import { thermalAtHand } from './thermalAtHand';

/** A browser that lets no worker run: the heating times of a job, worked out here; none where no model takes its figures. */
export async function heatsAlone(job: JobState, settings: Settings): Promise<HeatWay[]> {
  const here = presentJob(job);
  const model = await thermalAtHand(here.device, here.bond).catch(() => null);
  if (!model) return [];
  try {
    return heatWays(job, settings, model, nowMs());
  } catch {
    return [];
  }
}
