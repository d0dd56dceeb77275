import { type Href } from 'expo-router';
import { View } from 'react-native';

import { bladeClearMm, edgeOverCoil, heatAt } from '@/core/lift/cracks/bladeEntry';
import { orderWeights } from '@/core/lift/cracks/liftOrder';
import { leverMm } from '@/core/lift/leverage';
import { chipFlawUm } from '@/core/lift/strength';
import { creepAboveK } from '@/core/lift/pieceTarget';
import { pieceReasons } from '@/bench-kit/crackMap';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { hrefAt } from '@/bench-kit/stageHref';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { BladeMark, HeatMark } from '@/ui/plan/layers';
import { BreakLines, Pieces, Shards, Stroke } from '@/ui/plan/pieceLayers';
import { Txt } from '@/ui/Txt';
import { area, length, temp } from '@/words/units';
import { where } from './usePiecesLift';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { PiecesLiftState } from './usePiecesLift';
import { t } from '@/words/lift';

/** The pieces with their numbers. */
export function PiecesPicture({
  here: { job, leftCount, found, units, finger, onStroke, swollen, onTap, step, drawn, lines, piece, stroke },
  size,
}: {
  here: PiecesLiftState;
  size: PlanSize;
}) {
  return (
    <PlainPlan
      job={job}
      size={size}
      label={t('piecesLeftOfOff', { count: leftCount ?? 0, name: job.device.name, size: job.piecesOff.size })}
      lines={[
        ...(found?.steps.map((s, i) => `${i + 1}: ${area(s.areaMm2, units)}, ${pieceReasons(s, units)}`) ?? []),
        ...[...job.glassLeft.values()].map((p) =>
          t('glassLeftFromTheLeftFrom', { p: length(p[0], units, 0), p2: length(p[1], units, 0) }),
        ),
      ]}
      {...(finger === 'break' ? { onStroke } : finger === 'look' || swollen ? {} : { onTap })}
    >
      {step?.entry ? <BladeMark at={step.entry.at} into={step.entry.into} /> : null}
      {found ? <Pieces pieces={drawn} dangling={found.map.dangling} /> : null}
      {lines && step?.risk === 2 ? <BreakLines lines={lines.lines} /> : null}
      {piece && step ? <HeatMark at={heatAt(piece, step.entry)} /> : null}
      <Shards at={[...job.glassLeft.values()]} />
      {stroke ? <Stroke pts={stroke} /> : null}
    </PlainPlan>
  );
}

/** Off, or the end of the stage. */
export function PiecesMain({ here: { finished, goOn, step, takeOff, shut } }: { here: PiecesLiftState }) {
  return finished ? (
    // a button of its own: a tap that was meant for the last piece does not end the stage
    <Button key="end" kind="main" label={t('glassIsOff')} onPress={() => goOn()} />
  ) : (
    <Button
      kind="main"
      label={t('piece1IsOff')}
      onPress={() => step && takeOff(step.pieceId)}
      disabled={!step || shut !== null}
      {...(shut ? { why: shut } : {})}
    />
  );
}

/** Heat again. */
export function PiecesSide({ here: { finished, on, router, job } }: { here: PiecesLiftState }) {
  return finished ? undefined : (
    <Button
      label={on ? t('heat') : t('heatOneSpot')}
      onPress={() => router.replace(on ? hrefAt(job, 'heat') : (`/jobs/${job.id}/spot` as Href))}
    />
  );
}

/** How this piece is got under. */
export function ThisPiece({ here: { piece, step, units, lever, lift, flaw, lines } }: { here: PiecesLiftState }) {
  return piece && step ? (
    <Disclosure title={t('thisPiece')} open>
      <Txt size="s" className="mb-1">
        {step.risk > 0
          ? t('aimTheHeatAlwaysCirclingThen', { piece: where(heatAt(piece, step.entry), units) })
          : t('aimTheHeatAlwaysCirclingThen2', { piece: where(heatAt(piece, step.entry), units) })}
      </Txt>
      {lever !== null && lift ? (
        <Txt size="s" className="mb-1">
          {t('leverAtTheEdgeWhileIs', {
            lever: length(lever, units, 2),
            depthMm: length(step.entry!.depthMm, units, 0),
            cover: length(leverMm(lift.case.cover, lift.case.hMm, flaw, 20), units, 1),
            length: length(20, units, 0),
          })}
        </Txt>
      ) : null}
      {lever === null && step.entry ? (
        <Txt size="s" className="mb-1">
          {t('noLeveringHereTheFreeEdge')}
        </Txt>
      ) : null}
      {lines && step.risk === 2 ? (
        <Txt size="s" className="mb-1">
          {t('atTheCameraBreakItOn')}
        </Txt>
      ) : null}
      <Txt size="s">{t('tapTheDeviceFaceDownNow')}</Txt>
    </Disclosure>
  ) : null;
}

/** What comes after it. */
export function PieceOrder({ here: { found, units, takeOff } }: { here: PiecesLiftState }) {
  return found ? (
    <Disclosure title={t('orderToGo', { n: found.steps.length })}>
      {found.steps.slice(0, 40).map((s, i) => (
        <View key={s.pieceId} className="flex-row gap-2 py-1 border-b border-rule">
          <Txt num strong className="w-[34px]">
            {i + 1}
          </Txt>
          <Txt size="s" className="flex-1">
            {area(s.areaMm2, units)}: {pieceReasons(s, units)}
          </Txt>
          {i ? <Button kind="small" label={t('isOff', { i: i + 1 })} onPress={() => takeOff(s.pieceId)} /> : null}
        </View>
      ))}
    </Disclosure>
  ) : null;
}

/** Why in this order. */
export function PiecesWhy({
  here: { job, leftCount, lowC, pickMm, step, wedge, targetC, lift, units },
}: {
  here: PiecesLiftState;
}) {
  return (
    <Why
      job={job}
      call="pieces"
      inputs={{ pieces: leftCount, off: job.piecesOff.size, lowC, pickMm }}
      computed={{ step: step?.pieceId ?? null, verdict: wedge?.verdict ?? null, targetC }}
      notes={[
        wedge && lift
          ? lift.easyC === null
            ? lift.workC === null
              ? t('atTheGlueNeedsJM', {
                  lowC: temp(lowC, units),
                  gcJm2: Math.round(wedge.gcJm2),
                  pickMm: length(pickMm, units),
                })
              : t('atTheGlueNeedsJM2', {
                  lowC: temp(lowC, units),
                  gcJm2: Math.round(wedge.gcJm2),
                  pickMm: length(pickMm, units),
                  workC: temp(lift.workC, units),
                })
            : lift.workC === null
              ? t('atTheGlueNeedsJM3', {
                  lowC: temp(lowC, units),
                  gcJm2: Math.round(wedge.gcJm2),
                  easyC: temp(lift.easyC, units),
                  pickMm: length(pickMm, units),
                })
              : t('atTheGlueNeedsJM4', {
                  lowC: temp(lowC, units),
                  gcJm2: Math.round(wedge.gcJm2),
                  easyC: temp(lift.easyC, units),
                  pickMm: length(pickMm, units),
                  workC: temp(lift.workC, units),
                })
          : t('theHeatModelIsNotReady'),
        t('smallestFirstAwayFromPartsCamera'),
      ]}
      rows={[
        rowOf(t('weightOfTheWayToA'), orderWeights.distance, ''),
        rowOf(t('weightOfFreeEdge'), orderWeights.freeEdge, ''),
        rowOf(t('roomFromAPart'), bladeClearMm, 'mm'),
        rowOf(t('bladeOverACoil'), edgeOverCoil, ''),
        rowOf(t('aboveWhereTheBladeCreeps'), creepAboveK, 'K'),
        rowOf(t('edgeFlawOfBrokenGlass'), chipFlawUm.yes, 'µm'),
      ]}
    />
  );
}
