import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';

import { heatModelled } from '@/core/device/thermalStack';
import { edgeWindows, depthLimitAt, keepOuts, overMm } from '@/core/lift/depth';
import { arcVerdict, wedgeState, cutSpeed } from '@/core/lift/verdict';
import { heatCount, onPlate, type JobState } from '@/model/fold';
import { NotModelled } from '@/stagekit/NotModelled';
import { heaterWords } from '@/stagekit/heaterWords';
import { lookAt } from '@/stagekit/look';
import { presentJob } from '@/stagekit/present';
import { useGoOn } from '@/stagekit/useGoOn';
import { useActions } from '@/stagekit/actions';
import { stageHref, StageShell } from '@/stagekit/StageShell';
import { batteryMarks, edgeName, everyPart, followEdge, liftState, placeName, thermalJob } from '@/stagekit/thermalJob';
import { ThermalWait } from '@/stagekit/ThermalWait';
import { useRest } from '@/stagekit/usePicks';
import { useThermal } from '@/stagekit/useThermal';
import { rowOf, Why } from '@/stagekit/Why';
import { useSettings } from '@/store/shop';
import { Flash, useAlarm, useAwake } from '@/ui/alarm';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { DeviceBody, DeviceLines } from '@/ui/plan/BaseLayer';
import { DepthLine, Numbers, RingArcs, Soundings } from '@/ui/plan/layers';
import { Plan } from '@/ui/plan/Plan';
import { Readings, type ReadingItem } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { clock, length, percent, temp, tempNumber } from '@/ui/units';
import { useNow } from '@/ui/useNow';
import { liftCall } from './liftCall';

const caution =
  'Glass splinters: eye cover, gloves, tape over cracked glass, brush instead of a hand. Plastic pick near cables; never lever on the cell. Maker’s instructions go first.';

const reasonWords = {
  farFromCamera: 'farthest from camera and cables',
  camera: 'camera beside it, so late',
  cable: 'a cable crosses here',
  buttons: 'keys behind it',
  warmest: 'warmest',
  joinsOpen: 'joins an open edge',
} as const;

export function LiftStage({ job }: { job: JobState }) {
  const goOn = useGoOn(job, 'lift');
  const here = useMemo(() => presentJob(job), [job]);
  if (heatModelled(job.device, job.bond)) return <RingLift job={here} />;
  return (
    <NotModelled
      job={job}
      stage="lift"
      caution={caution}
      onMain={() => goOn()}
      main={<Button kind="main" label="Cover is off" onPress={() => goOn()} />}
    />
  );
}

function RingLift({ job }: { job: JobState }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(500);
  const router = useRouter();
  const { log } = useActions(job);
  const source = useThermal(job.device, job.bond);
  const model = source.model;
  const firstHeat = job.heat[0]?.at ?? 0;
  const thermal = useMemo(
    () => (model ? thermalJob(job, settings, model, firstHeat) : null),
    [job, settings, model, firstHeat],
  );
  const lift = useMemo(
    () => (thermal ? liftState(job, settings, thermal.path, thermal.arcs) : null),
    [job, settings, thermal],
  );
  const outs = useMemo(() => keepOuts(job.device, job.bond, everyPart(job.device)), [job.device, job.bond]);
  const windows = useMemo(() => edgeWindows(job.device, job.bond, outs), [job.device, job.bond, outs]);
  const limits = useMemo(() => {
    if (!thermal) return [];
    const n = Math.ceil(thermal.path.lengthMm / 3);
    return Array.from({ length: n }, (_, i) => {
      const sMm = (i * thermal.path.lengthMm) / n;
      return { sMm, limitMm: depthLimitAt(thermal.path, job.bond, outs, sMm).limitMm };
    });
  }, [thermal, job.bond, outs]);
  const on = onPlate(job);
  const heated = heatCount(job) > 0;
  const nowS = thermal && heated ? (now - thermal.t0) / 1e3 : 0;
  const setC = job.plan?.setC ?? 110;

  // one look at the cooling line every 5 s settles the window and what a reheat takes
  const lookS = Math.floor(nowS / 5) * 5;
  const look = useMemo(
    () => (thermal && lift && lift.order.length && !on && heated ? lookAt(thermal, lift, setC, lookS) : null),
    [thermal, lift, on, heated, lookS, setC],
  );
  const cautionC = batteryMarks(job.device).cautionC;
  const doseS = useMemo(() => (thermal ? batteryDoseS(thermal, lookS, cautionC) : 0), [thermal, lookS, cautionC]);
  const rest = useRest(job, settings, thermal, lift, setC, Math.floor(nowS / 20) * 20).data?.[0]?.plan ?? null;

  const closesAt = look && thermal && look.gripsAtS > nowS ? thermal.t0 + (look.gripsAtS - 20) * 1e3 : null;
  const alarm = useAlarm(closesAt, now, 'closes', settings.sound);
  useAwake(heated && !on && lift?.nextEdge !== null);

  if (!thermal || !lift)
    return (
      <StageShell
        job={job}
        stage="lift"
        now={now}
        picture={(size) => (
          <Plan
            device={job.device}
            bond={job.bond}
            width={size.width}
            height={size.height}
            label={job.device.name}
            lines={[]}
          >
            <DeviceBody />
            <DeviceLines />
          </Plan>
        )}
        call={<ThermalWait thermal={source} />}
        readings={null}
        main={
          <Button kind="main" label="Edge is free" onPress={() => {}} disabled why="the heat model is not there yet" />
        }
        caution={caution}
      />
    );

  const marks = batteryMarks(job.device);
  const arcsC = thermal.run.arcsC(nowS, thermal.arcs);
  const arc = lift.order.length ? lift.order[0]! : null;
  const arcC = arc === null ? arcsC[0]! : arcsC[arc]!;
  const battery = thermal.run.partC(nowS, 'battery');
  const verdict = arcVerdict(arcC, lift, lift.upperC);
  const window = windows.find((w) => w.edge === lift.nextEdge) ?? null;
  const state = wedgeState(lift.case, Math.max(15, arcC.low), cutSpeed.value);
  const cable = job.device.cables[0];
  const text = liftCall({
    lift,
    words: heaterWords(thermal.heater),
    verdict,
    arcLowC: arcC.low,
    arcHighC: arcC.high,
    onPlate: on !== null,
    everHeated: heated,
    swollen: job.findings.cellSwollen?.answer === 'yes',
    batteryHighC: battery?.high ?? null,
    stopC: marks.stopC,
    easyForS: Math.max(0, (look?.easyUntilS ?? nowS) - nowS),
    gripsForS: Math.max(0, (look?.gripsAtS ?? nowS) - nowS),
    reheatS: look?.reheatS ?? null,
    window,
    breakChance: state.breakChance,
    cable: cable
      ? { name: cable.name, toward: edgeName(cable.foldToward), slackMm: cable.slackMm, unplugFirst: cable.unplugFirst }
      : null,
    units,
  });
  const left = arc === null ? 0 : lift.order.reduce((s, i) => s + thermal.arcs[i]!.toMm - thermal.arcs[i]!.fromMm, 0);
  const readings: ReadingItem[] =
    arc === null
      ? [{ id: 'done', value: `${heatCount(job)}`, label: 'heats in all', tone: 'go' }, dose()]
      : [
          {
            id: 'arc',
            value: `${tempNumber(arcC.low, units)}°`,
            label: `${placeName(thermal.path, (thermal.arcs[arc]!.fromMm + thermal.arcs[arc]!.toMm) / 2)}, at least. Easy ${lift.easyC === null ? 'never' : `${tempNumber(lift.easyC, units)}°`}, works ${lift.workC === null ? 'never' : `${tempNumber(lift.workC, units)}°`}`,
            tone: verdict === 'go' ? 'go' : verdict === 'slow' ? 'ink' : 'caution',
          },
          {
            id: 'depth',
            value: window
              ? window.limitMm >= 30
                ? `${length(window.needMm, units)}+`
                : length(window.limitMm, units)
              : '–',
            label: window
              ? window.limitMm >= 30
                ? `deep with the ${length(lift.pickMm, units)} pick; nothing near`
                : `deepest on this edge: ${window.limitedBy?.name ?? ''}. ${length(window.needMm, units)} cuts the ring`
              : '',
            tone: window && window.limitMm < window.needMm + 1 ? 'caution' : 'ink',
          },
          {
            id: 'mm',
            value: length(rest ? (rest.windowsMm[0] ?? 0) : left, units, 0),
            label: rest
              ? `of ${length(left, units, 0)} fit in this window. ${rest.finished ? `${rest.reheats} reheats to expect` : rest.stoppedBy === 'battery' ? 'then the cell is too hot for more' : 'then it stays too cold'}`
              : 'still to cut',
          },
          dose(),
        ];
  function dose(): ReadingItem {
    return {
      id: 'battery',
      value: `${tempNumber(battery?.high ?? thermal!.ambientC, units)}°`,
      label: `battery, at most. ${clock(doseS)} above ${tempNumber(marks.cautionC, units)}° in all heats`,
      tone: (battery?.high ?? 0) >= marks.cautionC ? 'caution' : 'ink',
    };
  }

  const finished = lift.nextEdge === null;
  const mainAction = () => {
    if (finished) {
      void log([{ type: 'stage', stage: 'lift', to: 'done' }]);
      router.replace(stageHref(job.id, 'clean'));
    } else if (lift.nextEdge && heated && !on) void log([{ type: 'edge', edge: lift.nextEdge, free: true }]);
  };
  const shut = on ? 'it is on the plate' : !heated ? 'heat first' : null;
  const record = { heater: job.plan?.heater, use: followEdge(job, job.plan?.use) };
  const reheat = () => {
    void log([
      {
        type: 'observed',
        what: 'grips',
        ...(lift.nextEdge ? { edge: lift.nextEdge } : {}),
        modelC: Math.round(arcC.mean * 10) / 10,
      },
      { type: 'heatPlan', setC, pickMm: lift.pickMm, preheated: true, ...record },
      {
        type: 'heatOn',
        setC,
        preheated: true,
        ...record,
        startC: Math.round(arcC.mean * 10) / 10,
        modelRun: thermal.model.modes.digest,
        readyInS: look?.reheatS ?? null,
      },
    ]);
    router.replace(stageHref(job.id, 'heat'));
  };
  const reheatHot = (battery?.high ?? 0) >= marks.stopC;
  return (
    <View className="flex-1">
      <Flash on={alarm.flash} label="It grips in 20 s" />
      <StageShell
        job={job}
        stage="lift"
        now={now}
        caution={caution}
        onMain={shut && !finished ? undefined : mainAction}
        picture={(size) => (
          <Plan
            device={job.device}
            bond={job.bond}
            width={size.width}
            height={size.height}
            label={`Lift of ${job.device.name}: ${job.freeEdges.size} of 4 edges free`}
            lines={[
              ...lift.steps.map((s, i) => {
                const w = windows.find((x) => x.edge === s.edge)!;
                return `${i + 1}. ${edgeName(s.edge)}${job.freeEdges.has(s.edge) ? ', free' : ''}: ${length(w.needMm, units)} to ${w.limitMm >= 30 ? 'no limit near' : length(w.limitMm, units)} deep${w.closed.length ? `; keep out at ${w.closed.map((c) => c.by.name).join(', ')}` : ''}; ${s.reasons.map((r) => reasonWords[r]).join(', ')}`;
              }),
              ...thermal.arcs.map(
                (a, i) =>
                  `${placeName(thermal.path, (a.fromMm + a.toMm) / 2)}: ${temp(arcsC[i]!.low, units)} or more, ${lift.order.includes(i) ? arcVerdict(arcsC[i]!, lift, lift.upperC) : 'free'}`,
              ),
            ]}
            readAt={(p) => {
              const s = thermal.path.locate(p);
              const i = Math.floor((s + thermal.path.lengthMm / 48) / (thermal.path.lengthMm / 24)) % 24;
              return `${placeName(thermal.path, s)}: ${temp(arcsC[i]!.low, units)} or more; deepest ${length(depthLimitAt(thermal.path, job.bond, outs, s).limitMm, units)}`;
            }}
          >
            <DeviceBody />
            <DeviceLines />
            <DepthLine limits={limits} />
            <RingArcs
              arcs={thermal.arcs.map((a, i) => ({
                fromMm: a.fromMm + 0.6,
                toMm: a.toMm - 0.6,
                state: lift.order.includes(i) ? arcVerdict(arcsC[i]!, lift, lift.upperC) : 'free',
              }))}
            />
            <Numbers
              items={lift.steps.map((s, i) => {
                const p = thermal.path.point((s.fromMm + s.toMm) / 2);
                return {
                  at: [p.at[0] - p.normal[0] * 13, p.at[1] - p.normal[1] * 13] as const,
                  text: job.freeEdges.has(s.edge) ? '✓' : String(i + 1),
                  state: job.freeEdges.has(s.edge) ? 'done' : s.edge === lift.nextEdge ? 'next' : 'todo',
                };
              })}
            />
            <Soundings
              items={thermal.arcs
                .map((a, i) => ({ i, p: thermal.path.point((a.fromMm + a.toMm) / 2) }))
                .filter(({ i }) => i === arc)
                .map(({ i, p }) => ({
                  at: [p.at[0] - p.normal[0] * 26, p.at[1] - p.normal[1] * 26] as const,
                  text: `${tempNumber(arcsC[i]!.low, units)}°`,
                  bold: true,
                }))}
            />
          </Plan>
        )}
        call={<Call {...text} />}
        readings={<Readings items={readings} />}
        main={
          <Button
            kind="main"
            label={
              finished
                ? 'Cover is off'
                : `${edgeName(lift.nextEdge!)[0]!.toUpperCase()}${edgeName(lift.nextEdge!).slice(1)} is free`
            }
            onPress={mainAction}
            disabled={!finished && shut !== null}
            {...(shut && !finished ? { why: shut } : {})}
          />
        }
        side={
          finished ? undefined : on || !heated ? (
            <Button label="Heat" onPress={() => router.replace(stageHref(job.id, 'heat'))} />
          ) : (
            <Button
              label="It grips: reheat"
              onPress={reheat}
              disabled={reheatHot}
              {...(reheatHot ? { why: 'cell at its stop mark' } : {})}
            />
          )
        }
      >
        {job.calledAway ? (
          <Txt size="s" className="mt-1">
            Called away: the line is at {temp(arcC.low, units)} or more now
            {look ? `, it grips in ${clock(Math.max(0, look.gripsAtS - nowS))}` : ''}.
          </Txt>
        ) : null}
        {verdict === 'reheat' && rest && rest.rests > 0 ? (
          <Txt size="s" className="mt-1">
            Let it rest before the next heat: the cell has to cool below its caution mark first.
          </Txt>
        ) : null}
        <Disclosure title="Edges: order, depth, done">
          {lift.steps.map((s, i) => {
            const w = windows.find((x) => x.edge === s.edge)!;
            return (
              <Tick
                key={s.edge}
                label={`${i + 1}. ${edgeName(s.edge)} is free`}
                on={job.freeEdges.has(s.edge)}
                note={`${length(w.needMm, units)} to ${w.limitMm >= 30 ? 'no limit near' : `${length(w.limitMm, units)} (${w.limitedBy?.name})`}${w.closed.length ? `, not at ${w.closed.map((c) => c.by.name).join(', ')}` : ''}; ${s.reasons.map((r) => reasonWords[r]).join(', ')}. Creep up to the corners, never lift to force one.`}
                onChange={(v) => void log([{ type: 'edge', edge: s.edge, free: v }])}
              />
            );
          })}
          {job.keepCover && !job.broke ? (
            <Button
              kind="small"
              label="The cover broke"
              onPress={() => void log([{ type: 'observed', what: 'broke' }])}
            />
          ) : null}
        </Disclosure>
        <Why
          job={job}
          call="lift"
          inputs={{ arcLowC: arcC.low, pickMm: lift.pickMm, flawUm: lift.case.flawUm, keepCover: job.keepCover }}
          computed={{
            verdict,
            easyC: lift.easyC,
            workC: lift.workC,
            margin: state.margin,
            breakChance: state.breakChance,
          }}
          notes={[
            `Now ${verdict}: at ${temp(arcC.low, units)} the bond needs ${Math.round(state.gcJm2)} J/m², it opens ${length(state.opening.aheadMm, units)} ahead of the pick, glass stress ${Math.round(state.stressMPa)} of ${Math.round(state.designMPa)} MPa allowed (margin ${state.margin.toFixed(2)}).`,
            `Chance of breaking over the whole ring ${percent(state.breakChance)}; the shop accepts ${percent(settings.breakLimit)}. Numerical estimate, looks optimistic: no twisting, no hidden chips.`,
            job.keepCover
              ? 'The cover is to be saved, so stress and chance decide too.'
              : 'The cover is written off: only the bond decides, the glass may break further.',
            'A thicker pick needs less heat and breaks more glass; heat and pick are compared on the Heat stage.',
          ]}
          rows={[
            rowOf('Speed of the pick', cutSpeed, 'mm/s'),
            rowOf('Past the ring', overMm, 'mm'),
            rowOf('Edge flaw of an unbroken edge', lift.case.cover.flawUm, 'µm'),
            rowOf('Adhesive scale', lift.case.adhesive.debond.scale, ''),
          ]}
        />
      </StageShell>
    </View>
  );
}

/** Seconds of the run so far with the cell's high bound above a mark. */
function batteryDoseS(thermal: ReturnType<typeof thermalJob>, nowS: number, markC: number): number {
  if (!thermal.switches.length) return 0;
  const end = Math.min(nowS, thermal.switches[thermal.switches.length - 1]!.atS + 1800);
  const step = Math.max(5, end / 60);
  let sum = 0;
  for (let t = 0; t < end; t += step)
    if ((thermal.run.partC(t, 'battery')?.high ?? 0) >= markC) sum += Math.min(step, end - t);
  return sum;
}
