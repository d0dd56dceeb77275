import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/heat';

/** How far a heat is against its plan. */
export function Progress({ share, text, over = false }: { share: number; text: string; over?: boolean }) {
  const done = Math.min(1, Math.max(0, share));
  return (
    <View className="my-2" role="progressbar" aria-label={t('heat', { text })} aria-valuenow={Math.round(done * 100)}>
      <View className="h-3 border-[1.5px] border-ink bg-panel">
        <View
          className={over ? 'h-full bg-caution' : share >= 1 ? 'h-full bg-go' : 'h-full bg-ink'}
          style={{ width: `${done * 100}%` }}
        />
      </View>
      <Txt size="s" tone={over ? 'caution' : 'ink2'}>
        {text}
      </Txt>
    </View>
  );
}

/** The pages of this stage. */
export function Links({ job }: { job: JobState }) {
  const to = (page: string) => `/jobs/${job.id}/${page}` as Href;
  return (
    <View className="flex-row flex-wrap gap-x-4 gap-y-1 my-2">
      {(
        [
          ['ways', t('allWaysSideBySide')],
          ['path', t('pathOfTheAir')],
          ['spot', t('heatOneSpot')],
          ['glue', t('batteryGlue')],
        ] as const
      ).map(([page, name]) => (
        <Link key={page} href={to(page)} className="font-body text-m text-ink underline py-2">
          {name}
        </Link>
      ))}
      <Link href="/heaters" className="font-body text-m text-ink underline py-2">
        {t('heatersAndCalibration')}
      </Link>
    </View>
  );
}
