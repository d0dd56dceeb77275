import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { t } from '@/words/strip';

/** Pages beside the strip stage. */
export function StripLinks({ job }: { job: JobState }) {
  return (
    <View className="flex-row flex-wrap gap-x-5 gap-y-1 my-2">
      {(
        [
          ['order', t('whatIsUnderWhat')],
          ['tray', t('trayMatScrewList')],
          ['heap', t('trayKnockedOver')],
          ['inside', t('photographTheInside')],
          ['remember', t('tapWhatIsThere')],
        ] as const
      ).map(([page, name]) => (
        <Link
          key={page}
          href={`/jobs/${job.id}/${page}?from=strip` as Href}
          className="font-body text-m text-ink underline py-2"
        >
          {name}
        </Link>
      ))}
    </View>
  );
}
