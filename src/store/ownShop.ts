import { defaultSettings } from '@/model/defaultSettings';
import { tellOthers } from './channel';
import { restartClock } from './clock';
import { endDemoDay } from './demoDay';
import { demoWriter } from './dropped';
import { queryClient, repository, shopNow } from './shop';
import type { ShopLog } from './stored';

/** Nothing of the demo's day was touched: no entry of a person is in it. */
export const untouched = (log: ShopLog): boolean =>
  [...log.jobs.values()].every((l) => l.every((e) => e.writer === demoWriter));

/**
 * Leaves the demo: an empty shop on the real clock. Whatever was noted in the demo goes with it; language and look stay.
 * @throws StorageFullError when the settings cannot be written: nothing has changed then
 */
export async function ownShop(): Promise<void> {
  const { settings } = await shopNow();
  const { language, theme, touch } = settings;
  await repository.saveSettings({ ...defaultSettings, language, theme, touch });
  await repository.dropJobs();
  endDemoDay();
  await begunAnew();
}

/** The clock of the demo's day has changed: all that is shown is read anew. */
export async function begunAnew(): Promise<void> {
  restartClock();
  await queryClient.invalidateQueries({ queryKey: ['log'] });
  tellOthers();
}
