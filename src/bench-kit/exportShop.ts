import { modelPhotoIds, writeShopFiles } from '@/model/files';
import { nowMs } from '@/store/clock';
import { readTries } from '@/store/practiceTries';
import { repository, shopNow } from '@/store/shop';
import { download } from '@/ui/download';
import { photoIdsOf } from './exportJob';

/**
 * The whole shop as one file, or as several where it has grown too large for one: every entry, the settings, device models,
 * pictures, exercises, and what could not be read as it was found.
 */
export async function shopFilesNow(): Promise<string[]> {
  const here = await shopNow();
  const unreadable = Object.fromEntries(here.problems.map((p) => [p.key, p.raw]));
  const logs = [...here.jobs.values()];
  const photos = await repository.readPhotos([...logs.flatMap(photoIdsOf), ...modelPhotoIds(here.devices)]);
  return writeShopFiles(here.settings, logs, unreadable, nowMs(), {
    photos,
    devices: here.devices,
    tries: await readTries(),
  });
}

export async function exportShopNow(): Promise<void> {
  const texts = await shopFilesNow();
  texts.forEach((text, i) =>
    download(texts.length > 1 ? `shop-${i + 1}of${texts.length}.northcove.json` : 'shop.northcove.json', text),
  );
}
