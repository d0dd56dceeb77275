import { useQuery } from '@tanstack/react-query';
import { useRouter, type Href } from 'expo-router';
import { Suspense, useEffect, useMemo } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { Circle } from 'react-native-svg';

import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { startPractice } from '@/bench-kit/practice/start';
import { useBench } from '@/bench-kit/practice/useLab';
import type { HeatSwitch } from '@/core/heat/member';
import { HeatRun } from '@/core/heat/run';
import type { Truth } from '@/core/practice/truth';
import { defaultPickMm } from '@/core/lift/verdict';
import { foldJob, type JobState } from '@/model/fold';
import { heaterOf } from '@/model/settings';
import { changePractice, endPractice, usePracticeRun, type PracticeRun } from '@/store/practice';
import { noteTry } from '@/store/practiceTries';
import { nowMs } from '@/store/clock';
import { Button } from '@/ui/Button';
import { Plot } from '@/ui/chart/LazyPlot';
import { DeviceBody, DeviceLines } from '@/ui/plan/BaseLayer';
import { usePlanFrame } from '@/ui/plan/frame';
import { RingArcs } from '@/ui/plan/layers';
import { Stroke } from '@/ui/plan/pieceLayers';
import { Plan } from '@/ui/plan/Plan';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { useSettings } from '@/store/shop';
import { firstPlan, setFor } from '@/work/heat/heatPlan';
import { endingOf, type ExerciseId } from '@/work/practice/exercises';
import { playedOn, waited } from '@/work/practice/replay';
import { byCallsInWorker } from '@/workers/thermalClient';
import { t } from '@/words/practice';
import { clock, temp, toF } from '@/words/units';
import { callsText, endedText, truthText, whyText } from './debriefText';

/** How an exercise went: what happened where, what was hot when, what was believed, and what the calls would have taken. */
export function DebriefScreen() {
  const run = usePracticeRun();
  const job = run ? foldJob(run.events) : null;
  return run && job ? (
    <Debrief key={run.id} run={run} job={job} />
  ) : (
    <PlaceFrame title={t('debrief')} line={t('noExercise')}>
      {null}
    </PlaceFrame>
  );
}

/** Where something was hit. */
function Hits({ at }: { at: readonly (readonly [number, number])[] }) {
  const { tokens, mm } = usePlanFrame();
  return at.map(([x, y], i) => (
    <Circle key={i} cx={x} cy={y} r={8 * mm} fill="none" stroke={tokens.caution} strokeWidth={3 * mm} />
  ));
}

function useDebrief(run: PracticeRun, job: JobState) {
  const lab = useBench(run, job);
  // what is looked at stands still
  useEffect(() => changePractice((r) => ({ ...r, speed: 0 })), []);
  const settings = useSettings();
  const end = useMemo(() => {
    if (!lab) return null;
    const played = playedOn(lab.bench, run.acts);
    return waited(lab.bench, played.state, run.simMs / 1e3).state;
  }, [lab, run.acts, run.simMs]);
  const heats = run.acts.filter((a) => a.action.kind === 'heat').length;
  const ended = lab && end ? endingOf(lab.goal, end, lab.firstEdge) : null;
  const { id, exercise, seed, way, person } = run;
  const minutes = end ? end.tS / 60 : 0;
  const trueAt = (s: number) => (lab && end ? lab.bench.lineC(end, lab.gapMm, s) : 0);
  const guesses = run.guesses.map((g) => ({ ...g, wasC: trueAt(g.atS) }));
  const guessed = JSON.stringify(guesses.map((g) => Math.round(g.tC - g.wasC)));
  useEffect(() => {
    if (ended && run.acts.length)
      void noteTry({
        id,
        exercise,
        seed,
        way,
        person,
        at: nowMs(),
        minutes,
        heats,
        ended,
        guessK: JSON.parse(guessed) as number[],
      });
  }, [ended, id, exercise, seed, way, person, minutes, heats, run.acts.length, guessed]);
  const plan = lab ? firstPlan(lab.start, run.settings) : null;
  const heater = heaterOf(run.settings, plan?.heater);
  const truth: Truth | null = lab?.bench.truth ?? null;
  const calls = useQuery({
    queryKey: ['byCalls', exercise, seed, lab?.bench.about.device.id],
    enabled: lab !== null && truth !== null,
    queryFn: () => {
      const { model, path: _p, arcs: _a, ...about } = lab!.bench.about;
      return byCallsInWorker(model.modes, {
        ...{ about, truth: truth!, heater, use: {} },
        ...{ setC: setFor(heater, lab!.start), pickMm: plan?.pickMm ?? defaultPickMm, goal: lab!.goal },
      });
    },
  });
  return { lab, end, heats, ended, guesses, calls: calls.data ?? null, settings };
}

function Debrief({ run, job }: { run: PracticeRun; job: JobState }) {
  const router = useRouter();
  const wide = useWide();
  const { width } = useWindowDimensions();
  const { lab, end, heats, ended, guesses, calls, settings } = useDebrief(run, job);
  const again = (seed: number) => {
    const { exercise, way, person } = run;
    router.replace(
      startPractice({
        exercise: exercise as ExerciseId,
        seed,
        way,
        person,
        settings,
        ...(exercise === 'today' ? { job } : {}),
      }) as Href,
    );
  };
  return (
    <PlaceFrame
      title={t('debrief')}
      full={wide}
      actions={
        <>
          <View className="flex-1">
            <Button label={t('again')} onPress={() => again(run.seed)} />
          </View>
          <View className="flex-1">
            <Button kind="main" label={t('another')} onPress={() => again(run.seed + 1)} />
          </View>
        </>
      }
    >
      {lab && end && ended ? (
        <View className={wide ? 'flex-row gap-4' : ''}>
          <View>
            <Plan
              device={job.device}
              bond={job.bond}
              width={wide ? 320 : width - 32}
              height={wide ? 460 : 340}
              label={t('planOfIt')}
              lines={[
                t('planLines', { free: Math.round(end.cut.freeMm), length: Math.round(end.cut.lengthMm) }),
                endedText(ended, end, lab.bench, heats),
              ]}
            >
              <DeviceBody />
              <DeviceLines />
              <RingArcs arcs={end.cut.free.map((f) => ({ ...f, state: 'free' as const }))} />
              {end.broke ? <Stroke pts={end.broke.crack} /> : null}
              <Hits at={end.hurt.map((h) => lab.bench.about.path.point(h.sMm).at)} />
            </Plan>
          </View>
          <View className="flex-1">
            <Txt strong size="xl" level={2} tone={ended === 'passed' ? 'ink' : 'caution'} testID="call">
              {endedText(ended, end, lab.bench, heats)}
            </Txt>
            <Txt className="mt-1">{whyText(ended, end, settings)}</Txt>
            <Txt className="mt-1">{truthText(lab.bench)}</Txt>
            {calls ? <Txt className="mt-1">{callsText(calls)}</Txt> : null}
            {guesses.map((g) => (
              <Txt key={g.atS} className="mt-1">
                {t('guessSaid', { said: temp(g.tC, settings), was: temp(g.wasC, settings) })}
              </Txt>
            ))}
            <Temperatures run={run} lab={lab} end={end} width={wide ? Math.min(820, width - 420) : width - 32} />
            <View className="mt-3 self-start">
              <Button
                kind="small"
                label={t('leaveExercise')}
                onPress={() => {
                  endPractice();
                  router.replace('/practice' as Href);
                }}
              />
            </View>
          </View>
        </View>
      ) : null}
    </PlaceFrame>
  );
}

const points = 61;

/** First edge and battery as they were, the edge as the app believed, and when it lay on the heat. */
function Temperatures({
  run,
  lab,
  end,
  width,
}: {
  run: PracticeRun;
  lab: NonNullable<ReturnType<typeof useBench>>;
  end: NonNullable<ReturnType<typeof useDebrief>['end']>;
  width: number;
}) {
  const settings = useSettings();
  const { about } = lab.bench;
  const toUnit = (c: number) => (settings.temperature === 'C' ? c : toF(c));
  const toS = Math.max(60, end.tS);
  const at = Array.from({ length: points }, (_, i) => (i * toS) / (points - 1));
  const arc =
    about.arcs[
      Math.floor((about.path.wrap(lab.gapMm) * about.arcs.length) / about.path.lengthMm + 0.5) % about.arcs.length
    ]!;
  const switches = run.acts.flatMap((a): HeatSwitch[] =>
    a.action.kind === 'heat'
      ? [{ atS: a.atS, setC: a.action.setC, preheated: a.action.preheated, heater: a.action.heater, use: a.action.use }]
      : a.action.kind === 'off'
        ? [{ atS: a.atS, setC: null, preheated: false }]
        : [],
  );
  const first = switches.find((s) => s.setC !== null);
  const believed = first ? HeatRun.start(about.model, first.heater!, about.ambientC, switches, {}, about.air) : null;
  const batteryC = at.map((s) => lab.bench.partC(end, 'battery', s));
  const stopC = about.marks.battery?.stopC;
  return (
    <Suspense fallback={<View style={{ height: 300 }} />}>
      <Plot
        label={t('lineAndBattery')}
        width={width}
        height={240}
        x={{ at, kind: 'span', name: t('clockRuns'), text: clock }}
        y={{ name: t('temperatureTrue', { unit: settings.temperature }), text: (v) => `${Math.round(v)}°` }}
        lines={[
          { id: 'edge', name: t('firstEdgeTrue'), y: at.map((s) => toUnit(lab.bench.lineC(end, lab.gapMm, s))) },
          ...(believed
            ? [
                {
                  id: 'believed',
                  name: t('believedEdge'),
                  y: at.map((s) => toUnit(believed.members[0]!.lineC(s, arc.cells))),
                  tone: 'ink2' as const,
                  dash: [2, 4],
                },
              ]
            : []),
          {
            id: 'battery',
            name: t('batteryTrue'),
            y: batteryC.map((c) => (c === null ? null : toUnit(c))),
            tone: 'caution',
            dash: [8, 4],
          },
        ]}
        marks={
          stopC === undefined
            ? []
            : [{ name: `${t('batteryTrue')} ${Math.round(toUnit(stopC))}°`, at: toUnit(stopC), tone: 'caution' }]
        }
        instants={switches
          .slice(0, 12)
          .map((s) => ({ name: s.setC === null ? t('offHeatMark') : t('onHeatMark'), at: s.atS }))}
      />
    </Suspense>
  );
}
