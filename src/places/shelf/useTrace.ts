import { useState } from 'react';

import type { Pt } from '@/core/device/types';
import { CoreInputError } from '@/core/errors';
import { edgePoints, greyOf, snapCorner, type Grey } from '@/core/trace/snap';
import { metPx, traceByRuler, traceDevice, type EdgePoints, type Traced } from '@/core/trace/traceDevice';
import { pickFile } from '@/ui/download';
import { readPicture, type Picture } from '@/ui/pictures';
import type { PlanPhoto } from '@/ui/plan/PhotoLayer';
import { t } from '@/words/shelf';
import { told } from '@/words/told';

/** Sharpness of the picture that is kept under the plan. */
const keptPxPerMm = 4;

interface Loaded {
  picture: Picture;
  grey: Grey;
  pixels: ImageData;
}

interface Tapped {
  at: Pt;
  points: readonly Pt[];
  found: boolean;
}

/** What a photo is measured by, and how often it is tapped for that. */
export type Gauge = 'card' | 'ruler';
const gaugeTaps: Record<Gauge, number> = { card: 4, ruler: 2 };
const edgeTaps = 4;

/** A picture as shades of grey, for the edges in it. @throws Error when it cannot be drawn */
async function load(picture: Picture): Promise<Loaded> {
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

/** The device alone, straightened: every place of the plan read where it lies in the picture. */
function rectified({ pixels }: Loaded, traced: Traced): PlanPhoto {
  const [w, h] = [Math.round(traced.widthMm * keptPxPerMm), Math.round(traced.lengthMm * keptPxPerMm)];
  const out = new ImageData(w, h);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const [px, py] = traced.toPicture([(x + 0.5) / keptPxPerMm, (y + 0.5) / keptPxPerMm]);
      const [i, j] = [Math.round(px), Math.round(py)];
      const to = 4 * (y * w + x);
      const inside = i >= 0 && j >= 0 && i < pixels.width && j < pixels.height;
      const from = 4 * (j * pixels.width + i);
      for (let k = 0; k < 3; k++) out.data[to + k] = inside ? pixels.data[from + k]! : 255;
      out.data[to + 3] = 255;
    }
  const canvas = document.createElement('canvas');
  canvas.width = w;
  canvas.height = h;
  canvas.getContext('2d')!.putImageData(out, 0, 0);
  return { data: canvas.toDataURL('image/jpeg', 0.7), widthMm: traced.widthMm, lengthMm: traced.lengthMm };
}

/** Measuring in a photo: what was tapped so far, what comes next, what it gives. */
export function useTrace(onDone: (t: Traced, camera: readonly [Pt, Pt] | null, photo: PlanPhoto) => void) {
  const [loaded, setLoaded] = useState<Loaded | null>(null);
  const [taps, setTaps] = useState<Tapped[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const [gauge, setGauge] = useState<Gauge>('card');
  const [apartMm, setApartMm] = useState(100);
  const first = gaugeTaps[gauge];
  const open = async (camera: boolean) => {
    const file = await pickFile('image/*', camera);
    if (!file) return;
    try {
      setLoaded(await load(await readPicture(file)));
      setTaps([]);
      setProblem(null);
    } catch (e) {
      setProblem(e instanceof Error ? e.message : String(e));
    }
  };
  const measure = (list: readonly Tapped[]): Traced | { wrong: string } | null => {
    if (list.length < first + edgeTaps) return null;
    const [top, right, bottom, left] = list.slice(first, first + edgeTaps).map((x) => x.points);
    const edges: EdgePoints = { top: top!, right: right!, bottom: bottom!, left: left! };
    // one point that was only tapped is the worst of all
    const u = list.slice(0, first + edgeTaps).every((x) => x.found) ? metPx.snapped : metPx.tapped;
    try {
      const marks = list.slice(0, first).map((x) => x.points[0]!);
      return gauge === 'card'
        ? traceDevice(marks, edges, u.value)
        : traceByRuler([marks[0]!, marks[1]!], apartMm, edges, u.value);
    } catch (e) {
      return { wrong: e instanceof CoreInputError ? told(e.message) : String(e) };
    }
  };
  const tap = (p: Pt) => {
    if (!loaded || taps.length >= first + edgeTaps + 2) return;
    const n = taps.length;
    let next: Tapped = { at: p, points: [p], found: true };
    if (n < first && gauge === 'card') {
      const corner = snapCorner(loaded.grey, p);
      next = { at: corner ?? p, points: [corner ?? p], found: corner !== null };
    } else if (n >= first && n < first + edgeTaps) {
      // towards the card: it lies on the device
      const card = taps.slice(0, first).map((x) => x.at);
      const middle: Pt = [card.reduce((s, c) => s + c[0], 0) / first, card.reduce((s, c) => s + c[1], 0) / first];
      const edge = edgePoints(loaded.grey, p, middle);
      next = { at: edge.points[Math.floor(edge.points.length / 2)]!, ...edge };
    }
    setTaps([...taps, next]);
  };
  const measured = measure(taps);
  const traced = measured && 'toPlan' in measured ? measured : null;
  const says = () => {
    const n = taps.length;
    if (n < first) return gauge === 'card' ? t('tapCardCorner', { n: n + 1 }) : t('tapRulerMark', { n: n + 1 });
    return [
      t('tapEdgeTop'),
      t('tapEdgeRight'),
      t('tapEdgeBottom'),
      t('tapEdgeLeft'),
      t('tapCameraFirst'),
      t('tapCameraSecond'),
    ][n - first];
  };
  const done = () => {
    if (!traced || !loaded) return;
    const [a, b] = taps.slice(first + edgeTaps).map((x) => traced.toPlan(x.at));
    onDone(traced, a && b ? [a, b] : null, rectified(loaded, traced));
  };
  return {
    gauge,
    setGauge,
    apartMm,
    setApartMm,
    whole: first + edgeTaps + 2,
    picture: loaded?.picture ?? null,
    taps,
    tap,
    back: () => setTaps(taps.slice(0, -1)),
    open,
    says: says(),
    traced,
    problem: problem ?? (measured && 'wrong' in measured ? measured.wrong : null),
    done,
  };
}
