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
import { edgeName } from '@/work/heat/placeNames';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice, Tick } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { RingArcs } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { clock, length, percent, temp, time } from '@/words/units';
import { unmodelledWaitS, wipeMl, edges } from './useAlcoholScreen';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { AlcoholScreenState } from './useAlcoholScreen';

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
      label={use === 'gap' ? `Alcohol into the ${edgeName(edge)}` : 'Alcohol on a wipe'}
      lines={[
        use === 'gap'
          ? `${edgeName(edge)}: ${length(edgeMm, units, 0)}, ${ml.toFixed(2)} ml`
          : `${ml.toFixed(2)} ml on a wipe`,
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
          ? `No alcohol yet: ${words[first].short}.`
          : use === 'gap'
            ? `${ml.toFixed(2)} ml along the ${edgeName(edge)}, not more.`
            : `${ml.toFixed(2)} ml on the wipe, nearly dry.`
      }
      reason={
        first
          ? words[first].long
          : run
            ? `It fills the ring in ${run.ring.timeS < 1 ? 'under a second' : clock(run.ring.timeS)}; a flood would run ${length(run.ten.depthMm, units, 0)} deep in ten seconds, to camera and inside.`
            : 'Dry only near cameras: a droplet on a lens leaves haze.'
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
            label: `of the flammable limit if it all stays at the bench, with the last half hour; still air bears ${percent(nearShare.value)}, that is ${v.mostMl.toFixed(2)} ml`,
            tone: stops.includes('tooMuch') ? 'caution' : 'ink',
          },
          {
            id: 'room',
            value: `${Math.round(nowPpm(uses, air, now, settings.roomC) + v.peakPpm)} ppm`,
            label: `in the room soon; limit ${alcohol.shortPpm.value} for 15 min`,
            tone: nowPpm(uses, air, now, settings.roomC) + v.peakPpm > alcohol.shortPpm.value ? 'caution' : 'ink',
          },
          {
            id: 'today',
            value: `${today.toFixed(2)} ml`,
            label: `used today on all jobs; with this ${day.dayPpm < 1 ? 'under 1' : Math.round(day.dayPpm)} ppm over 8 h, limit ${alcohol.dayPpm.value}`,
            tone: day.overDay ? 'caution' : 'ink',
          },
          {
            id: 'line',
            value: bondC === null ? '–' : Number.isFinite(bondC) ? temp(bondC, units) : '…',
            label: `bond line, at most; below ${temp(use === 'gap' ? bondBelowC.value : cleanCoolC.value, units)}`,
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
          A plate or mat is on for {around.contactNear.join(', ')}: it lights nothing, it drives the vapour off. Keep
          this out of its reach.
        </Txt>
      ) : null}
      <Tick label="Extraction on or window open" on={checks.ventilated} onChange={check('ventilated')} />
      <Tick
        label="Cameras masked"
        note={
          Number.isFinite(cameraMm)
            ? `nearest camera ${length(cameraMm, units, 0)} from this edge; needed under ${length(cameraWithinMm.value, units, 0)}`
            : 'no camera near'
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
        label="Alcohol"
        value={use}
        options={[
          { id: 'gap', name: 'into the gap' },
          { id: 'wipe', name: 'on a wipe' },
        ]}
        onChange={(u) => {
          setUse(u);
          setTypedMl(null);
        }}
      />
      {use === 'gap' ? (
        <Choice
          label="Edge"
          value={edge}
          options={edges.map((e) => ({ id: e, name: edgeName(e) }))}
          onChange={(e) => {
            setEdge(e);
            setTypedMl(null);
          }}
        />
      ) : null}
      <NumberField label="Dose" unit="ml" low={0.01} high={10} digits={2} value={ml} onCommit={setTypedMl} />
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
          {length(edgeMm, units, 0)} of edge × {length(ringMm, units)} of ring × {length(job.bond.gapMm, units, 2)} of
          gap hold {doseMl.toFixed(3)} ml. In there for {clock(run.soakS)} it takes{' '}
          {percent(1 - softened(adhesive.debond, run.soakS))} of the bond’s toughness (judgement). It dries out of the
          closed gap in about {clock(dried ?? 0)}; no hot air before.
        </Txt>
      ) : null}
      {wet !== null && wet > now ? (
        <View className="mt-2" testID="wet">
          <Txt size="s">
            Wet until {time(wet)}, {clock((wet - now) / 1e3)} from now: no gun or dryer before, on no job of this bench;
            a plate or mat with moving air only.
          </Txt>
          <Button kind="small" label="Looked at: it is dry" onPress={() => void log([{ type: 'alcoholDry' }])} />
        </View>
      ) : null}
      <Txt size="s" tone="ink2" className="mt-2">
        Flammable from {temp(alcohol.flashC.value, units)}: its vapour counts as flammable at the bench at any time.
        Gloves, eye cover. Wipes to the solvent waste, lid on. The maker’s data sheet and local rules go first.
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
      notes={[
        'Wicking is instant, the dose limits it: edge times ring times gap, not more.',
        'Air: a well-mixed room with its air changes, and a box round the bench that nothing leaves as the worst case. Room and air changes are set in Shop.',
      ]}
      rows={[
        rowOf('Rule', interlockRule, ''),
        rowOf('After hot air', airAwayS, 's'),
        rowOf('Bond below', bondBelowC, '°C'),
        rowOf('Camera masked within', cameraWithinMm, 'mm'),
        rowOf('Lower flammable limit', alcohol.lowerVol, 'share'),
        rowOf('Share of it allowed near', nearShare, ''),
        rowOf('Limit over 8 h', alcohol.dayPpm, 'ppm'),
        rowOf('Flash point', alcohol.flashC, '°C'),
        rowOf('Viscosity', viscositySource, 'mPa s'),
        rowOf('Room', { ...roomSource, value: air.roomM3 }, 'm³'),
        rowOf('Wipe', wipeMl, 'ml'),
        ...(modelled ? [] : [rowOf('Counts as hot after heat', unmodelledWaitS, 's')]),
      ]}
    />
  );
}
