import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import { onPlate } from '@/model/stages/heat';
import { useJobs } from '@/store/shop';
import { takeUpdate, useUpdate } from '@/store/update';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/kit';

/** A new version waits until the bench is cold and somebody takes it. */
export function UpdateNotice() {
  const update = useUpdate();
  return update === 'none' ? null : <Waiting replaced={update === 'replaced'} />;
}

function Waiting({ replaced }: { replaced: boolean }) {
  const jobs = useJobs();
  const hot = jobs.some((j) => j.closedAt === null && onPlate(j) !== null);
  return (
    <View
      role="status"
      className="bg-panel border-b border-rule px-4 py-2 flex-row flex-wrap items-center gap-3 no-print"
    >
      <Txt size="s" className="flex-1 min-w-[200px]">
        {replaced ? t('replaced') : hot ? t('newVersionHot') : t('newVersion')}
      </Txt>
      <Link href={'/news' as Href} className="font-body text-m text-ink underline py-3">
        {t('seeWhatChanged')}
      </Link>
      <Button kind="small" label={t('takeIt')} onPress={takeUpdate} disabled={hot} />
    </View>
  );
}
