import { Suspense, useMemo } from 'react';
import { useWindowDimensions, View } from 'react-native';

import { useClosingBench } from '@/bench-kit/practice/useClosingLab';
import { needOf, progressAt, shareDone } from '@/core/cure/laws';
import { ClosingBench } from '@/core/practice/closing/bench';
import type { ClosingAction, ClosingState } from '@/core/practice/closing/case';
import { workClosing } from '@/core/practice/closing/hands';
import { bondWidths, whatCame } from '@/core/practice/closing/whatCame';
import type { JobState } from '@/model/fold';
import type { PracticeRun } from '@/store/practice';
import { useSettings } from '@/store/shop';
import { Plot } from '@/ui/chart/LazyPlot';
import { RingArcs } from '@/ui/plan/layers';
import { Txt } from '@/ui/Txt';
import { closingEnding } from '@/work/practice/closingEnding';
import type { Outcome } from '@/work/practice/practiceCost';
import { costText } from './debriefText';
import { playedOn, waited, type Done } from '@/work/practice/replay';
import { t } from '@/words/practice';
import { clock, digits, span, spoken } from '@/words/units';
import { closingEndText, closingTruth, faultText, notedClean, worstOfEach } from './closingDebrief';
import { DebriefFrame, DebriefPlan, Hits } from './DebriefFrame';
import { useNoted } from './useNoted';
import { type ClosingId } from '@/work/practice/exerciseTable';

type Lab = NonNullable<ReturnType<typeof useClosingBench>>;

/** How a joint was closed: what was left in it and where, what came of it, and what the calls would have taken. */
export function ClosingDebrief({ run, job }: { run: PracticeRun; job: JobState }) {
  const { width } = useWindowDimensions();
  const settings = useSettings();
  const lab = useClosingBench(run);
  const exercise = run.exercise as ClosingId;
  const end = useMemo(() => {
    if (!lab) return null;
    const played = playedOn(lab.bench, run.acts as readonly Done<ClosingAction>[]);
    return waited(lab.bench, played.state, run.simMs / 1e3).state;
  }, [lab, run.acts, run.simMs]);
  const ended = lab && end ? closingEnding(exercise, lab.bench, end) : null;
  const doneS = end ? (end.handedAtS ?? (lab!.bench.from === 'closed' ? end.tS : (end.closedAtS ?? end.tS))) : 0;
  useNoted(run, ended, doneS / 60, { heats: 0, guessK: [] });
  const calls = useMemo(() => (lab ? byCalls(exercise, lab, run.seed) : null), [exercise, lab, run.seed]);
  if (!lab || !end || !ended) return <DebriefFrame run={run} job={job} plan={null} told={null} />;
  const { bench } = lab;
  const faults = whatCame(bench, end);
  const said = closingEndText(ended, bench, end);
  // what lies on the shelf takes nobody's time
  const handsS = (s: number) => (bench.from === 'closed' ? 0 : s);
  const noted = notedClean(job, bench, end);
  return (
    <DebriefFrame
      run={run}
      job={job}
      plan={
        <DebriefPlan job={job} lines={[said]}>
          <RingArcs
            arcs={faults.flatMap((f) =>
              'fromMm' in f ? [{ fromMm: f.fromMm, toMm: f.toMm, state: 'stop' as const }] : [],
            )}
          />
          <Hits at={faults.flatMap((f) => ('sMm' in f ? [bench.about.path.point(f.sMm).at] : []))} />
        </DebriefPlan>
      }
      told={(wide) => (
        <>
          <Txt strong size="xl" level={2} tone={ended === 'passed' ? 'ink' : 'caution'} testID="call">
            {said}
          </Txt>
          {faults.length ? (
            worstOfEach(faults).map((f) => (
              <Txt key={f.what} className="mt-1">
                {faultText(f, bench, settings)}
              </Txt>
            ))
          ) : ended === 'passed' ? (
            <Txt className="mt-1">{bench.from === 'closed' ? t('whyHeldGood') : t('whyGood')}</Txt>
          ) : null}
          {closingTruth(bench, end, settings).map((line) => (
            <Txt key={line} className="mt-1">
              {line}
            </Txt>
          ))}
          {noted ? <Txt className="mt-1">{t('notedClean', { count: noted })}</Txt> : null}
          {calls ? <Txt className="mt-1">{callsLine(calls, bench)}</Txt> : null}
          {calls && (bench.from !== 'closed' || ended !== 'passed' || calls.failed) ? (
            <Txt className="mt-1">
              {costText(
                { seconds: handsS(doneS), failed: ended !== 'passed' },
                { ...calls, seconds: handsS(calls.seconds) },
                settings,
              )}
            </Txt>
          ) : null}
          <Curves lab={lab} end={end} width={wide ? Math.min(820, width - 420) : width - 32} />
        </>
      )}
    />
  );
}

/** The same joint worked by somebody who follows the calls. */
function byCalls(exercise: ClosingId, { bench, calls }: Lab, seed: number): Outcome {
  const again = new ClosingBench(bench.about, bench.truth, bench.from);
  const { state } = workClosing({ bench: again, style: 'guided', seed, calls });
  const seconds = bench.from === 'closed' ? state.handedAtS! : state.closedAtS!;
  return { seconds, failed: closingEnding(exercise, again, state) !== 'passed' };
}

function callsLine({ seconds, failed }: Outcome, bench: ClosingBench): string {
  if (failed) return t('callsFail');
  return bench.from === 'closed' ? t('callsHold', { span: span(seconds) }) : t('callsClose', { time: spoken(seconds) });
}

/** What was left, what was laid, or how far it had come. */
function Curves({ lab, end, width }: { lab: Lab; end: ClosingState; width: number }) {
  const { bench } = lab;
  return (
    <Suspense fallback={<View style={{ height: 300 }} />}>
      {bench.from === 'closed' ? (
        <CureCurves lab={lab} end={end} width={width} />
      ) : (
        <LedgeCurves bench={bench} end={end} width={width} />
      )}
    </Suspense>
  );
}

function LedgeCurves({ bench, end, width }: { bench: ClosingBench; end: ClosingState; width: number }) {
  const at = Array.from({ length: bench.n }, (_, i) => (i + 0.5) * bench.cellMm);
  const x = { at, kind: 'number' as const, name: t('alongWord'), text: (v: number) => digits(v) };
  if (bench.from === 'bare')
    return (
      <Plot
        label={t('widthAlong')}
        width={width}
        height={240}
        x={x}
        y={{ name: t('widthWord'), text: (v) => digits(v, 1), from: 0 }}
        lines={[
          { id: 'width', name: t('beadWidth'), y: bondWidths(bench, end) },
          {
            id: 'meant',
            name: t('beadMeant'),
            y: at.map(() => bench.about.bead.bondMm),
            tone: 'ink2',
            dash: [2, 4],
          },
        ]}
      />
    );
  return (
    <Plot
      label={t('leftAlong')}
      width={width}
      height={240}
      x={x}
      y={{ name: t('leftShare'), text: (v) => digits(v), from: 0, to: 100 }}
      lines={[
        { id: 'glue', name: t('oldGlue'), y: end.glue.map((g) => 100 * g), tone: 'caution' },
        { id: 'film', name: t('filmLine'), y: end.film.map((f) => 100 * f), tone: 'ink2', dash: [2, 4] },
      ]}
    />
  );
}

const points = 61;

function CureCurves({ lab, end, width }: { lab: Lab; end: ClosingState; width: number }) {
  const { bench, start } = lab;
  const { kind, bondMm, steps } = bench.about.cure;
  const toS = Math.max(60, end.handedAtS ?? end.tS);
  const at = Array.from({ length: points }, (_, i) => (i * toS) / (points - 1));
  const edge = kind === 'tape' ? 1 : bench.truth.edge;
  const marks = (['clampOff', 'handOver'] as const).map((mark) => ({
    name: mark === 'clampOff' ? t('clipsOff') : t('handedMark'),
    at: 100 * shareDone(kind, needOf(kind, mark)),
    tone: 'ink' as const,
  }));
  const late = Math.max(1, lab.calls.edgeLate);
  return (
    <Plot
      key={start.id}
      label={t('cureOver')}
      width={width}
      height={240}
      // a run of minutes has more than one tick to a minute
      x={{ at, kind: 'span', name: t('clockRuns'), text: toS < 2 * 3600 ? clock : span }}
      y={{ name: t('cureShare'), text: (v) => digits(v) }}
      lines={[
        { id: 'true', name: t('cureTrue'), y: at.map((s) => 100 * shareDone(kind, bench.progress(end, s), edge)) },
        {
          id: 'believed',
          name: t('cureBelieved'),
          y: at.map((s) => 100 * shareDone(kind, progressAt(kind, bondMm, steps, s), late)),
          tone: 'ink2',
          dash: [2, 4],
        },
      ]}
      marks={marks}
      instants={[
        ...(end.clamp ? [{ name: t('clipsOn'), at: end.clamp.atS }] : []),
        ...(end.offAtS === null ? [] : [{ name: t('clipsOff'), at: end.offAtS }]),
        ...(end.handedAtS === null ? [] : [{ name: t('handedMark'), at: end.handedAtS }]),
      ]}
    />
  );
}
