import { nowMs } from '@/store/clock';
import { takeIn } from '@/store/shop';
import { demoHistory } from './history';
import { demoJobs } from './shop';

export { demoSettingsAt } from './shop';

/** What stands at the bench now, and the two months before it. */
export function wholeDemo() {
  const now = nowMs();
  return [...demoJobs(now), ...demoHistory(now)];
}

/** Puts the demo jobs beside what is there; jobs that are already loaded are left as they are. */
export async function loadDemo(): Promise<void> {
  await takeIn(wholeDemo(), null);
}
