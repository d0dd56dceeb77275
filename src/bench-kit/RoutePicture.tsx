import { View } from 'react-native';

import type { JobWay } from '@/model/fold';

const looks = { done: 'bg-go', skipped: 'border border-rule', now: 'bg-ink', todo: 'bg-rule' };

/** How far a job is on its way, as small as a line: done is green and high, where it stands dark, what is not needed hollow. */
export function RoutePicture({ job }: { job: Pick<JobWay, 'way' | 'progress' | 'step'> }) {
  return (
    <View className="flex-row gap-1 mt-1 h-[6px] max-w-[240px]" aria-hidden>
      {job.way.map((s) => {
        const at = job.progress[s.key] ?? (job.step.key === s.key ? 'now' : 'todo');
        const look = looks[at as keyof typeof looks] ?? looks.todo;
        return <View key={s.key} className={`flex-1 h-[6px] ${look}`} />;
      })}
    </View>
  );
}
