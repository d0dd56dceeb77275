import { t } from '@/words/ui';
/** Pictures are scaled down in the browser before they are kept. */
export interface Picture {
  /** JPEG as a data address */
  data: string;
  widthPx: number;
  heightPx: number;
  bytes: number;
}

export const maxFileMb = 40;
const longEdgePx = 1280;
const wantedBytes = 260_000;

export class PictureError extends Error {}

const sizes: [edge: number, quality: number][] = [
  [longEdgePx, 0.82],
  [longEdgePx, 0.65],
  [960, 0.65],
  [720, 0.6],
];

/** Reads a picture file and scales it down. @throws PictureError that names the file and what is allowed */
export async function readPicture(file: File): Promise<Picture> {
  const name = file.name.slice(0, 60) || t('thePicture');
  if (file.size > maxFileMb * 1e6)
    throw new PictureError(t('mbUpToMbIsAllowed2', { name, size: Math.round(file.size / 1e6), maxFileMb }));
  let image: ImageBitmap;
  try {
    image = await createImageBitmap(file);
  } catch {
    throw new PictureError(t('isNotAPictureThatThis', { name }));
  }
  try {
    let last: Picture | null = null;
    for (const [edge, quality] of sizes) {
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
