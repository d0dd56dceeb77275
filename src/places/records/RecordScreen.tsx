import { useRouter } from 'expo-router';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { exportJob } from '@/bench-kit/exportJob';
import { JobPage } from '@/bench-kit/JobPage';
import { stageHref } from '@/bench-kit/stageHref';
import { useJobs, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { length, temp } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { recordOf } from './recordOf';
import { t } from '@/words/records';

/** The internal record: everything of a job on one page that prints. */
export function RecordScreen({ job }: { job: JobState }) {
  const now = useNow(60_000);
  const router = useRouter();
  const settings = useSettings();
  const jobs = useJobs();
  const units = { mm: (v: number, d: number) => length(v, settings, d), c: (v: number) => temp(v, settings) };
  const sections = recordOf(job, jobs, settings, units, now);
  return (
    <JobPage
      job={job}
      title={t('record')}
      now={now}
      stage="handover"
      side={<Button label={t('export')} onPress={() => void exportJob(job)} />}
      main={<Button kind="main" label={t('back')} onPress={() => router.replace(stageHref(job.id, 'handover'))} />}
    >
      <Txt size="s" tone="ink2">
        {t('forTheShopAllThatThe')}
      </Txt>
      <View className="sheet" testID="record">
        {sections.map((s) => (
          <View key={s.title} className="mt-3">
            <Txt strong level={2}>
              {s.title}
            </Txt>
            {s.lines.map((l, i) => (
              <Txt key={i} size="s">
                {l}
              </Txt>
            ))}
          </View>
        ))}
      </View>
      <View className="mt-3 self-start no-print">
        <Button kind="small" label={t('printTheRecord')} onPress={() => window.print()} />
      </View>
    </JobPage>
  );
}
