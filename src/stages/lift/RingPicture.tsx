import { useRef, useState } from 'react';

import { draggedStretch, type Stretch } from '@/core/lift/advance';
import { depthLimitAt } from '@/core/lift/depth';
import { cupRadiusMm } from '@/core/lift/firstGap';
import { arcVerdict } from '@/core/lift/verdict';
import type { Pt } from '@/core/device/types';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { edgeName, placeName } from '@/words/placeNames';
import { CutRing, DepthLine, FirstGapMarks, Numbers, Pegs, RingArcs, Soundings } from '@/ui/plan/layers';
import { listed, length, temp, tempNumber } from '@/words/units';
import type { RingFacts } from './ringFacts';
import type { RingNow } from './useRing';
import { reasonWords } from './words';
import { t } from '@/words/lift';

interface RingPictureProps {
  job: JobState;
  units: Settings;
  size: Parameters<typeof PlainPlan>[0]['size'];
  ring: RingNow;
  facts: RingFacts;
  /** where picks stay in */
  pegs: readonly number[];
  /** a finger went along a stretch of the edge; null: it only looks */
  onStretch: ((s: Stretch) => void) | null;
}

/** The picture as text: each edge with its depth and why it is where it is in the order, how warm it is round, picks. */
function ringLines({
  job,
  units,
  ring,
  facts,
  pegs,
}: Pick<RingPictureProps, 'job' | 'units' | 'ring' | 'facts' | 'pegs'>) {
  const { thermal, lift } = ring;
  return [
    ...lift.steps.map((s, i) => {
      const w = ring.geometry.windows.find((x) => x.edge === s.edge)!;
      const of = {
        i: i + 1,
        edge: edgeName(s.edge),
        needMm: length(w.needMm, units),
        limitMm: w.limitMm >= 30 ? t('noLimitNear') : length(w.limitMm, units),
      };
      const why = s.reasons.map((r) => reasonWords[r]).join(', ');
      const free = job.freeEdges.has(s.edge);
      if (!w.closed.length) return free ? t('freeToDeep', { ...of, list: why }) : t('toDeep', { ...of, list: why });
      const kept = { ...of, list: listed(w.closed.map((c) => c.by.name)), list2: why };
      return free ? t('freeToDeepKeepOutAt', kept) : t('toDeepKeepOutAt', kept);
    }),
    ...thermal.arcs.map(
      (a, i) =>
        `${placeName(thermal.path, (a.fromMm + a.toMm) / 2)}: ${temp(facts.arcsC[i]!.mean, units)}, ${lift.order.includes(i) ? arcVerdict(facts.arcsC[i]!, lift, lift.upperC) : 'free'}`,
    ),
    ...pegs.map((s) => t('leaveAPickAtThe', { path: placeName(thermal.path, s) })),
  ];
}

/** The ring from above: how deep, how warm, what is cut, where next. */
export function RingPicture({ job, units, size, ring, facts, pegs, onStretch }: RingPictureProps) {
  const { thermal, lift } = ring;
  const { outs, limits, gap } = ring.geometry;
  const { arcsC, arc } = facts;
  const [drag, setDrag] = useState<{ fromMm: number; toMm: number } | null>(null);
  // a quick finger is up again before the page has been drawn: where it was put down is kept beside the state
  const dragFrom = useRef<number | null>(null);
  const onDrag = (phase: 'start' | 'move' | 'end', p: Pt) => {
    const s = thermal.path.locate(p);
    if (phase === 'start') dragFrom.current = s;
    const from = dragFrom.current ?? s;
    if (phase !== 'end') return setDrag({ fromMm: from, toMm: s });
    dragFrom.current = null;
    setDrag(null);
    const stretch = draggedStretch(from, s, thermal.path.lengthMm);
    if (stretch) onStretch?.(stretch);
  };
  const live = drag ? draggedStretch(drag.fromMm, drag.toMm, thermal.path.lengthMm, 1) : null;
  const nearNumber = (at: Pt) =>
    lift.steps.some((s) => {
      const m = thermal.path.point((s.fromMm + s.toMm) / 2).at;
      return Math.hypot(m[0] - at[0], m[1] - at[1]) < 18;
    });
  return (
    <PlainPlan
      job={job}
      size={size}
      label={t('liftOfOf4EdgesFree', { name: job.device.name, size: job.freeEdges.size })}
      {...(onStretch ? { onDrag } : {})}
      lines={ringLines({ job, units, ring, facts, pegs })}
      readAt={(p) => {
        const s = thermal.path.locate(p);
        const i = Math.floor((s + thermal.path.lengthMm / 48) / (thermal.path.lengthMm / 24)) % 24;
        return t('deepest', {
          path: placeName(thermal.path, s),
          mean: temp(arcsC[i]!.mean, units),
          limitMm: length(depthLimitAt(thermal.path, job.bond, outs, s).limitMm, units),
        });
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
  );
}

const inward = (n: Pt): Pt => [-n[0], -n[1]];
