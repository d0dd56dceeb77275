import { backupName, ownEntries, pickedFolder, writeBackup } from '@/store/backup';
import { nowMs } from '@/store/clock';
import { shopNow } from '@/store/shop';
import { noteBackup } from '@/store/useBackup';
import { download, pickText } from '@/ui/download';
import { shopFileNow } from './exportShop';

/** A backup that was handed to the browser and not read back yet: it counts once it was. */
let handedOver: { name: string; text: string; at: number; entries: number } | null = null;

/**
 * One tap: a dated file into the folder that was picked, read back and compared; without a folder, handed to the browser as a
 * download. @throws Error when the folder refuses or what stands there differs
 */
export async function backupNow(): Promise<{ text: string; checked: boolean }> {
  const at = nowMs();
  const [text, shop] = [await shopFileNow(), await shopNow()];
  const name = backupName(at);
  const entries = ownEntries(shop.jobs);
  const folder = await pickedFolder();
  if (folder) {
    await writeBackup(folder, name, text);
    await noteBackup({ at, entries, to: folder.name });
    return { text: `${name} stands in ${folder.name}, read back and the same.`, checked: true };
  }
  download(name, text);
  handedOver = { name, text, at, entries };
  return { text: `${name} was handed to the browser. Read it back, and it counts as a backup.`, checked: false };
}

/** Compares a file with the backup that was handed over last. @throws Error when it is another or was changed */
export async function checkHandedOver(): Promise<string | null> {
  if (!handedOver) throw new Error('nothing was handed over since this page was opened: back up first');
  const chosen = await pickText('.json,application/json', 80e6);
  if (!chosen) return null;
  if (chosen.text !== handedOver.text)
    throw new Error(`${chosen.name}: it is not the file ${handedOver.name} as it was handed over`);
  await noteBackup({ at: handedOver.at, entries: handedOver.entries, to: 'a file' });
  handedOver = null;
  return `${chosen.name} is the same as what was handed over: it counts as a backup.`;
}
