import { useRouter } from 'expo-router';
import { useMemo, useRef, useState } from 'react';
import { View } from 'react-native';

import { draggedStretch, type Stretch } from '@/core/lift/advance';
import { placeholders } from '@/core/lift/corner';
import { depthLimitAt, overMm } from '@/core/lift/depth';
import { foldOver } from '@/core/lift/foldOver';
import { cupRadiusMm } from '@/core/lift/firstGap';
import {
  arcVerdict,
  cutSpeed,
  safeWedge,
  paceMmS,
  slowShare,
  sticksAgainC,
  thickestWedgeMm,
  wedgeVerdict,
} from '@/core/lift/verdict';
import type { EdgeId, Pt } from '@/core/device/types';
import { hotOf } from '@/core/heat/run';
import { heatCount, onPlate, type JobState } from '@/model/fold';
import { heaterWords } from '@/stagekit/heaterWords';
import { lookAt } from '@/stagekit/look';
import { useActions } from '@/stagekit/actions';
import { batteryDoseS } from '@/stagekit/batteryDose';
import { PlainPlan } from '@/stagekit/PlainPlan';
import { stageHref } from '@/stagekit/stageHref';
import { StageShell } from '@/stagekit/StageShell';
import { batteryMarks, edgeMeans, edgeName, followEdge, liftState, placeName, thermalJob } from '@/stagekit/thermalJob';
import { ThermalWait } from '@/stagekit/ThermalWait';
import { useRest } from '@/stagekit/usePicks';
import { useThermal } from '@/stagekit/useThermal';
import { rowOf, Why } from '@/stagekit/Why';
import { wetRule } from '@/stagekit/wet';
import { useJobs, useSettings } from '@/store/shop';
import { capital } from '@/ui/capital';
import { Flash, useAlarm, useAwake } from '@/ui/alarm';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { CutRing, DepthLine, FirstGapMarks, Numbers, Pegs, RingArcs, Soundings } from '@/ui/plan/layers';
import { Readings, type ReadingItem } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { clock, length, percent, temp, tempNumber } from '@/ui/units';
import { useNow } from '@/ui/useNow';
import { GaveWay } from './GaveWay';
import { EdgeNow } from './EdgeNow';
import { liftCall } from './liftCall';
import { LiftLinks } from './LiftLinks';
import { ModeChoice } from './ModeChoice';
import { computedCut, useRingGeometry } from './ringWork';
import { SavePanel } from './SavePanel';
import { liftCaution, reasonWords } from './words';

type Finger = 'cut' | 'grip' | 'look';

/** An intact or taped cover along its ring, edge by edge, against the cooling line. */
export function RingLift({ job }: { job: JobState }) {
  const settings = useSettings();
  const jobs = useJobs();
  const units = settings;
  const now = useNow(500);
  const router = useRouter();
  const { log } = useActions(job);
  const [finger, setFinger] = useState<Finger>('cut');
  const [drag, setDrag] = useState<{ fromMm: number; toMm: number } | null>(null);
  // a quick finger is up again before the page has been drawn: where it was put down is kept beside the state
  const dragFrom = useRef<number | null>(null);
  const source = useThermal(job.device, job.bond);
  const model = source.model;
  const firstHeat = job.heat[0]?.at ?? 0;
  const thermal = useMemo(
    () => (model ? thermalJob(job, settings, model, firstHeat) : null),
    [job, settings, model, firstHeat],
  );
  // alcohol in the edge goes on softening: looked at every ten seconds
  const wetAt = job.alcohol.length ? Math.floor(now / 1e4) * 1e4 : null;
  const lift = useMemo(
    () =>
      thermal ? liftState(job, settings, thermal.path, thermal.arcs, undefined, edgeMeans(job, thermal), wetAt) : null,
    [job, settings, thermal, wetAt],
  );
  const firstEdge = lift && job.cut.freeMm < 3 ? lift.nextEdge : null;
  const { outs, windows, limits, gap } = useRingGeometry(job, thermal, firstEdge);
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
  const restS = Math.floor(nowS / 20) * 20;
  const rest = useRest(job, settings, thermal, lift, setC, restS).data?.[0]?.plan ?? null;

  const closesAt = look && thermal && look.gripsAtS > nowS ? thermal.t0 + (look.gripsAtS - 20) * 1e3 : null;
  const alarm = useAlarm(closesAt, now, 'closes', settings.sound);
  useAwake(heated && !on && lift?.nextEdge !== null);

  if (!thermal || !lift)
    return (
      <StageShell
        job={job}
        stage="lift"
        now={now}
        picture={(size) => <PlainPlan job={job} size={size} label={job.device.name} lines={[]} />}
        call={<ThermalWait thermal={source} />}
        readings={null}
        main={
          <Button kind="main" label="Edge is free" onPress={() => {}} disabled why="the heat model is not there yet" />
        }
        caution={liftCaution}
      />
    );

  const marks = batteryMarks(job.device);
  const arcsC = thermal.run.arcsC(nowS, thermal.arcs);
  const arc = lift.order.length ? lift.order[0]! : null;
  const arcC = arc === null ? arcsC[0]! : arcsC[arc]!;
  const battery = hotOf(thermal.run, 'battery', nowS);
  const verdict = arcVerdict(arcC, lift, lift.upperC);
  const window = windows.find((w) => w.edge === lift.nextEdge) ?? null;
  const lineC = Math.max(15, arcC.mean);
  const state = wedgeVerdict(lift.case, lineC);
  const speed = paceMmS(lineC, lift.easyC, lift.workC) || cutSpeed.value * slowShare;
  const pace = Number(speed.toFixed(1));
  const safe = safeWedge(lift.case, lineC, speed);
  const folds = job.device.cables.map((c) => foldOver(job.device, job.bond, c));
  const text = liftCall({
    lift,
    words: heaterWords(thermal.heater),
    verdict,
    wedge: state,
    arcUsualC: arcC.mean,
    arcHighC: arcC.high,
    onPlate: on !== null,
    everHeated: heated,
    swollen: job.findings.cellSwollen?.answer === 'yes',
    batteryHighC: battery?.hotC ?? null,
    stopC: marks.stopC,
    easyForS: Math.max(0, (look?.easyUntilS ?? nowS) - nowS),
    gripsForS: Math.max(0, (look?.gripsAtS ?? nowS) - nowS),
    reheatS: look?.reheatS ?? null,
    window,
    breakChance: state.breakChance,
    fold: folds[0] ?? null,
    units,
  });
  const heldMm = thermal.path.lengthMm - job.cut.freeMm;
  const readings: ReadingItem[] =
    arc === null
      ? [{ id: 'done', value: `${heatCount(job)}`, label: 'heats in all', tone: 'go' }, dose()]
      : [
          {
            id: 'arc',
            value: `${tempNumber(arcC.mean, units)}°`,
            label: `${placeName(thermal.path, (thermal.arcs[arc]!.fromMm + thermal.arcs[arc]!.toMm) / 2)}, usually. Easy ${lift.easyC === null ? 'never' : `${tempNumber(lift.easyC, units)}°`}, works ${lift.workC === null ? 'never' : `${tempNumber(lift.workC, units)}°`}`,
            tone: verdict === 'go' ? 'go' : verdict === 'slow' ? 'ink' : 'caution',
          },
          {
            id: 'wedge',
            value: length(safe.pickHolds || !job.keepCover ? lift.pickMm : safe.highestMm, units, 2),
            label: !job.keepCover
              ? `pick, ${pace} mm/s; it may break further`
              : safe.pickHolds
                ? `pick, ${pace} mm/s; up to ${safe.highestMm >= thickestWedgeMm ? `over ${length(thickestWedgeMm, units, 0)}` : length(safe.highestMm, units, 2)} holds now`
                : `highest wedge now, your pick is ${length(lift.pickMm, units)}`,
            tone: job.keepCover && !safe.pickHolds ? 'caution' : 'ink',
          },
          {
            id: 'mm',
            value: length(rest ? (rest.windowsMm[0] ?? 0) : heldMm, units, 0),
            label: rest
              ? `of ${length(heldMm, units, 0)} fit in this window. ${rest.finished ? `${rest.reheats} reheats to expect` : rest.stoppedBy === 'battery' ? 'then the cell is too hot for more' : 'then it stays too cold'}`
              : 'still to cut',
          },
          dose(),
        ];
  function dose(): ReadingItem {
    return {
      id: 'battery',
      value: `${tempNumber(battery?.hotC ?? thermal!.ambientC, units)}°`,
      label: `battery, at most. ${clock(doseS)} above ${tempNumber(marks.cautionC, units)}° in all heats`,
      tone: (battery?.hotC ?? 0) >= marks.cautionC ? 'caution' : 'ink',
    };
  }

  const finished = lift.nextEdge === null;
  const free = (edge: EdgeId) => ({
    type: 'edge' as const,
    edge,
    free: true,
    ...computedCut(job, thermal, lift, arcsC, thermal.path.edgeSpan(edge)),
  });
  const mainAction = () => {
    if (finished) {
      void log([{ type: 'stage', stage: 'lift', to: 'done' }]);
      router.replace(stageHref(job.id, 'clean'));
    } else if (lift.nextEdge && heated && !on) void log([free(lift.nextEdge)]);
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
  const reheatHot = (battery?.hotC ?? 0) >= marks.stopC;
  const swollen = job.findings.cellSwollen?.answer === 'yes';
  const wet = wetRule(job, jobs, settings, now, thermal.heater).stop;
  const noHeat = swollen ? 'cell is swollen' : (wet ?? (reheatHot ? 'cell at its stop mark' : null));
  const mark = (s: Stretch) => {
    if (finger === 'cut') void log([{ type: 'cut', ...s, free: true, ...computedCut(job, thermal, lift, arcsC, s) }]);
    else void log([{ type: 'cut', ...s, free: false, stuck: true, tC: Math.round(arcC.mean * 10) / 10 }]);
  };
  const onDrag = (phase: 'start' | 'move' | 'end', p: Pt) => {
    const s = thermal.path.locate(p);
    if (phase === 'start') dragFrom.current = s;
    const from = dragFrom.current ?? s;
    if (phase !== 'end') return setDrag({ fromMm: from, toMm: s });
    dragFrom.current = null;
    setDrag(null);
    const stretch = draggedStretch(from, s, thermal.path.lengthMm);
    if (stretch) mark(stretch);
  };
  const live = drag ? draggedStretch(drag.fromMm, drag.toMm, thermal.path.lengthMm, 1) : null;
  const nearNumber = (at: Pt) =>
    lift.steps.some((s) => {
      const m = thermal.path.point((s.fromMm + s.toMm) / 2).at;
      return Math.hypot(m[0] - at[0], m[1] - at[1]) < 18;
    });
  const pegs = placeholders(thermal.path, job.cut.free);
  return (
    <View className="flex-1">
      <Flash on={alarm.flash} label="It grips in 20 s" />
      <StageShell
        job={job}
        stage="lift"
        now={now}
        caution={liftCaution}
        onMain={shut && !finished ? undefined : mainAction}
        picture={(size) => (
          <PlainPlan
            job={job}
            size={size}
            label={`Lift of ${job.device.name}: ${job.freeEdges.size} of 4 edges free`}
            {...(finger === 'look' || finished || shut ? {} : { onDrag })}
            lines={[
              ...lift.steps.map((s, i) => {
                const w = windows.find((x) => x.edge === s.edge)!;
                return `${i + 1}. ${edgeName(s.edge)}${job.freeEdges.has(s.edge) ? ', free' : ''}: ${length(w.needMm, units)} to ${w.limitMm >= 30 ? 'no limit near' : length(w.limitMm, units)} deep${w.closed.length ? `; keep out at ${w.closed.map((c) => c.by.name).join(', ')}` : ''}; ${s.reasons.map((r) => reasonWords[r]).join(', ')}`;
              }),
              ...thermal.arcs.map(
                (a, i) =>
                  `${placeName(thermal.path, (a.fromMm + a.toMm) / 2)}: ${temp(arcsC[i]!.mean, units)}, ${lift.order.includes(i) ? arcVerdict(arcsC[i]!, lift, lift.upperC) : 'free'}`,
              ),
              ...pegs.map((s) => `a pick stays at the ${placeName(thermal.path, s)}`),
            ]}
            readAt={(p) => {
              const s = thermal.path.locate(p);
              const i = Math.floor((s + thermal.path.lengthMm / 48) / (thermal.path.lengthMm / 24)) % 24;
              return `${placeName(thermal.path, s)}: ${temp(arcsC[i]!.mean, units)}; deepest ${length(depthLimitAt(thermal.path, job.bond, outs, s).limitMm, units)}`;
            }}
          >
            <DepthLine limits={limits} />
            <RingArcs
              arcs={thermal.arcs.map((a, i) => ({
                fromMm: a.fromMm + 0.6,
                toMm: a.toMm - 0.6,
                state: arcVerdict(arcsC[i]!, lift, lift.upperC),
              }))}
            />
            <CutRing free={job.cut.free} live={live} />
            <Pegs atMm={pegs} />
            {gap ? (
              <FirstGapMarks
                cup={gap.cup ? { at: gap.cup.at, rMm: cupRadiusMm.value } : null}
                blade={{
                  at: gap.blade.at,
                  into: inward(thermal.path.point(gap.blade.sMm).normal),
                }}
              />
            ) : null}
            <Numbers
              items={lift.steps
                .filter((s) => !gap || s.edge !== lift.nextEdge)
                .map((s) => {
                  const p = thermal.path.point((s.fromMm + s.toMm) / 2);
                  return {
                    at: [p.at[0] - p.normal[0] * 13, p.at[1] - p.normal[1] * 13] as const,
                    text: job.freeEdges.has(s.edge) ? '✓' : String(lift.steps.indexOf(s) + 1),
                    state: job.freeEdges.has(s.edge) ? 'done' : s.edge === lift.nextEdge ? 'next' : 'todo',
                  };
                })}
            />
            <Soundings
              items={thermal.arcs
                .map((a, i) => ({ i, p: thermal.path.point((a.fromMm + a.toMm) / 2) }))
                .filter(({ i, p }) => i === arc && !gap && !nearNumber(p.at))
                .map(({ i, p }) => ({
                  at: [p.at[0] - p.normal[0] * 26, p.at[1] - p.normal[1] * 26] as const,
                  text: `${tempNumber(arcsC[i]!.mean, units)}°`,
                  bold: true,
                }))}
            />
          </PlainPlan>
        )}
        call={<Call {...text} />}
        readings={<Readings items={readings} />}
        main={
          // a button of its own at the end: a tap that was meant for the last edge does not end the stage
          <Button
            key={finished ? 'end' : 'edge'}
            kind="main"
            label={finished ? 'Cover is off' : `${capital(edgeName(lift.nextEdge!))} is free`}
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
              disabled={noHeat !== null}
              {...(noHeat ? { why: noHeat } : {})}
            />
          )
        }
      >
        {finished || shut ? null : (
          <Choice
            label="A finger along the edge"
            value={finger}
            options={[
              { id: 'cut', name: 'is cut' },
              { id: 'grip', name: 'stuck again' },
              { id: 'look', name: 'only looks' },
            ]}
            onChange={setFinger}
          />
        )}
        {job.calledAway ? (
          <Txt size="s" className="mt-1">
            Called away: the line is at {temp(arcC.mean, units)} now
            {look ? `, it grips in ${clock(Math.max(0, look.gripsAtS - nowS))}` : ''}.
          </Txt>
        ) : null}
        {verdict === 'reheat' && rest && rest.rests > 0 ? (
          <Txt size="s" className="mt-1">
            Let it rest before the next heat: the cell has to cool below its caution mark first.
          </Txt>
        ) : null}
        {job.freeEdges.size ? (
          <View className="mt-2" testID="stuck">
            <Txt size="s">
              Leave a pick in: let down while it is over {temp(sticksAgainC(lift.case.adhesive), units)}, an opened edge
              sticks again within minutes, also when it has hardly cooled.
            </Txt>
            <View className="flex-row flex-wrap gap-2 mt-1">
              {[...job.freeEdges].map((edge) => (
                <Button
                  key={edge}
                  kind="small"
                  label={`${capital(edgeName(edge))} stuck again`}
                  onPress={() =>
                    void log([
                      {
                        type: 'cut',
                        ...thermal.path.edgeSpan(edge),
                        free: false,
                        stuck: true,
                        tC: Math.round(arcC.mean * 10) / 10,
                      },
                    ])
                  }
                />
              ))}
            </View>
          </View>
        ) : null}
        {lift.alcohol ? (
          <Txt size="s" className="mt-1">
            Alcohol in this edge: it opens {Math.round(lift.alcohol.lowersK)} K cooler until it has dried.
          </Txt>
        ) : null}
        {finished ? null : (
          <EdgeNow
            job={job}
            lift={lift}
            path={thermal.path}
            window={window}
            gap={gap}
            safe={safe}
            speed={pace}
            state={state}
            lowC={lineC}
            pegs={pegs}
            folds={folds}
          />
        )}
        <Disclosure title="Edges: order, depth, done">
          {lift.steps.map((s, i) => {
            const w = windows.find((x) => x.edge === s.edge)!;
            return (
              <Tick
                key={s.edge}
                label={`${i + 1}. ${edgeName(s.edge)} is free`}
                on={job.freeEdges.has(s.edge)}
                note={`${length(w.needMm, units)} to ${w.limitMm >= 30 ? 'no limit near' : `${length(w.limitMm, units)} (${w.limitedBy?.name})`}${w.closed.length ? `, not at ${w.closed.map((c) => c.by.name).join(', ')}` : ''}; ${s.reasons.map((r) => reasonWords[r]).join(', ')}. Creep up to the corners, never lift to force one.`}
                onChange={(v) => void log([v ? free(s.edge) : { type: 'edge', edge: s.edge, free: false }])}
              />
            );
          })}
        </Disclosure>
        <SavePanel job={job} thermal={thermal} lift={lift} arcsC={arcsC} rest={rest} setC={setC} restS={restS} />
        <GaveWay job={job} lift={lift} arcC={arcC} />
        {job.cut.freeMm < 3 ? <ModeChoice job={job} /> : null}
        <LiftLinks job={job} />
        <Why
          job={job}
          call="lift"
          inputs={{ arcC: arcC.mean, pickMm: lift.pickMm, flawUm: lift.case.flawUm, keepCover: job.keepCover }}
          computed={{
            verdict,
            easyC: lift.easyC,
            workC: lift.workC,
            margin: state.margin,
            breakChance: state.breakChance,
          }}
          notes={[
            `Now ${verdict}: at ${temp(arcC.mean, units)} the bond needs ${Math.round(state.gcJm2)} J/m², it opens ${length(state.opening.aheadMm, units)} ahead of the pick, glass stress ${Math.round(state.stressMPa)} of ${Math.round(state.designMPa)} MPa allowed (margin ${state.margin.toFixed(2)}).`,
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

const inward = (n: Pt): Pt => [-n[0], -n[1]];
