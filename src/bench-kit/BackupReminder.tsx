import { usePathname } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { useBackup } from '@/store/useBackup';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { backupNow } from './backupNow';
import { t } from '@/words/kit';

const places = new Set(['/', '/jobs', '/shop']);

/** Where nobody has a hot device in hand: how long the shop has gone without a backup, and one in one tap. */
export function BackupReminder() {
  const path = usePathname();
  const { due } = useBackup();
  const [told, setTold] = useState<string | null>(null);
  if (!places.has(path) || (!due && !told)) return null;
  const make = async () => {
    try {
      setTold((await backupNow()).text);
    } catch (e) {
      setTold(t('notBackedUp', { message: e instanceof Error ? e.message : t('theBrowserRefused') }));
    }
  };
  const days = due?.days;
  return (
    <View role="status" className="bg-panel border-b border-rule px-4 py-2 flex-row items-center gap-3 no-print">
      <Txt size="s" className="flex-1">
        {told ??
          (days === null || days === undefined
            ? t('entriesAreInThisBrowserOnly', { entries: due!.entries })
            : days === 1
              ? t('newEntriesInDaySinceThe', { entries: due!.entries, days })
              : t('newEntriesInDaysSinceThe', { entries: due!.entries, days }))}
      </Txt>
      {due && !told ? <Button kind="small" label={t('backUpNow')} onPress={() => void make()} /> : null}
    </View>
  );
}
