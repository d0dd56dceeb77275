import { useRouter } from 'expo-router';
import { useMemo } from 'react';

import { useActions } from '@/bench-kit/actions';
import { hrefAt } from '@/bench-kit/stageHref';
import { useNow } from '@/bench-kit/useNow';
import type { JobState } from '@/model/fold';
import { stripWork } from '@/work/strip/stripJob';

/** What the pages beside the strip begin with: the work as it stands, and the way back to it. */
export function useStripPage(job: JobState) {
  const now = useNow(10_000);
  const router = useRouter();
  const { log } = useActions(job);
  const work = useMemo(() => stripWork(job), [job]);
  const backToStrip = () => router.replace(hrefAt(job, 'strip'));
  return { job, now, log, work, backToStrip };
}
