import { Link, useLocalSearchParams } from 'expo-router';
import { Suspense, useEffect, type ReactNode } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { useInPractice } from '@/store/practice';
import { useReadingText } from '@/store/reading';
import { useJob } from '@/store/shop';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/kit';
import { lastJoint, noteJoint } from './lastJoint';
import { PracticeFrame } from './practice/LazyPracticeFrame';

/** Renders with a job once the log is read; says plainly when there is none of that id. */
export function WithJob({ id, children }: { id: string; children: (job: JobState) => ReactNode }) {
  // reads which joint was looked at last, which changes beside React
  'use no memo';
  const { joint, stage } = useLocalSearchParams<{ joint?: string; stage?: string }>();
  const { job, loading } = useJob(id, joint ?? (stage ? undefined : lastJoint(id)));
  const seen = stage ? job?.joint : undefined;
  useEffect(() => {
    if (seen !== undefined) noteJoint(id, seen);
  }, [id, seen]);
  // a device that is guessed ships no heat model: it is begun while the first questions are answered
  const guessed = job?.device.known ? job : null;
  useEffect(() => {
    if (guessed) void import('./heatSoon').then(({ heatSoon }) => heatSoon(guessed));
  }, [guessed]);
  const practice = useInPractice();
  const readingText = useReadingText();
  if (job && practice)
    return (
      <Suspense fallback={null}>
        <PracticeFrame key={job.id} run={practice} job={job}>
          {children(job)}
        </PracticeFrame>
      </Suspense>
    );
  if (job) return <>{children(job)}</>;
  return (
    <View className="flex-1 bg-paper p-4" role="main">
      <Txt size="l" level={1}>
        {loading ? readingText : t('thereIsNoSuchJobIn')}
      </Txt>
      {loading ? null : (
        <Link href="/jobs" className="font-body text-m text-ink underline py-3">
          {t('allJobs')}
        </Link>
      )}
    </View>
  );
}
