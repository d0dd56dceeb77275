import { useState } from 'react';
import { useRouter } from 'expo-router';

import { gaugePoints } from '@/core/fit/gaugePoints';
import type { JobState } from '@/model/fold';
import { useByEye } from '@/bench-kit/ByEye';
import { placeName } from '@/words/placeNames';
import { useGaugePad } from '@/bench-kit/useGaugePad';
import { useSettings } from '@/store/shop';
import { bondPerimeter, Perimeter } from '@/core/device/perimeter';
import { useNow } from '@/bench-kit/useNow';
import { frameOf } from '@/work/bond/frameOf';
import { frameText, seatByEye } from './words';
import { t } from '@/words/intake';

/** How it stands: what FrameScreen shows and does. */
export function useFrameScreen({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(10_000);
  const router = useRouter();
  const points = gaugePoints(job.device, job.bond);
  const path = bondPerimeter(job.device, job.bond);
  const edge = new Perimeter(job.face.cover.outline);
  const frame = frameOf(job);
  const [asked, setAsked] = useState(false);
  const measuring = asked || points.some((p) => job.seats[p.id] !== undefined);
  const by = useByEye(job, 'seat', points, measuring);
  const place = (p: (typeof points)[number]) => placeName(edge, edge.locate(p.at));
  const missing = points.filter((p) => job.seats[p.id] === undefined);
  const [next] = missing;
  const { thumb, pad } = useGaugePad(
    measuring && next
      ? t('height2', { next: points.indexOf(next) + 1, edge: placeName(edge, edge.locate(next.at)) })
      : null,
    true,
  );
  const text = frame
    ? frameText(frame, settings)
    : !measuring
      ? seatByEye(by, place, points, settings)
      : {
          sentence: t('heightsToGo', { count: missing.length }),
          reason: t('aStraightEdgeOverTheFrame'),
          bad: false,
        };
  return {
    job,
    frame,
    by,
    measuring,
    setAsked,
    points,
    settings,
    thumb,
    place,
    pad,
    router,
    missing,
    edge,
    path,
    now,
    text,
  };
}
export type FrameScreenState = ReturnType<typeof useFrameScreen>;
