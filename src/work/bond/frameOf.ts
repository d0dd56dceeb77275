import { adhesiveRecord } from '@/core/adhesives';
import { bentFrame, type BentFrame, type SeatPoint } from '@/core/fit/bentFrame';
import { gaugePoints } from '@/core/fit/gaugePoints';
import type { Perimeter } from '@/core/device/perimeter';
import type { JobState } from '@/model/fold';

/** The frame as it was measured; null until every point has its height. */
export function frameOf(
  job: JobState,
  tapeMm: number = adhesiveRecord('cutTape').joint!.thicknessMm.value,
): BentFrame | null {
  const points = gaugePoints(job.device, job.bond);
  const seats: SeatPoint[] = points.flatMap((p) => {
    const zMm = job.seats[p.id];
    return zMm === undefined ? [] : [{ id: p.id, at: p.at, zMm }];
  });
  if (seats.length < points.length) return null;
  return bentFrame(seats, tapeMm, job.bond.widthMm);
}

/** Stretches that will not bond, on the bond's own path: they are found along the gauge points, which have another length. */
export function badStretches(job: JobState, frame: BentFrame, path: Perimeter): { fromMm: number; toMm: number }[] {
  const scale = path.lengthMm / frame.perimeterMm;
  const startMm = path.locate(gaugePoints(job.device, job.bond)[0]!.at);
  return frame.badArcs.map((a) => ({ fromMm: startMm + a.fromMm * scale, toMm: startMm + a.toMm * scale }));
}
