import type { Device } from '@/core/device/types';
import type { EventOf } from '@/model/event';
import type { JobState } from '@/model/fold';
import { orderDone } from '@/work/strip/orderDone';

/** Names under which an order and a photo are kept or dropped, beside the notes with their own. */
export const orderItem = 'order';
export const photoItem = (photoId: string): string => `photo-${photoId}`.slice(0, 60);

/** The order in which a device came apart, when it is not what its model says already and nobody has decided; else null. */
export function newOrder(
  job: Pick<JobState, 'effective' | 'device' | 'screwsOut' | 'learnedKept'>,
  model: Pick<Device, 'order'>,
): string[] | null {
  if (job.learnedKept.has(orderItem)) return null;
  const order = orderDone(job);
  const known = model.order ?? [];
  const same = known.filter((id) => order.includes(id)).join() === order.join();
  return order.length && !same ? order : null;
}

/** Photos that were laid under the plan on a job, the last of each side, as far as nobody has decided on them. */
export function newPictures(job: Pick<JobState, 'photos' | 'learnedKept'>): EventOf<'photo'>[] {
  const last = new Map<string, EventOf<'photo'>>();
  for (const p of job.photos) if (p.under) last.set(`${p.under.face} ${p.under.inside}`, p);
  return [...last.values()].filter((p) => !job.learnedKept.has(photoItem(p.photoId)));
}

/** A model with an order of its own: what it knew of other things stays behind what was done now. */
export const withOrder = (device: Device, order: readonly string[]): Device => ({
  ...device,
  order: [...order, ...(device.order ?? []).filter((id) => !order.includes(id))].slice(0, 200),
});
