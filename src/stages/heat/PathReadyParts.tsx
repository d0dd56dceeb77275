import { said } from '@/words/codes';
import { View } from 'react-native';

import { cameraReachMm, handSpeed } from '@/core/heat/pathPlan';
import { LongRunLine } from '@/bench-kit/LongRunLine';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { placeName } from '@/words/placeNames';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { PaceMaker } from '@/ui/plan/PaceMaker';
import { Txt } from '@/ui/Txt';
import { clock, kelvin, length, percent, temp, tempNumber } from '@/words/units';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { PathReadyState } from './usePathReady';
import { AirFrom } from './AirFrom';
import { t } from '@/words/heat';

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
          ? t('roundOfTheNozzleInsideThe', { insetMm: length(p!.best.insetMm, units, 0) })
          : t('workingOutTheRound')
      }
      lines={speeds.map(
        (v, q) => `${placeName(thermal.path, (q / 24) * thermal.path.lengthMm)}: ${length(v, units, 0)}/s`,
      )}
    >
      {bestPath ? <PaceMaker outline={thermal.model.modes.outline} path={bestPath} running /> : null}
    </PlainPlan>
  );
}

const roundWords = {
  in: { paced: 'inPaced', steady: 'inSteady' },
  out: { paced: 'outPaced', steady: 'outSteady' },
} as const;

/** Rounds side by side. */
export function Rounds({ here: { p, units, speeds, roundS } }: { here: PathReadyState }) {
  return (
    <>
      {p ? (
        <View className="mt-3" role="table" aria-label={t('roundsSideBySide')}>
          <RoundRow cells={[said('round'), t('glueSoft'), said('battery'), said('camera'), said('display')]} head />
          {[...p.steady, ...p.planned].map((r, i) => (
            <RoundRow
              key={i}
              strong={r === p.best || (r.insetMm === p.best.insetMm && r.shares === p.best.shares)}
              cells={[
                t(roundWords[r.insetMm >= 0 ? 'in' : 'out'][r.shares ? 'paced' : 'steady'], {
                  insetMm: length(Math.abs(r.insetMm), units, 0),
                }),
                r.readyS === null ? said('never') : clock(r.readyS),
                ...[r.batteryC, r.cameraC, r.displayC].map((v) => (v === null ? '–' : `${tempNumber(v, units)}°`)),
              ]}
            />
          ))}
        </View>
      ) : null}
      {p && speeds.length ? (
        <Txt size="s" className="mt-1">
          {t('oneRoundTakesSSWhere', {
            roundS,
            min: length(Math.min(...speeds), units, 0),
            max: length(Math.max(...speeds), units, 0),
            readyS: p.best.readyS === null ? '–' : Math.ceil(p.best.readyS / Number(roundS)),
          })}
        </Txt>
      ) : null}
    </>
  );
}

/** What the moving air says of a round: the glue never gets soft, or when it does. */
const movingWords = {
  steady: ['steadyWithTheAirReallyMoving', 'steadyWithTheAirReallyMoving2'],
  planned: ['pacedWithTheAirReallyMoving', 'pacedWithTheAirReallyMoving2'],
} as const;

/** Confirmed with the moving air. */
export function ConfirmMoving({ here: { moving, p, confirm, units } }: { here: PathReadyState }) {
  return (
    <View className="mt-3">
      {moving.share === null ? (
        <Button
          kind="small"
          label={t('checkWithTheMovingAir')}
          disabled={!p || p.best.readyS === null}
          onPress={confirm}
        />
      ) : null}
      <LongRunLine
        name={t('movingAirSteadyAndPaced')}
        share={moving.share}
        problem={moving.problem}
        onCancel={moving.cancel}
      />
      {moving.result ? (
        <View testID="moving" className="mt-1">
          {(['steady', 'planned'] as const).map((k) => {
            const { readyS, batteryC, cameraC, rippleK } = moving.result![k];
            const felt = {
              batteryC: temp(batteryC, units),
              cameraC: temp(cameraC, units),
              rippleK: kelvin(rippleK, units),
            };
            const [never, ready] = movingWords[k];
            return (
              <Txt key={k} size="s">
                {readyS === null ? t(never, felt) : t(ready, { ...felt, readyS: clock(readyS) })}
              </Txt>
            );
          })}
        </View>
      ) : null}
    </View>
  );
}

/** Which air, how hot, how fast. */
export function PathControls({ here }: { here: PathReadyState }) {
  const { airs, roundS, setRoundS, zones, masked, setMasked } = here;
  return (
    <View className="mt-3">
      {airs.length > 1 ? <AirFrom here={here} /> : null}
      <Choice
        label={t('oneRoundIn')}
        value={roundS}
        options={[
          { id: '4', name: '4 s' },
          { id: '8', name: '8 s' },
        ]}
        onChange={setRoundS}
        hint={t('shorterRoundsSwingLessBetweenTwo')}
      />
      {zones.length ? <Tick label={t('camerasMaskedWithTapeAndFoil')} on={masked} onChange={setMasked} /> : null}
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
        t('provisionalTheAirAveragedOverA'),
        t('placesColderThanAverageGetMore'),
        p
          ? t('againstASteadyRoundOnThe', {
              max: percent(Math.max(0, p.gain.timeShare)),
              batteryK: kelvin(p.gain.batteryK, units),
              cameraK: kelvin(p.gain.cameraK, units),
            })
          : '',
      ].filter(Boolean)}
      rows={[
        rowOf(t('airJetAgainstTheFormula'), heater.hScale, '×'),
        rowOf(t('fastestHand'), handSpeed.fastest, 'mm/s'),
        rowOf(t('slowestHand'), handSpeed.slowest, 'mm/s'),
        rowOf(t('nearACamera'), cameraReachMm, 'mm'),
      ]}
    />
  );
}
