import { jointOf } from '@/core/device/jointKinds';
import { openTime } from '@/core/bond/openTime';
import { cureClocks, type CureKind } from '@/core/cure/laws';
import { type ClosingWay } from '@/core/schedule/jobTasks';
import type { JobState, JointSeen } from '@/model/fold';
import { type Settings } from '@/model/settings';
import { clocksAhead, unlocksOf } from '@/work/cure/cureJob';
import { holdWays } from '@/work/cure/holdWays';
import { clipId, type BenchInput, type CureWay } from './benchInput';

/** How a job can be closed: as its route says; before that by tape or bead, where both are possible. */
export function closingWays(job: JobState, o: Pick<BenchInput, 'settings' | 'now' | 'ways'>): ClosingWay[] {
  const wanted = o.ways?.get(job.id) ?? (job.route ? [job.route.closedBy] : openWays(job, o.settings));
  return wanted.map((id) => wayOf(job, o.settings, o.now, id));
}

/** Ways that are still open before a route was chosen: the plan takes the one that serves it better. */
function openWays(job: Pick<JointSeen, 'bond'>, settings: Settings): readonly CureWay[] {
  const { closings } = jointOf(job.bond);
  const liquid = settings.liquids.some((l) => l.leftMl > 0 || l.tubes.length > 0);
  // a bead that nobody has is no choice, where there is another
  return closings.length === 1 || liquid ? closings : closings.filter((c) => c !== 'bead');
}

function wayOf(job: JobState, settings: Settings, now: number, id: CureWay): ClosingWay {
  if (id === 'nothing') return { id, openS: null, clamp: null, clampOffS: 0, buildS: 0, handOverS: 0 };
  const { kind, bondMm, unlockS } = clocksAhead(job, settings, now, id);
  let openS: ClosingWay['openS'] = null;
  if (id === 'bead' && kind === 'solvent') {
    const t = openTime(Math.min(40, Math.max(5, job.ambientC ?? settings.roomC)), Math.max(0.02, job.bond.gapMm));
    // laying takes part of it: what is left after the first of the bead has waited
    openS = { min: t.waitS, max: Math.max(t.waitS, t.skinS) };
  }
  return {
    id,
    openS,
    clamp: clampOf(job, settings, kind, bondMm),
    clampOffS: unlockS.clampOff,
    buildS: unlockS.build,
    handOverS: unlockS.handOver,
  };
}

const clampPlans = new Map<string, ClosingWay['clamp']>();

/** Clips that this bond asks for, as its own clamp plan says. */
function clampOf(job: JobState, settings: Settings, kind: CureKind, bondMm: number): ClosingWay['clamp'] {
  const key = `${job.model.id}|${job.model.version}|${job.bond.id}|${kind}|${bondMm}|${JSON.stringify(settings.clips)}`;
  if (!clampPlans.has(key)) {
    const edges = { low: 1, high: 1, seen: 0 };
    const steps = [{ fromS: 0, tC: settings.roomC, rh: settings.humidity }];
    const cure = {
      kind,
      bondMm,
      startAt: null,
      steps,
      edges,
      ...(() => {
        const clocks = cureClocks(kind, Math.max(0.3, bondMm), steps, edges);
        return { clocks, unlockS: unlocksOf(clocks, settings.cureBy) };
      })(),
      shareLow: 0,
      shareHigh: 0,
    };
    const best = holdWays({ ...job, bonded: null }, settings, cure).find((w) => w.clips && w.count > 0);
    const clip = best && settings.clips.find((c) => c.id === best.id);
    clampPlans.set(
      key,
      clip && clip.owned > 0 ? { resource: clipId(clip.id), n: Math.min(clip.owned, best.count) } : null,
    );
  }
  return clampPlans.get(key)!;
}
