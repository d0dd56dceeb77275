import { View } from 'react-native';

import { ratioFigures } from '@/core/seal/compare';
import { sealFigures } from '@/core/seal/decay';
import { pressFigures } from '@/core/seal/pressTest';
import { airTestLine } from '@/core/seal/claimCheck';
import { suspectFigures } from '@/core/seal/suspects';
import { HoldTest } from '@/bench-kit/HoldTest';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { freeVolumeM3, limitWords, pressWords } from '@/work/check/sealJob';
import { placeName } from '@/work/heat/placeNames';
import { rowOf, Why } from '@/bench-kit/Why';
import { saveSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { Numbers, RingArcs, Soundings } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { PressRun } from './PressRun';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { SealScreenState } from './useSealScreen';

/** Stretches to suspect. */
export function SealPicture({
  here: { job, seal, suspectLine, setPressAt, path, pressAt },
  size,
}: {
  here: SealScreenState;
  size: PlanSize;
}) {
  return (
    <PlainPlan
      job={job}
      size={size}
      label={seal.suspects.length ? `Stretches to suspect: ${seal.suspects.length}` : 'No stretch to suspect'}
      lines={seal.suspects.map((s, i) => suspectLine(s, i))}
      onTap={setPressAt}
    >
      <RingArcs
        arcs={seal.suspects.flatMap((s) => [
          { fromMm: s.fromMm, toMm: s.toMm, state: 'dry' as const },
          ...(s.most.kinds > 1 ? [{ fromMm: s.most.fromMm, toMm: s.most.toMm, state: 'stop' as const }] : []),
        ])}
      />
      <Numbers
        items={seal.suspects.map((s, i) => ({
          at: path.point((s.most.fromMm + s.most.toMm) / 2).at,
          text: String(i + 1),
          state: 'next' as const,
        }))}
      />
      {pressAt ? <Soundings items={[{ at: pressAt, text: '×', ring: true }]} /> : null}
    </PlainPlan>
  );
}

/** Decay, leak and ratio. */
export function SealReadings({ here: { result, units } }: { here: SealScreenState }) {
  return (
    <Readings
      items={[
        {
          id: 'tau',
          value: result?.tauS
            ? `${Math.round(result.tauS)} s`
            : result?.tighterThanS
              ? `over ${Math.round(result.tighterThanS)} s`
              : '–',
          label: result
            ? result.tighterThanS
              ? 'no loss seen: tighter than this time constant'
              : `time constant, ± ${Math.round(2 * result.seTauS)} s; ${result.method}`
            : 'time constant of the hold',
        },
        {
          id: 'leak',
          value: result ? result.leak.toExponential(1) : '–',
          label: result
            ? `Pa m³/s at 1 kPa, ± ${(2 * result.uLeak).toExponential(0)}; ${units!.sccm20C.toFixed(2)} sccm at 20 °C`
            : 'leak at 1 kPa, Pa m³/s',
          ...(result?.verdict === 'above' ? { tone: 'caution' as const } : {}),
        },
      ]}
    />
  );
}

/** Before or after, and the air of the place. */
export function WhenAndWhere({ here: { phase, setPhase, roomHPa, setRoomHPa } }: { here: SealScreenState }) {
  return (
    <>
      <Choice
        label="When"
        value={phase}
        options={[
          { id: 'before', name: 'Before opening' },
          { id: 'after', name: 'After closing' },
        ]}
        onChange={setPhase}
      />
      <NumberField
        label="Air pressure of the place, for absolute logs and high places"
        unit="hPa"
        low={500}
        high={1100}
        digits={0}
        value={roomHPa ?? 1013}
        onCommit={setRoomHPa}
      />
    </>
  );
}

/** The log of the pressure, or why not yet. */
export function SealLog({
  here: { locked, live, hold, take, pressAt, path, notePress, refuse, job, phase },
}: {
  here: SealScreenState;
}) {
  return locked ? (
    <Txt tone="caution" className="mb-2">
      Locked until the adhesive’s own mark. To test all the same, log an override with its reason below.
    </Txt>
  ) : (
    <View className="gap-2 mb-2">
      {live ? (
        <Button kind="small" label="Hold 1 kPa of vacuum on the tester" onPress={() => void hold()} />
      ) : (
        <Txt size="s" tone="ink2">
          The device has been opened: only a log that was taken before can be read in.
        </Txt>
      )}
      <Button kind="small" label="Hold log from a file, CSV" onPress={() => void take('hold')} />
      <Txt size="s" tone="ink2">
        {pressAt
          ? `The press is noted at the cross, nearest to the ${placeName(path, path.locate(pressAt))}.`
          : 'Tap the plan where the thumb presses: a bump that decays at one place and holds at another says where.'}
      </Txt>
      <Button kind="small" label="Barometer log of presses, CSV" onPress={() => void take('press')} />
      {live ? <PressRun onDone={(l) => void notePress(l, 'Barometer').catch(refuse)} /> : null}
      {live ? (
        <Disclosure title="Two readings by hand">
          <HoldTest job={job} phase={phase} />
        </Disclosure>
      ) : null}
    </View>
  );
}

/** Where to look, and what the figures say. */
export function SealFindings({ here: { seal, suspectLine, result } }: { here: SealScreenState }) {
  return (
    <>
      {seal.suspects.length ? (
        <View className="my-2" testID="suspects">
          <Txt strong>Where to look</Txt>
          {seal.suspects.map((x, i) => (
            <Txt key={x.fromMm} size="s">
              {suspectLine(x, i)}.
            </Txt>
          ))}
        </View>
      ) : null}
      {result?.verdict ? (
        <Txt tone={result.verdict === 'above' ? 'caution' : 'ink'}>
          Leak {limitWords[result.verdict]}. {airTestLine}
        </Txt>
      ) : null}
      {(['before', 'after'] as const).map((k) =>
        seal.press[k] ? (
          <Txt key={k} size="s">
            Presses {k}: {pressWords[seal.press[k].kind]}, {seal.press[k].amplitudePa.toFixed(0)} Pa
            {seal.press[k].tauS === null || seal.press[k].kind === 'noBump'
              ? ''
              : seal.press[k].tauS > 20
                ? ', longer than 20 s'
                : `, about ${seal.press[k].tauS.toFixed(0)} s`}
            .
          </Txt>
        ) : null,
      )}
      {result?.channel ? (
        <Txt size="s" tone="ink2">
          As one round hole it would be {(result.channel.diameterM * 1e6).toFixed(0)} µm wide: a picture, not a finding;
          many small paths leak the same.
        </Txt>
      ) : null}
    </>
  );
}

/** The limit that the shop sets itself. */
export function ShopLimit({ here: { settings } }: { here: SealScreenState }) {
  return (
    <Disclosure title="Limit of the shop">
      <Txt size="s" tone="ink2" className="mb-2">
        There is no published limit for a repaired phone. Set one from holds of devices that never were opened, or leave
        it empty and compare with before.
      </Txt>
      <NumberField
        label="Leak at 1 kPa that passes"
        unit="10⁻⁶ Pa m³/s"
        low={0.1}
        high={100000}
        digits={1}
        value={settings.leakLimit === null ? null : settings.leakLimit * 1e6}
        onCommit={(v) => void saveSettings({ ...settings, leakLimit: v * 1e-6 })}
      />
      {settings.leakLimit === null ? null : (
        <Button kind="small" label="No limit" onPress={() => void saveSettings({ ...settings, leakLimit: null })} />
      )}
    </Disclosure>
  );
}

/** Why this is told of it. */
export function SealWhy({ here: { job, r, seal, press } }: { here: SealScreenState }) {
  return (
    <Why
      job={job}
      call="seal"
      inputs={{ holds: job.holds, logs: Object.keys(job.sealLogs) }}
      computed={{ ratio: r, after: seal.after?.tauS ?? null, press: press?.kind ?? null }}
      notes={[
        'The pressure difference of a leaky closed device falls off exponentially; its time constant is free volume over leak. Before and after on the same device the unknown volume cancels. There is no published limit for a repaired phone.',
        'A device that breathes through a vent loses a bump fast though it is well bonded: compare it with itself.',
        `Free volume taken as ${(freeVolumeM3(job) * 1e6).toFixed(1)} ml.`,
      ]}
      rows={[
        rowOf('Free share of the outer volume', sealFigures.freeShare, ''),
        rowOf('Uncertainty of the free volume', sealFigures.uVolumeShare, ''),
        rowOf('Two holds of one device differ by', ratioFigures.uRepeat, ''),
        rowOf('Counts as leakier from', ratioFigures.worse, 'times'),
        rowOf('Most difference on an open-cell bond', sealFigures.mostPa, 'Pa'),
        rowOf('Smallest bump', pressFigures.leastPa, 'Pa'),
        rowOf('A bump holds from', pressFigures.holdsS, 's'),
        rowOf('A press reaches along the bond', suspectFigures.pressReachMm, 'mm'),
      ]}
    />
  );
}
