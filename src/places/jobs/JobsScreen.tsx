import { Link, useRouter } from 'expo-router';
import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { stageNames } from '@/model/stages';
import { placeOn } from '@/model/way';
import { tagCode } from '@/model/tagCode';
import { stageHref } from '@/bench-kit/stageHref';
import { useJobs } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { JobRow } from '@/bench-kit/JobRow';
import { Mark } from '@/ui/Mark';
import { MoreList } from '@/ui/MoreList';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { TextBox } from '@/ui/TextBox';
import { textSearch } from '@/work/textSearch';
import { dayTime } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';

/** Everything that a job is found by. */
const textOf = (j: JobState) => [j.label, j.device.name, j.customerMark, stageNames[j.stage], tagCode(j.id)].join(' ');

export function JobsScreen() {
  const router = useRouter();
  const jobs = useJobs();
  const now = useNow(10_000);
  const [find, setFind] = useState('');
  const [which, setWhich] = useState<'open' | 'closed' | 'all'>('open');
  // typing goes before the list
  const typed = useDeferredValue(find);
  const search = useMemo(() => textSearch(jobs, textOf), [jobs]);
  const shown = useMemo(
    () => search(typed).filter((j) => which === 'all' || (which === 'closed') === (j.closedAt !== null)),
    [search, which, typed],
  );
  return (
    <PlaceFrame
      title="Jobs"
      line={`${shown.length} of ${jobs.length}`}
      actions={
        <View className="flex-1">
          <Button kind="main" label="New job" onPress={() => router.push('/jobs/new')} />
        </View>
      }
    >
      <TextBox
        aria-label="Search jobs"
        placeholder="Label, tag, device, stage"
        value={find}
        onChangeText={setFind}
        className="mb-3"
      />
      <Choice
        label="Show"
        value={which}
        options={[
          { id: 'open', name: 'Open' },
          { id: 'closed', name: 'Handed over' },
          { id: 'all', name: 'All' },
        ]}
        onChange={setWhich}
      />
      {which === 'closed' ? (
        <Link href="/records" className="font-body text-m text-ink underline py-3">
          Records and statistics of what was handed over
        </Link>
      ) : null}
      <MoreList key={which} items={shown} first={24} step={60} none="No job matches.">
        {(j) => (
          <JobRow
            key={j.id}
            job={j}
            href={stageHref(j.id, j.stage)}
            said={`${j.label}, ${j.device.name}, ${j.closedAt ? 'handed over' : stageNames[j.stage]}`}
            mark={<Mark state={j.closedAt ? 'done' : 'waits'} />}
            line={`${
              j.closedAt
                ? `handed over ${dayTime(j.closedAt, now)}`
                : `${stageNames[j.stage]}, stage ${placeOn(j.way, j.stage)} of ${j.way.length}`
            }${j.customerMark ? ` · ${j.customerMark}` : ''}`}
            at={j.promiseAt ? dayTime(j.promiseAt, now) : ''}
            late={j.promiseAt !== null && j.promiseAt < now && !j.closedAt}
          />
        )}
      </MoreList>
    </PlaceFrame>
  );
}
