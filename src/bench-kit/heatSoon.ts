import { heatModelled } from '@/core/device/thermalStack';
import type { JobState } from '@/model/fold';
import { shippedModes } from '@/store/shippedModes';
import { queryClient } from '@/store/shop';
import { presentJob } from '@/work/heat/present';
import { thermalKey } from '@/workers/thermalClient';
import { modelQuery } from './useThermal';

/** Models that were begun; one that somebody ended is theirs to begin again. */
const begun = new Set<string>();

/** Begins to build the heat model of a job's device before Heat asks for it: those that do not ship take a while. */
export function heatSoon(job: JobState): void {
  const { device, bond } = presentJob(job);
  if (!heatModelled(device, bond)) return;
  const key = thermalKey(device, bond);
  if (begun.has(key.id) || Object.values(shippedModes).includes(key.digest)) return;
  begun.add(key.id);
  void queryClient.prefetchQuery(modelQuery(key));
}
