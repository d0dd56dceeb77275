import type { EventOf, NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { Picture } from '@/model/pictureSizes';
import { newId } from '@/store/ids';
import { repository } from '@/store/shop';
import { t } from '@/words/kit';
import { digits } from '@/words/units';

/** Pictures of one job take up to this much of the browser's storage, bytes. */
export const photoBudgetBytes = 2.5e6;

export const mb = (bytes: number) => digits(bytes / 1e6, 2);

/** Pictures that the browser keeps for a job: also those that were taken out and not yet removed. */
export function keptPhotos(job: Pick<JobState, 'log' | 'effective'>): EventOf<'photo'>[] {
  const gone = new Set(job.effective.flatMap((e) => (e.type === 'photoGone' ? [e.photoId] : [])));
  return job.log.filter((e): e is EventOf<'photo'> => e.type === 'photo' && !gone.has(e.photoId));
}

/**
 * Keeps a picture with a job, within the room that a job has.
 * @returns its name, or what speaks against it in words
 * @throws StorageFullError
 */
export async function keepPhoto(
  job: Pick<JobState, 'log' | 'effective'>,
  log: (events: NewEvent[]) => Promise<unknown>,
  p: Picture,
  name: string,
  { caption, under, stage }: { caption: string } & Pick<EventOf<'photo'>, 'under' | 'stage'>,
): Promise<{ photoId: string } | { refused: string }> {
  const used = keptPhotos(job).reduce((m, x) => m + x.bytes, 0);
  if (used + p.bytes > photoBudgetBytes)
    return {
      refused: t('mbMoreThanTheMbOf', {
        given: name.slice(0, 60),
        bytes: mb(p.bytes),
        photoBudgetBytes: mb(photoBudgetBytes),
        used: mb(used),
      }),
    };
  const photoId = newId();
  // the picture first: an entry in the log never points at nothing
  await repository.savePhoto(photoId, p.data);
  await log([
    {
      type: 'photo',
      photoId,
      widthPx: p.widthPx,
      heightPx: p.heightPx,
      bytes: p.bytes,
      caption: caption.trim().slice(0, 200),
      ...(under ? { under } : {}),
      ...(stage ? { stage } : {}),
    },
  ]);
  return { photoId };
}
