import { coverOf } from '@/core/device/perimeter';
import type { Device, PartKind } from '@/core/device/types';
import { scraps } from '@/core/intake/works';
import type { Marks } from '@/core/heat/opening';
import type { Watched } from '@/core/heat/member';
import { coverStrengths } from '@/core/lift/strength';
import type { JobState } from '@/model/fold';

export const everyPart = (d: Device): ReadonlySet<string> => new Set(d.parts.map((p) => p.id));

/** Marks of the cell; a device without a battery part gets marks that are never reached. */
export function batteryMarks(device: Device): { cautionC: number; stopC: number } {
  const limit = device.parts.find((p) => p.kind === 'battery')?.limitC;
  return { cautionC: limit?.caution.value ?? 1e3, stopC: limit?.stop.value ?? 1e3 };
}

/** A job as far as its limits ask. */
type Limited = Pick<JobState, 'device' | 'bond' | 'route'>;

/** The part of a kind that has to be spared: one that is thrown away need not, if it is the only one. */
function spared(job: Pick<Limited, 'device' | 'route'>, kind: PartKind): Device['parts'][number] | undefined {
  const own = job.device.parts.filter((p) => p.kind === kind);
  return own.length === 1 && scraps(job.route, kind) ? undefined : own[0];
}

/**
 * Marks of everything that is watched on this device: the parts that are in, and the cover's own surface (law 6). A display
 * that is replaced has none: a dead one is heated like a cover that is written off.
 */
export function watchMarks(job: Limited): Partial<Record<Watched, Marks>> {
  const out: Partial<Record<Watched, Marks>> = {};
  for (const kind of ['battery', 'camera', 'display'] as const) {
    const limit = spared(job, kind)?.limitC;
    if (limit) out[kind] = { cautionC: limit.caution.value, stopC: limit.stop.value };
  }
  const { caution, stop } = strengthOf(job).surfaceC;
  out.cover = { cautionC: caution.value, stopC: stop.value };
  return out;
}

/** Stop marks of the other watched parts that are in the device and have to be spared. */
export function partStopC(job: Pick<Limited, 'device' | 'route'>): Partial<Record<'camera' | 'display', number>> {
  const stop = (kind: 'camera' | 'display') => spared(job, kind)?.limitC?.stop.value;
  return { camera: stop('camera'), display: stop('display') };
}

/** Strength record of the cover that is worked on. */
export const strengthOf = (job: Pick<JobState, 'device' | 'bond'>) =>
  coverStrengths[coverOf(job.device, job.bond).strength] ?? coverStrengths.glassPlain!;
