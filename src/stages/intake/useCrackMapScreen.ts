import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';

import { CoreInputError } from '@/core/errors';
import { bondPerimeter, Perimeter } from '@/core/device/perimeter';
import { boxOf } from '@/core/device/shapes';
import { nearSegment } from '@/core/device/polygon';
import type { Pt } from '@/core/device/types';
import { polylineOf } from '@/core/lift/cracks/freehand';
import { maxCracks } from '@/core/lift/cracks/pieces';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { pieceReasons, piecesDrawn, useCrackMap } from '@/bench-kit/crackMap';
import { placeName } from '@/words/placeNames';
import { newId } from '@/store/ids';
import { useSettings } from '@/store/shop';
import { area, length } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { t } from '@/words/intake';

type Mode = 'draw' | 'chip' | 'rub' | 'look';

/** What is drawn this far beside the glass still counts, mm. */
const besideMm = 8;

/** A crack that is typed may run out beside the glass this far, mm. */
const offMm = 40;

/** A finger meets a crack within this distance, mm. */
const reachMm = 5;

const crackEvents = new Set(['crack', 'crackGone', 'chipMark', 'chipGone']);

/** Holds the stroke under the finger for whoever draws it. */
export function strokeStore() {
  let pts: readonly Pt[] | null = null;
  const listeners = new Set<() => void>();
  return {
    get: () => pts,
    set: (next: readonly Pt[] | null) => {
      pts = next;
      listeners.forEach((l) => l());
    },
    subscribe: (l: () => void) => {
      listeners.add(l);
      return () => void listeners.delete(l);
    },
  };
}

const round = (v: number) => Math.round(v * 100) / 100;

const spread = (pts: readonly Pt[]) => Math.max(...pts.map((p) => Math.hypot(p[0] - pts[0]![0], p[1] - pts[0]![1])));

/** "near the left edge, lower" or "in the middle". */
export function placeOf(path: Perimeter, at: Pt): string {
  const s = path.locate(at);
  const p = path.point(s);
  if (Math.hypot(p.at[0] - at[0], p.at[1] - at[1]) > path.lengthMm / 12) return t('inTheMiddle');
  return t('byThe', { path: placeName(path, s) });
}

/** The crack or chip that a finger means, as the event that rubs it out. */
function nearest(job: JobState, p: Pt): NewEvent | null {
  let best = reachMm;
  let out: NewEvent | null = null;
  for (const [crackId, pts] of job.cracks)
    for (let i = 0; i + 1 < pts.length; i++) {
      const { d } = nearSegment(p, pts[i]!, pts[i + 1]!);
      if (d < best) {
        best = d;
        out = { type: 'crackGone', crackId };
      }
    }
  for (const [chipId, at] of job.chips) {
    const d = Math.hypot(at[0] - p[0], at[1] - p[1]);
    if (d < best) {
      best = d;
      out = { type: 'chipGone', chipId };
    }
  }
  return out;
}

/** How it stands: what CrackMapScreen shows and does. */
export function useCrackMapScreen({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(10_000);
  const router = useRouter();
  const { log, undo } = useActions(job);
  const [mode, setMode] = useState<Mode>('draw');
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  // the stroke is outside the state of the page: only its line is drawn again while the finger moves
  const [stroke] = useState(strokeStore);
  const { answer, preview } = useCrackMap(job);
  const found = answer && !('problem' in answer) ? answer : null;
  const onFace = job.face.id;
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);

  const addCrack = (make: () => Pt[]) => {
    try {
      if (job.cracks.size >= maxCracks)
        throw new CoreInputError('cracks', job.cracks.size + 1, t('upTo', { maxCracks }));
      const pts = [...make()] as [number, number][];
      const { min, max } = boxOf(job.face.cover.outline);
      const off = pts.find((p) => p.some((v, i) => v < min[i]! - offMm || v > max[i]! + offMm));
      if (off)
        throw new CoreInputError(
          t('crackPoint'),
          `${off[0]},${off[1]}`,
          t('xToYToMm', { min: min[0] - offMm, max: max[0] + offMm, min2: min[1] - offMm, max2: max[1] + offMm }),
        );
      const events: NewEvent[] = [{ type: 'crack', crackId: newId(), onFace, pts }];
      if (job.findings.crack?.answer !== 'yes')
        events.push({ type: 'finding', kind: 'crack', answer: 'yes', edges: job.findings.crack?.edges ?? [] });
      void log(events);
      setProblem(null);
      return true;
    } catch (e) {
      setProblem(e instanceof Error ? e.message : t('notACrack'));
      return false;
    }
  };
  const onStroke = (pts: Pt[] | null, done: boolean) => {
    stroke.set(done ? null : pts);
    if (!done) return preview(pts);
    // a finger that starts or ends beside the device draws only what lies on it; a tap is no crack, and no mistake either
    const { min, max } = boxOf(job.face.cover.outline);
    const on = (pts ?? []).filter((p) => p.every((v, i) => v > min[i]! - besideMm && v < max[i]! + besideMm));
    const kept = on.length > 1 && spread(on) >= 1 && addCrack(() => polylineOf(on, 'crack'));
    if (!kept) preview(null);
  };
  const onTap = (p: Pt) => {
    if (mode === 'chip') {
      const edge = new Perimeter(job.face.cover.outline);
      const at = edge.point(edge.locate(p)).at;
      const events: NewEvent[] = [{ type: 'chipMark', chipId: newId(), onFace, place: [round(at[0]), round(at[1])] }];
      if (job.findings.chip?.answer !== 'yes') events.push({ type: 'finding', kind: 'chip', answer: 'yes' });
      void log(events);
      return;
    }
    const near = nearest(job, p);
    if (near) void log([near]);
    else setProblem(t('nothingWithinToRubOut', { reachMm: length(reachMm, settings, 0) }));
  };
  const last = job.effective.findLast((e) => crackEvents.has(e.type));
  const pieces = found?.map.pieces ?? [];
  const first = found?.steps[0];
  const drawn = useMemo(() => (found ? piecesDrawn(found) : []), [found]);
  const lines = useMemo(() => {
    const pieceLine = (i: number) => {
      const s = found!.steps[i]!;
      const p = found!.map.pieces[s.pieceId]!;
      return `${i + 1}: ${area(p.areaMm2, settings)}, ${placeOf(path, p.labelAt)}, ${pieceReasons(s, settings)}`;
    };
    return [
      ...(found?.steps.map((_, i) => pieceLine(i)) ?? []),
      ...(found?.map.dangling.length
        ? [t('ofCrackEndsInsideAndFrees', { danglingMm: length(found.map.danglingMm, settings, 0) })]
        : []),
      ...[...job.chips.values()].map((p) => t('chipAtThe', { path: placeName(path, path.locate(p)) })),
    ];
  }, [found, job.chips, path, settings]);
  return {
    typed,
    setTyped,
    addCrack,
    first,
    pieces,
    settings,
    path,
    found,
    job,
    answer,
    lines,
    mode,
    onStroke,
    onTap,
    drawn,
    stroke,
    setMode,
    setProblem,
    problem,
    now,
    last,
    undo,
    router,
    log,
  };
}
export type CrackMapScreenState = ReturnType<typeof useCrackMapScreen>;
