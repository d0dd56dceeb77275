import { writeShopFile } from '@/model/files';
import { nowMs } from '@/store/clock';
import { repository, shopNow } from '@/store/shop';
import { download } from '@/ui/download';
import { photoIdsOf } from './exportJob';

/** The whole shop as one file: every entry, the settings, device models, pictures, and what could not be read as it was found. */
export async function shopFileNow(): Promise<string> {
  const here = await shopNow();
  const unreadable = Object.fromEntries(here.problems.map((p) => [p.key, p.raw]));
  const logs = [...here.jobs.values()];
  const photos = await repository.readPhotos(logs.flatMap(photoIdsOf));
  return writeShopFile(here.settings, logs, unreadable, nowMs(), { photos, devices: here.devices });
}

export async function exportShopNow(): Promise<void> {
  download('shop.northcove.json', await shopFileNow());
}
