import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { tagCode } from '@/model/tagCode';
import { useActions } from '@/bench-kit/actions';
import { JobPage } from '@/bench-kit/JobPage';
import { backHref, cameFrom } from '@/bench-kit/cameFrom';
import { Entry } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { QrCode } from '@/ui/QrCode';
import { Txt } from '@/ui/Txt';
import { dayTime } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';

/** Tag for device and tray, and what was agreed with the customer about data, lock and tests. */
export function TagScreen({ job }: { job: JobState }) {
  const now = useNow(30_000);
  const router = useRouter();
  const { log } = useActions(job);
  const code = tagCode(job.id);
  const c = job.customer;
  const [note, setNote] = useState<string | null>(null);
  const agree = (change: Partial<NonNullable<JobState['customer']>>) =>
    void log([
      {
        type: 'customer',
        backup: change.backup ?? c?.backup ?? null,
        lock: change.lock ?? c?.lock ?? null,
        note: (change.note ?? c?.note ?? '').slice(0, 500),
      },
    ]);
  return (
    <JobPage
      job={job}
      title="Tag and customer"
      now={now}
      stage="intake"
      side={<Button label="Print the tag" onPress={() => window.print()} />}
      main={
        <Button
          kind="main"
          label={cameFrom(job, 'intake') === 'intake' ? 'Back to intake' : 'Back'}
          onPress={() => router.replace(backHref(job, 'intake'))}
        />
      }
    >
      <View className="sheet bg-panel border-[1.5px] border-ink p-4 flex-row gap-4 items-center" testID="tag">
        <QrCode text={`${job.label} ${code}`} />
        <View className="flex-1">
          <Txt num strong size="huge">
            {code}
          </Txt>
          <Txt strong size="l">
            {job.label}
          </Txt>
          <Txt size="s">{job.model.name}</Txt>
          {job.customerMark ? <Txt size="s">{job.customerMark}</Txt> : null}
          {job.promiseAt ? <Txt size="s">promised {dayTime(job.promiseAt, now)}</Txt> : null}
        </View>
      </View>
      <Txt size="s" tone="ink2" className="mt-2 mb-2">
        The same four signs on the device and on its tray; by hand does as well. The search among the jobs finds them.
      </Txt>
      <Tick
        label={`${code} is on the device`}
        on={job.prep.has('tagDevice')}
        onChange={(done) => void log([{ type: 'prep', item: 'tagDevice', done }])}
      />
      <Tick
        label={`${code} is on the tray`}
        on={job.prep.has('tagTray')}
        onChange={(done) => void log([{ type: 'prep', item: 'tagTray', done }])}
      />
      <View className="mt-4">
        <Choice
          label="Backup of the customer’s data"
          value={c?.backup ?? null}
          options={[
            { id: 'made', name: 'Made' },
            { id: 'asked', name: 'Asked, not sure' },
            { id: 'declined', name: 'None wanted' },
          ]}
          onChange={(backup) => agree({ backup })}
          hint="Work inside can cost the data. Ask before, not after."
        />
        <Choice
          label="How the functions are tested"
          value={c?.lock ?? null}
          options={[
            { id: 'noLock', name: 'No lock' },
            { id: 'customerUnlocks', name: 'Customer unlocks it here' },
            { id: 'codeGiven', name: 'Code given, on paper' },
            { id: 'testsWithout', name: 'Only what works locked' },
          ]}
          onChange={(lock) => agree({ lock })}
          hint="The code itself is never typed in here."
        />
        <Entry label="Agreed besides" value={note ?? c?.note ?? ''} onChange={setNote} multiline />
        <Button
          kind="small"
          label="Note it"
          disabled={note === null || note === (c?.note ?? '')}
          onPress={() => {
            agree({ note: note ?? '' });
            setNote(null);
          }}
        />
      </View>
    </JobPage>
  );
}
