import { useEffect, useMemo, useSyncExternalStore } from 'react';

import { useJobs, useSettings } from '@/store/shop';
import { useNow } from './useNow';
import { planStore, type Snapshot } from './planStore';
import { bookOf } from '@/work/bench/shopDurations';
import { useHeats } from './useHeats';

export interface ShopPlanState extends Snapshot {
  cancel: () => void;
}

/** How far the search for a better plan is; null: nothing is looked for. */
export const useImproving = (): number | null =>
  useSyncExternalStore(planStore.subscribeShare, planStore.getShare, planStore.getShare);

export function useShopPlan(): ShopPlanState {
  const jobs = useJobs();
  const settings = useSettings();
  const tick = useNow(15_000);
  const heats = useHeats(jobs, settings);
  const book = useMemo(() => bookOf(jobs), [jobs]);
  useEffect(() => planStore.offer({ jobs, settings, book, now: tick, heats }), [jobs, settings, book, tick, heats]);
  const snap = useSyncExternalStore(planStore.subscribe, planStore.get, planStore.get);
  return { ...snap, cancel: planStore.cancel };
}
