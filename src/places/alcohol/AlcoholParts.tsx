import { View } from 'react-native';

import {
  airAwayS,
  alcoholCautions,
  bondBelowC,
  cameraWithinMm,
  cleanCoolC,
  interlockRule,
} from '@/core/alcohol/interlock';
import { alcohol, viscositySource } from '@/core/alcohol/liquid';
import { nearShare, nowPpm, roomSource } from '@/core/alcohol/vapour';
import { softened } from '@/core/lift/fractureEnergy';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { edgeName } from '@/words/placeNames';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice, Tick } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { RingArcs } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { listed, clock, digits as inDigits, length, percent, temp, time } from '@/words/units';
import { unmodelledWaitS, wipeMl, edges } from './useAlcoholScreen';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { AlcoholScreenState } from './useAlcoholScreen';
import { t } from '@/words/alcohol';

/** Where the alcohol goes. */
export function AlcoholPicture({
  here: { job, use, edge, edgeMm, units, ml, span, first },
  size,
}: {
  here: AlcoholScreenState;
  size: PlanSize;
}) {
  return (
    <PlainPlan
      job={job}
      size={size}
      label={use === 'gap' ? t('alcoholIntoThe', { edge: edgeName(edge) }) : t('alcoholOnAWipe')}
      lines={[
        use === 'gap'
          ? t('ml', { edge: edgeName(edge), edgeMm: length(edgeMm, units, 0), figure: inDigits(ml, 2) })
          : t('mlOnAWipe', { figure: inDigits(ml, 2) }),
      ]}
    >
      {use === 'gap' ? <RingArcs arcs={[{ ...span, state: first ? 'stop' : 'go' }]} /> : null}
    </PlainPlan>
  );
}

/** How much, or why none. */
export function AlcoholCall({ here: { first, words, use, ml, edge, run, units } }: { here: AlcoholScreenState }) {
  return (
    <Call
      sentence={
        first
          ? t('noAlcoholYet', { short: words[first].short })
          : use === 'gap'
            ? t('mlAlongTheNoMore', { figure: inDigits(ml, 2), edge: edgeName(edge) })
            : t('mlOnTheWipeNearlyDry', { figure: inDigits(ml, 2) })
      }
      reason={
        first
          ? words[first].long
          : run
            ? t('itFillsTheRingInFlooded', {
                timeS: run.ring.timeS < 1 ? t('underASecond') : clock(run.ring.timeS),
                depthMm: length(run.ten.depthMm, units, 0),
              })
            : t('dryOnlyNearCamerasADroplet')
      }
      tone={first ? 'caution' : 'ink'}
    />
  );
}

/** Vapour against what would light, and how it stands. */
export function AlcoholReadings({
  here: { ml, around, v, stops, uses, air, now, settings, today, day, bondC, units, use },
}: {
  here: AlcoholScreenState;
}) {
  return (
    <View className="mt-3">
      <Readings
        items={[
          {
            id: 'near',
            value: percent(((ml + around.recentMl) / v.mostMl) * nearShare.value),
            label: t('ofTheFlammableLimitIfIt', { value: percent(nearShare.value), figure: inDigits(v.mostMl, 2) }),
            tone: stops.includes('tooMuch') ? 'caution' : 'ink',
          },
          {
            id: 'room',
            value: t('ppm', { uses: Math.round(nowPpm(uses, air, now, settings.roomC) + v.peakPpm) }),
            label: t('inTheRoomSoonLimitFor', { value: alcohol.shortPpm.value }),
            tone: nowPpm(uses, air, now, settings.roomC) + v.peakPpm > alcohol.shortPpm.value ? 'caution' : 'ink',
          },
          {
            id: 'today',
            value: `${inDigits(today, 2)} ml`,
            label: t('usedTodayOnAllJobsWith', {
              dayPpm: day.dayPpm < 1 ? t('under1') : Math.round(day.dayPpm),
              value: alcohol.dayPpm.value,
            }),
            tone: day.overDay ? 'caution' : 'ink',
          },
          {
            id: 'line',
            value: bondC === null ? '–' : Number.isFinite(bondC) ? temp(bondC, units) : '…',
            label: t('glueAtMostBelow', { value: temp(use === 'gap' ? bondBelowC.value : cleanCoolC.value, units) }),
            tone: stops.includes('faceTooHot') ? 'caution' : 'ink',
          },
        ]}
      />
    </View>
  );
}

/** What is to be seen to before a drop is given. */
export function BeforeIt({ here: { around, checks, check, cameraMm, units } }: { here: AlcoholScreenState }) {
  return (
    <>
      {alcoholCautions(around).length ? (
        <Txt size="s" className="mt-1" testID="plateNear">
          {t('aPlateOrMatIsOn', { list: listed(around.contactNear) })}
        </Txt>
      ) : null}
      <Tick label={t('extractionOnOrWindowOpen')} on={checks.ventilated} onChange={check('ventilated')} />
      <Tick
        label={t('camerasMasked')}
        note={
          Number.isFinite(cameraMm)
            ? t('nearestCameraFromThisEdgeNeeded', {
                cameraMm: length(cameraMm, units, 0),
                value: length(cameraWithinMm.value, units, 0),
              })
            : t('noCameraNear')
        }
        on={checks.masked}
        onChange={check('masked')}
      />
    </>
  );
}

/** Use, edge and amount. */
export function HowMuch({ here: { use, setUse, setTypedMl, edge, setEdge, ml } }: { here: AlcoholScreenState }) {
  return (
    <View className="mt-3">
      <Choice
        label={t('alcohol')}
        value={use}
        options={[
          { id: 'gap', name: t('intoTheGap') },
          { id: 'wipe', name: t('onAWipe') },
        ]}
        onChange={(u) => {
          setUse(u);
          setTypedMl(null);
        }}
      />
      {use === 'gap' ? (
        <Choice
          label={t('edge')}
          value={edge}
          options={edges.map((e) => ({ id: e, name: edgeName(e) }))}
          onChange={(e) => {
            setEdge(e);
            setTypedMl(null);
          }}
        />
      ) : null}
      <NumberField label={t('dose')} unit="ml" low={0.01} high={10} digits={2} value={ml} onCommit={setTypedMl} />
    </View>
  );
}

/** How far it creeps, and how long it is wet. */
export function WhatItDoes({
  here: { run, edgeMm, units, ringMm, job, doseMl, adhesive, dried, wet, now, log },
}: {
  here: AlcoholScreenState;
}) {
  return (
    <>
      {run ? (
        <Txt size="s">
          {t('ofEdgeOfRingOfGap', {
            edgeMm: length(edgeMm, units, 0),
            ringMm: length(ringMm, units),
            gapMm: length(job.bond.gapMm, units, 2),
            figure: inDigits(doseMl, 3),
            soakS: clock(run.soakS),
            debond: percent(1 - softened(adhesive.debond, run.soakS)),
            dried: clock(dried ?? 0),
          })}
        </Txt>
      ) : null}
      {wet !== null && wet > now ? (
        <View className="mt-2" testID="wet">
          <Txt size="s">{t('wetUntilFromNowNoGun', { wet: time(wet), wet2: clock((wet - now) / 1e3) })}</Txt>
          <Button kind="small" label={t('lookedAtItIsDry')} onPress={() => void log([{ type: 'alcoholDry' }])} />
        </View>
      ) : null}
      <Txt size="s" tone="ink2" className="mt-2">
        {t('flammableFromAtTheBenchIts', { value: temp(alcohol.flashC.value, units) })}
      </Txt>
    </>
  );
}

/** Why so much and no more. */
export function AlcoholWhy({
  here: { job, use, edge, ml, checks, stops, v, run, air, modelled },
}: {
  here: AlcoholScreenState;
}) {
  return (
    <Why
      job={job}
      call="alcohol"
      inputs={{ use, edge, ml, checks }}
      computed={{ stops, vapour: v, wick: run?.ring ?? null }}
      notes={[t('itSoaksInAtOnceSo'), t('airAWellMixedRoomWith')]}
      rows={[
        rowOf(t('rule'), interlockRule, ''),
        rowOf(t('afterHotAir'), airAwayS, 's'),
        rowOf(t('glueBelow'), bondBelowC, '°C'),
        rowOf(t('maskACameraWithin'), cameraWithinMm, 'mm'),
        rowOf(t('lowerFlammableLimit'), alcohol.lowerVol, 'share'),
        rowOf(t('shareOfItAllowedNearby'), nearShare, ''),
        rowOf(t('limitOver8H'), alcohol.dayPpm, 'ppm'),
        rowOf(t('flashPoint'), alcohol.flashC, '°C'),
        rowOf(t('viscosity'), viscositySource, t('mpaS')),
        rowOf(t('room'), { ...roomSource, value: air.roomM3 }, 'm³'),
        rowOf(t('wipe'), wipeMl, 'ml'),
        ...(modelled ? [] : [rowOf(t('countsAsHotAfterHeat'), unmodelledWaitS, 's')]),
      ]}
    />
  );
}
