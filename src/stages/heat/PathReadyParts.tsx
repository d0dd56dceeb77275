import { View } from 'react-native';

import { cameraReachMm, handSpeed } from '@/core/heat/pathPlan';
import { LongRunLine } from '@/bench-kit/LongRunLine';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { placeName } from '@/work/heat/placeNames';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { PaceMaker } from '@/ui/plan/PaceMaker';
import { Txt } from '@/ui/Txt';
import { clock, kelvin, length, percent, temp, tempNumber } from '@/words/units';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { PathReadyState } from './usePathReady';

function RoundRow({ cells, head = false, strong = false }: { cells: string[]; head?: boolean; strong?: boolean }) {
  return (
    <View role="row" className="flex-row border-b border-rule py-1">
      {cells.map((c, i) => (
        <View key={i} role={head ? 'columnheader' : 'cell'} className={i === 0 ? 'flex-[2]' : 'flex-1'}>
          <Txt size="s" num={!head && i > 0} strong={head || strong} className={i ? 'text-right' : ''}>
            {c}
          </Txt>
        </View>
      ))}
    </View>
  );
}

/** The round on the face. */
export function PathPicture({
  here: { job, bestPath, p, units, speeds, thermal },
  size,
}: {
  here: PathReadyState;
  size: PlanSize;
}) {
  return (
    <PlainPlan
      job={job}
      size={size}
      label={
        bestPath
          ? `Round of the nozzle, ${length(p!.best.insetMm, units, 0)} inside the edge`
          : 'The round is being planned'
      }
      lines={speeds.map(
        (v, q) => `${placeName(thermal.path, (q / 24) * thermal.path.lengthMm)}: ${length(v, units, 0)}/s`,
      )}
    >
      {bestPath ? <PaceMaker outline={thermal.model.modes.outline} path={bestPath} running /> : null}
    </PlainPlan>
  );
}

/** Rounds side by side. */
export function Rounds({ here: { p, units, speeds, roundS } }: { here: PathReadyState }) {
  return (
    <>
      {p ? (
        <View className="mt-3" role="table" aria-label="Rounds side by side">
          <RoundRow cells={['round', 'ring soft', 'cell', 'camera', 'display']} head />
          {[...p.steady, ...p.planned].map((r, i) => (
            <RoundRow
              key={i}
              strong={r === p.best || (r.insetMm === p.best.insetMm && r.shares === p.best.shares)}
              cells={[
                `${r.insetMm >= 0 ? `${length(r.insetMm, units, 0)} in` : `${length(-r.insetMm, units, 0)} out`}, ${r.shares ? 'paced' : 'steady'}`,
                r.readyS === null ? 'never' : clock(r.readyS),
                ...[r.batteryC, r.cameraC, r.displayC].map((v) => (v === null ? '–' : `${tempNumber(v, units)}°`)),
              ]}
            />
          ))}
        </View>
      ) : null}
      {p && speeds.length ? (
        <Txt size="s" className="mt-1">
          A round takes {roundS} s: {length(Math.min(...speeds), units, 0)}/s where it is slowest,{' '}
          {length(Math.max(...speeds), units, 0)}/s where it is quickest. About{' '}
          {p.best.readyS === null ? '–' : Math.ceil(p.best.readyS / Number(roundS))} rounds. Follow the ring on the
          plan; never stand still, least of all near a camera.
        </Txt>
      ) : null}
    </>
  );
}

/** Confirmed with the moving air. */
export function ConfirmMoving({ here: { moving, p, confirm, units } }: { here: PathReadyState }) {
  return (
    <View className="mt-3">
      {moving.share === null ? (
        <Button
          kind="small"
          label="Confirm with the moving air"
          disabled={!p || p.best.readyS === null}
          onPress={confirm}
        />
      ) : null}
      <LongRunLine
        name="Moving air, steady and paced"
        share={moving.share}
        problem={moving.problem}
        onCancel={moving.cancel}
      />
      {moving.result ? (
        <View testID="moving" className="mt-1">
          {(['steady', 'planned'] as const).map((k) => {
            const r = moving.result![k];
            return (
              <Txt key={k} size="s">
                {k === 'steady' ? 'Steady' : 'Paced'}, moving on the check grid: ring soft{' '}
                {r.readyS === null ? 'never' : `after ${clock(r.readyS)}`}, cell {temp(r.batteryC, units)}, camera{' '}
                {temp(r.cameraC, units)}; a place swings by {kelvin(r.rippleK, units)} with every round.
              </Txt>
            );
          })}
        </View>
      ) : null}
    </View>
  );
}

/** Which air, how hot, how fast. */
export function PathControls({
  here: { airs, heater, setHeaterId, roundS, setRoundS, zones, masked, setMasked },
}: {
  here: PathReadyState;
}) {
  return (
    <View className="mt-3">
      {airs.length > 1 ? (
        <Choice
          label="Air from"
          value={heater.id}
          options={airs.map((h) => ({ id: h.id, name: h.name }))}
          onChange={setHeaterId}
        />
      ) : null}
      <Choice
        label="One round in"
        value={roundS}
        options={[
          { id: '4', name: '4 s' },
          { id: '8', name: '8 s' },
        ]}
        onChange={setRoundS}
        hint="Shorter rounds swing less between two passes."
      />
      {zones.length ? <Tick label="Cameras masked with tape and foil" on={masked} onChange={setMasked} /> : null}
    </View>
  );
}

/** Why this round. */
export function PathWhy({ here: { job, heater, setC, masked, targetC, p, units } }: { here: PathReadyState }) {
  return (
    <Why
      job={job}
      call="path"
      inputs={{ heater: heater.id, setC, masked, targetC }}
      computed={p ? { best: p.best, against: p.against, gain: p.gain } : null}
      notes={[
        'Provisional: the air averaged over a round, on the reduced model of the check grid. Confirmed: the nozzle moving step by step on the check grid, radiation included. Gains on a coarse grid are artefacts, so none is used.',
        'More of the round goes to places that are colder than the mean, less to those near a camera. The steady round is always among the candidates, so a plan is never worse than it.',
        p
          ? `Against a steady round on the same line: ${percent(Math.max(0, p.gain.timeShare))} of the time, ${kelvin(p.gain.batteryK, units)} at the cell, ${kelvin(p.gain.cameraK, units)} at the camera.`
          : '',
      ].filter(Boolean)}
      rows={[
        rowOf('Air jet over the correlation', heater.hScale, '×'),
        rowOf('Fastest hand', handSpeed.fastest, 'mm/s'),
        rowOf('Slowest hand', handSpeed.slowest, 'mm/s'),
        rowOf('Near a camera', cameraReachMm, 'mm'),
      ]}
    />
  );
}
