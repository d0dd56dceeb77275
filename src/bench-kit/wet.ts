import { capital } from '@/words/capital';
import { filmDryS, slotDryS } from '@/core/alcohol/drying';
import { airAwayS } from '@/core/alcohol/interlock';
import { defaultGun, type Heater } from '@/core/heat/heater';
import { answersOf } from '@/core/heat/heaterKind';
import { judgement } from '@/core/source';
import type { JobState } from '@/model/fold';
import { heaterOf, type Settings } from '@/model/settings';
import { time } from '@/words/units';
import { t } from '@/words/kit';

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

export interface WetRule {
  /** why this heater may not be switched on now */
  stop: string | null;
  /** what is told when it may */
  caution: string | null;
}

/**
 * What alcohol or open solvent glue on the bench means for a heater: a hot element stays off until it has dried, a plate or
 * a mat may be used and drives the vapour off (law 8). Heaters beyond arm's reach of the others light nothing there.
 */
export function wetRule(
  job: JobState,
  jobs: readonly JobState[],
  settings: Pick<Settings, 'roomC' | 'liquids' | 'apart'>,
  now: number,
  heater: Heater,
): WetRule {
  for (const j of [job, ...jobs.filter((x) => x.id !== job.id && x.closedAt === null)]) {
    const own = j.id === job.id;
    if (!own && settings.apart.includes(heater.id)) continue;
    const until = wetUntil(j, settings);
    const why =
      until !== null && until > now
        ? t('alcoholOnIsWetUntil', { own: own ? t('thisJob') : j.label, until: time(until) })
        : solventOpen(j, settings)
          ? t('solventGlueLiesOpenOn', { own: own ? t('thisJob') : j.label })
          : null;
    if (why === null) continue;
    return answersOf(heater).hotElement
      ? { stop: why, caution: null }
      : {
          stop: null,
          caution: t('moveTheAirNoSparkNear', { why: capital(why) }),
        };
  }
  return { stop: null, caution: null };
}

/** Why no heater with a hot element may be switched on now. Null: nothing is wet. */
export const wetStop = (
  job: JobState,
  jobs: readonly JobState[],
  settings: Pick<Settings, 'roomC' | 'liquids' | 'apart'>,
  now: number,
  heater: Heater = defaultGun,
): string | null => wetRule(job, jobs, settings, now, heater).stop;

/** Air heaters within arm's reach of this job that run, or whose element may still glow. */
export function airNear(job: JobState, jobs: readonly JobState[], settings: Settings, now: number): string[] {
  const out = new Set<string>();
  for (const j of [job, ...jobs.filter((x) => x.id !== job.id && x.closedAt === null)]) {
    const lastOn = j.heat.findLast((h) => h.setC !== null);
    if (!lastOn) continue;
    const heater = heaterOf(settings, lastOn.heater);
    if (!answersOf(heater).hotElement || (j.id !== job.id && settings.apart.includes(heater.id))) continue;
    const last = j.heat[j.heat.length - 1]!;
    if (last.setC !== null || now - last.at < airAwayS.value * 1e3) out.add(heater.name);
  }
  return [...out];
}
