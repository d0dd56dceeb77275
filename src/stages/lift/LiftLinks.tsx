import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { t } from '@/words/lift';

/** Pages beside the lift. */
export function LiftLinks({ job, spot = false }: { job: JobState; spot?: boolean }) {
  const links: [string, Href][] = [
    [t('alcoholInTheGap'), `/jobs/${job.id}/alcohol` as Href],
    ...(spot ? ([[t('heatOneSpot'), `/jobs/${job.id}/spot` as Href]] as [string, Href][]) : []),
    [t('crackMapAndChips'), `/jobs/${job.id}/cracks` as Href],
    [t('adhesivesOfThisShop'), '/adhesives' as Href],
  ];
  return (
    <View className="flex-row flex-wrap gap-x-4 gap-y-1 my-2">
      {links.map(([name, href]) => (
        <Link key={name} href={href} className="font-body text-m text-ink underline py-2">
          {name}
        </Link>
      ))}
    </View>
  );
}
