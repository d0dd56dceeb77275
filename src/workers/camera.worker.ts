import './ownFigures';

import { expose } from 'comlink';

import { shrunk, tappedEdge, targetShot, type Pixels, type Shot, type ShotEdge } from '@/core/camera/shot';
import { specks, type Specks } from '@/core/camera/specks';
import { paced } from './paced';

/** Most that a picture may have; phones make up to about 200 million pixels. */
const mostPixels = 60e6;

/** Takes a picture apart at its full size: scaling it down would change what is measured. */
async function pixelsOf(file: Blob): Promise<Pixels> {
  let image: ImageBitmap;
  try {
    image = await createImageBitmap(file);
  } catch {
    throw new Error('it is not a picture that this browser can read');
  }
  try {
    const { width, height } = image;
    if (width * height > mostPixels)
      throw new Error(
        `it has ${Math.round((width * height) / 1e6)} million pixels, allowed are up to ${mostPixels / 1e6}: take it at a smaller size`,
      );
    const c = new OffscreenCanvas(width, height).getContext('2d');
    if (!c) throw new Error('this browser gives no drawing surface');
    c.drawImage(image, 0, 0);
    const { data } = c.getImageData(0, 0, width, height);
    return { width, height, data };
  } finally {
    image.close();
  }
}

const api = {
  async target(file: Blob, onProgress: (share: number) => void): Promise<Shot> {
    const p = await pixelsOf(file);
    onProgress(0.2);
    return targetShot(
      p,
      paced((s) => onProgress(0.2 + 0.8 * s)),
    );
  },
  /** an edge at a place that was tapped, as shares of width and height */
  async tapped(file: Blob, at: readonly [number, number], key: string): Promise<ShotEdge> {
    const p = await pixelsOf(file);
    return tappedEdge(p, [at[0] * p.width, at[1] * p.height], key);
  },
  async flat(file: Blob, onProgress: (share: number) => void): Promise<Specks & { width: number; height: number }> {
    const p = await pixelsOf(file);
    onProgress(0.1);
    const { grey } = shrunk(p, 480);
    return {
      ...specks(
        grey,
        paced((s) => onProgress(0.1 + 0.9 * s)),
      ),
      width: grey.width,
      height: grey.height,
    };
  },
};

export type CameraApi = typeof api;

expose(api);
