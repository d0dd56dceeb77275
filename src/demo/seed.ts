import { defaultSettings } from '@/model/defaultSettings';
import type { Settings } from '@/model/settings';
import { repository, takeIn } from '@/store/shop';
import { demoHistory } from './history';
import { demoJobs, demoSettingsAt } from './shop';

/** What stands at the bench now, and the two months before it. */
function wholeDemo() {
  const now = Date.now();
  return [...demoJobs(now), ...demoHistory(now)];
}

/** Puts the demo jobs beside what is there; jobs that are already loaded are left as they are. */
export async function loadDemo(): Promise<void> {
  await takeIn(wholeDemo(), null);
}

/** On the very first start of a server that says so, the shop opens with the demo jobs. */
export async function seedOnFirstStart(): Promise<void> {
  try {
    if (!(await repository.isEmpty())) return;
    const answer = await fetch('/api/config');
    if (!answer.ok) return;
    const config: unknown = await answer.json();
    if (!config || typeof config !== 'object' || !('demo' in config) || config.demo !== true) return;
    await takeIn(wholeDemo(), async () => {
      // what somebody set while it came in is not set back
      const { settings } = await repository.load();
      const own = Object.entries(settings).filter(
        ([key, v]) => JSON.stringify(v) !== JSON.stringify(defaultSettings[key as keyof Settings]),
      );
      return { ...demoSettingsAt(Date.now()), ...(Object.fromEntries(own) as Partial<Settings>) };
    });
  } catch {
    // no server, no demo: the bench starts empty
  }
}
