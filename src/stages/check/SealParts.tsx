import { digits as inDigits } from '@/words/units';
import { View } from 'react-native';

import { ratioFigures } from '@/core/seal/compare';
import { sealFigures } from '@/core/seal/decay';
import { pressFigures } from '@/core/seal/pressTest';
import { suspectFigures } from '@/core/seal/suspects';
import { HoldTest } from '@/bench-kit/HoldTest';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { freeVolumeM3 } from '@/work/check/sealJob';
import { limitWords, pressWords } from '@/words/checkNames';
import { placeName } from '@/words/placeNames';
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
import { t } from '@/words/check';
import { t as common } from '@/words/common';

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
      label={seal.suspects.length ? t('placesToLookAt', { n: seal.suspects.length }) : t('noPlaceToLookAt')}
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
              ? t('overS', { tighterThanS: Math.round(result.tighterThanS) })
              : `–`,
          label: result
            ? result.tighterThanS
              ? t('noLossSeenTighterThanThis')
              : t('timeConstantS', { seTauS: Math.round(2 * result.seTauS), method: result.method })
            : t('timeConstantOfTheHold'),
        },
        {
          id: 'leak',
          value: result ? result.leak.toExponential(1) : '–',
          label: result
            ? t('paMSAt1Kpa', {
                toExponential: (2 * result.uLeak).toExponential(0),
                figure: inDigits(units!.sccm20C, 2),
              })
            : t('leakAt1KpaPaM'),
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
        label={t('when')}
        value={phase}
        options={[
          { id: 'before', name: t('beforeOpening') },
          { id: 'after', name: t('afterClosing') },
        ]}
        onChange={setPhase}
      />
      <NumberField
        label={t('airPressureHereForAbsoluteLogs')}
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
      {t('lockedUntilTheAdhesiveReachesIts')}
    </Txt>
  ) : (
    <View className="gap-2 mb-2">
      {live ? (
        <Button kind="small" label={t('hold1KpaOfVacuumOn')} onPress={() => void hold()} />
      ) : (
        <Txt size="s" tone="ink2">
          {t('theDeviceHasBeenOpenedOnly')}
        </Txt>
      )}
      <Button kind="small" label={t('holdLogFromAFileCsv')} onPress={() => void take('hold')} />
      <Txt size="s" tone="ink2">
        {pressAt
          ? t('thePressIsNotedAtThe', { path: placeName(path, path.locate(pressAt)) })
          : t('tapThePlanWhereTheThumb')}
      </Txt>
      <Button kind="small" label={t('barometerLogOfPressesCsv')} onPress={() => void take('press')} />
      {live ? <PressRun onDone={(l) => void notePress(l, t('barometer')).catch(refuse)} /> : null}
      {live ? (
        <Disclosure title={t('twoReadingsByHand')}>
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
          <Txt strong>{t('whereToLook')}</Txt>
          {seal.suspects.map((x, i) => (
            <Txt key={x.fromMm} size="s">
              {suspectLine(x, i)}.
            </Txt>
          ))}
        </View>
      ) : null}
      {result?.verdict ? (
        <Txt tone={result.verdict === 'above' ? 'caution' : 'ink'}>
          {t('leak', { verdict: limitWords[result.verdict], airTestLine: common('noWaterPromise') })}
        </Txt>
      ) : null}
      {(['before', 'after'] as const).map((k) =>
        seal.press[k] ? (
          <Txt key={k} size="s">
            {seal.press[k].tauS === null || seal.press[k].kind === 'noBump'
              ? t('pressesPa', {
                  k,
                  kind: pressWords[seal.press[k].kind],
                  figure: inDigits(seal.press[k].amplitudePa),
                })
              : seal.press[k].tauS > 20
                ? t('pressesPaLongerThan20S', {
                    k,
                    kind: pressWords[seal.press[k].kind],
                    figure: inDigits(seal.press[k].amplitudePa),
                  })
                : t('pressesPaAboutS', {
                    k,
                    kind: pressWords[seal.press[k].kind],
                    figure: inDigits(seal.press[k].amplitudePa),
                    figure2: inDigits(seal.press[k].tauS),
                  })}
          </Txt>
        ) : null,
      )}
      {result?.channel ? (
        <Txt size="s" tone="ink2">
          {t('asOneRoundHoleItWould', { figure: inDigits(result.channel.diameterM * 1e6) })}
        </Txt>
      ) : null}
    </>
  );
}

/** The limit that the shop sets itself. */
export function ShopLimit({ here: { settings } }: { here: SealScreenState }) {
  return (
    <Disclosure title={t('limitOfTheShop')}>
      <Txt size="s" tone="ink2" className="mb-2">
        {t('nobodyPublishesALimitForA')}
      </Txt>
      <NumberField
        label={t('leakAt1KpaThatPasses')}
        unit="10⁻⁶ Pa m³/s"
        low={0.1}
        high={100000}
        digits={1}
        value={settings.leakLimit === null ? null : settings.leakLimit * 1e6}
        onCommit={(v) => void saveSettings({ ...settings, leakLimit: v * 1e-6 })}
      />
      {settings.leakLimit === null ? null : (
        <Button kind="small" label={t('noLimit')} onPress={() => void saveSettings({ ...settings, leakLimit: null })} />
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
        t('thePressureInALeakyClosed'),
        t('aDeviceThatBreathesThroughA'),
        t('freeVolumeTakenAsMl', { figure: inDigits(freeVolumeM3(job) * 1e6, 1) }),
      ]}
      rows={[
        rowOf(t('freeShareOfTheOuterVolume'), sealFigures.freeShare, ''),
        rowOf(t('uncertaintyOfTheFreeVolume'), sealFigures.uVolumeShare, ''),
        rowOf(t('twoHoldsOfOneDeviceDiffer'), ratioFigures.uRepeat, ''),
        rowOf(t('countsAsLeakierFrom'), ratioFigures.worse, 'times'),
        rowOf(t('mostDifferenceOnAnOpenCell'), sealFigures.mostPa, t('pa')),
        rowOf(t('smallestBump'), pressFigures.leastPa, t('pa')),
        rowOf(t('aBumpHoldsFrom'), pressFigures.holdsS, 's'),
        rowOf(t('aPressReachesAlongTheBond'), suspectFigures.pressReachMm, 'mm'),
      ]}
    />
  );
}
