import { filmDryS, slotDryS } from '@/core/alcohol/drying';
import { judgement } from '@/core/source';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { time } from '@/ui/units';

/** A wipe in the hand, and what it leaves, is counted as wet for at least this long, s. */
export const wipeWetS = judgement(600, 'a moist wipe lies beside the device for about ten minutes');

/**
 * Until when alcohol on this job is still wet; null: it is not. In the gap it dries slowly, through the open edge alone, and
 * counts as deep as the ring is wide. Somebody who has looked may say that it is dry.
 */
export function wetUntil(
  job: Pick<JobState, 'alcohol' | 'alcoholDryAt' | 'bond' | 'ambientC'>,
  settings: Pick<Settings, 'roomC'>,
): number | null {
  const roomC = Math.min(79, Math.max(-19, job.ambientC ?? settings.roomC));
  let until: number | null = null;
  for (const a of job.alcohol) {
    if (job.alcoholDryAt !== null && a.at <= job.alcoholDryAt) continue;
    const s =
      a.use === 'gap' ? slotDryS(roomC, Math.min(job.bond.widthMm, 10)) : Math.max(wipeWetS.value, filmDryS(roomC));
    until = Math.max(until ?? 0, a.at + s * 1e3);
  }
  return until;
}

/** A bead of solvent glue that is laid and not yet closed over: its vapour burns. */
export const solventOpen = (job: Pick<JobState, 'bead' | 'bonded'>, settings: Pick<Settings, 'liquids'>): boolean =>
  job.bead !== null &&
  job.bonded === null &&
  settings.liquids.find((l) => l.id === job.bead?.plan?.liquidId)?.cure !== 'moisture';

/** Why no heat may be switched on now: alcohol that is wet, here or on another job of the bench. Null: nothing is wet. */
export function wetStop(
  job: JobState,
  jobs: readonly JobState[],
  settings: Pick<Settings, 'roomC' | 'liquids'>,
  now: number,
): string | null {
  for (const j of [job, ...jobs.filter((x) => x.id !== job.id && x.closedAt === null)]) {
    const until = wetUntil(j, settings);
    if (until !== null && until > now)
      return `alcohol on ${j.id === job.id ? 'this job' : j.label} is wet until ${time(until)}`;
    if (solventOpen(j, settings)) return `solvent glue lies open on ${j.id === job.id ? 'this job' : j.label}`;
  }
  return null;
}
