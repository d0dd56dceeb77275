import { holeOffsetMm, minClearMm, moveResMm, uGapMm } from '@/core/fit/dryFit';
import { noticedMm } from '@/core/fit/byEye';
import { coldestC, hottestC } from '@/core/fit/thermalClearance';
import { eyeWords } from '@/words/eyeWords';
import { gaugeLines } from '@/bench-kit/GaugeEntry';
import { GaugeOrEye } from '@/bench-kit/GaugeOrEye';
import { readGauge } from '@/bench-kit/instruments';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { TurnArrow } from '@/ui/plan/bondLayers';
import { MoveArrow, Numbers, Soundings } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { length, lengthNumber, temp } from '@/words/units';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { DryFitStageState } from './useDryFitStage';

/** Gaps all round, and which way it is to be moved. */
export function DryFitPicture({
  here: { job, taken, points, place, settings, by, eye, centre, clear, measuring, next, complete, fit },
  size,
}: {
  here: DryFitStageState;
  size: PlanSize;
}) {
  return (
    <PlainPlan
      job={job}
      size={size}
      label={`Gaps at ${taken.length} of ${points.length} points`}
      lines={gaugeLines(points, job.gaps, place, settings)}
      {...(by.onTap ? { onTap: by.onTap } : {})}
    >
      {by.layer}
      {eye?.towards ? <MoveArrow from={centre} dx={0.3 * eye.towards[0]} dy={0.3 * eye.towards[1]} /> : null}
      {eye?.turn ? <TurnArrow about={centre} clockwise={eye.turn === 'clockwise'} /> : null}
      <Soundings
        items={taken.map((p) => ({
          at: [p.at[0] - p.normal[0] * 8, p.at[1] - p.normal[1] * 7] as const,
          text: lengthNumber(job.gaps[p.id]!, settings, 2).replace(/^0/, ''),
          ring: job.gaps[p.id]! < clear,
        }))}
      />
      {measuring && next ? (
        <Numbers items={[{ at: next.at, text: String(points.indexOf(next) + 1), state: 'next' }]} />
      ) : null}
      {complete && fit && fit.use !== 'noFit' && fit.say.turn ? (
        <TurnArrow about={centre} clockwise={fit.move.clockwiseDeg > 0} />
      ) : null}
      {complete && fit && fit.use !== 'noFit' && (fit.say.horizontal || fit.say.vertical) ? (
        <MoveArrow
          from={centre}
          dx={fit.say.horizontal ? fit.move.towardRightMm : 0}
          dy={fit.say.vertical ? -fit.move.towardTopMm : 0}
        />
      ) : null}
    </PlainPlan>
  );
}

/** What was measured, what fits. */
export function DryFitReadings({
  here: { measuring, taken, points, eye, settings, job, clear, heat, fit, complete },
}: {
  here: DryFitStageState;
}) {
  return (
    <Readings
      items={[
        measuring
          ? { id: 'n', value: `${taken.length} / ${points.length}`, label: 'points measured' }
          : {
              id: 'n',
              value: eye ? { leave: 'even', move: 'uneven', tooTight: 'too tight' }[eye.action] : '–',
              label: `by eye; a gap that is ${length(noticedMm('gap'), settings, 2)} off is seen in nine of ten`,
              tone: eye && eye.action !== 'leave' ? ('caution' as const) : ('ink' as const),
            },
        ...(measuring
          ? [
              {
                id: 'least',
                value: taken.length ? length(Math.min(...taken.map((p) => job.gaps[p.id]!)), settings, 2) : '–',
                label: `least gap, ${length(clear, settings, 2)} needed${heat.lossMm > minClearMm.value ? ': heat and cold take that much' : ''}`,
                tone:
                  taken.length && Math.min(...taken.map((p) => job.gaps[p.id]!)) < clear
                    ? ('caution' as const)
                    : ('ink' as const),
              },
            ]
          : []),
        ...(fit && complete
          ? [
              { id: 'after', value: length(fit.minAfterMm, settings, 2), label: 'least gap after the move' },
              {
                id: 'camera',
                value: fit.holeOffsetsMm.length ? length(Math.max(...fit.holeOffsetsMm), settings, 2) : '–',
                label: `camera off its hole after it, ${length(holeOffsetMm.value, settings, 2)} allowed`,
              },
            ]
          : []),
      ]}
    />
  );
}

/** By eye or by gauge. */
export function DryFitControls({
  here: { job, by, measuring, setAsked, points, settings, thumb, place, centre },
}: {
  here: DryFitStageState;
}) {
  return (
    <GaugeOrEye
      job={job}
      of="gap"
      by={by}
      measuring={measuring}
      onMeasure={() => setAsked(true)}
      points={points}
      values={job.gaps}
      name="Gap"
      lowMm={0}
      highMm={3}
      uMm={settings.gaugeU.gapMm}
      units={settings}
      thumb={thumb}
      placeOf={place}
      onRead={(p) => readGauge({ at: p.at, normal: p.normal, centre })}
    />
  );
}

/** The main thing of the moment. */
export function DryFitMain({
  here: { pad, measuring, can, by, finish, complete, points, taken },
}: {
  here: DryFitStageState;
}) {
  return (
    pad ??
    (!measuring && !can ? (
      <Button kind="main" label={eyeWords.gap.fine} onPress={by.fine} />
    ) : (
      <Button
        kind="main"
        label="It fits: go to bond"
        onPress={finish}
        disabled={!can}
        {...(can ? {} : { why: complete ? 'it does not fit' : `${points.length - taken.length} points to go` })}
      />
    ))
  );
}

/** Beside it. */
export function DryFitSide({ here: { measuring, taken, pad, again, by } }: { here: DryFitStageState }) {
  return measuring ? (
    taken.length && !pad ? (
      <Button label="Moved: again" onPress={again} />
    ) : undefined
  ) : by.marking && by.eye?.spots.length ? (
    <Button label="Moved: again" onPress={by.notFine} />
  ) : by.marking ? undefined : (
    <Button label={by.eye ? 'Judge again' : 'Not everywhere'} onPress={by.notFine} />
  );
}

/** Why it is moved so. */
export function DryFitWhy({ here: { job, fit, settings, heat } }: { here: DryFitStageState }) {
  return (
    <Why
      job={job}
      call="dryFit"
      inputs={{ gaps: job.gaps }}
      computed={fit ? { use: fit.use, move: fit.move, minAfterMm: fit.minAfterMm } : null}
      notes={
        fit
          ? [
              `Even fit by least squares: ${length(fit.move.towardTopMm, settings, 3)} up (u ${length(fit.u.towardTopMm, settings, 3)}), ${length(fit.move.towardRightMm, settings, 3)} right (u ${length(fit.u.towardRightMm, settings, 3)}), ${fit.move.clockwiseDeg.toFixed(3)}° clockwise (u ${fit.u.clockwiseDeg.toFixed(3)}); left over ${length(fit.rmsMm, settings, 3)} rms.`,
              `Between ${temp(coldestC.value, settings)} and ${temp(hottestC.value, settings)} ${heat.frame} round ${heat.cover} takes ${length(heat.lossMm, settings, 3)} of the gap on each side.`,
              ...(fit.holeWeight > 0
                ? [
                    'Even gaps alone would leave a camera too far off its hole: the fit is pulled toward it, no farther than needed.',
                  ]
                : []),
              `Largest least gap that any slide and turn can give: ${length(fit.bestLeastGapMm, settings, 3)}.`,
            ]
          : ['Six points give a first answer, all of them the one to work by.']
      }
      rows={[
        rowOf('Gauge uncertainty', { ...uGapMm, value: settings.gaugeU.gapMm }, 'mm'),
        rowOf('Least gap', minClearMm, 'mm'),
        rowOf('Smallest slide worth doing', moveResMm, 'mm'),
        rowOf('Camera off its hole', holeOffsetMm, 'mm'),
        rowOf(`Expansion of the frame (${heat.frame})`, heat.frameK, '1/K'),
        rowOf(`Expansion of the cover (${heat.cover})`, heat.coverK, '1/K'),
      ]}
    />
  );
}
