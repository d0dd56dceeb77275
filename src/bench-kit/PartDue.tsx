import { useState } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { Button } from '@/ui/Button';
import { DateTimeField } from '@/ui/DateTimeField';
import { Txt } from '@/ui/Txt';
import { dayTime } from '@/words/units';
import { useNow } from './useNow';
import { useActions } from './actions';
import { Entry } from './Why';
import { t } from '@/words/kit';

const horizonMs = 85 * 86400e3;

/** A part that a job waits for: what, when it comes, and that it is here. */
export function PartDue({ job }: { job: JobState }) {
  const { log } = useActions(job);
  const now = useNow(30_000);
  const [part, setPart] = useState('');
  const due = job.partDue;
  return (
    <View className="mb-2">
      {due && due.dueAt !== null ? (
        <>
          <Txt tone={due.dueAt < now ? 'caution' : 'ink'}>
            {due.dueAt < now
              ? t('shouldHaveCome', { part: due.part || t('aPart'), dueAt: dayTime(due.dueAt, now) })
              : t('comes', { part: due.part || t('aPart'), dueAt: dayTime(due.dueAt, now) })}
          </Txt>
          <Button
            kind="small"
            label={t('itIsHere')}
            onPress={() => void log([{ type: 'partDue', part: due.part, dueAt: null, here: true }])}
          />
        </>
      ) : (
        <Entry label={t('partOnOrder')} value={part} onChange={setPart} max={120} />
      )}
      <DateTimeField
        label={due ? t('itComesLater') : t('itComes')}
        value={due?.dueAt ?? null}
        now={now}
        from={now}
        to={now + horizonMs}
        onCommit={(dueAt) => void log([{ type: 'partDue', part: part.trim() || due?.part || '', dueAt, here: false }])}
      />
    </View>
  );
}
