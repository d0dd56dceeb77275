import { coverOf } from '@/core/device/perimeter';
import type { Device } from '@/core/device/types';
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

/** Marks of everything that is watched on this device: the parts that are in, and the cover's own surface (law 6). */
export function watchMarks(job: Pick<JobState, 'device' | 'bond'>): Partial<Record<Watched, Marks>> {
  const out: Partial<Record<Watched, Marks>> = {};
  for (const kind of ['battery', 'camera', 'display'] as const) {
    const limit = job.device.parts.find((p) => p.kind === kind)?.limitC;
    if (limit) out[kind] = { cautionC: limit.caution.value, stopC: limit.stop.value };
  }
  const { caution, stop } = strengthOf(job).surfaceC;
  out.cover = { cautionC: caution.value, stopC: stop.value };
  return out;
}

/** Stop marks of the other watched parts that are in the device. */
export function partStopC(device: Device): Partial<Record<'camera' | 'display', number>> {
  const stop = (kind: 'camera' | 'display') => device.parts.find((p) => p.kind === kind)?.limitC?.stop.value;
  return { camera: stop('camera'), display: stop('display') };
}

/** Strength record of the cover that is worked on. */
export const strengthOf = (job: Pick<JobState, 'device' | 'bond'>) =>
  coverStrengths[coverOf(job.device, job.bond).strength] ?? coverStrengths.glassPlain!;
