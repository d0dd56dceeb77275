import { maxFileMb, pictureSizes, wantedBytes, type Picture } from '@/model/pictureSizes';
import { t } from '@/words/ui';
export class PictureError extends Error {}

/** @throws PictureError when a file is larger than is taken */
export function gateSize(file: File): string {
  const name = file.name.slice(0, 60) || t('thePicture');
  if (file.size > maxFileMb * 1e6)
    throw new PictureError(t('mbUpToMbIsAllowed2', { name, size: Math.round(file.size / 1e6), maxFileMb }));
  return name;
}

export const notAPicture = (name: string): PictureError => new PictureError(t('isNotAPictureThatThis', { name }));

/** Reads a picture file and scales it down. @throws PictureError that names the file and what is allowed */
export async function readPicture(file: File): Promise<Picture> {
  const name = gateSize(file);
  let image: ImageBitmap;
  try {
    image = await createImageBitmap(file);
  } catch {
    throw notAPicture(name);
  }
  try {
    let last: Picture | null = null;
    for (const [edge, quality] of pictureSizes) {
      last = draw(image, edge, quality);
      if (last.bytes <= wantedBytes) break;
    }
    return last!;
  } finally {
    image.close();
  }
}

function draw(image: ImageBitmap, edge: number, quality: number): Picture {
  const scale = Math.min(1, edge / Math.max(image.width, image.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(image.width * scale));
  canvas.height = Math.max(1, Math.round(image.height * scale));
  const c = canvas.getContext('2d');
  if (!c) throw new PictureError(t('thisBrowserGivesNoDrawingSurface'));
  c.fillStyle = '#fff';
  c.fillRect(0, 0, canvas.width, canvas.height);
  c.drawImage(image, 0, 0, canvas.width, canvas.height);
  const data = canvas.toDataURL('image/jpeg', quality);
  return { data, widthPx: canvas.width, heightPx: canvas.height, bytes: Math.round((data.length * 3) / 4) };
}
