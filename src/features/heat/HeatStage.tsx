import { useRouter } from 'expo-router';
import { Suspense, useDeferredValue, useMemo, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';

import { airHandlingS, fallsBelow, handlingS } from '@/core/heat/forecast';
import { edgeLoop } from '@/core/heat/run';
import { martin } from '@/core/heat/jet';
import { restUnderK } from '@/core/lift/plan';
import { heatModelled } from '@/core/device/thermalStack';
import { choosePick } from '@/core/lift/picks';
import { onPlate, type JobState } from '@/model/fold';
import { heaterOf } from '@/model/settings';
import { shopThresholds } from '@/stagekit/shopAdhesive';
import { heaterWords } from '@/stagekit/heaterWords';
import { controlPlate, useInstruments } from '@/stagekit/instruments';
import { lookAt } from '@/stagekit/look';
import { presentJob } from '@/stagekit/present';
import { useActions } from '@/stagekit/actions';
import { NotModelled } from '@/stagekit/NotModelled';
import { useGoOn } from '@/stagekit/useGoOn';
import { PlainPlan } from '@/stagekit/PlainPlan';
import { stageHref } from '@/stagekit/stageHref';
import { StageShell } from '@/stagekit/StageShell';
import {
  batteryMarks,
  edgeName,
  liftState,
  edgeMeans,
  pickInForce,
  placeName,
  strengthOf,
  thermalJob,
  watchMarks,
} from '@/stagekit/thermalJob';
import { ThermalWait } from '@/stagekit/ThermalWait';
import { useThermal } from '@/stagekit/useThermal';
import { usePicks } from '@/stagekit/usePicks';
import { rowOf, Why } from '@/stagekit/Why';
import { wetRule } from '@/stagekit/wet';
import { useJobs, useSettings } from '@/store/shop';
import { nowMs } from '@/store/clock';
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
import { cutSpeed, wedgeState } from '@/core/lift/verdict';
import {
  aboveSoFarS,
  curvesOf,
  heatForecast,
  hotNow,
  magnetC,
  magnetsAtC,
  worstByClock,
} from '@/stagekit/heatForecast';
import { awayCall, heatCall, watchedNames } from './heatCall';
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

const worstText = (worst: ReturnType<typeof worstByClock>, units: Parameters<typeof temp>[1]): string =>
  `Worst case of never trying and waiting for the latest time by the clock: ${(['battery', 'camera', 'display', 'cover'] as const).flatMap((id) => (worst[id] === undefined ? [] : [`${watchedNames[id]} ${temp(worst[id], units)}`])).join(', ')}.`;

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
  const [openedAt] = useState(() => nowMs());
  const thermal = useMemo(
    () => (model ? thermalJob(job, probed.settings, model, openedAt, { heater: plan.heater, use: plan.use }) : null),
    [job, probed.settings, model, openedAt, plan.heater, plan.use],
  );
  const marks = useMemo(() => batteryMarks(job.device), [job.device]);
  const watched = useMemo(() => watchMarks(job), [job]);
  const liveS = thermal ? (now - thermal.t0) / 1e3 : 0;
  // a cooling device is looked at afresh every few seconds; a heating one from its recorded start
  const startS = thermal && job.heat.length && !on ? Math.floor(liveS / 5) * 5 : 0;
  // alcohol in the edge goes on softening: looked at every ten seconds
  const wetAt = job.alcohol.length ? Math.floor(now / 1e4) * 1e4 : null;
  const lift = useMemo(
    () =>
      thermal
        ? withinUse(
            liftState(
              job,
              settings,
              thermal.path,
              thermal.arcs,
              pickMm ?? pickInForce(job, settings),
              edgeMeans(job, thermal),
              wetAt,
            ),
            plan.use,
          )
        : null,
    [job, settings, thermal, pickMm, plan.use, wetAt],
  );
  // the table of picks is an offer beside the one that is in force
  const picks = usePicks(job, settings, thermal, lift, setC, preheated).data ?? null;
  const choice = useMemo(() => (picks ? choosePick(picks, job.keepCover) : null), [picks, job]);
  const f = useMemo(
    () => (thermal && lift ? heatForecast(job, thermal, lift, { setC, preheated }, startS) : null),
    [job, thermal, lift, setC, preheated, startS],
  );
  const range = useMemo(() => (lift ? shopThresholds(settings, lift.case) : null), [settings, lift]);
  const magnets = useMemo(() => (f ? magnetsAtC(job, f) : null), [job, f]);
  // the chart follows in its own, interruptible turn: the finger never waits for it
  const chartF = useDeferredValue(f);
  const curves = useMemo(() => (chartF && thermal ? curvesOf(chartF, thermal) : null), [chartF, thermal]);
  const dueAt = on && f?.readyS && thermal ? thermal.t0 + f.readyS.mean * 1e3 : null;
  const lateAt = on && f?.readyS && thermal ? thermal.t0 + f.readyS.high * 1e3 : null;
  const alarm = useAlarm(dueAt, now, 'opens', settings.sound);
  const offAt = on && heater.autoOffS !== null ? on.at + heater.autoOffS * 1e3 : null;
  const offAlarm = useAlarm(offAt === null ? null : offAt - warnBeforeMs, now, 'closes', settings.sound);
  const awake = useAwake(on !== null);
  // while planning the picture shows the line as it will be when the heat ends
  const shownS = on || !f ? liveS : (f.readyS?.mean ?? startS + 300);
  const pictureS = on ? Math.floor(shownS) : shownS;
  const field = useMemo(() => (f ? f.run.picture(pictureS) : null), [f, pictureS]);
  const lookS = Math.floor(liveS / 5) * 5;
  const away = useMemo(
    () => (thermal && lift && job.calledAway && !on && job.heat.length ? lookAt(thermal, lift, setC, lookS) : null),
    [thermal, lift, job, on, setC, lookS],
  );
  const missed = lateAt !== null && now > lateAt;
  // what has gone by above the battery's caution mark is counted live, over all heats
  const aboveS = useMemo(
    () => (f && (on || job.heat.length) ? aboveSoFarS(f, 'battery', marks.cautionC, lookS) : 0),
    [f, on, job.heat.length, marks, lookS],
  );

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
  const coldest = arcsC.reduce((m, r, i) => (r.mean < arcsC[m]!.mean ? i : m), 0);
  const firstC = f.run.arcC(shownS, f.first);
  const hot = {
    battery: hotNow(f, 'battery', shownS),
    camera: hotNow(f, 'camera', shownS),
    display: hotNow(f, 'display', shownS),
    cover: hotNow(f, 'cover', shownS),
  };
  const hotC = {
    ...(hot.battery ? { battery: hot.battery.hotC } : {}),
    ...(hot.camera ? { camera: hot.camera.hotC } : {}),
    ...(hot.display ? { display: hot.display.hotC } : {}),
    ...(hot.cover ? { cover: hot.cover.hotC } : {}),
  };
  const plastic = strengthOf(job).yieldMPa !== undefined;
  const offSince = job.heat[job.heat.length - 1];
  const text = away
    ? awayCall({
        offForS: offSince ? (now - offSince.at) / 1e3 : 0,
        words,
        where: lift.nextEdge ? edgeName(lift.nextEdge) : 'line',
        lineC: thermal.run.arcC(liveS, f.first).mean,
        easyForS: away.easyUntilS - liveS,
        gripsInS: away.gripsAtS - liveS,
        reheatS: away.reheatS,
        units,
      })
    : heatCall({
        f,
        lift,
        nowS: liveS,
        on: on !== null,
        swollen,
        hotC: on ? hotC : {},
        marks: watched,
        units,
        words,
        breakChance:
          job.keepCover && lift.easyC !== null ? wedgeState(lift.case, lift.easyC, cutSpeed.value).breakChance : null,
        breakLimit: settings.breakLimit,
        plastic,
        pieces: job.bond.zone === 'fullArea' && job.device.parts.some((p) => p.limitC),
        refused: on ? null : (refused?.why ?? null),
        autoOffInS: offAt === null ? null : (offAt - now) / 1e3,
        againBelowC: marks.cautionC - restUnderK.value,
      });
  const doseS = on || job.heat.length ? aboveS : (f.parts.battery?.aboveCautionS.mean ?? 0);
  const tileOf = (id: 'battery' | 'camera' | 'cover'): ReadingItem => {
    const m = watched[id];
    const c = hot[id]?.hotC;
    return {
      id,
      value: c === undefined ? '–' : `${tempNumber(c, units)}°`,
      label: `${watchedNames[id]}${on ? '' : ' then'}, at most.${m ? ` Caution ${tempNumber(m.cautionC, units)}°, stop ${tempNumber(m.stopC, units)}°` : ''}${id === 'battery' ? `. ${doseS > 0 ? `${clock(doseS)} over ${tempNumber(marks.cautionC, units)}°${on ? ' so far' : ''}` : `No time over ${tempNumber(marks.cautionC, units)}°${on ? ' so far' : ''}`}` : ''}`,
      tone: m && c !== undefined && c >= m.cautionC ? 'caution' : 'ink',
    };
  };
  const readings: ReadingItem[] = [
    {
      id: 'first',
      value: `${tempNumber(firstC.mean, units)}°`,
      label: `${lift.nextEdge ? edgeName(lift.nextEdge) : 'first edge'} ${on ? 'now' : 'then'}, usually.${lift.workC === null ? '' : ` Works from ${tempNumber(lift.workC, units)}°`}${lift.easyC === null ? '' : `, easy from ${tempNumber(lift.easyC, units)}°`}`,
      tone: lift.easyC !== null && firstC.mean >= lift.easyC ? 'go' : 'ink',
    },
    plastic
      ? tileOf('cover')
      : {
          id: 'cold',
          value: `${tempNumber(arcsC[coldest]!.mean, units)}°`,
          label: `coldest: ${placeName(thermal.path, (thermal.arcs[coldest]!.fromMm + thermal.arcs[coldest]!.toMm) / 2)}`,
        },
    tileOf('battery'),
    tileOf('camera'),
  ];

  const toolsReady = job.prep.has('toolsReady');
  const { stop: wet, caution: wetCaution } = wetRule(job, jobs, settings, now, heater);
  const missing = missingBeforeHeat(job, 'below', wet) ?? (refused ? 'parts are inside' : null);
  const record = { heater: plan.heater, use: plan.use };
  const layOn = () => {
    if (missing || on) return;
    const computed = {
      tryFromS: f.tryFromS,
      readyS: f.readyS,
      battery: f.parts.battery?.peakC,
      easyC: lift.easyC,
      workC: lift.workC,
    };
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
        readyInS: f.readyS ? f.readyS.mean - f.heatStartS : null,
        tryInS: f.tryFromS ? f.tryFromS.mean - f.heatStartS : null,
        latestInS: f.readyS ? f.readyS.high - f.heatStartS : null,
      },
    ]);
    setDraft(null);
    if (heater.kind === 'plate') controlPlate({ setC, heating: true, deviceOn: true });
  };
  const offForecast = () => {
    const off = thermal.run.then({ atS: liveS, setC: null, preheated: false });
    const lasts = (c: number | null) =>
      c === null ? null : Math.max(0, fallsBelow(off, f.first, c, liveS).mean - liveS);
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
  const comeBack = () => {
    void log([{ type: 'observed', what: 'back' }]);
    // still workable: the hands go on where they were
    if (away && away.gripsAtS > liveS) router.replace(stageHref(job.id, 'lift'));
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
        onMain={away ? comeBack : on ? takeOff : layOn}
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
                share={(liveS - f.heatStartS) / Math.max(1, f.readyS.mean - f.heatStartS)}
                over={liveS > f.readyS.high}
                text={`On for ${clock(liveS - f.heatStartS)}. Try from ${clock((f.tryFromS ?? f.readyS).mean - f.heatStartS)}, easy by ${clock(f.readyS.mean - f.heatStartS)}, at the latest ${clock(f.readyS.high - f.heatStartS)}${offAt === null ? '' : `; switches itself off in ${clock(Math.max(0, (offAt - now) / 1e3))}`}`}
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
          away ? (
            <Button kind="main" label="I’m back" onPress={comeBack} />
          ) : on ? (
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
        {wetCaution ? (
          <Txt size="s" tone="caution">
            {wetCaution}
          </Txt>
        ) : null}
        {soundNote ? (
          <Txt size="s" tone="caution">
            {soundNote}
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
          setC={heater.kind === 'plate' && !on ? setC : null}
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
              ? `Easy usually at ${clock(f.readyS.mean - f.heatStartS)}, between ${clock(f.readyS.low - f.heatStartS)} and ${clock(f.readyS.high - f.heatStartS)} in nineteen of twenty. Trying costs seconds, so the call tells the usual time; parts are judged in the same world as the bond: a poor contact makes the bond late and the camera cool.`
              : 'Not easy within 20 minutes at this setpoint.',
            ...(f.readyS ? [worstText(worstByClock(job, f), units)] : []),
            `Basis: ${probed.used ? 'heat model and probe' : 'heat model only'}. No way of heating is promised to keep the battery under its ${temp(marks.cautionC, units)} caution mark; what differs is how long it lasts.`,
            `Battery over caution ${clock(f.parts.battery?.aboveCautionS.mean ?? 0)} (up to ${clock(f.parts.battery?.aboveCautionS.high ?? 0)}), over stop up to ${clock(f.parts.battery?.aboveStopS.high ?? 0)}, all heats of this job together. Camera over caution ${clock(f.parts.camera?.aboveCautionS.mean ?? 0)}.`,
            `When it opens: ${(['battery', 'camera', 'display', 'cover'] as const).flatMap((id) => (f.parts[id] ? [`${watchedNames[id]} ${temp(f.parts[id]!.peakC.mean, units)}, up to ${temp(f.parts[id]!.peakC.high, units)}`] : [])).join('; ')}.`,
            ...(range?.easyC
              ? [
                  `Easy from ${temp(range.easyC.mean, units)}: ${temp(range.easyC.low, units)} to ${temp(range.easyC.high, units)} over what this shop does not know of the adhesive${range.workC ? `; works from ${temp(range.workC.mean, units)}, ${temp(range.workC.low, units)} to ${temp(range.workC.high, units)}` : ''}. What gave or held is noted on Lift and narrows it.`,
                ]
              : []),
            ...(magnets === null || magnets < magnetC.value
              ? []
              : [
                  `Under the cover at the coil ${temp(magnets, units)}: magnets of many grades weaken for good from about ${temp(magnetC.value, units)}. Hot air along the edge keeps them cooler.`,
                ]),
            ...(lift.alcohol
              ? [`Alcohol in this edge: ${Math.round(lift.alcohol.lowersK)} K less is needed there until it has dried.`]
              : []),
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
          heatS={(f.readyS?.mean ?? 300) - f.heatStartS}
          ambientC={thermal.ambientC}
        />
      </StageShell>
    </View>
  );
}
