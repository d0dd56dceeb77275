import './ownFigures';

import { expose } from 'comlink';

import { findCardAndDevice, findOutline, type FoundInPhoto } from '@/core/trace/findQuads';
import { greyOf } from '@/core/trace/snap';
import { pictureSizes, wantedBytes, type Picture } from '@/model/pictureSizes';

/** What is looked for in a photo without a tap: a bank card and the device under it, or a device of known size. */
export type LookFor = { kind: 'card' } | { kind: 'outline'; lengthMm: number; widthMm: number } | null;

export interface OpenedPhoto {
  picture: Picture;
  found: FoundInPhoto;
}

const nothing: FoundInPhoto = { card: null, device: null };

function drawn(image: ImageBitmap, edge: number): OffscreenCanvas {
  const scale = Math.min(1, edge / Math.max(image.width, image.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(image.width * scale)),
    Math.max(1, Math.round(image.height * scale)),
  );
  const c = canvas.getContext('2d', { willReadFrequently: true });
  if (!c) throw new Error('this browser gives no drawing surface');
  c.fillStyle = '#fff';
  c.fillRect(0, 0, canvas.width, canvas.height);
  c.imageSmoothingQuality = 'high';
  c.drawImage(image, 0, 0, canvas.width, canvas.height);
  return canvas;
}

async function address(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let text = '';
  // a call takes so many arguments and no more
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return `data:${blob.type};base64,${btoa(text)}`;
}

async function scaled(image: ImageBitmap): Promise<{ picture: Picture; canvas: OffscreenCanvas }> {
  let last: { picture: Picture; canvas: OffscreenCanvas } | null = null;
  for (const [edge, quality] of pictureSizes) {
    const canvas = drawn(image, edge);
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality });
    last = {
      canvas,
      picture: {
        data: await address(blob),
        widthPx: canvas.width,
        heightPx: canvas.height,
        bytes: blob.size,
      },
    };
    if (blob.size <= wantedBytes) break;
  }
  return last!;
}

function lookedAt(canvas: OffscreenCanvas, look: LookFor): FoundInPhoto {
  if (!look) return nothing;
  const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
  const grey = greyOf(data, canvas.width, canvas.height);
  return look.kind === 'card'
    ? findCardAndDevice(grey)
    : { card: null, device: findOutline(grey, look.lengthMm, look.widthMm) };
}

const api = {
  /** a picture file of up to any number of pixels, scaled down, and what was found in it; null: it is no picture */
  async open(file: Blob, look: LookFor): Promise<OpenedPhoto | null> {
    const image = await createImageBitmap(file).catch(() => null);
    if (!image) return null;
    try {
      const { picture, canvas } = await scaled(image);
      return { picture, found: lookedAt(canvas, look) };
    } finally {
      image.close();
    }
  },
};

export type PhotoApi = typeof api;

expose(api);
