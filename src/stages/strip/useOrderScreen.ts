import { useRef, useState } from 'react';

import { boxOf, contains } from '@/core/device/shapes';
import type { Pt } from '@/core/device/types';
import { removalOrder } from '@/core/strip/removal';
import { stripGraph } from '@/core/strip/graph';
import type { JobState } from '@/model/fold';
import { targetsOf } from '@/work/strip/stripJob';
import { nearestHole } from './StripPicture';
import { useStripPage } from './useStripPage';
import { t as tr } from '@/words/strip';

function area(s: Parameters<typeof boxOf>[0]): number {
  const b = boxOf(s);
  return (b.max[0] - b.min[0]) * (b.max[1] - b.min[1]);
}

/** How it stands: what OrderScreen shows and does. */
export function useOrderScreen({ job }: { job: JobState }) {
  const page = useStripPage(job);
  const { log, work } = page;
  const [line, setLine] = useState<{ from: Pt; to: Pt } | null>(null);
  // a quick finger is up again before the page has been drawn
  const begun = useRef<{ from: Pt; id: string } | null>(null);
  const [id, setId] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const items = [...work.items.values()];
  const name = (x: string) => work.items.get(x)?.name ?? x;
  /** What a finger means at a place: a screw, a plug, a bracket, else the uppermost part there. */
  const at = (p: Pt): string | null => {
    const near = (list: readonly { id: string; at: Pt }[], mm: number) =>
      list.reduce<{ id: string; d: number } | null>((b, c) => {
        const d = Math.hypot(c.at[0] - p[0], c.at[1] - p[1]);
        return d <= mm && (!b || d < b.d) ? { id: c.id, d } : b;
      }, null)?.id ?? null;
    const hole = nearestHole(job, p, 3);
    const bracket = job.device.pieces.filter((x) => work.items.has(x.id));
    return (
      near(job.device.connectors, 5) ??
      near(bracket, 5) ??
      (hole ? `screws:${job.device.screws.find((s) => s.id === hole)!.zone}` : null) ??
      job.device.parts
        .filter((x) => work.items.get(x.id)?.kind === 'part' && contains(x.shape, p))
        .sort((a, b) => a.fromDepthMm - b.fromDepthMm || area(a.shape) - area(b.shape))[0]?.id ??
      null
    );
  };
  const put = (itemId: string, by: string, on: boolean) => {
    const edits = [...job.under, { id: itemId, by, on }];
    const list = stripGraph(job.device, edits);
    if (
      on &&
      removalOrder(
        list,
        targetsOf(job).filter((t) => list.some((i) => i.id === t)),
      ) === null
    ) {
      setProblem(tr('underGoesRoundInACircle', { itemId: name(itemId), by: name(by) }));
      return;
    }
    setProblem(null);
    void log([{ type: 'under', itemId, over: by, on }]);
  };
  const onDrag = (phase: 'start' | 'move' | 'end', p: Pt) => {
    if (phase === 'start') {
      const hit = at(p);
      begun.current = hit ? { from: p, id: hit } : null;
      if (hit) setId(hit);
    }
    const b = begun.current;
    if (!b) return;
    if (phase !== 'end') return setLine({ from: b.from, to: p });
    begun.current = null;
    setLine(null);
    const over = at(p);
    if (over && over !== b.id) put(b.id, over, true);
  };
  const needs = id ? new Set(work.items.get(id)?.needs.flat() ?? []) : new Set<string>();
  const relevant = work.out.length;
  return { ...page, relevant, problem, id, items, setId, name, needs, put, onDrag, line };
}
export type OrderScreenState = ReturnType<typeof useOrderScreen>;
