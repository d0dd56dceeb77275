import { useState } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { cureEnd, cureMarkNames, type JobCure } from '@/work/cure/cureJob';
import { Button } from '@/ui/Button';
import { download } from '@/ui/download';
import { Txt } from '@/ui/Txt';

const marks = ['clampOff', 'build', 'handOver', 'sealTest', 'full'] as const;

/** The ends that are still to come, for a calendar. */
export function CureFiles({ job, cure, now }: { job: JobState; cure: JobCure; now: number }) {
  const [problem, setProblem] = useState<string | null>(null);
  if (cure.startAt === null) return null;
  const save = async () => {
    setProblem(null);
    try {
      const { cureCalendar } = await import('@/model/cureCalendar');
      const entries = marks.flatMap((m) => {
        const at = cureEnd(cure, m)!;
        if (at < now || (m === 'clampOff' && job.clampOffAt !== null) || !Number.isFinite(at)) return [];
        return [
          {
            uid: `${job.id}-${m}@northcove`,
            at,
            title: `${job.label}: ${cureMarkNames[m].toLowerCase()}`,
            note: `${job.device.name}${job.shelved ? `, shelf ${job.shelved.place}` : ''}. Long end of the clock.`,
          },
        ];
      });
      if (!entries.length) return setProblem('Every end has passed: nothing to put into a calendar.');
      download(`${job.label}-cure.ics`, cureCalendar(entries), 'text/calendar');
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'the calendar was not made');
    }
  };
  return (
    <View className="mt-2">
      <Button kind="small" label="Ends as a calendar file" onPress={() => void save()} />
      {problem ? (
        <View role="alert">
          <Txt size="s" tone="caution">
            {problem}
          </Txt>
        </View>
      ) : null}
    </View>
  );
}
