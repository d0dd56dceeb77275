import type { ReactNode } from 'react';

import type { Outline, Pt } from '@/core/device/types';
import type { JobState } from '@/model/fold';
import { PhotoPlan } from '@/bench-kit/PhotoPlan';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { StripWork } from '@/work/strip/stripJob';
import { Numbers } from '@/ui/plan/layers';
import { Outlines } from '@/ui/plan/pieceLayers';
import { PlugMarks, ScrewMarks, type ScrewMark } from './ScrewMarks';

interface StripPictureProps {
  job: JobState;
  work: StripWork;
  size: PlanSize;
  label: string;
  lines: readonly string[];
  /** what is worked now: an item of the order, and the hole of a screw */
  next: string | null;
  nextHole: string | null;
  wrongHoles?: ReadonlySet<string>;
  backIn?: boolean;
  onTap?: (p: Pt) => void;
  onDrag?: (phase: 'start' | 'move' | 'end', p: Pt) => void;
  children?: ReactNode;
}

/** Screws, plugs, brackets and parts on the one plan. */
export function StripPicture(p: StripPictureProps) {
  const { device } = p.job;
  const screw = (id: string): ScrewMark['state'] => {
    if (p.wrongHoles?.has(id)) return 'wrong';
    if (id === p.nextHole) return 'next';
    const out = p.job.screwsOut.get(id);
    if (out?.missing) return 'missing';
    if (!out) return 'in';
    return p.backIn && p.job.screwsIn.has(id) ? 'in' : 'out';
  };
  const parts = device.parts.filter((x) => p.work.items.get(x.id)?.kind === 'part');
  return (
    <PhotoPlan
      job={p.job}
      inside
      size={p.size}
      label={p.label}
      lines={p.lines}
      {...(p.onTap ? { onTap: p.onTap } : {})}
      {...(p.onDrag ? { onDrag: p.onDrag } : {})}
    >
      <Outlines
        items={parts
          .filter((x) => (p.backIn ? true : !p.work.isOff(x.id)))
          .map((x) => ({ shape: (x.shape.kind === 'band' ? x.shape.of : x.shape) as Outline, on: x.id === p.next }))}
      />
      <PlugMarks
        items={device.connectors.map((c) => ({
          at: c.at,
          off: p.backIn ? !p.work.isBack(c.id) : p.work.isOff(c.id),
          next: c.id === p.next,
          battery: c.battery,
        }))}
      />
      <ScrewMarks items={device.screws.map((s) => ({ at: s.at, state: screw(s.id) }))} />
      <Numbers
        items={device.pieces
          .filter((x) => x.id === p.next)
          .map((x) => ({ at: x.at, text: 'B', state: 'next' as const }))}
      />
      {p.children}
    </PhotoPlan>
  );
}

/** The screw hole that a finger means: the nearest within reach. */
export function nearestHole(job: Pick<JobState, 'device'>, [x, y]: Pt, reachMm = 6): string | null {
  let best: { id: string; d: number } | null = null;
  for (const s of job.device.screws) {
    const d = Math.hypot(s.at[0] - x, s.at[1] - y);
    if (d <= reachMm && (!best || d < best.d)) best = { id: s.id, d };
  }
  return best?.id ?? null;
}
