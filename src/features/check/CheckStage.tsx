import { useMemo } from 'react';
import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import { boxOf } from '@/core/device/shapes';
import { bondPerimeter, coverOf } from '@/core/device/perimeter';
import { flushness, tolHighMm, tolLowMm, uStepMm, type FlushAction } from '@/core/fit/flushness';
import { gaugePoints } from '@/core/fit/gaugePoints';
import { compareFunctions } from '@/core/functions/riskOrder';
import { functionTests } from '@/core/functions/tables';
import type { JobState } from '@/model/fold';
import { useActions } from '@/stagekit/actions';
import { FunctionList } from '@/stagekit/FunctionList';
import { stepsOf, testsOf } from '@/stagekit/functionTests';
import { GaugeEntry, gaugeLines, lastReading } from '@/stagekit/GaugeEntry';
import { PlainPlan } from '@/stagekit/PlainPlan';
import { StageShell } from '@/stagekit/StageShell';
import { placeName } from '@/stagekit/thermalJob';
import { useGaugePad } from '@/stagekit/useGaugePad';
import { useGoOn } from '@/stagekit/useGoOn';
import { rowOf, Why } from '@/stagekit/Why';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Disclosure } from '@/ui/Disclosure';
import { Numbers, Soundings } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { length, percent } from '@/ui/units';
import { useNow } from '@/ui/useNow';

const caution = 'No pressing on a young bond. Stop on smell, warmth or hiss from the cell.';

export const actionWords: Record<FlushAction, string> = {
  clearDebris: 'Lift it and clear what is trapped.',
  remeasureLow: 'Measure the low point again; then look for a chipped frame or missing adhesive.',
  accept: 'Flush all round.',
  remeasureFiner: 'Not decided: measure again, or with a finer gauge.',
  twist: 'Twisted: check the frame for a bend, clamp the high diagonal.',
  clampHighEdge: 'Clamp the high edge again while the adhesive gives.',
  standsProud: 'Stands proud all round: too much adhesive or too thick a part.',
  sitsLow: 'Sits too low: thicker adhesive.',
  reclamp: 'Clamp again and measure again.',
};

export function CheckStage({ job }: { job: JobState }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(10_000);
  const { log, undo, decide } = useActions(job);
  const goOn = useGoOn(job, 'check');
  const points = useMemo(() => gaugePoints(job.device, job.bond), [job.device, job.bond]);
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);
  const taken = points.filter((p) => job.steps[p.id] !== undefined);
  const complete = taken.length === points.length;
  const flush = useMemo(() => {
    const read = points.filter((p) => job.steps[p.id] !== undefined);
    if (read.length < 9) return null;
    const { min, max } = boxOf(coverOf(job.device, job.bond).outline);
    return flushness(
      read.map((p) => ({ id: p.id, at: p.at, stepMm: job.steps[p.id]! })),
      [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2],
      (max[0] - min[0]) / 2,
      (max[1] - min[1]) / 2,
    );
  }, [job.device, job.bond, job.steps, points]);
  const next = points.find((p) => job.steps[p.id] === undefined);
  const place = (p: (typeof points)[number]) => placeName(path, p.sMm);
  const tests = testsOf(job, false);
  const tested = tests.filter((t) => job.functions.after[t.test.id]).length;
  const changes = compareFunctions(job.functions.before, job.functions.after, stepsOf(job));
  const fresh = changes.filter((c) => c.change === 'newFault');
  const old = changes.filter((c) => c.change === 'oldFault');
  const nameOf = (id: string) => functionTests.find((t) => t.id === id)?.name ?? id;
  const overridden = job.decisions.some((d) => d.call === 'check' && d.because);
  const { thumb, pad } = useGaugePad(
    next && !overridden ? `Step ${points.indexOf(next) + 1}: ${place(next)}` : null,
    true,
  );
  const seen = flush?.smallestBumpMm.filter((v): v is number => v !== null) ?? [];
  const text =
    !flush || !complete
      ? {
          sentence: next ? `Step at ${points.indexOf(next) + 1}: ${place(next)}.` : 'Measure the steps.',
          reason:
            'Depth gauge across the edge, glass above frame is plus. Look along the surface at a glancing angle meanwhile.',
          tone: 'ink' as const,
        }
      : flush.action !== 'accept'
        ? {
            sentence: actionWords[flush.action],
            reason: flush.bumps.length
              ? `${flush.bumps.map((b) => `${length(b.heightMm, units, 2)} at ${place(points.find((p) => p.id === b.id)!)}`).join(', ')}. Glass cracks over a trapped crumb.`
              : `Allowed ${length(tolLowMm.value, units, 2)} to ${length(tolHighMm.value, units, 2)}, guard band ${length(flush.guardBandMm, units, 2)}.`,
            tone: 'caution' as const,
          }
        : fresh.length
          ? {
              sentence: `New fault: ${nameOf(fresh[0]!.fn)}.`,
              reason: fresh[0]!.causes[0]
                ? `First: ${fresh[0]!.causes[0].next}. Then test again.`
                : 'Reseat what was touched nearest to it, test again.',
              tone: 'caution' as const,
            }
          : tested < tests.length
            ? {
                sentence: `Flush. Now ${tests.length - tested} functions.`,
                reason: 'By a second person where there is one. What this repair put at risk comes first.',
                tone: 'ink' as const,
              }
            : {
                sentence: 'Flush, and everything works as before.',
                reason: old.length
                  ? `Faults from before stay: ${old.map((o) => nameOf(o.fn)).join(', ')}.`
                  : `A bump over ${length(Math.max(...seen), units, 2)} would have shown.`,
                tone: 'ink' as const,
              };
  const fine =
    complete && flush?.verdict === 'pass' && !flush.bumps.length && fresh.length === 0 && tested === tests.length;
  const can = fine || overridden;
  const finish = () =>
    goOn([
      decide({
        call: 'check',
        inputs: { steps: job.steps, before: job.functions.before, after: job.functions.after },
        computed: { verdict: flush?.verdict, bumps: flush?.bumps, newFaults: fresh.map((c) => c.fn) },
        chosen: fine ? 'passed' : 'gone on with an override',
      }),
    ]);
  return (
    <StageShell
      job={job}
      stage="check"
      now={now}
      caution={caution}
      onMain={can ? finish : undefined}
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          label={`Steps at ${taken.length} of ${points.length} points`}
          lines={gaugeLines(points, job.steps, place, units)}
        >
          <Soundings
            items={taken.map((p) => ({
              at: [p.at[0] - p.normal[0] * 9, p.at[1] - p.normal[1] * 7] as const,
              text: signed(job.steps[p.id]!, units),
              ring: flush?.bumps.some((b) => b.id === p.id) || flush?.status[taken.indexOf(p)] === 'fail',
            }))}
          />
          {next ? <Numbers items={[{ at: next.at, text: String(points.indexOf(next) + 1), state: 'next' }]} /> : null}
        </PlainPlan>
      )}
      call={<Call {...text} />}
      readings={
        <Readings
          items={[
            {
              id: 'verdict',
              value:
                flush && complete
                  ? flush.bumps.length
                    ? 'bump'
                    : flush.verdict === 'undecided'
                      ? 'not decided'
                      : flush.verdict
                  : `${taken.length} / ${points.length}`,
              label:
                flush && complete
                  ? `least sure point conforms with ${percent(Math.min(...flush.pConform))}`
                  : 'points measured',
              tone: flush && complete ? (flush.verdict === 'pass' && !flush.bumps.length ? 'go' : 'caution') : 'ink',
            },
            {
              id: 'range',
              value: taken.length
                ? `${signed(Math.min(...taken.map((p) => job.steps[p.id]!)), units)} ${signed(Math.max(...taken.map((p) => job.steps[p.id]!)), units)}`
                : '–',
              label: `lowest, highest ${units.length}; u ${length(uStepMm.value, units, 2)}`,
            },
            {
              id: 'fn',
              value: `${tested} / ${tests.length}`,
              label: `functions tested, ${fresh.length} new faults, ${old.length} from before`,
              tone: fresh.length ? 'caution' : tested === tests.length ? 'go' : 'ink',
            },
            {
              id: 'bump',
              value: seen.length ? length(Math.max(...seen), units, 2) : '–',
              label: 'smallest bump that shows everywhere',
            },
          ]}
        />
      }
      controls={
        <GaugeEntry
          points={points}
          values={job.steps}
          name="Step"
          lowMm={-1}
          highMm={1}
          units={units}
          thumb={thumb}
          placeOf={place}
          onValue={(id, mm) =>
            void log([{ type: 'reading', quantity: 'stepMm', point: id, value: mm, u: uStepMm.value }])
          }
          onClear={(id) => {
            const eventId = lastReading(job, 'stepMm', id);
            if (eventId) undo(eventId);
          }}
        />
      }
      main={
        pad ?? (
          <Button
            kind="main"
            label="Go to hand over"
            onPress={finish}
            disabled={!can}
            {...(can
              ? {}
              : {
                  why: !complete
                    ? `${points.length - taken.length} steps to go`
                    : tested < tests.length
                      ? `${tests.length - tested} functions to go`
                      : 'open point: mend it or log an override',
                })}
          />
        )
      }
    >
      <Disclosure key={String(complete)} title={`Functions: ${tested} of ${tests.length}`} open={complete}>
        <FunctionList job={job} phase="after" short={false} />
      </Disclosure>
      <Link href={`/jobs/${job.id}/seal` as Href} className="font-body text-m text-ink underline py-3">
        Air test against before
      </Link>
      {fresh.map((c) => (
        <View key={c.fn} className="border-l-4 border-caution pl-2 my-2">
          <Txt strong>New: {nameOf(c.fn)} fails</Txt>
          {c.causes.map((k, i) => (
            <Txt key={k.id} size="s">
              {['Most likely', 'Then', 'Then'][i]}: {k.name}. {k.next}.
            </Txt>
          ))}
        </View>
      ))}
      <Why
        job={job}
        call="check"
        inputs={{ steps: job.steps, after: job.functions.after }}
        computed={flush ? { verdict: flush.verdict, bumps: flush.bumps, coef: flush.coef } : null}
        notes={
          flush
            ? [
                `Surface fitted with ${flush.terms.join(', ')}: tilt ${length((flush.coef.X ?? 0) * 2, units, 3)} across, ${length((flush.coef.Y ?? 0) * 2, units, 3)} along, twist ${length(flush.coef.XY ?? 0, units, 3)}, left over ${length(flush.rmsMm, units, 3)} rms.`,
                `Highest edge: ${flush.highEdge}, mean ${length(flush.edgeMeansMm[flush.highEdge], units, 3)}.`,
                'Pass only inside the limits less the guard band (ISO 14253-1); between is not decided.',
              ]
            : ['Nine points give a first answer, all of them the one to work by.']
        }
        rows={[
          rowOf('Gauge uncertainty', uStepMm, 'mm'),
          rowOf('Lowest allowed', tolLowMm, 'mm'),
          rowOf('Highest allowed', tolHighMm, 'mm'),
        ]}
      />
    </StageShell>
  );
}

const signed = (mm: number, u: { length: 'mm' | 'in'; temperature: 'C' | 'F' }) => {
  const v = u.length === 'mm' ? mm.toFixed(2) : (mm / 25.4).toFixed(4);
  return (mm > 0 ? '+' : '') + v.replace(/^(-?)0/, '$1');
};
