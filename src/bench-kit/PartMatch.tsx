import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { useSettings } from '@/store/shop';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { partNames, partText } from '@/words/partText';
import { t } from '@/words/kit';

const order = ['width', 'height', 'thickness', 'lensHole'] as const;

/** New part against old part and frame, from what was measured. */
export function PartMatch({ job }: { job: JobState }) {
  const settings = useSettings();
  const lines = order.flatMap((what) => {
    const text = partText(job, what, settings);
    return text ? [{ what, text }] : [];
  });
  return (
    <Disclosure title={t('newPartAgainstOldOfSizes', { n: lines.length, of: order.length })}>
      {lines.map(({ what, text }) => (
        <View key={what} className="border-b border-rule py-1">
          <Txt size="s" strong>
            {partNames[what]}
          </Txt>
          <Txt size="s">{text}</Txt>
        </View>
      ))}
      {lines.length < order.length ? (
        <Txt size="s" tone="ink2">
          {t('whatWasNotMeasuredIsNot')}
        </Txt>
      ) : null}
      <Link href={`/jobs/${job.id}/route` as Href} className="font-body text-m text-ink underline py-3">
        {t('measureOldAndNewOnRoute')}
      </Link>
    </Disclosure>
  );
}
