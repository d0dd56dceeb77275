import { backupName, ownEntries, pickedFolder, writeBackup } from '@/store/backup';
import { nowMs } from '@/store/clock';
import { shopNow } from '@/store/shop';
import { noteBackup } from '@/store/useBackup';
import { download, pickText } from '@/ui/download';
import { shopFilesNow } from './exportShop';

/** A backup that was handed to the browser; what of it was not read back yet. It counts once all was. */
let handedOver: { left: { name: string; text: string }[]; at: number; entries: number } | null = null;

const named = (list: readonly { name: string }[]) =>
  list.length === 1 ? list[0]!.name : `${list[0]!.name} and ${list.length - 1} more`;

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
    return { text: `${named(files)}: in ${folder.name}, read back and the same.`, checked: true };
  }
  for (const f of files) download(f.name, f.text);
  handedOver = { left: files, at, entries };
  return { text: `${named(files)}: handed to the browser. Read it back, and it counts as a backup.`, checked: false };
}

/** Compares a file with the backup that was handed over last. @throws Error when it is another or was changed */
export async function checkHandedOver(): Promise<{ text: string; whole: boolean } | null> {
  if (!handedOver) throw new Error('nothing was handed over since this page was opened: back up first');
  const chosen = await pickText('.json,application/json', 80e6);
  if (!chosen) return null;
  const left = handedOver.left.filter((f) => f.text !== chosen.text);
  if (left.length === handedOver.left.length)
    throw new Error(`${chosen.name}: it is not the file ${named(left)} as it was handed over`);
  handedOver = { ...handedOver, left };
  if (left.length) return { text: `${chosen.name} is the same. Still to be read back: ${named(left)}.`, whole: false };
  await noteBackup({ at: handedOver.at, entries: handedOver.entries, to: 'a file' });
  handedOver = null;
  return { text: `${chosen.name} is the same as what was handed over: it counts as a backup.`, whole: true };
}
