import { useRouter } from 'expo-router';
import { Suspense, useDeferredValue, useMemo, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';

import { airHandlingS, exposure, fallsBelow, handlingS } from '@/core/heat/forecast';
import { edgeLoop } from '@/core/heat/run';
import { martin } from '@/core/heat/jet';
import { restUnderK } from '@/core/lift/plan';
import { heatModelled } from '@/core/device/thermalStack';
import { choosePick } from '@/core/lift/picks';
import { onPlate, type JobState } from '@/model/fold';
import { heaterOf } from '@/model/settings';
import { heaterWords } from '@/stagekit/heaterWords';
import { controlPlate, useInstruments } from '@/stagekit/instruments';
import { lookAt } from '@/stagekit/look';
import { presentJob } from '@/stagekit/present';
import { useActions } from '@/stagekit/actions';
import { NotModelled } from '@/stagekit/NotModelled';
import { useGoOn } from '@/stagekit/useGoOn';
import { PlainPlan } from '@/stagekit/PlainPlan';
import { stageHref, StageShell } from '@/stagekit/StageShell';
import { batteryMarks, edgeName, liftState, partStopC, placeName, thermalJob } from '@/stagekit/thermalJob';
import { ThermalWait } from '@/stagekit/ThermalWait';
import { useThermal } from '@/stagekit/useThermal';
import { usePicks } from '@/stagekit/usePicks';
import { rowOf, Why } from '@/stagekit/Why';
import { wetStop } from '@/stagekit/wet';
import { useJobs, useSettings } from '@/store/shop';
import { Flash, useAlarm, useAwake } from '@/ui/alarm';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Readings, type ReadingItem } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { clock, temp, tempNumber } from '@/ui/units';
import { useNow } from '@/ui/useNow';
import { useWide } from '@/ui/useWide';
import { ConfirmFull } from './ConfirmFull';
import { curvesOf, heatForecast } from '@/stagekit/heatForecast';
import { heatCall, missedS } from './heatCall';
import { firstPlan, refuses, withinUse, type HeatPlanDraft } from '@/stagekit/heatPlan';
import { HeatControls } from './HeatControls';
import { HeatChart } from './LazyHeatChart';
import { Links, Progress } from './HeatParts';
import { isSwollen, missingBeforeHeat } from './heatPage';
import { HeatPicture } from './HeatPicture';
import { LensHeatStage } from './LensHeatStage';
import { SpotScreen } from './SpotScreen';
import { LiveProbe, probeNow } from './LiveProbe';
import { PicksTable } from './PicksTable';
import { useProbed } from './useProbedHeater';

/** A heater that switches itself off is announced this long before. */
const warnBeforeMs = 60_000;

/** Glue that gives off fumes, at a heat where it does. */
const fumes = (job: JobState, setC: number, on: boolean) =>
  (setC >= 180 && job.bond.adhesive === 'fullAreaPu') || (on && setC >= 180);

const caution =
  'Hot tools: gloves and eye cover. Never heat a swollen, bent or punctured cell; stop on smell or hiss. The maker’s instructions and local rules go first.';

export function HeatStage({ job }: { job: JobState }) {
  const goOn = useGoOn(job, 'heat');
  const here = useMemo(() => presentJob(job), [job]);
  if (['lensInRing', 'frameLens'].includes(job.face.construction)) return <LensHeatStage job={job} />;
  // a spot has its own clock and its own model
  if (onPlate(job)?.use?.path?.kind === 'spot') return <SpotScreen job={job} />;
  if (heatModelled(job.device, job.bond)) return <HeatBench job={here} />;
  return (
    <NotModelled
      job={job}
      stage="heat"
      caution={caution}
      onMain={() => goOn()}
      main={<Button kind="main" label="Go to lift" onPress={() => goOn()} />}
    />
  );
}

/** @param job with the device as it is on the bench: without the parts that are out */
function HeatBench({ job }: { job: JobState }) {
  const settings = useSettings();
  const jobs = useJobs();
  const now = useNow(500);
  const wide = useWide();
  const screen = useWindowDimensions();
  const router = useRouter();
  const { log, decide } = useActions(job);
  const thermalSource = useThermal(job.device, job.bond);
  const [draft, setDraft] = useState<HeatPlanDraft | null>(null);
  const on = onPlate(job);
  const plan: HeatPlanDraft = useMemo(() => {
    const chosen = draft ?? firstPlan(job, settings);
    // a heat that is going on is what it was begun as
    return on
      ? {
          ...chosen,
          heater: on.heater ?? settings.plate.id,
          use: on.use ?? {},
          setC: on.setC ?? chosen.setC,
          preheated: on.preheated,
        }
      : chosen;
  }, [draft, job, settings, on]);
  const { setC, preheated } = plan;
  const heater = heaterOf(settings, plan.heater);
  const words = heaterWords(heater);
  const pickMm = plan.pickMm;
  const model = thermalSource.model;
  const swollen = isSwollen(job);
  const refused = refuses(heater, setC, job);

  const live = useInstruments();
  const ambientC = job.ambientC ?? settings.roomC;
  const heatNow = useMemo(
    // a reheat starts from a warm device: only the first heat is corrected by the probe
    () =>
      on && on.setC !== null && job.heat.length === 1 ? { at: on.at, setC: on.setC, preheated: on.preheated } : null,
    [on, job.heat.length],
  );
  const heatModel = useMemo(
    () => (model ? thermalJob(job, settings, model, 0, { heater: plan.heater, use: plan.use }) : null),
    [job, settings, model, plan.heater, plan.use],
  );
  const expected = (at: number) =>
    heatModel && job.heat.length
      ? heatModel.run.arcC((at - heatModel.t0) / 1e3, heatModel.arcs[0]!)
      : { low: ambientC, mean: ambientC, high: ambientC };
  const probe = live.state === 'off' || live.state === 'connecting' ? null : probeNow(live, expected, now, ambientC);
  const probed = useProbed(settings, model, heater, heatNow, ambientC, live.readings, probe, Math.floor(now / 10_000));

  // before the first heat the run starts "now": one fixed instant for this mount keeps the forecast still
  const [openedAt] = useState(() => Date.now());
  const thermal = useMemo(
    () => (model ? thermalJob(job, probed.settings, model, openedAt, { heater: plan.heater, use: plan.use }) : null),
    [job, probed.settings, model, openedAt, plan.heater, plan.use],
  );
  const base = useMemo(
    () => (thermal ? withinUse(liftState(job, settings, thermal.path, thermal.arcs, pickMm), plan.use) : null),
    [job, settings, thermal, pickMm, plan.use],
  );
  const marks = useMemo(() => batteryMarks(job.device), [job.device]);
  const liveS = thermal ? (now - thermal.t0) / 1e3 : 0;
  // a cooling device is looked at afresh every few seconds; a heating one from its recorded start
  const startS = thermal && job.heat.length && !on ? Math.floor(liveS / 5) * 5 : 0;

  const picks = usePicks(job, settings, thermal, base, setC, preheated).data ?? null;
  const choice = useMemo(() => (picks ? choosePick(picks, job.keepCover) : null), [picks, job]);
  // until somebody chose a pick, the recommended one is in force
  const chosenPick = pickMm ?? choice?.way?.pickMm;
  const lift = useMemo(
    () => (thermal ? withinUse(liftState(job, settings, thermal.path, thermal.arcs, chosenPick), plan.use) : null),
    [job, settings, thermal, chosenPick, plan.use],
  );
  const f = useMemo(
    () => (thermal && lift ? heatForecast(job, thermal, lift, { setC, preheated }, startS) : null),
    [job, thermal, lift, setC, preheated, startS],
  );
  // the chart follows in its own, interruptible turn: the finger never waits for it
  const chartF = useDeferredValue(f);
  const curves = useMemo(() => (chartF && thermal ? curvesOf(chartF, thermal) : null), [chartF, thermal]);
  const dueAt = on && f?.readyS && thermal ? thermal.t0 + f.readyS.high * 1e3 : null;
  const alarm = useAlarm(dueAt, now, 'opens', settings.sound);
  const offAt = on && heater.autoOffS !== null ? on.at + heater.autoOffS * 1e3 : null;
  const offAlarm = useAlarm(offAt === null ? null : offAt - warnBeforeMs, now, 'closes', settings.sound);
  const awake = useAwake(on !== null);
  // while planning the picture shows the line as it will be when the heat ends
  const shownS = on || !f ? liveS : (f.readyS?.high ?? startS + 300);
  const pictureS = on ? Math.floor(shownS) : shownS;
  const field = useMemo(() => (f ? f.run.picture(pictureS) : null), [f, pictureS]);
  const lookS = Math.floor(liveS / 5) * 5;
  const away = useMemo(
    () => (thermal && lift && job.calledAway && !on && job.heat.length ? lookAt(thermal, lift, setC, lookS) : null),
    [thermal, lift, job, on, setC, lookS],
  );
  const missed = on !== null && dueAt !== null && now - dueAt > missedS * 1e3;
  const ifOffNow = useMemo(() => {
    if (!missed || !thermal) return null;
    const off = thermal.run.then({ atS: lookS, setC: null, preheated: false });
    return {
      peakC: exposure(off, 'battery', marks, lookS, lookS + 120, 10)?.peakC.high ?? thermal.ambientC,
      againBelowC: marks.cautionC - restUnderK.value,
    };
  }, [missed, thermal, lookS, marks]);

  const units = settings;
  if (!thermal || !lift || !f || !field)
    return (
      <StageShell
        job={job}
        stage="heat"
        now={now}
        picture={(size) => <PlainPlan job={job} size={size} label={job.device.name} lines={[]} />}
        call={<ThermalWait thermal={thermalSource} />}
        readings={null}
        main={<Button kind="main" label={words.on} onPress={() => {}} disabled why="the heat model is not there yet" />}
        caution={caution}
      />
    );

  const arcsC = f.run.arcsC(shownS, thermal.arcs);
  const coldest = arcsC.reduce((m, r, i) => (r.low < arcsC[m]!.low ? i : m), 0);
  const firstC = f.run.arcC(shownS, f.first);
  const battery = f.run.partC(shownS, 'battery');
  const camera = f.run.partC(shownS, 'camera');
  const text = heatCall({
    f,
    lift,
    nowS: liveS,
    on: on !== null,
    swollen,
    batteryNowHighC: on ? (battery?.high ?? null) : null,
    stopC: marks.stopC,
    partStopC: partStopC(job.device),
    units,
    words,
    refused: on ? null : (refused?.why ?? null),
    autoOffInS: offAt === null ? null : (offAt - now) / 1e3,
    ifOffNow,
  });
  const doseS = f.battery?.aboveCautionS.high ?? 0;
  const readings: ReadingItem[] = [
    {
      id: 'first',
      value: `${tempNumber(firstC.low, units)}°`,
      label: `${lift.nextEdge ? edgeName(lift.nextEdge) : 'first edge'} ${on ? 'now' : 'then'}, at least. ${lift.easyC === null ? '' : `Easy from ${tempNumber(lift.easyC, units)}°`}`,
      tone: lift.easyC !== null && firstC.low >= lift.easyC ? 'go' : 'ink',
    },
    {
      id: 'cold',
      value: `${tempNumber(arcsC[coldest]!.low, units)}°`,
      label: `coldest: ${placeName(thermal.path, (thermal.arcs[coldest]!.fromMm + thermal.arcs[coldest]!.toMm) / 2)}${lift.workC === null ? '' : `. Works from ${tempNumber(lift.workC, units)}°`}`,
    },
    {
      id: 'battery',
      value: `${tempNumber(battery?.high ?? 0, units)}°`,
      label: `battery, at most. Caution ${tempNumber(marks.cautionC, units)}°, stop ${tempNumber(marks.stopC, units)}°. ${clock(doseS)} above caution`,
      tone: (battery?.high ?? 0) >= marks.cautionC ? 'caution' : 'ink',
    },
    {
      id: 'camera',
      value: camera ? `${tempNumber(camera.high, units)}°` : '–',
      tone: camera && camera.high >= (partStopC(job.device).camera ?? 1e3) ? 'caution' : 'ink',
      label: `camera, at most. Limit ${tempNumber(job.device.parts.find((p) => p.kind === 'camera')?.limitC?.stop.value ?? 80, units)}°`,
    },
  ];

  const toolsReady = job.prep.has('toolsReady');
  const wet = wetStop(job, jobs, settings, now);
  const missing = missingBeforeHeat(job, 'below', wet) ?? (refused ? 'parts are inside' : null);
  const record = { heater: plan.heater, use: plan.use };
  const layOn = () => {
    if (missing || on) return;
    const computed = { readyS: f.readyS, battery: f.battery?.peakC, easyC: lift.easyC, workC: lift.workC };
    const recommended = choice?.way?.pickMm ?? null;
    void log([
      { type: 'heatPlan', setC, pickMm: lift.pickMm, preheated, ...record },
      decide({
        call: 'heat',
        inputs: {
          setC,
          pickMm: lift.pickMm,
          preheated,
          ambientC: thermal.ambientC,
          ...record,
          flawUm: lift.case.flawUm,
        },
        computed,
        chosen: { setC, pickMm: lift.pickMm },
        ...(recommended !== null && recommended !== lift.pickMm
          ? { because: 'another pick was chosen on the screen; no reason was given' }
          : {}),
      }),
      ...(job.stages.intake === 'todo' || job.stages.intake === 'started'
        ? ([{ type: 'stage', stage: 'intake', to: 'done' }] as const)
        : []),
      { type: 'stage', stage: 'heat', to: job.stages.heat === 'done' ? 'done' : 'started' },
      {
        type: 'heatOn',
        setC,
        preheated,
        ...record,
        startC: thermal.ambientC,
        modelRun: thermal.model.modes.digest,
        readyInS: f.readyS ? f.readyS.high - f.heatStartS : null,
      },
    ]);
    setDraft(null);
    if (heater.kind === 'plate') controlPlate({ setC, heating: true, deviceOn: true });
  };
  const offForecast = () => {
    const off = thermal.run.then({ atS: liveS, setC: null, preheated: false });
    const lasts = (c: number | null) =>
      c === null ? null : Math.max(0, fallsBelow(off, f.first, c, liveS).low - liveS);
    return { easyForS: lasts(lift.easyC), gripsInS: lasts(lift.workC) };
  };
  const takeOff = () => {
    if (!on) return;
    void log([
      ...(missed ? ([{ type: 'observed', what: 'missedAlarm' }] as const) : []),
      { type: 'heatOff', reason: text.tone === 'caution' ? 'emergency' : 'ready', ...offForecast() },
      { type: 'stage', stage: 'heat', to: 'done' },
    ]);
    controlPlate({ deviceOn: false });
    router.replace(stageHref(job.id, 'lift'));
  };
  const onAgain = () =>
    void log([
      { type: 'observed', what: 'switchedOff' },
      { type: 'heatOff', reason: 'hold', ...offForecast() },
      {
        type: 'heatOn',
        setC,
        preheated: false,
        ...record,
        startC: Math.round(thermal.run.arcC(liveS, f.first).mean * 10) / 10,
        modelRun: thermal.model.modes.digest,
        readyInS: null,
      },
    ]);
  const soundNote =
    on &&
    (!settings.sound
      ? 'Sound is off: keep the screen in sight.'
      : alarm.silent
        ? 'This browser keeps silent until the screen is tapped: keep it in sight.'
        : awake === 'refused'
          ? 'This browser lets the screen sleep: a sleeping page cannot ring.'
          : null);

  return (
    <View className="flex-1">
      <Flash on={alarm.flash} label="Lift now" />
      <Flash on={offAlarm.flash} label={`The ${words.name.toLowerCase()} switches itself off in a minute`} />
      <StageShell
        job={job}
        stage="heat"
        now={now}
        caution={caution}
        onMain={on ? takeOff : layOn}
        picture={(size) => (
          <HeatPicture
            job={job}
            thermal={thermal}
            lift={lift}
            fieldC={field}
            arcsC={arcsC}
            units={units}
            size={size}
            air={heater.kind === 'air' ? { path: plan.use.path ?? edgeLoop, running: on !== null } : null}
          />
        )}
        call={<Call {...text} />}
        readings={<Readings items={readings} />}
        controls={
          on ? (
            f.readyS ? (
              <Progress
                share={(liveS - f.heatStartS) / Math.max(1, f.readyS.high - f.heatStartS)}
                text={`${clock(liveS - f.heatStartS)} of ${clock(f.readyS.high - f.heatStartS)}${offAt === null ? '' : `; switches itself off in ${clock(Math.max(0, (offAt - now) / 1e3))}`}`}
              />
            ) : null
          ) : (
            <HeatControls
              job={job}
              settings={settings}
              plan={{ ...plan, pickMm: lift.pickMm }}
              step={lift.steps.find((x) => x.edge === lift.nextEdge)}
              ringMm={thermal.path.lengthMm}
              onChange={setDraft}
            />
          )
        }
        main={
          on ? (
            <Button kind="main" label={words.off} onPress={takeOff} />
          ) : (
            <Button
              kind="main"
              label={words.on}
              onPress={layOn}
              disabled={missing !== null}
              {...(missing ? { why: missing } : {})}
            />
          )
        }
        side={
          on && offAt !== null && now >= offAt ? (
            <Button label="On again" onPress={onAgain} />
          ) : on ? (
            <Button
              label="Called away"
              onPress={() => {
                controlPlate({ deviceOn: false });
                void log([
                  { type: 'heatOff', reason: 'hold', ...offForecast() },
                  { type: 'observed', what: 'calledAway' },
                ]);
              }}
            />
          ) : (
            <Button label="Lift" onPress={() => router.replace(stageHref(job.id, 'lift'))} />
          )
        }
      >
        {soundNote ? (
          <Txt size="s" tone="caution">
            {soundNote}
          </Txt>
        ) : null}
        {away ? (
          <Txt size="s" className="mt-1" testID="away">
            Called away: the {lift.nextEdge ? edgeName(lift.nextEdge) : 'line'} is at{' '}
            {temp(thermal.run.arcC(liveS, f.first).low, units)} or more now,{' '}
            {away.easyUntilS > liveS ? `easy for ${clock(away.easyUntilS - liveS)}` : 'no longer easy'},{' '}
            {away.gripsAtS > liveS ? `it grips in ${clock(away.gripsAtS - liveS)}` : 'it has gripped'}.{' '}
            {away.reheatS === null
              ? 'This setpoint does not get it back.'
              : `${clock(away.reheatS)} of heat get it back.`}
          </Txt>
        ) : null}
        {fumes(job, setC, on !== null) ? (
          <Txt size="s" tone="caution" className="mt-1">
            Extraction on: polyurethane glue heated to about 200 °C and more can give off isocyanates.
          </Txt>
        ) : null}
        <LiveProbe
          live={live}
          state={probe}
          expectedC={job.heat.length ? expected(now) : null}
          used={probed.used}
          now={now}
          heat={heater.kind === 'plate' && on && on.setC !== null ? { setC: on.setC, preheated: on.preheated } : null}
          // no plate is switched on while alcohol is wet anywhere on the bench
          setC={heater.kind === 'plate' && !on && wet === null ? setC : null}
          units={units}
        />
        <Links job={job} />
        {on ? null : (
          <Tick
            label="Picks, blade, alcohol out of the way, gloves, eye cover: all at hand"
            on={toolsReady}
            onChange={(v) => void log([{ type: 'prep', item: 'toolsReady', done: v }])}
          />
        )}
        {curves ? (
          <Suspense fallback={<View style={{ height: 190 }} />}>
            <HeatChart
              curves={curves}
              easyC={lift.easyC}
              probe={on ? live.readings.map((r) => ({ tS: (r.at - thermal.t0) / 1e3, tempC: r.tempC })) : []}
              nowS={on ? Math.floor(liveS / 2) * 2 : null}
              width={wide ? 368 : screen.width - 32}
              units={units}
            />
          </Suspense>
        ) : null}
        <Disclosure title="Heat and pick, side by side" open={wide}>
          <PicksTable
            ways={picks}
            choice={choice}
            pickMm={lift.pickMm}
            fromS={f.heatStartS}
            keepCover={job.keepCover}
            units={units}
          />
        </Disclosure>
        <Why
          job={job}
          call="heat"
          inputs={{ ...record, setC, pickMm: lift.pickMm, ambientC: thermal.ambientC }}
          computed={{ readyS: f.readyS, easyC: lift.easyC, workC: lift.workC }}
          notes={[
            f.readyS
              ? `Ready ${clock(f.readyS.low - f.heatStartS)} to ${clock(f.readyS.high - f.heatStartS)} after laying it on, ${clock(f.readyS.mean - f.heatStartS)} most likely. The call works by the late end, limits by the hot one.`
              : 'Not ready within 20 minutes at this setpoint.',
            `Basis: ${probed.used ? 'heat model and probe' : 'heat model only'}. No way of heating is promised to keep the cell under its ${temp(marks.cautionC, units)} caution mark; what differs is how long it lasts.`,
            `Battery above caution ${clock(f.battery?.aboveCautionS.mean ?? 0)} (at most ${clock(f.battery?.aboveCautionS.high ?? 0)}), above stop at most ${clock(f.battery?.aboveStopS.high ?? 0)}, all heats of this job together.`,
            `Camera up to ${temp(f.camera?.peakC.high ?? thermal.ambientC, units)}, display up to ${temp(f.display?.peakC.high ?? thermal.ambientC, units)}.`,
            'Break chance is a numerical estimate and looks optimistic: no twisting, no hidden chips.',
          ]}
          rows={[
            ...(heater.kind === 'air'
              ? [
                  rowOf('Air jet over the correlation', heater.hScale, '×'),
                  rowOf('Air at the nozzle off by', heater.offsetK, 'K'),
                  rowOf('Correlation', martin, ''),
                  rowOf('Air aside to first cut', airHandlingS, 's'),
                ]
              : [
                  rowOf('Contact conductance', heater.conductanceWm2K, 'W/m²K'),
                  rowOf(`${words.name} offset`, heater.offsetK, 'K'),
                  rowOf(`${words.name} lag`, heater.lagS, 's'),
                  rowOf(`${words.name} to first cut`, handlingS, 's'),
                ]),
            rowOf('Adhesive G1', lift.case.adhesive.debond.g1, 'J/m²'),
            ...(job.device.parts.find((p) => p.kind === 'battery')?.limitC
              ? [
                  rowOf('Battery caution', job.device.parts.find((p) => p.kind === 'battery')!.limitC!.caution, '°C'),
                  rowOf('Battery stop', job.device.parts.find((p) => p.kind === 'battery')!.limitC!.stop, '°C'),
                ]
              : []),
          ]}
        />
        <ConfirmFull
          job={job}
          heater={heater}
          use={thermal.use}
          model={thermal.model}
          setC={setC}
          heatS={(f.readyS?.high ?? 300) - f.heatStartS}
          ambientC={thermal.ambientC}
        />
      </StageShell>
    </View>
  );
}
