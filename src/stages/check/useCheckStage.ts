import { useMemo, useState } from 'react';
import { useRouter } from 'expo-router';

import { bondPerimeter } from '@/core/device/perimeter';
import type { JobState } from '@/model/fold';
import { functionState } from '@/work/check/faults';
import { flushOf } from '@/work/check/flushJob';
import { useByEye } from '@/bench-kit/ByEye';
import { placeName } from '@/words/placeNames';
import { useGaugePad } from '@/bench-kit/useGaugePad';
import { useSettings } from '@/store/shop';
import { useNow } from '@/bench-kit/useNow';
import { checkCall, checkState } from './checkCall';
import { useFinishCheck } from './useFinishCheck';
import { t } from '@/words/check';

export const caution = () => t('noPressingOnAYoungBond');

/** How it stands: what CheckStage shows and does. */
export function useCheckStage({ job }: { job: JobState }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(10_000);
  const router = useRouter();
  const { fine, finish } = useFinishCheck(job);
  const { points, taken, complete, flush, eye } = flushOf(job);
  const [asked, setAsked] = useState(false);
  const measuring = asked || taken.length > 0;
  const by = useByEye(job, 'step', points, measuring);
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);
  const next = points.find((p) => job.steps[p.id] === undefined);
  const place = (p: (typeof points)[number]) => placeName(path, p.sMm);
  const { tested, tests, open } = checkState(job);
  const { newFaults, oldFaults, unclear } = functionState(job);
  const overridden = job.decisions.some((d) => d.call === 'check' && d.because);
  const { thumb, pad } = useGaugePad(
    measuring && next && !overridden ? t('step2', { next: points.indexOf(next) + 1, next2: place(next) }) : null,
    true,
  );
  const found = flush?.foundMm ?? null;
  const text = checkCall(job, settings, (id) => place(points.find((p) => p.id === id)!), measuring);
  const can = fine || overridden;
  // one tap when all is well: by eye and finger, as it is done everywhere
  const judge = !measuring && (!by.eye || by.marking);
  return {
    job,
    flush,
    units,
    settings,
    tested,
    tests,
    router,
    judge,
    by,
    measuring,
    pad,
    can,
    finish,
    open,
    setAsked,
    points,
    thumb,
    place,
    complete,
    eye,
    taken,
    newFaults,
    unclear,
    oldFaults,
    found,
    next,
    now,
    text,
  };
}
export type CheckStageState = ReturnType<typeof useCheckStage>;
