import { useRouter, type Href } from 'expo-router';
import { View } from 'react-native';

import { useNow } from '@/bench-kit/useNow';
import type { JobState } from '@/model/fold';
import { useJobs, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/records';
import { length, temp } from '@/words/units';
import { recordOf } from './recordOf';
import { RecordSections } from './RecordSections';

/** The record of a job beside the list, as it is on its own page. */
export default function RecordDetail({ job }: { job: JobState }) {
  const router = useRouter();
  const settings = useSettings();
  const jobs = useJobs();
  const now = useNow(60_000);
  const units = { mm: (v: number, d: number) => length(v, settings, d), c: (v: number) => temp(v, settings) };
  return (
    <View className="pb-4">
      <Txt strong size="l" level={2}>
        {job.label} · {job.model.name}
      </Txt>
      <View className="my-3 self-start min-w-[280px]">
        <Button
          label={t('openTheRecord', { label: job.label })}
          onPress={() => router.push(`/jobs/${job.id}/record` as Href)}
        />
      </View>
      <RecordSections job={job} sections={recordOf(job, jobs, settings, units, now)} level={3} />
    </View>
  );
}
