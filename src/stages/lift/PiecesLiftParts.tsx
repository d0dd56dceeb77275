import { type Href } from 'expo-router';
import { View } from 'react-native';

import { bladeClearMm, edgeOverCoil, heatAt } from '@/core/lift/cracks/bladeEntry';
import { orderWeights } from '@/core/lift/cracks/liftOrder';
import { leverMm } from '@/core/lift/leverage';
import { chipFlawUm } from '@/core/lift/strength';
import { creepAboveK } from '@/core/lift/verdict';
import { pieceReasons } from '@/bench-kit/crackMap';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { stageHref } from '@/bench-kit/stageHref';
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
      label={`${leftCount ?? 0} pieces left of ${job.device.name}, ${job.piecesOff.size} off`}
      lines={[
        ...(found?.steps.map((s, i) => `${i + 1}: ${area(s.areaMm2, units)}, ${pieceReasons(s, units)}`) ?? []),
        ...[...job.glassLeft.values()].map(
          (p) => `glass left ${length(p[0], units, 0)} from the left, ${length(p[1], units, 0)} from the top`,
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
    <Button key="end" kind="main" label="Glass is off" onPress={() => goOn()} />
  ) : (
    <Button
      kind="main"
      label="Piece 1 is off"
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
      label={on ? 'Heat' : 'Spot heat'}
      onPress={() => router.replace(on ? stageHref(job.id, 'heat') : (`/jobs/${job.id}/spot` as Href))}
    />
  );
}

/** How this piece is got under. */
export function ThisPiece({ here: { piece, step, units, lever, lift, flaw, lines } }: { here: PiecesLiftState }) {
  return piece && step ? (
    <Disclosure title="This piece" open>
      <Txt size="s" className="mb-1">
        Heat aimed {where(heatAt(piece, step.entry), units)}, always circling; then the blade{' '}
        {step.risk > 0 ? 'flat and at the edge, never under the part' : 'flat under it, a second blade to lever with'}.
      </Txt>
      {lever !== null && lift ? (
        <Txt size="s" className="mb-1">
          Leverage: {length(lever, units, 2)} at the edge while {length(step.entry!.depthMm, units, 0)} is free,{' '}
          {length(leverMm(lift.case.cover, lift.case.hMm, flaw, 20), units, 1)} with {length(20, units, 0)} free. More
          breaks it again.
        </Txt>
      ) : null}
      {lever === null && step.entry ? (
        <Txt size="s" className="mb-1">
          Leverage: none here, the free edge is too short. Slide the blade flat, heat again when it stops.
        </Txt>
      ) : null}
      {lines && step.risk === 2 ? (
        <Txt size="s" className="mb-1">
          At the camera: break it on purpose along the dashed lines, so that it comes away in two parts round the ring.
          Do not bend the camera frame up. Then draw the stroke.
        </Txt>
      ) : null}
      <Txt size="s">Tap the device face down now and then: shards fall out, not in. None into the camera opening.</Txt>
    </Disclosure>
  ) : null;
}

/** What comes after it. */
export function PieceOrder({ here: { found, units, takeOff } }: { here: PiecesLiftState }) {
  return found ? (
    <Disclosure title={`Order: ${found.steps.length} to go`}>
      {found.steps.slice(0, 40).map((s, i) => (
        <View key={s.pieceId} className="flex-row gap-2 py-1 border-b border-rule">
          <Txt num strong className="w-[34px]">
            {i + 1}
          </Txt>
          <Txt size="s" className="flex-1">
            {area(s.areaMm2, units)}: {pieceReasons(s, units)}
          </Txt>
          {i ? <Button kind="small" label={`${i + 1} is off`} onPress={() => takeOff(s.pieceId)} /> : null}
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
          ? `At ${temp(lowC, units)} the bond needs ${Math.round(wedge.gcJm2)} J/m²; it slides ${lift.easyC === null ? 'at no allowed temperature' : `from ${temp(lift.easyC, units)}`}, the blade creeps ${lift.workC === null ? 'at none' : `from ${temp(lift.workC, units)}`} with ${length(pickMm, units)}.`
          : 'The heat model is not there yet.',
        'Smallest first, away from parts, camera last: common practice. Another way: along the edges under tape, where the sheet still holds together.',
      ]}
      rows={[
        rowOf('Weight of the way to a part', orderWeights.distance, ''),
        rowOf('Weight of free edge', orderWeights.freeEdge, ''),
        rowOf('Room from a part', bladeClearMm, 'mm'),
        rowOf('Blade over a coil', edgeOverCoil, ''),
        rowOf('Above where the blade creeps', creepAboveK, 'K'),
        rowOf('Edge flaw of broken glass', chipFlawUm.yes, 'µm'),
      ]}
    />
  );
}
