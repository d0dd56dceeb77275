import { defaultSettings } from '@/model/defaultSettings';
import type { Settings } from '@/model/settings';
import { repository, takeIn } from '@/store/shop';

/** On the very first start of a server that says so, the shop opens with the demo jobs. */
export async function seedOnFirstStart(): Promise<void> {
  try {
    if (!(await repository.isEmpty())) return;
    const answer = await fetch('/api/config');
    if (!answer.ok) return;
    const config: unknown = await answer.json();
    if (!config || typeof config !== 'object' || !('demo' in config) || config.demo !== true) return;
    // most starts are not the first: the demo is fetched when it is wanted
    const { wholeDemo, demoSettingsAt } = await import('./seed');
    const settings = async () => {
      // what somebody set while it came in is not set back
      const { settings } = await repository.load();
      const own = Object.entries(settings).filter(
        ([key, v]) => JSON.stringify(v) !== JSON.stringify(defaultSettings[key as keyof Settings]),
      );
      return { ...demoSettingsAt(Date.now()), ...(Object.fromEntries(own) as Partial<Settings>) };
    };
    // what this app has made itself is checked in its tests
    await takeIn(wholeDemo(), settings, { ownWork: true });
  } catch {
    // no server, no demo: the bench starts empty
  }
}
