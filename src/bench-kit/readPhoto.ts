import { gateSize, notAPicture, readPicture } from '@/ui/pictures';
import { photoInWorker, type LookFor, type OpenedPhoto } from '@/workers/photoClient';

/**
 * A picture file, scaled down away from the page's own thread, and what was found in it without a tap. A browser whose workers
 * cannot draw scales it here and finds nothing.
 * @throws PictureError that names the file and what is allowed
 */
export async function readPhoto(file: File, look: LookFor = null): Promise<OpenedPhoto> {
  const name = gateSize(file);
  if (typeof OffscreenCanvas === 'undefined' || typeof Worker === 'undefined')
    return { picture: await readPicture(file), found: { card: null, device: null } };
  const opened = await photoInWorker(file, look).result;
  if (!opened) throw notAPicture(name);
  return opened;
}
