import { useMemo, useState } from 'react';

import { boxOf } from '@/core/device/shapes';
import { coverOf, bondPerimeter } from '@/core/device/perimeter';
import { dryFit, minClearMm } from '@/core/fit/dryFit';
import { fitByEye } from '@/core/fit/fitByEye';
import { gaugePoints } from '@/core/fit/gaugePoints';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { useByEye } from '@/bench-kit/ByEye';
import { instrumentsNow, moveOnGauge } from '@/bench-kit/instruments';
import { placeName } from '@/words/placeNames';
import { useGaugePad } from '@/bench-kit/useGaugePad';
import { useGoOn } from '@/bench-kit/useGoOn';
import { useSettings } from '@/store/shop';
import { length } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { cameraHoles, heatLoss, readHoles } from '@/work/bond/fitJob';
import { eyeText } from './eyeText';
import { moveText } from './moveText';
import { t } from '@/words/dryFit';

export const caution = () => t('newGlassHasSharpEdgesGloves');

/** How it stands: what DryFitStage shows and does. */
export function useDryFitStage({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(10_000);
  const { undo, decide } = useActions(job);
  const goOn = useGoOn(job, 'dryFit');
  const points = useMemo(() => gaugePoints(job.device, job.bond), [job.device, job.bond]);
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);
  const box = boxOf(coverOf(job.device, job.bond).outline);
  const centre = [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2] as const;
  const taken = points.filter((p) => job.gaps[p.id] !== undefined);
  const [asked, setAsked] = useState(false);
  const measuring = asked || taken.length > 0;
  const by = useByEye(job, 'gap', points, measuring);
  const eye =
    !measuring && by.eye ? (by.eye.fine || by.eye.spots.length ? fitByEye(points, by.eye.spots, centre) : null) : null;
  const complete = taken.length === points.length;
  const heat = heatLoss(job, settings);
  const clear = Math.max(minClearMm.value, heat.lossMm);
  const cameras = cameraHoles(job);
  const fit =
    taken.length >= 6
      ? dryFit(
          taken.map((p) => ({ id: p.id, at: p.at, normal: p.normal, gapMm: job.gaps[p.id]! })),
          centre,
          readHoles(cameras),
          clear,
          job.gaugeU.gapMm || settings.gaugeU.gapMm,
        )
      : null;
  const next = points.find((p) => job.gaps[p.id] === undefined);
  const place = (p: (typeof points)[number]) => placeName(path, p.sMm);
  const { thumb, pad } = useGaugePad(
    measuring && next ? t('gap2', { next: points.indexOf(next) + 1, next2: place(next) }) : null,
  );
  const move = fit ? moveText(fit, settings) : '';
  const text = !measuring
    ? eyeText(by, eye, place, points, settings)
    : !fit || !complete
      ? {
          sentence: next ? t('gapAt', { next: points.indexOf(next) + 1, next2: place(next) }) : t('measureTheGaps'),
          reason: `${t('feelerBetweenGlassAndFramePoints', { n: points.length })}${fit && move ? ` ${t('soFar', { move })}` : ''}`,
          tone: 'ink' as const,
        }
      : fit.use === 'noFit'
        ? {
            sentence: t('itDoesNotFit2'),
            reason: cameras.some((c) => c.offset)
              ? t('noSlideOrTurnGivesAll', {
                  clear: length(clear, settings, 2),
                  bestLeastGapMm: length(fit.bestLeastGapMm, settings, 2),
                })
              : t('noSlideOrTurnGivesAll2', {
                  clear: length(clear, settings, 2),
                  bestLeastGapMm: length(fit.bestLeastGapMm, settings, 2),
                }),
            tone: 'caution' as const,
          }
        : fit.use === 'leave' || !move
          ? {
              sentence: t('leaveItWhereItIs'),
              reason: t('gapsAndMoreOnAverage', {
                minAfterMm: length(fit.minAfterMm, settings, 2),
                meanGapMm: length(fit.meanGapMm, settings, 2),
              }),
              tone: 'ink' as const,
            }
          : {
              sentence: `${move[0]!.toUpperCase()}${move.slice(1)}.`,
              reason: `${fit.marginal ? t('leastGapBecomesOnlyJustEnough', { minBeforeMm: length(fit.minBeforeMm, settings, 2), minAfterMm: length(fit.minAfterMm, settings, 2) }) : t('leastGapBecomes', { minBeforeMm: length(fit.minBeforeMm, settings, 2), minAfterMm: length(fit.minAfterMm, settings, 2) })}${fit.use === 'minimax' ? ` ${t('evenGapsWouldStillTouchSo')}` : ''}`,
              tone: fit.marginal ? ('caution' as const) : ('ink' as const),
            };
  const again = () => {
    // the simulated bench is told how the glass was moved; a real gauge sees it
    if (fit && complete && instrumentsNow().about?.simulated)
      void moveOnGauge({
        dxMm: fit.move.towardRightMm,
        dyMm: -fit.move.towardTopMm,
        turnDeg: fit.move.clockwiseDeg,
      });
    clearGaps();
  };
  const clearGaps = () =>
    job.effective.filter((e) => e.type === 'reading' && e.quantity === 'gapMm').forEach((e) => undo(e.id));
  const can = measuring ? complete && fit?.use !== 'noFit' : eye !== null && eye.action === 'leave';
  const finish = () =>
    goOn([
      decide({
        call: 'dryFit',
        inputs: { gaps: job.gaps, byEye: job.eyes.gap },
        computed: fit && { use: fit.use, move: fit.move, minAfterMm: fit.minAfterMm },
        chosen: fit?.use ?? 'leave',
      }),
    ]);
  return {
    job,
    fit,
    settings,
    heat,
    measuring,
    taken,
    pad,
    again,
    by,
    can,
    finish,
    complete,
    points,
    setAsked,
    thumb,
    place,
    centre,
    eye,
    clear,
    next,
    now,
    text,
    cameras,
  };
}
export type DryFitStageState = ReturnType<typeof useDryFitStage>;
