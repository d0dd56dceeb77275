import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';

import type { Pt } from '@/core/device/types';
import type { CrackAnswer, CrackQuestion } from '@/core/lift/cracks/crackWork';
import type { PieceStep } from '@/core/lift/cracks/liftOrder';
import type { JobState } from '@/model/fold';
import type { PieceDrawn } from '@/ui/plan/pieceLayers';
import { length } from '@/words/units';
import type { Settings } from '@/model/settings';
import { askPieces } from '@/workers/cracksClient';
import { crackQuestion } from '@/work/lift/crackQuestion';
import { t } from '@/words/kit';

interface LiveMap {
  answer: CrackAnswer | null;
  /** the answer is to the cracks and pieces as they are now; false: it is being computed anew */
  fresh: boolean;
  /** asks again with a stroke that is still being drawn; null: without one */
  preview: (stroke: readonly Pt[] | null) => void;
}

/**
 * Pieces and order of a job's cracks; the last answer stands until the next. Answers are shown as a transition, so that a
 * finger that draws goes before the picture of hundreds of pieces.
 */
export function useCrackMap(job: JobState): LiveMap {
  const { device, bond, face, cracks, piecesOff } = job;
  const [told, setTold] = useState<{ answer: CrackAnswer; to: CrackQuestion } | null>(null);
  const question = useMemo(
    () => crackQuestion({ device, bond, face, cracks, piecesOff }),
    [device, bond, face, cracks, piecesOff],
  );
  const current = useRef(question);
  useEffect(() => {
    current.current = question;
    let gone = false;
    askPieces(question, (a) => {
      if (!gone) startTransition(() => setTold({ answer: a, to: question }));
    });
    return () => {
      gone = true;
    };
  }, [question]);
  const preview = useCallback((stroke: readonly Pt[] | null) => {
    const base = current.current;
    const extra = stroke && stroke.length > 1 ? [stroke] : [];
    askPieces({ ...base, cracks: [...base.cracks, ...extra] }, (a) => {
      // a stroke that is too short as yet is no reason to lose the picture; nor is one whose map has moved on
      if (current.current === base && !('problem' in a)) startTransition(() => setTold({ answer: a, to: base }));
    });
  }, []);
  return { answer: told?.answer ?? null, fresh: told?.to === question, preview };
}

export type Found = Exclude<CrackAnswer, { problem: string }>;

/** The pieces as the plan draws them in their order, then those that are off. */
export const piecesDrawn = (found: Found): PieceDrawn[] => {
  const draw = (id: number, order: number, state: PieceDrawn['state']): PieceDrawn => {
    const p = found.map.pieces[id]!;
    return { loops: [p.outer, ...p.islands], labelAt: p.labelAt, areaMm2: p.areaMm2, order, state };
  };
  return [
    ...found.steps.map((s, i) => draw(s.pieceId, i + 1, i === 0 && found.map.pieces.length > 1 ? 'next' : 'todo')),
    ...found.off.map((id) => draw(id, 0, 'done')),
  ];
};

/** Why this piece now, in the words of the bench. */
export function pieceReasons(s: PieceStep, units: Pick<Settings, 'temperature' | 'length'>): string {
  const text: Record<PieceStep['reasons'][number], string> = {
    outerEdge: t('openAtTheOuterEdge'),
    edgeFreedByNeighbour: t('itsNeighbourIsOff'),
    noFreeEdge: t('noFreeEdgeBreakItLoose'),
    sliver: t('sliverTweezers'),
    overPart: t('overTheBladeFlatAtThe', { name: s.nearest?.name ?? 'part' }),
    cameraLast: t('atTheCameraSplitItLast'),
    farFromParts: t('farFromEverythingUnderIt'),
  };
  const near =
    s.risk === 0 && s.nearest && s.distanceMm < 30
      ? t('fromThe', { distanceMm: length(s.distanceMm, units, 0), name: s.nearest.name })
      : '';
  return s.reasons.map((r) => text[r]).join(', ') + near;
}
