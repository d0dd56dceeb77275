import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import { isGuessed } from '@/core/device/known';
import type { JobState } from '@/model/fold';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/strip';

/** Links to pages of the job that lead back here. */
function PageLinks({ job, pages }: { job: JobState; pages: readonly (readonly [page: string, name: string])[] }) {
  return (
    <View className="flex-row flex-wrap gap-x-4">
      {pages.map(([page, name]) => (
        <Link
          key={page}
          href={`/jobs/${job.id}/${page}?from=strip` as Href}
          className="font-body text-m text-ink underline py-3 min-h-touch"
        >
          {name}
        </Link>
      ))}
    </View>
  );
}

const insidePages = () =>
  [
    ['inside', t('photographTheInside')],
    ['remember', t('tapWhatIsThere')],
  ] as const;

/** Pages beside the strip stage. */
export const StripLinks = ({ job }: { job: JobState }) => (
  <PageLinks
    job={job}
    pages={[
      ['order', t('whatIsUnderWhat')],
      ['tray', t('trayMatScrewList')],
      ['heap', t('trayKnockedOver')],
      ...insidePages(),
    ]}
  />
);

/** Nobody has seen the screws and plugs of this model: what to do about it, before the first of them is taken for granted. */
export function SeeInside({ job }: { job: JobState }) {
  if (!isGuessed(job.model, 'small')) return null;
  return (
    <View className="border-[1.5px] border-ink bg-panel p-3 my-2" testID="seeInside">
      <Txt>{t('screwsAreNotKnown')}</Txt>
      <PageLinks job={job} pages={insidePages()} />
    </View>
  );
}
