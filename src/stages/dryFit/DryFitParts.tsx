import { uGapMm } from '@/core/fit/gaugeFigures';
import { holeOffsetMm, minClearMm, moveResMm } from '@/core/fit/dryFit';
import { goTo } from '@/bench-kit/goTo';
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
import { digits, length, lengthNumber, temp } from '@/words/units';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { DryFitStageState } from './useDryFitStage';
import { t } from '@/words/dryFit';

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
      label={t('gapsAtOfPoints', { n: taken.length, of: points.length })}
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
          ? { id: 'n', value: `${taken.length} / ${points.length}`, label: t('pointsMeasured') }
          : {
              id: 'n',
              value: eye ? { leave: 'even', move: 'uneven', tooTight: t('tooTight') }[eye.action] : '–',
              label: t('byEyeAGapThatIs', { noticedMm: length(noticedMm('gap'), settings, 2) }),
              tone: eye && eye.action !== 'leave' ? ('caution' as const) : ('ink' as const),
            },
        ...(measuring
          ? [
              {
                id: 'least',
                value: taken.length ? length(Math.min(...taken.map((p) => job.gaps[p.id]!)), settings, 2) : '–',
                label:
                  heat.lossMm > minClearMm.value
                    ? t('leastGapNeededHeatAndCold', { clear: length(clear, settings, 2) })
                    : t('leastGapNeeded', { clear: length(clear, settings, 2) }),
                tone:
                  taken.length && Math.min(...taken.map((p) => job.gaps[p.id]!)) < clear
                    ? ('caution' as const)
                    : ('ink' as const),
              },
            ]
          : []),
        ...(fit && complete
          ? [
              { id: 'after', value: length(fit.minAfterMm, settings, 2), label: t('leastGapAfterTheMove') },
              {
                id: 'camera',
                value: fit.holeOffsetsMm.length ? length(Math.max(...fit.holeOffsetsMm), settings, 2) : '–',
                label: t('cameraOffItsHoleAfterIt', { value: length(holeOffsetMm.value, settings, 2) }),
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
      name={t('gap')}
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
  here: { pad, measuring, can, by, finish, complete, points, taken, job },
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
        label={t('itFitsGoToBond', { then: goTo(job, 'dryFit') })}
        onPress={finish}
        disabled={!can}
        {...(can
          ? {}
          : { why: complete ? t('itDoesNotFit') : t('pointsToGo', { count: points.length - taken.length }) })}
      />
    ))
  );
}

/** Beside it. */
export function DryFitSide({ here: { measuring, taken, pad, again, by } }: { here: DryFitStageState }) {
  return measuring ? (
    taken.length && !pad ? (
      <Button label={t('movedAgain')} onPress={again} />
    ) : undefined
  ) : by.marking && by.eye?.spots.length ? (
    <Button label={t('movedAgain')} onPress={by.notFine} />
  ) : by.marking ? undefined : (
    <Button label={by.eye ? t('judgeAgain') : t('notEverywhere')} onPress={by.notFine} />
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
              t('evenFitByLeastSquaresUp', {
                towardTopMm: length(fit.move.towardTopMm, settings, 3),
                towardTopMm2: length(fit.u.towardTopMm, settings, 3),
                towardRightMm: length(fit.move.towardRightMm, settings, 3),
                towardRightMm2: length(fit.u.towardRightMm, settings, 3),
                figure: digits(fit.move.clockwiseDeg, 3),
                figure2: digits(fit.u.clockwiseDeg, 3),
                rmsMm: length(fit.rmsMm, settings, 3),
              }),
              t('betweenAndRoundTakesOfThe', {
                value: temp(coldestC.value, settings),
                value2: temp(hottestC.value, settings),
                frame: heat.frame,
                cover: heat.cover,
                lossMm: length(heat.lossMm, settings, 3),
              }),
              ...(fit.holeWeight > 0 ? [t('evenGapsAloneWouldLeaveA')] : []),
              t('theBestAnySlideAndTurn', { bestLeastGapMm: length(fit.bestLeastGapMm, settings, 3) }),
            ]
          : [t('sixPointsGiveAFirstAnswer')]
      }
      rows={[
        rowOf(t('gaugeUncertainty'), { ...uGapMm, value: settings.gaugeU.gapMm }, 'mm'),
        rowOf(t('leastGap'), minClearMm, 'mm'),
        rowOf(t('smallestSlideWorthDoing'), moveResMm, 'mm'),
        rowOf(t('cameraOffItsHole'), holeOffsetMm, 'mm'),
        rowOf(t('expansionOfTheFrame', { frame: heat.frame }), heat.frameK, '1/K'),
        rowOf(t('expansionOfTheBack', { cover: heat.cover }), heat.coverK, '1/K'),
      ]}
    />
  );
}
