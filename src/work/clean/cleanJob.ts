import { adhesiveRecord } from '@/core/adhesives';
import type { CrumbInput } from '@/core/clean/crumb';
import { coverKinds } from '@/core/device/coverKinds';
import { coverOf } from '@/core/device/perimeter';
import { coverStrengths } from '@/core/lift/strength';
import { filmDryS } from '@/core/alcohol/drying';
import { cleanLacks, cleanZones, type CleanZone, type ZoneState } from '@/core/clean/zones';
import { boxOf } from '@/core/device/shapes';
import { keepOuts } from '@/core/lift/depth';
import type { JobState } from '@/model/fold';
import { lensWork } from '@/work/lift/lensCovers';
import { everyPart } from '@/work/heat/watchMarks';

/** Glass that was marked on Lift belongs to a zone when it lies this near to it, mm. */
const shardReachMm = 14;

export interface ZoneNow {
  zone: CleanZone;
  state: ZoneState;
  /** a wet one has dried by then; null when it is not wet */
  dryAtMs: number | null;
  /** marks of glass that stayed behind here */
  shards: string[];
}

/** What is cleaned on this job: the ring and the middle of a full bond, or the seats of the lens covers. */
export function zonesOf(job: JobState): CleanZone[] {
  const { construction } = job.face;
  if (coverKinds[construction].lens)
    return lensWork(job).chosen.map((l, index): CleanZone => {
      const b = boxOf(l.face.cover.outline);
      return {
        index,
        stretch: null,
        at: [(b.min[0] + b.max[0]) / 2, (b.min[1] + b.max[1]) / 2],
        dry: true,
        soft: true,
      };
    });
  return cleanZones(job.device, job.bond, keepOuts(job.device, job.bond, everyPart(job.device)));
}

/** Every zone as it is now, on the frame or on the cover that goes on again. */
export function zonesNow(
  job: JobState,
  zones: readonly CleanZone[],
  on: 'frame' | 'cover',
  ambientC: number,
): ZoneNow[] {
  const middle = (z: CleanZone) =>
    [...job.glassLeft].filter(([, p]) => nearest(zones, p) === z.index).map(([id]) => id);
  return zones.map((zone) => {
    const seen = job.zones[on].get(zone.index);
    const shards = on === 'frame' ? middle(zone) : [];
    const state = shards.length ? 'glass' : (seen?.state ?? 'residue');
    const dryAtMs =
      state === 'wet' && seen ? seen.at + filmDryS(Math.min(79, Math.max(-19, seen.tC ?? ambientC))) * 1e3 : null;
    return { zone, state, dryAtMs, shards };
  });
}

function nearest(zones: readonly CleanZone[], p: readonly [number, number]): number | null {
  let best = { d: Infinity, index: null as number | null };
  for (const z of zones) {
    const d = Math.hypot(z.at[0] - p[0], z.at[1] - p[1]);
    if (d < best.d) best = { d, index: z.index };
  }
  // far from every zone it still has to go: the nearest one takes it
  return best.d < shardReachMm * 6 ? best.index : (zones[0]?.index ?? null);
}

/** Does the cover itself have to be cleaned: a saved one, or one pulled from another device. */
export const cleansCover = (job: Pick<JobState, 'keepCover' | 'route'>): boolean =>
  job.keepCover || job.route?.origin === 'pulled';

/** Everything that keeps this job from being clean enough, for tape and for a bead. */
export function lacksOf(job: JobState, now: number, frameC: number, ambientC: number) {
  const zones = zonesOf(job);
  const frame = zonesNow(job, zones, 'frame', ambientC);
  const cover = cleansCover(job) ? zonesNow(job, zones, 'cover', ambientC) : null;
  const bare = (z: ZoneNow) => z.state === 'inspected' || z.state === 'film';
  return {
    frame,
    cover,
    ...cleanLacks({
      zones: frame,
      now,
      frameC,
      crumbsGone: job.prep.has('crumbsGone'),
      lensesBlown: job.prep.has('lensesBlown'),
      glanced: job.prep.has('glanced'),
      coverClean: cover ? cover.every(bare) : null,
      ringStays: job.prep.has('oldRingWhole'),
    }),
  };
}

/** What a crumb under this cover would do: the glass, and what lies over the crumb. */
export function crumbUnder(job: Pick<JobState, 'device' | 'bond' | 'route'>): CrumbInput {
  const cover = coverOf(job.device, job.bond);
  const strength = coverStrengths[cover.strength] ?? coverStrengths.glassPlain!;
  const tape = adhesiveRecord('cutTape');
  return {
    cover: strength,
    hMm: cover.hMm,
    flawUm: strength.flawUm.value,
    kNmm3: tape.debond.kNmm3.value,
    ringMm: job.bond.widthMm,
    gapMm: job.bond.gapMm,
    joint: job.route?.closedBy === 'bead' ? null : (tape.joint ?? null),
  };
}
