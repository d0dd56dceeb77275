import { jointOf } from '@/core/device/jointKinds';
import { View } from 'react-native';

import { spotStressMPaK } from '@/core/heat/opening';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { rowOf, Why } from '@/bench-kit/Why';
import { creepAboveK } from '@/core/lift/verdict';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { PaceMaker } from '@/ui/plan/PaceMaker';
import { Pieces } from '@/ui/plan/pieceLayers';
import { Txt } from '@/ui/Txt';
import { clock, length, lengthNumber, temp, tempNumber, typedToC, typedToMm } from '@/words/units';
import { stripMm } from './useSpot';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { SpotState } from './useSpot';

/** The spot, and its isotherms. */
export function SpotPicture({
  here: { job, name, r, setTapped, many, drawn, piece, path },
  size,
}: {
  here: SpotState;
  size: PlanSize;
}) {
  return (
    <PlainPlan
      job={job}
      size={size}
      label={`Spot heat on ${name}`}
      lines={r ? r.cycles.map((c, i) => `cycle ${i + 1}: heat ${clock(c.heatS)}, work ${clock(c.workS)}`) : []}
      onTap={setTapped}
    >
      {many ? (
        <Pieces pieces={drawn.map((p) => ({ ...p, state: p === piece ? 'next' : 'todo' }))} dangling={[]} />
      ) : null}
      <PaceMaker outline={job.device.leaves[0]!.outline} path={path} running />
    </PlainPlan>
  );
}

/** Air on, off, or work. */
export function SpotMain({
  here: { on, airOff, cycle, airOn, missing, name, start, heater, targetC, run },
}: {
  here: SpotState;
}) {
  return on ? (
    <Button kind="main" label="Air off" onPress={airOff} />
  ) : cycle ? (
    <Button
      kind="main"
      label="Air on"
      onPress={airOn}
      disabled={missing !== null}
      {...(missing ? { why: missing } : {})}
    />
  ) : (
    <Button
      kind="main"
      label={`Compute ${name}`}
      onPress={start}
      disabled={!heater || targetC === null || run.share !== null}
    />
  );
}

/** Cycles of heat and work. */
export function SpotCycles({ here: { r, units } }: { here: SpotState }) {
  return r ? (
    <View className="mt-2" role="table" aria-label="Cycles of heat and work">
      {r.cycles.map((c, i) => (
        <View key={i} role="row" className="flex-row border-b border-rule py-1 gap-3">
          <Txt size="s" role="cell">
            {i + 1}.
          </Txt>
          <Txt size="s" num role="cell">
            heat {clock(c.heatS)}
          </Txt>
          <Txt size="s" num role="cell">
            work {clock(c.workS)}
          </Txt>
          <Txt size="s" num role="cell">
            {c.batteryC === null ? '' : `cell ${temp(c.batteryC, units)} after`}
          </Txt>
        </View>
      ))}
      <Txt size="s" className="mt-1">
        Hottest glue {temp(r.hottestBondC, units)}; cell up to {r.batteryC === null ? '–' : temp(r.batteryC, units)},
        camera up to {r.cameraC === null ? '–' : temp(r.cameraC, units)}; {Math.round(r.spotMPa)} MPa beside the spot.
      </Txt>
    </View>
  ) : null;
}

/** Air, setpoint, place and size. */
export function SpotControls({
  here: { heaterId, airs, setHeaterId, heater, units, setC, setSetting, radiusMm, setRadiusMm },
}: {
  here: SpotState;
}) {
  return (
    <View className="mt-3">
      <Choice
        label="Air from"
        value={heaterId}
        options={airs.map((h) => ({ id: h.id, name: h.name }))}
        onChange={setHeaterId}
      />
      {heater ? (
        <NumberField
          label="Air"
          unit={`°${units.temperature}`}
          low={tempNumber(heater.minSetC, units)}
          high={tempNumber(heater.maxSetC, units)}
          value={tempNumber(setC, units)}
          onCommit={(v) => setSetting(Math.round(typedToC(v, units)))}
        />
      ) : null}
      <NumberField
        label="Circle, radius"
        unit={units.length}
        low={Number(lengthNumber(0, units, 0))}
        high={Number(lengthNumber(25, units, 0))}
        digits={units.length === 'mm' ? 0 : 2}
        value={Number(lengthNumber(radiusMm, units, 0))}
        onCommit={(v) => setRadiusMm(typedToMm(v, units))}
      />
      <Txt size="s" tone="ink2">
        Tap a piece on the plan. Always circling, never still; cameras masked. Extraction on at full-bond heat.
      </Txt>
    </View>
  );
}

/** Why so long and so hot. */
export function SpotWhy({
  here: { job, heaterId, setC, at, radiusMm, r, byBlade, units, name, heater },
}: {
  here: SpotState;
}) {
  return (
    <Why
      job={job}
      call="spot"
      inputs={{ heater: heaterId, setC, at, radiusMm }}
      computed={r}
      notes={[
        `The full model on the check grid with the circle averaged: a spot is too local for the device’s modes. Half of ${byBlade ? 'the strip by the blade' : 'the piece'} counts: heat until half of it is soft, work until half of it has gripped.`,
        `Circle of ${length(radiusMm, units, 0)} over ${name}; every cycle starts as warm as the one before left it.`,
      ]}
      rows={[
        rowOf('Stress beside a hot spot', spotStressMPaK, 'MPa/K'),
        ...(jointOf(job.bond).wholeFace
          ? [
              rowOf('Above where the blade creeps', creepAboveK, 'K'),
              rowOf('Strip by the blade, half width', stripMm, 'mm'),
            ]
          : []),
        ...(heater ? [rowOf('Air jet over the correlation', heater.hScale, '×')] : []),
      ]}
    />
  );
}
