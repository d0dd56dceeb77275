import {
  comparable,
  flare,
  priorScatter,
  sharpnessOf,
  shopScatter,
  type Flare,
  type SharpRatio,
  type ShotScatter,
} from '@/core/camera/compare';
import { CoreInputError } from '@/core/errors';
import { coverKindOf } from '@/core/device/coverKinds';
import { boxOf } from '@/core/device/shapes';
import type { Shape } from '@/core/device/types';
import { knownSpots } from '@/core/fit/byEye';
import { coverByEye, coverPoints, type CoverPlace, type CoverPoint, type CoverSeen } from '@/core/fit/coverByEye';
import { coverFromGaps, type LensCoverSeat } from '@/core/fit/lensCover';
import type { JobState } from '@/model/fold';
import { lensWork } from '@/work/lift/lensCovers';

export interface CameraView {
  sharp: SharpRatio | null;
  flare: Flare | null;
  /** specks seen before and after on an even field; null where none was taken */
  specks: { before: number | null; after: number | null };
  seat: LensCoverSeat | null;
  /** why pictures cannot be compared */
  problem: string | null;
}

/** Lenses whose cover can be looked at: the holes of the face that is worked on. */
export const lensesOf = (job: JobState): { id: string; name: string; rMm: number }[] => {
  const holes = job.face.holes.filter((h) => h.role === 'camera');
  return holes.map((h, i) => ({
    id: h.id,
    name: holes.length > 1 ? `Lens ${i + 1}` : 'Lens',
    rMm:
      h.shape.kind === 'disc'
        ? h.shape.rMm
        : h.shape.kind === 'roundRect'
          ? Math.min(h.shape.max[0] - h.shape.min[0], h.shape.max[1] - h.shape.min[1]) / 2
          : 5,
  }));
};

/** How much this shop's own repeats differ: pictures of one lens in one phase of a job. */
export function scatterOf(jobs: readonly JobState[]): ShotScatter {
  const groups = new Map<string, number[]>();
  for (const job of jobs)
    for (const s of job.cameraShots) {
      if (s.edges.length < 2) continue;
      const key = `${job.id}|${s.lens}|${s.phase}`;
      const mean = s.edges.reduce((m, e) => m + Math.log(e.mtf50), 0) / s.edges.length;
      groups.set(key, [...(groups.get(key) ?? []), Math.exp(mean)]);
    }
  return shopScatter([...groups.values()]);
}

/** What the pictures of one lens say, before against after. */
export function cameraOf(job: JobState, lens: string, scatter: ShotScatter = priorScatter()): CameraView {
  const shots = (phase: 'before' | 'after') => job.cameraShots.filter((s) => s.lens === lens && s.phase === phase);
  const [before, after] = [shots('before'), shots('after')];
  const out: CameraView = {
    sharp: null,
    flare: null,
    specks: { before: null, after: null },
    seat: null,
    problem: null,
  };
  try {
    const edges = (list: typeof before) => list.map((s) => s.edges).filter((e) => e.length);
    const pair = comparable(edges(before), edges(after));
    if (pair) out.sharp = sharpnessOf(...pair, scatter);
    const patch = (list: typeof before) => list.findLast((s) => s.patch)?.patch;
    const [b, a] = [patch(before), patch(after)];
    if (b && a) out.flare = flare(b, a);
  } catch (e) {
    if (!(e instanceof CoreInputError)) throw e;
    out.problem = e.message;
  }
  for (const phase of ['before', 'after'] as const) {
    const field = job.flatShots.findLast((s) => s.lens === lens && s.phase === phase);
    if (field) out.specks[phase] = field.dark + field.bright;
  }
  const seat = job.coverSeats[lens];
  const hole = lensesOf(job).find((l) => l.id === lens);
  if (seat && hole) out.seat = coverFromGaps(hole.rMm, seat.gaps, seat.steps);
  return out;
}

/** Camera covers whose seat can be seen and felt: the lens covers of this work, else the camera holes of the face. */
export function coverPlaces(job: JobState): (CoverPlace & { name: string })[] {
  const of = (id: string, name: string, shape: Shape) => {
    const { min, max } = boxOf(shape);
    const at = [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2] as const;
    return { id, name, at, rMm: Math.min(max[0] - min[0], max[1] - min[1]) / 2 };
  };
  if (coverKindOf(job.face).lens)
    return lensWork(job).chosen.map((l) => of(l.bond.id, l.face.name, l.face.cover.outline));
  const holes = job.face.holes.filter((h) => h.role === 'camera');
  return lensesOf(job).map((l) => of(l.id, l.name, holes.find((h) => h.id === l.id)!.shape));
}

export interface CoverEye {
  points: CoverPoint[];
  /** each cover as it was seen and felt; null: nobody looked, or places are still to be marked */
  seen: CoverSeen[] | null;
}

/** What an eye and a fingertip said of the camera covers. */
export function coverEyeOf(job: JobState): CoverEye {
  const points = coverPoints(coverPlaces(job));
  const eye = job.eyes.cover;
  const spots = eye ? knownSpots(points, eye.spots) : [];
  return { points, seen: eye && (eye.fine || spots.length) ? coverByEye(points, spots) : null };
}
