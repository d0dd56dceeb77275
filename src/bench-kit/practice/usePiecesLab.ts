import { useEffect, useMemo, useState } from 'react';

import { insidePolygon } from '@/core/device/polygon';
import type { Pt } from '@/core/device/types';
import { PiecesBench, piecesFigures, type PiecesAction, type PiecesHappened } from '@/core/practice/pieces/bench';
import { pieceHandFigures } from '@/core/practice/pieces/hands';
import { foldJob, type JobState } from '@/model/fold';
import { changePractice, type PracticeRun } from '@/store/practice';
import { shopScale } from '@/work/heat/shopAdhesive';
import { truthOf } from '@/work/practice/exercises';
import { piecesCase } from '@/work/practice/piecesPractice';
import { playedOn, waited, type Done } from '@/work/practice/replay';
import { useActions } from '../actions';
import { useNow } from '../useNow';
import { useThermal } from '../useThermal';
import { begun, heatAct, useEntriesAsActs } from './entriesAsActs';

/** The shattered device of an exercise with its truth; null until its heat model is there. */
export function usePiecesBench(run: PracticeRun, job: JobState) {
  const { model } = useThermal(job.device, job.bond);
  const { id, seed } = run;
  // as it was begun: what is noted and set on the way changes nothing of the device
  const [first] = useState(run);
  return useMemo(() => {
    const start = foldJob(begun(first));
    if (!model || !start || id !== first.id) return null;
    const about = piecesCase(start, first.settings, model);
    const truth = truthOf('pieces', seed, about.path, shopScale(first.settings, start.bond.adhesive).sd);
    return { bench: new PiecesBench(about, truth), start };
  }, [model, first, id, seed]);
}

/** How far somebody goes who does what the page says: to the depth that is told, a little under the lift that is. */
function asTold(bench: PiecesBench, piece: number, off: readonly number[]): PiecesAction {
  const depthMm = bench.order({ off }).find((x) => x.pieceId === piece)?.entry?.depthMm ?? 0.5;
  return { kind: 'lever', piece, depthMm, liftMm: bench.limitMm(depthMm) * pieceHandFigures.liftShare.value };
}

/** The device as it stands now, and how to do something on it. */
export function usePiecesLab(run: PracticeRun, job: JobState) {
  const lab = usePiecesBench(run, job);
  const now = useNow(250);
  const nowS = Math.max(0, (now - run.startMs) / 1e3);
  const [refused, setRefused] = useState<PiecesHappened | null>(null);
  const { acts, settings } = run;
  const { log } = useActions(job);
  const played = useMemo(() => (lab ? playedOn(lab.bench, acts as readonly Done<PiecesAction>[]) : null), [lab, acts]);
  const seen = lab && played ? waited(lab.bench, played.state, nowS) : null;
  const state = seen?.state ?? null;
  const pieceAt = (loops: readonly (readonly Pt[])[]) =>
    lab?.bench.map.pieces.find((p) => insidePolygon(p.labelAt, loops[0]!))?.id;
  useEntriesAsActs(run, (e) => {
    if (e.type !== 'pieceOff') return heatAct(e, settings, job);
    const piece = pieceAt(e.loops);
    // what hands levered off themselves is noted after it
    return lab && state && piece !== undefined && !state.off.includes(piece)
      ? asTold(lab.bench, piece, state.off)
      : null;
  });
  // a piece that was noted as off and holds lies where it lay
  const wrong =
    state && played && played.count === acts.length
      ? [...job.piecesOff].filter(([, o]) => {
          const piece = pieceAt(o.loops);
          const tried = acts.some((a) => a.action.kind === 'lever' && a.action.piece === piece);
          return piece !== undefined && tried && !state.off.includes(piece);
        })
      : [];
  const wrongIds = wrong.map(([offId]) => offId).join();
  useEffect(() => {
    if (wrongIds) void log(wrongIds.split(',').map((offId) => ({ type: 'pieceBack' as const, offId })));
  }, [wrongIds, log]);
  const act = (action: PiecesAction, dtS: number): PiecesHappened | null => {
    if (!lab || !state || run.speed === 0) return null;
    const { happened } = lab.bench.step(state, action, dtS);
    const no = happened.find((h) => h.what === 'refused' || h.what === 'noEdge') ?? null;
    setRefused(no);
    if (!no)
      changePractice((r) => ({ ...r, acts: [...r.acts, { atS: Math.max(nowS, played!.state.tS), dtS, action }] }));
    return happened.find((h) => h.what === 'pieceOff') ?? null;
  };
  /** Levers the piece that the page is at, and notes it there when it is off. */
  const lever = (depthMm: number, liftMm: number) => {
    const next = lab && state ? lab.bench.order(state)[0] : undefined;
    if (!next) return;
    if (!act({ kind: 'lever', piece: next.pieceId, depthMm, liftMm }, piecesFigures.leverS.value)) return;
    const p = lab!.bench.map.pieces[next.pieceId]!;
    const two = (v: number) => Math.round(v * 100) / 100;
    void log([
      {
        type: 'pieceOff',
        offId: `${run.id}-${next.pieceId}`,
        onFace: job.face.id,
        loops: [p.outer, ...p.islands].map((l) => l.map(([x, y]): [number, number] => [two(x), two(y)])),
        areaMm2: two(p.areaMm2),
      },
    ]);
  };
  const happened = played && seen ? [...played.happened, ...seen.happened] : [];
  return { lab, state, happened, refused, nowS, lever };
}

export type PiecesLab = ReturnType<typeof usePiecesLab>;
