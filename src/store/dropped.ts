import type { JobEvent } from '@/model/event';
import { jobKey, packKey } from './keptEntries';
import type { Storage } from './stored';

/** writer of the entries that come with the demo */
export const demoWriter = 'demo';

/**
 * Takes out the logs of the demo shop, whole jobs that nobody but the demo has written in; what somebody did in one of
 * them stays. Used when a shop of one's own is taken in.
 */
export async function dropDemo(storage: Storage, jobs: ReadonlyMap<string, readonly JobEvent[]>): Promise<void> {
  const keys = [...jobs.values()].filter((l) => l.every((e) => e.writer === demoWriter)).flatMap((l) => l.map(jobKey));
  await storage.removeMany([...keys, packKey]);
}

/** Everything that was noted of jobs, with its photos; models with theirs and settings stay. */
export async function dropJobs(storage: Storage): Promise<void> {
  const all = await storage.getAllKeys();
  const models = Object.values(await storage.getMany(all.filter((k) => k.startsWith('device/')))).join('\n');
  const ofModel = (k: string) => models.includes(JSON.stringify(k.slice('photo/'.length)));
  const keys = all.filter((k) => k.startsWith('job/') || (k.startsWith('photo/') && !ofModel(k)));
  await storage.removeMany([packKey, ...keys]);
}
