import { useState } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { cureEnd, type JobCure } from '@/work/cure/cureJob';
import { cureMarkNames } from '@/words/cureNames';
import { Button } from '@/ui/Button';
import { download } from '@/ui/download';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/cure';

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
            title: `${job.label}: ${cureMarkNames[m]}`,
            note: job.shelved
              ? t('shelfAtTheLatest', { name: job.device.name, place: job.shelved.place })
              : t('atTheLatest', { name: job.device.name }),
          },
        ];
      });
      if (!entries.length) return setProblem(t('everyEndHasPassedNothingTo'));
      download(`${job.label}-cure.ics`, cureCalendar(entries), 'text/calendar');
    } catch (e) {
      setProblem(e instanceof Error ? e.message : t('theCalendarWasNotMade'));
    }
  };
  return (
    <View className="mt-2">
      <Button kind="small" label={t('endsAsACalendarFile')} onPress={() => void save()} />
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
