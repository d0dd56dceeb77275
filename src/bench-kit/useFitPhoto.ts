import { useState } from 'react';

import type { Pt } from '@/core/device/types';
import { CoreInputError } from '@/core/errors';
import { fitOf, upright } from '@/core/trace/straighten';
import { pickFile } from '@/ui/download';
import { t } from '@/words/kit';
import { told } from '@/words/told';
import { pixelsOf, planPhoto, type OpenPhoto } from './pixels';
import { readPhoto } from './readPhoto';

export type FittedPhoto = ReturnType<typeof planPhoto>;

/** Corners of a device that fills most of a photo: where somebody begins to drag them. */
function usualCorners(widthPx: number, heightPx: number, widthMm: number, lengthMm: number): Pt[] {
  const k = 0.8 * Math.min(widthPx / widthMm, heightPx / lengthMm);
  const [x, y] = [(widthPx - k * widthMm) / 2, (heightPx - k * lengthMm) / 2];
  return [
    [x, y],
    [x + k * widthMm, y],
    [x + k * widthMm, y + k * lengthMm],
    [x, y + k * lengthMm],
  ];
}

/** A photo of a device whose size is known: its corners found or dragged, then straightened. */
export function useFitPhoto(widthMm: number, lengthMm: number) {
  const [photo, setPhoto] = useState<OpenPhoto | null>(null);
  const [corners, setCorners] = useState<Pt[]>([]);
  const [found, setFound] = useState(false);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const open = async (camera: boolean) => {
    const file = await pickFile('image/*', camera);
    if (!file) return;
    setBusy(true);
    setProblem(null);
    try {
      const { picture, found: seen } = await readPhoto(file, { kind: 'outline', lengthMm, widthMm });
      setPhoto(await pixelsOf(picture));
      setFound(seen.device !== null);
      setCorners(
        seen.device
          ? upright(seen.device, lengthMm >= widthMm)
          : usualCorners(picture.widthPx, picture.heightPx, widthMm, lengthMm),
      );
    } catch (e) {
      setProblem(e instanceof Error ? e.message : t('thePictureCouldNotBeKept'));
    } finally {
      setBusy(false);
    }
  };
  const fit = (): ((mm: Pt) => Pt) | { wrong: string } | null => {
    if (!photo) return null;
    try {
      return fitOf(corners, widthMm, lengthMm);
    } catch (e) {
      return { wrong: e instanceof CoreInputError ? told(e.message) : String(e) };
    }
  };
  const toPicture = fit();
  const move = (i: number, dx: number, dy: number) =>
    setCorners((list) =>
      list.map((p, k): Pt => {
        if (k !== i || !photo) return p;
        const within = (v: number, most: number) => Math.min(Math.max(v, 0), most);
        return [within(p[0] + dx, photo.picture.widthPx), within(p[1] + dy, photo.picture.heightPx)];
      }),
    );
  return {
    photo,
    corners,
    found,
    busy,
    open,
    move,
    /** which end is up cannot be told from an outline */
    turn: () => setCorners((c) => [...c.slice(2), ...c.slice(0, 2)]),
    toPicture: typeof toPicture === 'function' ? toPicture : null,
    problem: problem ?? (toPicture && typeof toPicture === 'object' ? toPicture.wrong : null),
    fitted: (): FittedPhoto | null =>
      photo && typeof toPicture === 'function' ? planPhoto(photo, toPicture, widthMm, lengthMm) : null,
  };
}
export type FitPhotoState = ReturnType<typeof useFitPhoto>;
