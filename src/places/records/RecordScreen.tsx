import { useRouter, type Href } from 'expo-router';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { coverKindOf } from '@/core/device/coverKinds';
import { faceOf } from '@/core/device/perimeter';
import { exportJob } from '@/bench-kit/exportJob';
import { JobPage } from '@/bench-kit/JobPage';
import { hrefAt } from '@/bench-kit/stageHref';
import { nextLabel, openJob } from '@/bench-kit/openJob';
import { useDevices, useJobs, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { length, temp } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { recordOf } from './recordOf';
import { RecordSections } from './RecordSections';
import { t } from '@/words/records';

/** The internal record: everything of a job on one page that prints. */
export function RecordScreen({ job }: { job: JobState }) {
  const now = useNow(60_000);
  const router = useRouter();
  const settings = useSettings();
  const jobs = useJobs();
  const units = { mm: (v: number, d: number) => length(v, settings, d), c: (v: number) => temp(v, settings) };
  const devices = useDevices();
  // the new job is linked from its first entry on; the next page asks what is behind it
  const cameBack = () => {
    const device = devices.find((d) => d.device.id === job.model.id)?.device ?? job.model;
    const joint = device.bonds.some((b) => b.id === job.joint) ? job.joint : device.bonds[0]!.id;
    const lens = coverKindOf(
      faceOf(
        device,
        device.bonds.find((b) => b.id === joint)!,
      ),
    ).lens;
    const jobId = openJob({
      ...{ label: nextLabel(jobs.map((j) => j.label)), person: settings.person, device, promise: '' },
      customerMark: job.customerMark,
      works: [{ joint, work: lens ? 'lensCovers' : 'openClose' }],
      language: job.customer?.language ?? null,
      more: [{ type: 'comeBack', firstJobId: job.id, firstLabel: job.label, presumed: 'other' }],
    });
    router.push(`/jobs/${jobId}/comeback` as Href);
  };
  const sections = recordOf(job, jobs, settings, units, now);
  return (
    <JobPage
      job={job}
      title={t('record')}
      now={now}
      stage="handover"
      side={<Button label={t('export')} onPress={() => void exportJob(job)} />}
      main={<Button kind="main" label={t('back')} onPress={() => router.replace(hrefAt(job, 'handover'))} />}
    >
      <Txt size="s" tone="ink2">
        {t('forTheShopAllThatThe')}
      </Txt>
      <View className="sheet" testID="record">
        <RecordSections job={job} sections={sections} level={2} />
      </View>
      <View className="mt-3 self-start no-print">
        <Button kind="small" label={t('printTheRecord')} onPress={() => window.print()} />
      </View>
      {job.closedAt === null ? null : (
        <View className="mt-2 self-start no-print">
          <Button kind="small" label={t('itCameBack')} onPress={cameBack} />
        </View>
      )}
    </JobPage>
  );
}
