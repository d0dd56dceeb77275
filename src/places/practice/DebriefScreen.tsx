import { useQuery } from '@tanstack/react-query';
import { Suspense, useMemo } from 'react';
import { useWindowDimensions, View } from 'react-native';

import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { useBench } from '@/bench-kit/practice/useLab';
import type { HeatSwitch } from '@/core/heat/member';
import { PracticeBench } from '@/core/practice/bench';
import type { ByCalls } from '@/core/practice/byCalls';
import type { HandAction } from '@/core/practice/happened';
import { workLens } from '@/core/practice/lensHands';
import { defaultPickMm } from '@/core/lift/verdict';
import { foldJob, type JobState } from '@/model/fold';
import { heaterOf } from '@/model/settings';
import { usePracticeRun, type PracticeRun } from '@/store/practice';
import { Plot } from '@/ui/chart/LazyPlot';
import { RingArcs } from '@/ui/plan/layers';
import { Stroke } from '@/ui/plan/pieceLayers';
import { Txt } from '@/ui/Txt';
import { useSettings } from '@/store/shop';
import { firstPlan, setFor } from '@/work/heat/heatPlan';
import { lensCalls } from '@/work/practice/lensPractice';
import { endingOf, isClosing } from '@/work/practice/exercises';
import { playedOn, waited, type Done } from '@/work/practice/replay';
import { byCallsInWorker } from '@/workers/thermalClient';
import { t } from '@/words/practice';
import { clock, temp, toF } from '@/words/units';
import { ClosingDebrief } from './LazyClosingDebrief';
import { DebriefFrame, DebriefPlan, Hits } from './DebriefFrame';
import { useNoted } from './useNoted';
import { callsText, endedText, truthText, whyText } from './debriefText';

/** How an exercise went: what happened where, what was hot when, what was believed, and what the calls would have taken. */
export function DebriefScreen() {
  const run = usePracticeRun();
  const job = run ? foldJob(run.events) : null;
  if (run && job && isClosing(run.exercise))
    return (
      <Suspense fallback={null}>
        <ClosingDebrief key={run.id} run={run} job={job} />
      </Suspense>
    );
  return run && job ? (
    <Debrief key={run.id} run={run} job={job} />
  ) : (
    <PlaceFrame title={t('debrief')} line={t('noExercise')}>
      {null}
    </PlaceFrame>
  );
}

function useDebrief(run: PracticeRun, job: JobState) {
  const lab = useBench(run, job);
  const settings = useSettings();
  const end = useMemo(() => {
    if (!lab) return null;
    const played = playedOn(lab.bench, run.acts as readonly Done<HandAction>[]);
    return waited(lab.bench, played.state, run.simMs / 1e3).state;
  }, [lab, run.acts, run.simMs]);
  const heats = run.acts.filter((a) => a.action.kind === 'heat').length;
  const ended = lab && end ? endingOf(lab.goal, end, lab.firstEdge) : null;
  const { exercise, seed } = run;
  const minutes = end ? end.tS / 60 : 0;
  const trueAt = (s: number) => (lab && end ? lab.bench.lineC(end, lab.gapMm, s) : 0);
  const guesses = run.guesses.map((g) => ({ ...g, wasC: trueAt(g.atS) }));
  useNoted(run, ended, minutes, {
    heats,
    guessK: guesses.map((g) => Math.round(g.tC - g.wasC)),
  });
  const calls = useQuery({
    queryKey: ['byCalls', exercise, seed, lab?.bench.about.device.id],
    enabled: lab !== null,
    queryFn: () => callsOf(run, lab!),
  });
  return { lab, end, heats, ended, guesses, calls: calls.data ?? null, settings };
}

/** The same device worked by somebody who follows the calls. */
function callsOf(run: PracticeRun, lab: NonNullable<ReturnType<typeof useBench>>): Promise<ByCalls | null> {
  const { start, goal } = lab;
  const { model, path: _p, arcs: _a, ...about } = lab.bench.about;
  const { truth } = lab.bench;
  if (!model) {
    const calls = lensCalls(start, run.settings);
    if (!calls) return Promise.resolve(null);
    const { state, heats } = workLens({ bench: lab.bench, ...calls, style: 'guided', seed: run.seed });
    return Promise.resolve({ seconds: state.tS, heats, broke: state.broke !== null, off: state.free });
  }
  const plan = firstPlan(start, run.settings);
  const heater = heaterOf(run.settings, plan.heater);
  return byCallsInWorker(model.modes, {
    ...{ about, truth, heater, use: {}, setC: setFor(heater, start), pickMm: plan.pickMm ?? defaultPickMm, goal },
  });
}

function Debrief({ run, job }: { run: PracticeRun; job: JobState }) {
  const { width } = useWindowDimensions();
  const { lab, end, heats, ended, guesses, calls, settings } = useDebrief(run, job);
  if (!lab || !end || !ended) return <DebriefFrame run={run} job={job} plan={null} told={null} />;
  const said = endedText(ended, end, lab.bench, heats);
  const why = whyText(ended, end, settings);
  return (
    <DebriefFrame
      run={run}
      job={job}
      plan={
        <DebriefPlan
          job={job}
          lines={[t('planLines', { free: Math.round(end.cut.freeMm), length: Math.round(end.cut.lengthMm) }), said]}
        >
          <RingArcs arcs={end.cut.free.map((f) => ({ ...f, state: 'free' as const }))} />
          {end.broke ? <Stroke pts={end.broke.crack} /> : null}
          <Hits at={end.hurt.map((h) => lab.bench.about.path.point(h.sMm).at)} />
        </DebriefPlan>
      }
      told={(wide) => (
        <>
          <Txt strong size="xl" level={2} tone={ended === 'passed' ? 'ink' : 'caution'} testID="call">
            {said}
          </Txt>
          {why ? <Txt className="mt-1">{why}</Txt> : null}
          <Txt className="mt-1">{truthText(lab.bench)}</Txt>
          {calls ? <Txt className="mt-1">{callsText(calls)}</Txt> : null}
          {guesses.map((g) => (
            <Txt key={g.atS} className="mt-1">
              {t('guessSaid', { said: temp(g.tC, settings), was: temp(g.wasC, settings) })}
            </Txt>
          ))}
          <Temperatures run={run} lab={lab} end={end} width={wide ? Math.min(820, width - 420) : width - 32} />
        </>
      )}
    />
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
  const switches = run.acts.flatMap((a): HeatSwitch[] =>
    a.action.kind === 'heat'
      ? [{ atS: a.atS, setC: a.action.setC, preheated: a.action.preheated, heater: a.action.heater, use: a.action.use }]
      : a.action.kind === 'off'
        ? [{ atS: a.atS, setC: null, preheated: false }]
        : [],
  );
  // the same heats on a device that is as it was believed
  const asBelieved = new PracticeBench(about, {
    ...{ ...lab.bench.truth, heaterZ: [0, 0], ambientK: 0, lnScale: 0, crackTurn: 0 },
  });
  const watched = about.lens ? 'camera' : 'battery';
  const hotName = about.lens ? t('cameraTrue') : t('batteryTrue');
  const hotC = at.map((s) => lab.bench.partC(end, watched, s));
  const stopC = about.marks[watched]?.stopC;
  return (
    <Suspense fallback={<View style={{ height: 300 }} />}>
      <Plot
        label={about.lens ? t('lineAndCamera') : t('lineAndBattery')}
        width={width}
        height={240}
        x={{ at, kind: 'span', name: t('clockRuns'), text: clock }}
        y={{ name: t('temperatureTrue', { unit: settings.temperature }), text: (v) => `${Math.round(v)}°` }}
        lines={[
          {
            id: 'edge',
            name: about.lens ? t('tapeTrue') : t('firstEdgeTrue'),
            y: at.map((s) => toUnit(lab.bench.lineC(end, lab.gapMm, s))),
          },
          ...(switches.length
            ? [
                {
                  id: 'believed',
                  name: about.lens ? t('believedTape') : t('believedEdge'),
                  y: at.map((s) => toUnit(asBelieved.lineC({ switches }, lab.gapMm, s))),
                  tone: 'ink2' as const,
                  dash: [2, 4],
                },
              ]
            : []),
          {
            id: 'battery',
            name: hotName,
            y: hotC.map((c) => (c === null ? null : toUnit(c))),
            tone: 'caution',
            dash: [8, 4],
          },
        ]}
        marks={
          stopC === undefined
            ? []
            : [{ name: `${hotName} ${Math.round(toUnit(stopC))}°`, at: toUnit(stopC), tone: 'caution' }]
        }
        instants={switches
          .slice(0, 12)
          .map((s) => ({ name: s.setC === null ? t('offHeatMark') : t('onHeatMark'), at: s.atS }))}
      />
    </Suspense>
  );
}
