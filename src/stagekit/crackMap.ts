import { useEffect, useMemo, useState } from 'react';

import type { Device, Pt } from '@/core/device/types';
import { polygonOf } from '@/core/device/polygon';
import { inset } from '@/core/device/shapes';
import type { CrackAnswer, CrackQuestion } from '@/core/lift/cracks/crackWork';
import type { CrackKeepOut, PieceStep } from '@/core/lift/cracks/liftOrder';
import { keepOuts } from '@/core/lift/depth';
import type { JobState } from '@/model/fold';
import { length } from '@/ui/units';
import type { Settings } from '@/model/settings';
import { askPieces } from '@/workers/cracksClient';
import { everyPart } from './thermalJob';

const kinds: Record<ReturnType<typeof keepOuts>[number]['why'], CrackKeepOut['kind']> = {
  coil: 'coil',
  camera: 'camera',
  cable: 'flex',
  button: 'flex',
  part: 'flex',
};

/** What a blade must not meet under a piece, from the parts of the device. */
export function crackKeepOuts(device: Device, bond: JobState['bond']): CrackKeepOut[] {
  return keepOuts(device, bond, everyPart(device)).map((k) => ({
    id: k.id,
    name: k.name,
    kind: kinds[k.why],
    shape: k.shape.kind === 'band' ? { kind: 'polygon', pts: polygonOf(inset(k.shape.of, k.shape.fromMm)) } : k.shape,
  }));
}

export const crackQuestion = (
  job: Pick<JobState, 'device' | 'bond' | 'face' | 'cracks'>,
  extra: readonly (readonly Pt[])[] = [],
): CrackQuestion => ({
  outline: job.face.cover.outline,
  holes: job.face.holes.map((h) => ({ shape: h.shape, role: h.role })),
  cracks: [...job.cracks.values(), ...extra],
  keepOuts: crackKeepOuts(job.device, job.bond),
});

/** Pieces and order of a job's cracks, with a stroke that is still being drawn; the last answer stands until the next. */
export function useCrackMap(job: JobState, stroke: readonly Pt[] | null = null): CrackAnswer | null {
  const { device, bond, face, cracks } = job;
  const [answer, setAnswer] = useState<CrackAnswer | null>(null);
  const question = useMemo(
    () => crackQuestion({ device, bond, face, cracks }, stroke && stroke.length > 1 ? [stroke] : []),
    [device, bond, face, cracks, stroke],
  );
  useEffect(() => {
    let gone = false;
    askPieces(question, (a) => {
      // a stroke that is too short as yet is no reason to lose the picture
      if (!gone && !('problem' in a && stroke)) setAnswer(a);
    });
    return () => {
      gone = true;
    };
  }, [question, stroke]);
  return answer;
}

/** Why this piece now, in the words of the bench. */
export function pieceReasons(s: PieceStep, units: Pick<Settings, 'temperature' | 'length'>): string {
  const text: Record<PieceStep['reasons'][number], string> = {
    outerEdge: 'open at the outer edge',
    edgeFreedByNeighbour: 'its neighbour is off',
    noFreeEdge: 'no free edge: break it loose in the middle',
    sliver: 'sliver, tweezers',
    overPart: `over the ${s.nearest?.name ?? 'part'}: blade flat, at the edge`,
    cameraLast: 'at the camera: split it, last',
    farFromParts: 'far from everything under it',
  };
  const near =
    s.risk === 0 && s.nearest && s.distanceMm < 30
      ? `, ${length(s.distanceMm, units, 0)} from the ${s.nearest.name}`
      : '';
  return s.reasons.map((r) => text[r]).join(', ') + near;
}
