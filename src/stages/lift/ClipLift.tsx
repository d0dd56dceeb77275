import { useMemo } from 'react';

import { clipHeightMm, clipPlan, clipStart } from '@/core/lift/clips';
import { bondPerimeter, coverOf } from '@/core/device/perimeter';
import { boxOf } from '@/core/device/shapes';
import { foldOver } from '@/core/lift/foldOver';
import { coverStrengths } from '@/core/lift/strength';
import { liftThresholds } from '@/core/lift/verdict';
import type { Pt } from '@/core/device/types';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { StageShell } from '@/bench-kit/StageShell';
import { edgeName, liftCase, placeName } from '@/work/heat/thermalJob';
import { useGoOn } from '@/bench-kit/useGoOn';
import { rowOf, Why } from '@/bench-kit/Why';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Numbers } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { length, temp } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';

const caution =
  'Eye cover: clips fly. Plastic pick, one clip after the other, never two corners at once; never lever on the cell. Maker’s instructions go first.';

/** A clipped cover: clip after clip from the charge port, with the edge no higher than the plastic bears. */
export function ClipLift({ job }: { job: JobState }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(10_000);
  const { log } = useActions(job);
  const goOn = useGoOn(job, 'lift');
  const cover = coverOf(job.device, job.bond);
  const strength = coverStrengths[cover.strength] ?? coverStrengths.plastic!;
  const plan = useMemo(() => clipPlan(job.device, job.bond, strength), [job.device, job.bond, strength]);
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);
  const left = plan.steps.filter((s) => !job.clips.has(s.index));
  const next = left[0] ?? null;
  const broken = [...job.clips.values()].filter((s) => s === 'broken').length;
  const fold = job.device.cables.map((c) => foldOver(job.device, job.bond, c))[0] ?? null;
  // the glued spot at a reader: what it takes to peel it, judged by the tape alone
  const patch = useMemo(() => {
    if (!job.bond.patches.length) return null;
    const box = boxOf(job.bond.patches[0]!);
    const widthMm = Math.min(box.max[0] - box.min[0], box.max[1] - box.min[1]);
    return liftThresholds({ ...liftCase(job, settings), ringMm: widthMm, pickMm: 0.8, keepCover: false });
  }, [job, settings]);
  const reader = job.device.parts.some((p) => p.kind === 'reader');
  const set = (index: number, state: 'holds' | 'open' | 'broken') => void log([{ type: 'clip', index, state }]);
  const name = (s: { sMm: number }) => placeName(path, s.sMm);
  return (
    <StageShell
      job={job}
      stage="lift"
      now={now}
      caution={caution}
      onMain={next ? () => set(next.index, 'open') : () => goOn()}
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          label={`${plan.steps.length - left.length} of ${plan.steps.length} clips open`}
          lines={plan.steps.map(
            (s, i) =>
              `${i + 1}. ${name(s)}: ${job.clips.get(s.index) ?? 'holds'}, up to ${length(s.liftMm, units)}${s.near.length ? `; ${s.near.join(', ')} beside it` : ''}`,
          )}
          onTap={(p) => {
            const near = nearestClip(plan.steps, p);
            if (near) set(near.index, job.clips.has(near.index) ? 'holds' : 'open');
          }}
        >
          <Numbers
            items={plan.steps.map((s, i) => ({
              at: s.at,
              text: job.clips.has(s.index) ? (job.clips.get(s.index) === 'broken' ? '!' : '✓') : String(i + 1),
              state: job.clips.has(s.index) ? ('done' as const) : s === next ? ('next' as const) : ('todo' as const),
            }))}
          />
        </PlainPlan>
      )}
      call={
        <Call
          {...(next
            ? {
                sentence: `Clip ${plan.steps.indexOf(next) + 1}: ${name(next)}.`,
                reason: `${left.length === plan.steps.length ? 'Start by the charge port, run the pick round. ' : ''}Edge up by ${length(Math.min(next.liftMm, 20), units)} at most, it lets go at about ${length(clipHeightMm.value, units)}${next.corner ? '. At a corner: this one alone' : ''}${next.near.length ? `. ${next.near.join(', ')} beside it` : ''}.`,
                tone: next.liftMm < clipHeightMm.value ? 'caution' : 'ink',
              }
            : {
                sentence: 'All clips are open.',
                reason: fold
                  ? reader
                    ? `The ${fold.cable.name} is short: ${length(fold.flatMm, units, 0)} straight up. Unstick the reader from the cover, or unplug it; do not turn the cover further than ${Math.round(fold.openDeg)}°.`
                    : `Turn it over the ${edgeName(fold.edge)}, up to ${Math.round(fold.openDeg)}°.`
                  : 'Lift it off flat.',
                tone: 'ink',
              })}
        />
      }
      readings={
        <Readings
          items={[
            {
              id: 'left',
              value: `${left.length}`,
              label: `clips hold, ${broken} broken`,
              tone: broken ? 'caution' : 'ink',
            },
            {
              id: 'lift',
              value: next ? length(Math.min(next.liftMm, 20), units) : '–',
              label: 'edge up at most here',
            },
            {
              id: 'heat',
              value: temp(strength.surfaceC.stop.value, units),
              label: 'the cover warps above; clips need no heat',
            },
          ]}
        />
      }
      main={
        next ? (
          <Button
            kind="main"
            label={`Clip ${plan.steps.indexOf(next) + 1} is open`}
            onPress={() => set(next.index, 'open')}
          />
        ) : (
          <Button kind="main" label="Cover is off" onPress={() => goOn()} />
        )
      }
      side={next ? <Button label="It broke" onPress={() => set(next.index, 'broken')} /> : undefined}
    >
      {patch ? (
        <Txt size="s" className="mt-2">
          Glued spot{reader ? ' at the reader' : ''}: peel it slowly{' '}
          {patch.workC === null ? 'and cold' : `from ${temp(patch.workC, units)} on`}, and keep the cover under{' '}
          {temp(strength.surfaceC.stop.value, units)}. A drop of alcohol works too.
        </Txt>
      ) : null}
      {broken ? (
        <Txt size="s" className="mt-2">
          A broken clip leaves a gap there: tell the customer, or take a new cover.
        </Txt>
      ) : null}
      <Disclosure title="Clips one by one">
        {plan.steps.map((s, i) => (
          <Tick
            key={s.index}
            label={`${i + 1}. ${name(s)}`}
            on={job.clips.has(s.index)}
            note={`up to ${length(Math.min(s.liftMm, 20), units)}${s.near.length ? `, ${s.near.join(', ')} beside it` : ''}`}
            onChange={(v) => set(s.index, v ? 'open' : 'holds')}
          />
        ))}
      </Disclosure>
      <Why
        job={job}
        call="clips"
        inputs={{ open: [...job.clips] }}
        computed={{ order: plan.steps.map((s) => s.index), ok: plan.ok }}
        notes={[
          'From the charge port both ways in turn; clips beside a cable come last, so that the cover hinges there. Another way: from the tray slot, when the port has no gap.',
          'How high the edge may come is the bending of a plastic strip between this clip and the next one that holds.',
        ]}
        rows={[
          rowOf('A clip lets go at', clipHeightMm, 'mm'),
          rowOf('Start', clipStart, ''),
          rowOf('Cover kept below', strength.surfaceC.stop, '°C'),
          ...(strength.yieldMPa ? [rowOf('Yield of the cover', strength.yieldMPa, 'MPa')] : []),
        ]}
      />
    </StageShell>
  );
}

function nearestClip<T extends { at: Pt }>(steps: readonly T[], p: Pt): T | null {
  let best: { s: T; d: number } | null = null;
  for (const s of steps) {
    const d = Math.hypot(s.at[0] - p[0], s.at[1] - p[1]);
    if (d < 10 && (!best || d < best.d)) best = { s, d };
  }
  return best?.s ?? null;
}
