import { clipHeightMm, clipStart } from '@/core/lift/clips';
import type { Pt } from '@/core/device/types';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { edgeName } from '@/work/heat/placeNames';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Numbers } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { length, temp } from '@/words/units';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { ClipLiftState } from './useClipLift';

function nearestClip<T extends { at: Pt }>(steps: readonly T[], p: Pt): T | null {
  let best: { s: T; d: number } | null = null;
  for (const s of steps) {
    const d = Math.hypot(s.at[0] - p[0], s.at[1] - p[1]);
    if (d < 10 && (!best || d < best.d)) best = { s, d };
  }
  return best?.s ?? null;
}

/** Clips all round. */
export function ClipPicture({
  here: { job, plan, left, name, units, set, next },
  size,
}: {
  here: ClipLiftState;
  size: PlanSize;
}) {
  return (
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
  );
}

/** The next clip. */
export function ClipCall({ here: { next, plan, name, left, units, fold, reader } }: { here: ClipLiftState }) {
  return (
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
  );
}

/** Clips left, force, shell. */
export function ClipReadings({ here: { left, broken, next, units, strength } }: { here: ClipLiftState }) {
  return (
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
  );
}

/** It is open. */
export function ClipMain({ here: { next, plan, set, goOn } }: { here: ClipLiftState }) {
  return next ? (
    <Button
      kind="main"
      label={`Clip ${plan.steps.indexOf(next) + 1} is open`}
      onPress={() => set(next.index, 'open')}
    />
  ) : (
    <Button kind="main" label="Cover is off" onPress={() => goOn()} />
  );
}

/** Why in this order. */
export function ClipWhy({ here: { job, plan, strength } }: { here: ClipLiftState }) {
  return (
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
  );
}
