import { demoHistory } from '../src/demo/history';
import type { JobEvent } from '../src/model/event';

/** The instant at which the measured shops stand. */
export const at = new Date('2026-04-14T13:02:00').getTime();

/** Jobs of the demo's two months again and again, each of twenty entries, behind those that are given. */
export function bigJobs(count: number, first: readonly JobEvent[][] = []): JobEvent[][] {
  const jobs = [...first];
  const months = demoHistory(at)
    .map((l) => l.filter((e) => e.type !== 'reading' && e.type !== 'function'))
    .map((l) => [...l.slice(0, 12), ...l.slice(-8)]);
  for (let n = 0; jobs.length < count; n++) {
    const older = (1 + Math.floor(n / months.length)) * 60 * 86400e3;
    jobs.push(
      months[n % months.length]!.map((e, i) => ({
        ...e,
        jobId: `big-${n}`,
        id: `big-${n}-${i}`,
        at: e.at - older,
        loggedAt: e.loggedAt - older,
        ...(e.type === 'opened' ? { label: `J-${5000 + n}` } : {}),
      })),
    );
  }
  return jobs;
}
