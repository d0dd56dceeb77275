import { useQuery } from '@tanstack/react-query';

import { coverKindOf } from '@/core/device/coverKinds';
import type { Device, Face } from '@/core/device/types';
import type { JobState } from '@/model/fold';
import { readDraftPhoto } from '@/store/modelPhoto';
import { repository } from '@/store/shop';
import type { PlanPhoto } from '@/ui/plan/PhotoLayer';

/** The photo that lies under a plan: the job's own, else the model's; null while there is none. */
export function useUnder(
  device: Pick<Device, 'id' | 'pictures'>,
  face: Face,
  inside: boolean,
  job?: Pick<JobState, 'photos'>,
): PlanPhoto | null {
  const own = job?.photos.findLast((p) => p.under?.face === face.id && p.under.inside === inside);
  const known = device.pictures?.findLast((p) => p.face === face.id && p.inside === inside);
  const id = own?.photoId ?? known?.id ?? null;
  const size = own?.under ?? known;
  const old = !inside && face.side === 'back' && !coverKindOf(face).lens ? device.id : null;
  const { data } = useQuery({
    queryKey: ['under', id, old],
    queryFn: async (): Promise<PlanPhoto | null> => {
      const picture = id && size ? (await repository.readPhotos([id]))[id] : undefined;
      if (picture && size) return { data: picture, widthMm: size.widthMm, lengthMm: size.lengthMm };
      return old ? readDraftPhoto(old) : null;
    },
    staleTime: Infinity,
  });
  return data ?? null;
}
