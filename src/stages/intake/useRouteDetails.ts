import { boxOf } from '@/core/device/shapes';
import { piecesToMove, type RouteOption } from '@/core/intake/route';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useSettings } from '@/store/shop';
import { t } from '@/words/intake';

/** How it stands: what RouteDetails shows and does. */
export function useRouteDetails({
  job,
  work,
  onRoute,
  onEvents,
}: {
  job: JobState;
  work: RouteOption['work'];
  onRoute: (change: Partial<NonNullable<JobState['route']>>) => void;
  onEvents: (e: NewEvent[]) => void;
}) {
  const settings = useSettings();
  const route = job.route!;
  const moves = piecesToMove(job.device, job.bond, work);
  const box = boxOf(job.face.cover.outline);
  const model = { width: box.max[0] - box.min[0], height: box.max[1] - box.min[1], thickness: job.face.cover.hMm };
  const lens = job.face.holes.find((h) => h.role === 'camera');
  const lensMm = lens?.shape.kind === 'disc' ? 2 * lens.shape.rMm : null;
  const fields = [
    ['width', t('widthOfTheGlass'), model.width],
    ['height', t('heightOfTheGlass'), model.height],
    ['thickness', t('thicknessOfTheGlass'), model.thickness],
    ...(lensMm ? [['lensHole', t('cameraHoleOldRingAgainstNew'), lensMm] as const] : []),
  ] as const;
  return { route, fields, settings, job, onEvents, moves, onRoute };
}
export type RouteDetailsState = ReturnType<typeof useRouteDetails>;
