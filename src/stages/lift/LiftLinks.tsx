import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';

/** Pages beside the lift. */
export function LiftLinks({ job, spot = false }: { job: JobState; spot?: boolean }) {
  const links: [string, Href][] = [
    ['Alcohol in the gap', `/jobs/${job.id}/alcohol` as Href],
    ...(spot ? ([['Spot heat on a piece', `/jobs/${job.id}/spot` as Href]] as [string, Href][]) : []),
    ['Crack map and chips', `/jobs/${job.id}/cracks` as Href],
    ['Adhesives of this shop', '/adhesives' as Href],
  ];
  return (
    <View className="flex-row flex-wrap gap-x-5 gap-y-1 my-2">
      {links.map(([name, href]) => (
        <Link key={name} href={href} className="font-body text-m text-ink underline py-2">
          {name}
        </Link>
      ))}
    </View>
  );
}
