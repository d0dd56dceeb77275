import { backupName, ownEntries, pickedFolder, writeBackup } from '@/store/backup';
import { nowMs } from '@/store/clock';
import { shopNow } from '@/store/shop';
import { noteBackup } from '@/store/useBackup';
import { download, pickText } from '@/ui/download';
import { shopFilesNow } from './exportShop';
import { t } from '@/words/kit';

/** A backup that was handed to the browser; what of it was not read back yet. It counts once all was. */
let handedOver: { left: { name: string; text: string }[]; at: number; entries: number } | null = null;

const named = (list: readonly { name: string }[]) =>
  list.length === 1 ? list[0]!.name : t('andMore', { name: list[0]!.name, length: list.length - 1 });

/**
 * One tap: dated files into the folder that was picked, read back and compared; without a folder, handed to the browser as
 * downloads. One file, until the shop has grown too large for one.
 * @throws Error when the folder refuses or what stands there differs
 */
export async function backupNow(): Promise<{ text: string; checked: boolean }> {
  const at = nowMs();
  const [texts, shop] = [await shopFilesNow(), await shopNow()];
  const files = texts.map((text, i) => ({ name: backupName(at, i, texts.length), text }));
  const entries = ownEntries(shop.jobs);
  const folder = await pickedFolder();
  if (folder) {
    for (const f of files) await writeBackup(folder, f.name, f.text);
    await noteBackup({ at, entries, to: folder.name });
    return { text: t('inReadBackAndTheSame', { files: named(files), name: folder.name }), checked: true };
  }
  for (const f of files) download(f.name, f.text);
  handedOver = { left: files, at, entries };
  return { text: t('handedToTheBrowserReadIt', { files: named(files) }), checked: false };
}

/** Compares a file with the backup that was handed over last. @throws Error when it is another or was changed */
export async function checkHandedOver(): Promise<{ text: string; whole: boolean } | null> {
  if (!handedOver) throw new Error(t('nothingWasHandedOverSinceThis'));
  const chosen = await pickText('.json,application/json', 80e6);
  if (!chosen) return null;
  const left = handedOver.left.filter((f) => f.text !== chosen.text);
  if (left.length === handedOver.left.length)
    throw new Error(t('thisIsNotTheFileThat', { name: chosen.name, left: named(left) }));
  handedOver = { ...handedOver, left };
  if (left.length) return { text: t('isTheSameStillToBe', { name: chosen.name, left: named(left) }), whole: false };
  await noteBackup({ at: handedOver.at, entries: handedOver.entries, to: t('aFile') });
  handedOver = null;
  return { text: t('isTheSameAsWhatWas', { name: chosen.name }), whole: true };
}
