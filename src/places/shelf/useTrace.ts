import { useState } from 'react';

import { pixelsOf, planPhoto, type OpenPhoto } from '@/bench-kit/pixels';
import { readPhoto } from '@/bench-kit/readPhoto';
import type { Pt } from '@/core/device/types';
import { CoreInputError } from '@/core/errors';
import type { FoundInPhoto } from '@/core/trace/findQuads';
import { cardCorners } from '@/core/trace/quad';
import { edgePoints, snapCorner } from '@/core/trace/snap';
import { upright } from '@/core/trace/straighten';
import { metPx, traceByRuler, traceDevice, type EdgePoints, type Traced } from '@/core/trace/traceDevice';
import { pickFile } from '@/ui/download';
import type { PlanPhoto } from '@/ui/plan/PhotoLayer';
import { t } from '@/words/shelf';
import { told } from '@/words/told';

interface Tapped {
  at: Pt;
  points: readonly Pt[];
  found: boolean;
}

/** What a photo is measured by, and how often it is tapped for that. */
export type Gauge = 'card' | 'ruler';
const gaugeTaps: Record<Gauge, number> = { card: 4, ruler: 2 };
const edgeTaps = 4;

/** Places along an edge that was found whole. */
const along = [0.2, 0.35, 0.5, 0.65, 0.8];

/** What was found without a tap, as if it had been tapped: the card's corners, then top, right, bottom and left edge. */
function tapsOf({ card, device }: FoundInPhoto): Tapped[] {
  if (!card) return [];
  const corners = card.map((at): Tapped => ({ at, points: [at], found: true }));
  if (!device) return corners;
  const four = upright(device);
  const edges = four.map((a, i): Tapped => {
    const b = four[(i + 1) % 4]!;
    const points = along.map((s): Pt => [a[0] + s * (b[0] - a[0]), a[1] + s * (b[1] - a[1])]);
    return { at: points[2]!, points, found: true };
  });
  return [...corners, ...edges];
}

/** Four corners that were tapped, made exact by the card's own sides where they stand out. */
function settled(photo: OpenPhoto, taps: readonly Tapped[]): Tapped[] {
  const { corners, found } = cardCorners(
    photo.grey,
    taps.map((x) => x.at),
  );
  return found ? corners.map((at): Tapped => ({ at, points: [at], found })) : [...taps];
}

/** Measuring in a photo: what was found or tapped so far, what comes next, what it gives. */
export function useTrace(onDone: (t: Traced, camera: readonly [Pt, Pt] | null, photo: PlanPhoto) => void) {
  const [photo, setPhoto] = useState<OpenPhoto | null>(null);
  const [taps, setTaps] = useState<Tapped[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const [gauge, setGauge] = useState<Gauge>('card');
  const [apartMm, setApartMm] = useState(100);
  const [busy, setBusy] = useState(false);
  const first = gaugeTaps[gauge];
  const open = async (camera: boolean) => {
    const file = await pickFile('image/*', camera);
    if (!file) return;
    setBusy(true);
    try {
      const { picture, found } = await readPhoto(file, gauge === 'card' ? { kind: 'card' } : null);
      setPhoto(await pixelsOf(picture));
      setTaps(tapsOf(found));
      setProblem(null);
    } catch (e) {
      setProblem(e instanceof Error ? e.message : String(e));
    } finally {
      setBusy(false);
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
    if (!photo || taps.length >= first + edgeTaps + 2) return;
    const n = taps.length;
    let next: Tapped = { at: p, points: [p], found: true };
    if (n < first && gauge === 'card') {
      const corner = snapCorner(photo.grey, p);
      next = { at: corner ?? p, points: [corner ?? p], found: corner !== null };
    } else if (n >= first && n < first + edgeTaps) {
      // towards the card: it lies on the device
      const card = taps.slice(0, first).map((x) => x.at);
      const middle: Pt = [card.reduce((s, c) => s + c[0], 0) / first, card.reduce((s, c) => s + c[1], 0) / first];
      const edge = edgePoints(photo.grey, p, middle);
      next = { at: edge.points[Math.floor(edge.points.length / 2)]!, ...edge };
    }
    const list = [...taps, next];
    setTaps(gauge === 'card' && list.length === first ? settled(photo, list) : list);
  };
  /** dragged by somebody who sees where it is: as good as a fingertip under a lens */
  const move = (i: number, dx: number, dy: number) =>
    setTaps((list) =>
      list.map((x, k): Tapped => {
        if (k !== i) return x;
        const by = ([px, py]: Pt): Pt => [px + dx, py + dy];
        return { at: by(x.at), points: x.points.map(by), found: x.found };
      }),
    );
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
    if (!traced || !photo) return;
    const [a, b] = taps.slice(first + edgeTaps).map((x) => traced.toPlan(x.at));
    onDone(traced, a && b ? [a, b] : null, planPhoto(photo, traced.toPicture, traced.widthMm, traced.lengthMm));
  };
  return {
    gauge,
    setGauge,
    apartMm,
    setApartMm,
    first,
    whole: first + edgeTaps + 2,
    picture: photo?.picture ?? null,
    taps,
    tap,
    move,
    busy,
    back: () => setTaps(taps.slice(0, -1)),
    byHand: () => setTaps([]),
    open,
    says: says(),
    traced,
    problem: problem ?? (measured && 'wrong' in measured ? measured.wrong : null),
    done,
  };
}
export type TraceState = ReturnType<typeof useTrace>;
