import { greyOf, type Grey } from '@/core/trace/snap';
import { straightened } from '@/core/trace/straighten';
import type { Pt } from '@/core/device/types';
import { maxPhotoChars } from '@/model/files';
import type { Picture } from '@/model/pictureSizes';
import type { PlanPhoto } from '@/ui/plan/PhotoLayer';

/** A photo that was opened, with its pixels at hand. */
export interface OpenPhoto {
  picture: Picture;
  pixels: ImageData;
  grey: Grey;
}

/** @throws Error when it cannot be drawn */
export async function pixelsOf(picture: Picture): Promise<OpenPhoto> {
  const image = new Image();
  image.src = picture.data;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = picture.widthPx;
  canvas.height = picture.heightPx;
  const c = canvas.getContext('2d', { willReadFrequently: true })!;
  c.drawImage(image, 0, 0);
  const pixels = c.getImageData(0, 0, picture.widthPx, picture.heightPx);
  return { picture, pixels, grey: greyOf(pixels.data, picture.widthPx, picture.heightPx) };
}

/** Sharpness of a picture that is kept under a plan, px for each mm, and its longest edge, px. */
const keptPxPerMm = 8;
const keptEdgePx = 1280;

/** A rectangle of the plan straightened out of a photo, as a picture to keep. */
export function planPhoto(
  photo: OpenPhoto,
  toPicture: (mm: Pt) => Pt,
  widthMm: number,
  lengthMm: number,
): PlanPhoto & { widthPx: number; heightPx: number; bytes: number } {
  const pxPerMm = Math.min(keptPxPerMm, keptEdgePx / Math.max(widthMm, lengthMm));
  const { width, height, data } = straightened(photo.pixels, toPicture, widthMm, lengthMm, pxPerMm);
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const out = new ImageData(width, height);
  out.data.set(data);
  canvas.getContext('2d')!.putImageData(out, 0, 0);
  let jpeg = '';
  for (const quality of [0.72, 0.55, 0.35]) {
    jpeg = canvas.toDataURL('image/jpeg', quality);
    if (jpeg.length <= maxPhotoChars) break;
  }
  return { data: jpeg, widthMm, lengthMm, widthPx: width, heightPx: height, bytes: Math.round((jpeg.length * 3) / 4) };
}
