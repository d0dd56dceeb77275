import { defaultSettings } from '@/model/defaultSettings';
import type { Settings } from '@/model/settings';
import { nowMs } from '@/store/clock';
import { beginDemoDay, demoDayOver, demoOffsetMs } from '@/store/demoDay';
import { begunAnew, untouched } from '@/store/ownShop';
import { repository, shopNow, takeIn } from '@/store/shop';

/** The demo, on a working morning of its own. */
async function beginDay(): Promise<void> {
  beginDemoDay();
  await begunAnew();
  // most starts are not the first: the demo is fetched when it is wanted
  const { wholeDemo, demoSettingsAt } = await import('./seed');
  const settings = async () => {
    // what somebody set while it came in is not set back
    const { settings: set } = await repository.load();
    const own = Object.entries(set).filter(
      ([key, v]) => JSON.stringify(v) !== JSON.stringify(defaultSettings[key as keyof Settings]),
    );
    return { ...demoSettingsAt(nowMs()), ...(Object.fromEntries(own) as Partial<Settings>) };
  };
  // what this app has made itself is checked in its tests
  await takeIn(wholeDemo(), settings, { ownWork: true });
}

/** One page of this browser at a time: a second one finds what the first has brought. */
const alone = (work: () => Promise<void>): Promise<void> =>
  typeof navigator !== 'undefined' && navigator.locks ? navigator.locks.request('northcove-demo', work) : work();

/** The demo's day from its morning on, in place of what is there of it. */
export async function demoDayAgain(): Promise<void> {
  await repository.dropJobs();
  await beginDay();
}

/**
 * On the very first start of a server that says so, the shop opens with the demo jobs. A demo that nobody has touched begins its
 * day anew once that is over: whoever looks again finds a morning, and not last week's.
 */
export async function seedOnFirstStart(): Promise<void> {
  try {
    if (demoOffsetMs() !== null) {
      if (demoDayOver() && untouched(await shopNow())) await demoDayAgain();
      // a page that was left while the demo came in has begun its day, and nothing of it is there
      else await alone(async () => ((await repository.isEmpty()) ? beginDay() : undefined));
      return;
    }
    if (!(await repository.isEmpty())) return;
    const answer = await fetch('/api/config');
    if (!answer.ok) return;
    const config: unknown = await answer.json();
    if (!config || typeof config !== 'object' || !('demo' in config) || config.demo !== true) return;
    await alone(async () => ((await repository.isEmpty()) ? beginDay() : undefined));
  } catch {
    // no server, no demo: the bench starts empty
  }
}
