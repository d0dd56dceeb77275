import { jointOf } from '@/core/device/jointKinds';
import { View } from 'react-native';

import { spotStressMPaK } from '@/core/heat/opening';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { rowOf, Why } from '@/bench-kit/Why';
import { creepAboveK } from '@/core/lift/pieceTarget';
import { Button } from '@/ui/Button';
import { NumberField } from '@/ui/NumberField';
import { PaceMaker } from '@/ui/plan/PaceMaker';
import { Pieces } from '@/ui/plan/pieceLayers';
import { Txt } from '@/ui/Txt';
import { clock, length, lengthValue, temp, tempNumber, typedToC, typedToMm } from '@/words/units';
import { stripMm } from './useSpot';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { SpotState } from './useSpot';
import { AirFrom } from './AirFrom';
import { t } from '@/words/heat';

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
      label={t('heatOn', { name })}
      lines={
        r ? r.cycles.map((c, i) => t('roundHeatWork', { i: i + 1, heatS: clock(c.heatS), workS: clock(c.workS) })) : []
      }
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
    <Button kind="main" label={t('airOff')} onPress={airOff} />
  ) : cycle ? (
    <Button
      kind="main"
      label={t('airOn')}
      onPress={airOn}
      disabled={missing !== null}
      {...(missing ? { why: missing } : {})}
    />
  ) : (
    <Button
      kind="main"
      label={t('workOut', { name })}
      onPress={start}
      disabled={!heater || targetC === null || run.share !== null}
    />
  );
}

/** Cycles of heat and work. */
export function SpotCycles({ here: { r, units } }: { here: SpotState }) {
  return r ? (
    <View className="mt-2" role="table" aria-label={t('heatAndWorkInTurns')}>
      {r.cycles.map((c, i) => (
        <View key={i} role="row" className="flex-row border-b border-rule py-1 gap-3">
          <Txt size="s" role="cell">
            {i + 1}.
          </Txt>
          <Txt size="s" num role="cell">
            {t('heat2', { heatS: clock(c.heatS) })}
          </Txt>
          <Txt size="s" num role="cell">
            {t('work', { workS: clock(c.workS) })}
          </Txt>
          <Txt size="s" num role="cell">
            {c.batteryC === null ? '' : t('batteryAfter', { batteryC: temp(c.batteryC, units) })}
          </Txt>
        </View>
      ))}
      <Txt size="s" className="mt-1">
        {t('hottestGlueBatteryUpToCamera', {
          hottestBondC: temp(r.hottestBondC, units),
          batteryC: r.batteryC === null ? '–' : temp(r.batteryC, units),
          cameraC: r.cameraC === null ? '–' : temp(r.cameraC, units),
          spotMPa: Math.round(r.spotMPa),
        })}
      </Txt>
    </View>
  ) : null;
}

/** Air, setpoint, place and size. */
export function SpotControls({ here }: { here: SpotState }) {
  const { heater, units, setC, setSetting, radiusMm, setRadiusMm } = here;
  return (
    <View className="mt-3">
      <AirFrom here={here} />
      {heater ? (
        <NumberField
          label={t('air')}
          unit={`°${units.temperature}`}
          low={tempNumber(heater.minSetC, units)}
          high={tempNumber(heater.maxSetC, units)}
          value={tempNumber(setC, units)}
          onCommit={(v) => setSetting(Math.round(typedToC(v, units)))}
        />
      ) : null}
      <NumberField
        label={t('circleRadius')}
        unit={units.length}
        low={lengthValue(0, units, 0)}
        high={lengthValue(25, units, 0)}
        digits={units.length === 'mm' ? 0 : 2}
        value={lengthValue(radiusMm, units, 0)}
        onCommit={(v) => setRadiusMm(typedToMm(v, units))}
      />
      <Txt size="s" tone="ink2">
        {t('tapAPieceOnThePlan')}
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
        byBlade ? t('theFullModelWithTheCircle') : t('theFullModelWithTheCircle2'),
        t('circleOfOverEachTurnStarts', { radiusMm: length(radiusMm, units, 0), name }),
      ]}
      rows={[
        rowOf(t('stressBesideAHotSpot'), spotStressMPaK, 'MPa/K'),
        ...(jointOf(job.bond).wholeFace
          ? [
              rowOf(t('aboveWhereTheBladeCreeps'), creepAboveK, 'K'),
              rowOf(t('stripByTheBladeHalfWidth'), stripMm, 'mm'),
            ]
          : []),
        ...(heater ? [rowOf(t('airJetAgainstTheFormula'), heater.hScale, '×')] : []),
      ]}
    />
  );
}
