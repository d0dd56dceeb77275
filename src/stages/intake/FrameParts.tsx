import { bentLimits } from '@/core/fit/bentFrame';
import { eyeWords } from '@/words/eyeWords';
import { gaugeLines } from '@/bench-kit/GaugeEntry';
import { GaugeOrEye } from '@/bench-kit/GaugeOrEye';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { placeName } from '@/words/placeNames';
import { backHref, cameFrom } from '@/bench-kit/cameFrom';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Numbers, RingArcs, Soundings } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { digits, length, lengthNumber } from '@/words/units';
import { badStretches } from '@/work/bond/frameOf';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { FrameScreenState } from './useFrameScreen';
import { t } from '@/words/intake';

/** Heights of the seat. */
export function FramePicture({
  here: { job, points, missing, edge, settings, by, frame, path, measuring },
  size,
}: {
  here: FrameScreenState;
  size: PlanSize;
}) {
  return (
    <PlainPlan
      job={job}
      size={size}
      label={t('seatOfTheFrameOfPoints', { n: points.length - missing.length, of: points.length })}
      lines={gaugeLines(points, job.seats, (p) => placeName(edge, edge.locate(p.at)), settings)}
      {...(by.onTap ? { onTap: by.onTap } : {})}
    >
      {by.layer}
      {frame ? <RingArcs arcs={badStretches(job, frame, path).map((a) => ({ ...a, state: 'dry' }))} /> : null}
      {frame ? (
        <Soundings
          items={points.map((p, i) => ({
            at: [p.at[0] - p.normal[0] * 9, p.at[1] - p.normal[1] * 9],
            text: lengthNumber(frame.gapsMm[i]!, settings, 2),
            bold: frame.gapsMm[i] === frame.maxGapMm,
          }))}
        />
      ) : !measuring ? null : (
        <Numbers
          items={points.map((p, i) => ({
            at: [p.at[0] - p.normal[0] * 5, p.at[1] - p.normal[1] * 5],
            text: String(i + 1),
            state: p === missing[0] ? 'next' : job.seats[p.id] === undefined ? 'todo' : 'done',
          }))}
        />
      )}
    </PlainPlan>
  );
}

/** The main thing of the moment. */
export function FrameMain({ here: { pad, measuring, by, job, router } }: { here: FrameScreenState }) {
  return (
    pad ??
    (!measuring && (!by.eye || by.marking) ? (
      <Button kind="main" label={eyeWords.seat.fine} onPress={by.fine} />
    ) : (
      <Button
        kind="main"
        label={cameFrom(job, 'intake') === 'intake' ? t('backToIntake') : t('back')}
        onPress={() => router.replace(backHref(job, 'intake'))}
      />
    ))
  );
}

/** By eye or gauge, and what it comes to. */
export function FrameReadings({
  here: { job, by, measuring, setAsked, points, settings, thumb, place, frame },
}: {
  here: FrameScreenState;
}) {
  return (
    <>
      <GaugeOrEye
        job={job}
        of="seat"
        by={by}
        measuring={measuring}
        onMeasure={() => setAsked(true)}
        points={points}
        values={job.seats}
        name={t('height')}
        lowMm={-2}
        highMm={2}
        uMm={bentLimits.uSeatMm.value}
        units={settings}
        thumb={thumb}
        placeOf={place}
      />
      {frame ? (
        <Readings
          items={[
            {
              id: 'contact',
              value: `${Math.round(frame.contactShare * 100)} %`,
              label: t('ofTheRingWillBond'),
              tone: frame.contactShare < 0.999 ? 'caution' : 'go',
            },
            { id: 'gap', value: length(frame.maxGapMm, settings, 2), label: t('largestGapUnderFlatGlass') },
            { id: 'tape', value: length(frame.tapeNeededMm, settings, 2), label: t('tapeThatWouldBridgeIt') },
            {
              id: 'bead',
              value: t('mm', { figure: digits(frame.beadVolumeMm3, 1) }),
              label: t('beadThatWouldFillTheRest'),
            },
          ]}
        />
      ) : null}
    </>
  );
}

/** Why it rests so. */
export function FrameWhy({ here: { job, frame } }: { here: FrameScreenState }) {
  return (
    <Why
      job={job}
      call="frame"
      inputs={{ seats: job.seats }}
      computed={frame}
      notes={[t('flatStiffGlassRestsOnThe')]}
      rows={[
        rowOf(t('tapeSticksFromThisCompression'), bentLimits.compressMin, ''),
        rowOf(t('andIsNotPressedBeyond'), bentLimits.compressMax, ''),
        rowOf(t('highestGapForABead'), bentLimits.beadMaxMm, 'mm'),
        rowOf(t('largestShareOfTheRingFor'), bentLimits.maxBadShare, ''),
        rowOf(t('uncertaintyOfAHeight'), bentLimits.uSeatMm, 'mm'),
      ]}
    />
  );
}
