import { Link, useRouter } from 'expo-router';
import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { stageName } from '@/words/stageWords';
import { placeOn } from '@/model/way';
import { tagCode } from '@/model/tagCode';
import { stageHref } from '@/bench-kit/stageHref';
import { useJobs } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { JobRow } from '@/bench-kit/JobRow';
import { Mark } from '@/ui/Mark';
import { MoreList } from '@/ui/MoreList';
import { MasterDetail, useMaster } from '@/bench-kit/MasterDetail';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { TextBox } from '@/ui/TextBox';
import { textSearch } from '@/work/textSearch';
import { dayTime, countOf } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { JobDetail } from './LazyJobDetail';
import { t } from '@/words/jobs';

/** Everything that a job is found by. */
const textOf = (j: JobState) => [j.label, j.device.name, j.customerMark, stageName(j.stage), tagCode(j.id)].join(' ');

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
  const master = useMaster(shown.map((j) => j.id));
  const chosen = shown.find((j) => j.id === master.chosen);
  return (
    <PlaceFrame
      full={master.wide}
      help="jobs"
      title={t('jobs')}
      line={countOf(shown.length, jobs.length)}
      actions={
        <View className="flex-1">
          <Button kind="main" label={t('newJob')} onPress={() => router.push('/jobs/new')} />
        </View>
      }
    >
      <TextBox
        aria-label={t('searchJobs')}
        placeholder={t('labelTagDeviceStage')}
        value={find}
        onChangeText={setFind}
        className="mb-3"
      />
      <Choice
        label={t('show')}
        value={which}
        options={[
          { id: 'open', name: t('open') },
          { id: 'closed', name: t('handedOver') },
          { id: 'all', name: t('all') },
        ]}
        onChange={setWhich}
      />
      {which === 'closed' ? (
        <Link href="/records" className="font-body text-m text-ink underline py-3">
          {t('recordsAndStatisticsOfWhatWas')}
        </Link>
      ) : null}
      <MasterDetail
        label={t('chosenJob')}
        list={
          <MoreList key={which} items={shown} first={24} step={60} none={t('noJobMatches')}>
            {(j) => (
              <JobRow
                key={j.id}
                job={j}
                {...(master.wide ? { onChoose: () => master.choose(j.id), chosen: j.id === master.chosen } : {})}
                href={stageHref(j.id, j.stage)}
                said={`${j.label}, ${j.device.name}, ${j.closedAt ? t('handedOver2') : stageName(j.stage)}`}
                mark={<Mark state={j.closedAt ? 'done' : 'waits'} />}
                line={
                  j.closedAt
                    ? j.customerMark
                      ? t('handedOver3', { closedAt: dayTime(j.closedAt, now), customerMark: j.customerMark })
                      : t('handedOver4', { closedAt: dayTime(j.closedAt, now) })
                    : j.customerMark
                      ? t('stageOf', {
                          stage: stageName(j.stage),
                          way: placeOn(j.way, j.stage, j.joint),
                          n: j.way.length,
                          customerMark: j.customerMark,
                        })
                      : t('stageOf2', {
                          stage: stageName(j.stage),
                          way: placeOn(j.way, j.stage, j.joint),
                          n: j.way.length,
                        })
                }
                at={j.promiseAt ? dayTime(j.promiseAt, now) : ''}
                late={j.promiseAt !== null && j.promiseAt < now && !j.closedAt}
              />
            )}
          </MoreList>
        }
        detail={chosen ? <JobDetail key={chosen.id} job={chosen} /> : null}
      />
    </PlaceFrame>
  );
}
