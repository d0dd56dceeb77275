import { clipHeightMm, clipStart } from '@/core/lift/clips';
import type { Pt } from '@/core/device/types';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { edgeName } from '@/words/placeNames';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Numbers } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { listed, length, temp } from '@/words/units';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { ClipLiftState } from './useClipLift';
import { t } from '@/words/lift';

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
      label={t('ofClipsOpen', { n: plan.steps.length - left.length, of: plan.steps.length })}
      lines={plan.steps.map((s, i) =>
        s.near.length
          ? t('upToBesideIt2', {
              i: i + 1,
              s: name(s),
              index: job.clips.get(s.index) ?? 'holds',
              liftMm: length(s.liftMm, units),
              list: listed(s.near),
            })
          : t('upTo2', {
              i: i + 1,
              s: name(s),
              index: job.clips.get(s.index) ?? 'holds',
              liftMm: length(s.liftMm, units),
            }),
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
            sentence: t('clip', { next: plan.steps.indexOf(next) + 1, next2: name(next) }),
            reason: [
              ...(left.length === plan.steps.length ? [t('startByTheChargePortRun')] : []),
              t('liftTheEdgeByAtMost', {
                liftMm: length(Math.min(next.liftMm, 20), units),
                value: length(clipHeightMm.value, units),
              }),
              ...(next.corner ? [t('atACornerAlone')] : []),
              ...(next.near.length ? [t('besideTheClip', { list: listed(next.near) })] : []),
            ].join(' '),
            tone: next.liftMm < clipHeightMm.value ? 'caution' : 'ink',
          }
        : {
            sentence: t('allClipsAreOpen'),
            reason: fold
              ? reader
                ? t('theIsShortStraightUpPeel', {
                    name: fold.cable.name,
                    flatMm: length(fold.flatMm, units, 0),
                    openDeg: Math.round(fold.openDeg),
                  })
                : t('turnItOverTheUpTo', { edge: edgeName(fold.edge), openDeg: Math.round(fold.openDeg) })
              : t('liftItOffFlat'),
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
          label: t('clipsHoldBroken', { broken }),
          tone: broken ? 'caution' : 'ink',
        },
        {
          id: 'lift',
          value: next ? length(Math.min(next.liftMm, 20), units) : '–',
          label: t('edgeUpAtMostHere'),
        },
        {
          id: 'heat',
          value: temp(strength.surfaceC.stop.value, units),
          label: t('theBackWarpsAboveThisClips'),
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
      label={t('clipIsOpen', { next: plan.steps.indexOf(next) + 1 })}
      onPress={() => set(next.index, 'open')}
    />
  ) : (
    <Button kind="main" label={t('backIsOff')} onPress={() => goOn()} />
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
      notes={[t('fromTheChargePortBothWays'), t('howHighTheEdgeMayCome')]}
      rows={[
        rowOf(t('aClipLetsGoAt'), clipHeightMm, 'mm'),
        rowOf(t('start'), clipStart, ''),
        rowOf(t('backKeptBelow'), strength.surfaceC.stop, '°C'),
        ...(strength.yieldMPa ? [rowOf(t('whereTheBackBendsForGood'), strength.yieldMPa, 'MPa')] : []),
      ]}
    />
  );
}
