import { useState } from 'react';
import { View } from 'react-native';

import { backupNow, checkHandedOver } from '@/bench-kit/backupNow';
import { backupsIn, canPickFolder, pickedFolder, pickFolder, readBackup } from '@/store/backup';
import { useBackup, usePersistent } from '@/store/useBackup';
import { Button } from '@/ui/Button';
import { Message, refused, type Told } from '@/ui/Message';
import { Txt } from '@/ui/Txt';
import { stamp } from '@/words/units';

const persistentWords = (kept: boolean | null): string =>
  kept === null
    ? 'This browser does not say whether it keeps the data when space is short.'
    : kept
      ? 'This browser keeps the data also when space is short.'
      : 'This browser may clear the data when space is short: back up.';

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
      setTold(refused(e instanceof Error ? e.message : 'the backup was not made'));
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
      return folder ? `Backups go to ${folder.name} from now on.` : null;
    });
  const look = () =>
    attempt(async () => {
      const folder = await pickedFolder();
      if (!folder) throw new Error('no folder was chosen yet');
      const names = await backupsIn(folder);
      setEarlier(names);
      return names.length ? null : `There is no backup in ${folder.name} yet.`;
    });
  return (
    <View className="mt-3">
      <Txt strong>Backup</Txt>
      <Txt size="s" tone="ink2">
        {last
          ? `Last one ${stamp(last.at)}, to ${last.to}; ${Math.max(0, entries - last.entries)} entries since.`
          : entries
            ? `None yet; ${entries} entries are in this browser only.`
            : 'Nothing of your own is here yet.'}{' '}
        {persistentWords(kept)}
      </Txt>
      <Message told={told} />
      <View className="gap-3 mt-2">
        <Button label="Back up now" onPress={() => void make()} />
        {waiting ? (
          <Button
            label="Read it back"
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
              <Button kind="small" label="Choose a folder" onPress={() => void choose()} />
            </View>
            <View className="flex-1">
              <Button kind="small" label="Earlier backups" onPress={() => void look()} />
            </View>
          </View>
        ) : null}
        {earlier?.slice(0, 10).map((name) => (
          <Button
            key={name}
            kind="small"
            label={`Look into ${name}`}
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
