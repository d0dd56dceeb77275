import { writeJobFile } from '@/model/files';
import type { JobState, JobWay } from '@/model/fold';
import { repository } from '@/store/shop';
import { download } from '@/ui/download';

/** Ids of all pictures that a log has ever named, those that were taken out too: an export leaves nothing behind. */
export const photoIdsOf = (log: JobState['log']): string[] => [
  ...new Set(log.flatMap((e) => (e.type === 'photo' ? [e.photoId] : []))),
];

/** Hands the job to the browser as a file, with its pictures. */
export async function exportJob(job: Pick<JobWay, 'label' | 'log'>): Promise<void> {
  const photos = await repository.readPhotos(photoIdsOf(job.log));
  download(`${job.label.toLowerCase()}.northcove.json`, writeJobFile(job.log, Date.now(), photos));
}
