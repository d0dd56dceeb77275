import { addDays } from 'date-fns/addDays';
import { set } from 'date-fns/set';

import type { Device } from '@/core/device/types';
import type { NewEvent } from '@/model/event';
import { jobWay } from '@/model/jobWay';
import { jointsFor, type JobWork } from '@/model/jobWorks';
import type { Language } from '@/model/languages';
import { jointsOfWay } from '@/model/way';
import { nowMs } from '@/store/clock';
import { newId } from '@/store/ids';
import { append } from '@/store/shop';
import { readTime } from '@/words/read';

/** What is said when a job is opened. */
export interface NewJob {
  label: string;
  person: string;
  device: Device;
  works: readonly JobWork[];
  customerMark: string;
  /** a time of day, today or tomorrow; empty: nothing was promised */
  promise: string;
  /** what the customer reads; null: as the bench */
  language: Language | null;
  /** what else is noted with it */
  more?: readonly NewEvent[];
}

/** Next free label: J-0143 after J-0142. */
export function nextLabel(labels: readonly string[]): string {
  const top = labels.reduce((m, l) => Math.max(m, Number(/^J-(\d+)$/.exec(l)?.[1] ?? 0)), 0);
  return `J-${String(top + 1).padStart(4, '0')}`;
}

/** Opens a job with its device model copied into the log; returns its id. */
export function openJob({ label, person, device, works, customerMark, promise, language, more = [] }: NewJob): string {
  const t = readTime(promise);
  const now = nowMs();
  const today = t ? set(now, { hours: t.hours, minutes: t.minutes, seconds: 0, milliseconds: 0 }).getTime() : null;
  const promiseAt = today === null ? null : today < now ? addDays(today, 1).getTime() : today;
  const jobId = newId();
  const steps = jobWay(device, jointsFor(device, works));
  const bondId = jointsOfWay(steps)[0]!;
  const asked = works.length ? { works: [...works] } : {};
  void append(jobId, person, [
    { type: 'opened', label, device, bondId, promiseAt, customerMark: customerMark.trim(), ...asked, steps },
    ...(language === null ? [] : [{ type: 'customer' as const, backup: null, lock: null, note: '', language }]),
    { type: 'stage', stage: 'intake', to: 'started' },
    ...more,
  ]);
  return jobId;
}
