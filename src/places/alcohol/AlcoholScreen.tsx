import { jointOf } from '@/core/device/jointKinds';
import { defOf } from '@/core/heat/heaterDefs';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { slotDryS } from '@/core/alcohol/drying';
import {
  airAwayS,
  alcoholCautions,
  alcoholStops,
  bondBelowC,
  cameraWithinMm,
  cleanCoolC,
  interlockRule,
  type AlcoholStop,
  type Surroundings,
} from '@/core/alcohol/interlock';
import { alcohol, viscositySource, wick, wickBelowC } from '@/core/alcohol/liquid';
import { nearShare, nowPpm, recentMl, roomSource, usedSince, vapour } from '@/core/alcohol/vapour';
import { bondPerimeter } from '@/core/device/perimeter';
import { heatModelled } from '@/core/device/thermalStack';
import { boxOf } from '@/core/device/shapes';
import type { EdgeId } from '@/core/device/types';
import { keepOuts } from '@/core/lift/depth';
import { softened } from '@/core/lift/fractureEnergy';
import { judgement } from '@/core/source';
import type { JobState } from '@/model/fold';
import { onPlate } from '@/model/stages/heat';
import { heaterOf } from '@/model/settings';
import { useActions } from '@/bench-kit/actions';
import { JobPage } from '@/bench-kit/JobPage';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { shopAdhesive } from '@/work/heat/shopAdhesive';
import { stageHref } from '@/bench-kit/stageHref';
import { edgeName, everyPart, thermalJob } from '@/work/heat/thermalJob';
import { presentJob } from '@/work/heat/present';
import { useThermal } from '@/bench-kit/useThermal';
import { airNear, wetUntil } from '@/bench-kit/wet';
import { rowOf, Why } from '@/bench-kit/Why';
import { useJobs, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice, Tick } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { RingArcs } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { clock, length, percent, temp, time } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';

/** A cover that no heat model describes counts as hot for this long after its heat. */
const unmodelledWaitS = judgement(600, 'a warmed lens cover has cooled by then');
const wipeMl = judgement(0.1, 'a wipe that is nearly dry, ml');
const edges: EdgeId[] = ['bottom', 'left', 'top', 'right'];
const midnight = (now: number) => new Date(now).setHours(0, 0, 0, 0);

/** Alcohol into the gap or on a wipe: only in the cooler band, with every heat source off and away. */
export function AlcoholScreen({ job: whole }: { job: JobState }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(1000);
  const router = useRouter();
  const job = useMemo(() => presentJob(whole), [whole]);
  const { log } = useActions(job);
  const jobs = useJobs();
  const source = useThermal(job.device, job.bond);
  const modelled = heatModelled(job.device, job.bond);
  const thermal = useMemo(
    () => (modelled && source.model && job.heat.length ? thermalJob(job, settings, source.model, 0) : null),
    [modelled, source.model, job, settings],
  );
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);
  const lifted = job.stages.lift === 'done';
  const [use, setUse] = useState<'gap' | 'wipe'>(lifted ? 'wipe' : 'gap');
  const [edge, setEdge] = useState<EdgeId>(() => edges.find((e) => !job.freeEdges.has(e)) ?? 'bottom');
  const [typedMl, setTypedMl] = useState<number | null>(null);
  const [checks, setChecks] = useState({ ventilated: false, masked: false });
  const check = (k: keyof typeof checks) => (on: boolean) => setChecks((c) => ({ ...c, [k]: on }));

  const on = onPlate(job);
  const last = job.heat[job.heat.length - 1];
  const nowS = thermal ? (now - thermal.t0) / 1e3 : 0;
  const bondC = thermal
    ? Math.max(
        thermal.run.partC(nowS, 'cover')?.high ?? 0,
        ...thermal.run.hotArcsC(nowS, thermal.arcs).map((r) => r.high),
      )
    : !modelled
      ? // a lens cover has no model that cools: it waits instead
        last && last.setC === null && now - last.at < unmodelledWaitS.value * 1e3
        ? Infinity
        : null
      : job.heat.length
        ? Infinity
        : null;
  const lineC = bondC === null || !Number.isFinite(bondC) ? (job.ambientC ?? settings.roomC) : bondC;
  const span = path.edgeSpan(edge);
  const edgeMm = span.toMm - span.fromMm;
  const ringMm = jointOf(job.bond).wholeFace ? 10 : job.bond.widthMm;
  const doseMl = (edgeMm * ringMm * job.bond.gapMm) / 1e3;
  const ml = typedMl ?? (use === 'gap' ? Math.max(0.01, Math.round(doseMl * 100) / 100) : wipeMl.value);
  const cameraMm = useMemo(() => {
    const cameras = keepOuts(job.device, job.bond, everyPart(job.device))
      .filter((k) => k.why === 'camera')
      .map((k) => boxOf(k.shape));
    let best = Infinity;
    for (let s = span.fromMm; s <= span.toMm; s += 2) {
      const [x, y] = path.point(s).at;
      for (const b of cameras)
        best = Math.min(
          best,
          Math.hypot(Math.max(b.min[0] - x, 0, x - b.max[0]), Math.max(b.min[1] - y, 0, y - b.max[1])),
        );
    }
    return best;
  }, [job.device, job.bond, path, span.fromMm, span.toMm]);
  const air = settings.air;
  const uses = jobs.flatMap((j) => j.alcohol.map((a) => ({ at: a.at, ml: a.ml })));
  const today = usedSince(uses, midnight(now));
  const v = vapour(ml, air, settings.roomC);
  const day = vapour(today + ml, air, settings.roomC);
  const around: Surroundings = {
    heatOn: on ? heaterOf(settings, on.heater).name : null,
    airNear: airNear(job, jobs, settings, now),
    contactNear: jobs
      .filter((j) => j.id !== job.id && j.closedAt === null)
      .flatMap((j) => {
        const heat = onPlate(j);
        return heat && defOf(heaterOf(settings, heat.heater)).under ? [j.label] : [];
      }),
    faceC: bondC,
    belowC: use === 'gap' ? bondBelowC.value : cleanCoolC.value,
    cameraMm: use === 'gap' ? cameraMm : cameraWithinMm.value,
    masked: checks.masked,
    ventilated: checks.ventilated,
    mostMl: v.mostMl,
    ml,
    recentMl: recentMl(uses, air, now),
  };
  const stops = alcoholStops(around);
  const words = stopWords(units, around, use);
  const run =
    use === 'gap' && lineC < wickBelowC
      ? {
          ring: wick(lineC, job.bond.gapMm, edgeMm, { depthMm: ringMm }),
          ten: wick(lineC, job.bond.gapMm, edgeMm, { timeS: 10 }),
          soakS: 60,
        }
      : null;
  const adhesive = shopAdhesive(settings, job.bond.adhesive);
  const dried = run ? slotDryS(lineC, ringMm) : null;
  const wet = wetUntil(job, settings);
  const give = () => {
    void log([
      {
        type: 'alcohol',
        ml,
        use,
        ...(use === 'gap' ? { stretch: { fromMm: span.fromMm, toMm: span.toMm } } : {}),
        checks: { ...checks, sourcesAway: around.airNear.length === 0 },
        tC: Math.round(lineC * 10) / 10,
      },
    ]);
    router.replace(stageHref(job.id, lifted ? 'clean' : 'lift'));
  };
  const first = stops[0];
  return (
    <JobPage
      job={job}
      title="Alcohol"
      now={now}
      stage={lifted ? 'clean' : 'lift'}
      picture={(size) => (
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
      )}
      main={
        <Button
          kind="main"
          label={use === 'gap' ? 'It is in the gap' : 'Wipe is moist'}
          onPress={give}
          disabled={stops.length > 0}
          {...(first ? { why: words[first].short } : {})}
        />
      }
      side={<Button label="Back" onPress={() => router.replace(stageHref(job.id, lifted ? 'clean' : 'lift'))} />}
    >
      <View className="mt-2">
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
        <Txt size="s" strong className="mt-2">
          No flame, no spark, no running gun or dryer within arm’s reach; an element stays hot for more than a minute.
        </Txt>
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
              Wet until {time(wet)}, {clock((wet - now) / 1e3)} from now: no gun or dryer before, on no job of this
              bench; a plate or mat with moving air only.
            </Txt>
            <Button kind="small" label="Looked at: it is dry" onPress={() => void log([{ type: 'alcoholDry' }])} />
          </View>
        ) : null}
        <Txt size="s" tone="ink2" className="mt-2">
          Flammable from {temp(alcohol.flashC.value, units)}: its vapour counts as flammable at the bench at any time.
          Gloves, eye cover. Wipes to the solvent waste, lid on. The maker’s data sheet and local rules go first.
        </Txt>
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
      </View>
    </JobPage>
  );
}

function stopWords(
  units: Parameters<typeof temp>[1],
  f: Surroundings,
  use: 'gap' | 'wipe',
): Record<AlcoholStop, { short: string; long: string }> {
  const limit = use === 'gap' ? bondBelowC.value : cleanCoolC.value;
  return {
    unknown: { short: 'a figure is missing', long: 'Dose, room or temperature is no number: put it right first.' },
    heatOn: { short: 'it is on the heat', long: `Off ${f.heatOn ?? 'the heat'} first, out of its reach.` },
    airNear: {
      short: `${f.airNear.join(', ')} too near`,
      long: `It runs, or its element still glows: at least ${clock(airAwayS.value)} after it is off.`,
    },
    faceTooHot: {
      short: `over ${temp(limit, units)}`,
      long: `It may be at ${f.faceC === null || !Number.isFinite(f.faceC) ? 'more: no model says how far it has cooled' : temp(f.faceC, units)}: alcohol boils away at once and its vapour spreads.`,
    },
    camera: {
      short: 'an open camera is near',
      long: `${length(f.cameraMm, units, 0)} from this edge: mask it, or keep this edge dry.`,
    },
    tooMuch: {
      short: 'too much at once',
      long: `With ${f.recentMl.toFixed(2)} ml of the last half hour. Still air at the bench bears ${f.mostMl.toFixed(2)} ml, moving air more: open a window, or wait.`,
    },
  };
}
