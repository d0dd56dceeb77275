import { useState } from 'react';
import { View } from 'react-native';

import { backupNow, checkHandedOver } from '@/bench-kit/backupNow';
import { backupsIn, canPickFolder, pickedFolder, pickFolder, readBackup } from '@/store/backup';
import { useBackup, usePersistent } from '@/store/useBackup';
import { Button } from '@/ui/Button';
import { Message, refused, type Told } from '@/ui/Message';
import { Txt } from '@/ui/Txt';
import { stamp } from '@/words/units';
import { t } from '@/words/shop';

const persistentWords = (kept: boolean | null): string =>
  kept === null
    ? t('thisBrowserDoesNotSayWhether')
    : kept
      ? t('thisBrowserKeepsTheDataEven')
      : t('thisBrowserMayClearTheData');

/** The last backup, a new one in one tap, and the way back to an earlier one. */
export function Backup({ onOpen }: { onOpen: (file: { name: string; text: string }) => Promise<void> }) {
  const { last, entries } = useBackup();
  const kept = usePersistent();
  const [told, setTold] = useState<Told | null>(null);
  const [waiting, setWaiting] = useState(false);
  const [earlier, setEarlier] = useState<string[] | null>(null);
  const attempt = async (work: () => Promise<string | null>) => {
    try {
      const text = await work();
      if (text) setTold({ text, bad: false });
    } catch (e) {
      setTold(refused(e instanceof Error ? e.message : t('theBackupWasNotMade')));
    }
  };
  const make = () =>
    attempt(async () => {
      const r = await backupNow();
      setWaiting(!r.checked);
      return r.text;
    });
  const choose = () =>
    attempt(async () => {
      const folder = await pickFolder();
      return folder ? t('backupsGoToFromNowOn', { name: folder.name }) : null;
    });
  const look = () =>
    attempt(async () => {
      const folder = await pickedFolder();
      if (!folder) throw new Error(t('noFolderWasChosenYet'));
      const names = await backupsIn(folder);
      setEarlier(names);
      return names.length ? null : t('thereIsNoBackupInYet', { name: folder.name });
    });
  return (
    <View className="mt-3">
      <Txt strong>{t('backup')}</Txt>
      <Txt size="s" tone="ink2">
        {last
          ? t('lastOneToEntriesSince', {
              at: stamp(last.at),
              to: last.to,
              max: Math.max(0, entries - last.entries),
              kept: persistentWords(kept),
            })
          : entries
            ? t('noneYetEntriesAreInThis', { entries, kept: persistentWords(kept) })
            : t('nothingOfYourOwnIsHere', { kept: persistentWords(kept) })}
      </Txt>
      <Message told={told} />
      <View className="gap-3 mt-2">
        <Button label={t('backUpNow')} onPress={() => void make()} />
        {waiting ? (
          <Button
            label={t('readItBack')}
            onPress={() =>
              void attempt(async () => {
                const r = await checkHandedOver();
                if (r?.whole) setWaiting(false);
                return r?.text ?? null;
              })
            }
          />
        ) : null}
        {canPickFolder() ? (
          <View className="flex-row gap-3">
            <View className="flex-1">
              <Button kind="small" label={t('chooseAFolder')} onPress={() => void choose()} />
            </View>
            <View className="flex-1">
              <Button kind="small" label={t('earlierBackups')} onPress={() => void look()} />
            </View>
          </View>
        ) : null}
        {earlier?.slice(0, 10).map((name) => (
          <Button
            key={name}
            kind="small"
            label={t('lookInto', { name })}
            onPress={() =>
              void attempt(async () => {
                const folder = await pickedFolder();
                if (folder) await onOpen({ name, text: await readBackup(folder, name) });
                return null;
              })
            }
          />
        ))}
      </View>
    </View>
  );
}
