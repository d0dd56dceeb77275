import { bondPerimeter, coverOf } from '@/core/device/perimeter';
import { boxOf, type Box } from '@/core/device/shapes';
import type { Pt } from '@/core/device/types';
import { faceName } from '@/bench-kit/faceName';
import { coverKindOf } from '@/core/device/coverKinds';
import type { JobState } from '@/model/fold';
import { atEachJoint } from '@/model/joints';
import { flushOf } from '@/work/check/flushJob';
import { sealOf } from '@/work/check/sealJob';
import { arcPath, polyline, shapePath } from '@/ui/plan/svgPath';
import { t } from '@/words/handover';

/** A small plan for the sheet: the same lines go to the screen, the printer and the PDF. */
export interface SheetPlan {
  title: string;
  box: Box;
  lines: { d: string; kind: 'body' | 'thin' | 'bond' | 'mark' }[];
  texts: { at: Pt; text: string }[];
}

/** How the lines of a plan are drawn on the sheet, mm wide. */
export const lineStyle: Record<SheetPlan['lines'][number]['kind'], { width: number; dash: number[] | null }> = {
  body: { width: 0.9, dash: null },
  thin: { width: 0.35, dash: null },
  bond: { width: 1.1, dash: [2, 1.5] },
  mark: { width: 0.8, dash: null },
};

const marginMm = 4;

/** The sheet is one page: as many plans as stand beside its text. */
const mostPlans = 3;

/**
 * Found, measured and, where something is suspected, where to look: nothing that was not noted. With several covers what
 * was found comes first, each with its name.
 */
export function sheetPlans(job: JobState): SheetPlan[] {
  const joints = atEachJoint(job).filter((j) => !coverKindOf(j.face).lens || j.joint === job.joint);
  const each = joints.map((j) =>
    plansAt(j).map((p) => ({
      ...p,
      title: joints.length > 1 ? t('planOf', { title: p.title, face: faceName(j.model, j.joint) }) : p.title,
    })),
  );
  // one of each cover before the second of any
  const longest = Math.max(...each.map((list) => list.length));
  return Array.from({ length: longest }, (_, i) => each.flatMap((list) => list.slice(i, i + 1)))
    .flat()
    .slice(0, mostPlans);
}

function plansAt(job: JobState): SheetPlan[] {
  const leaf = job.device.leaves[0]!.outline;
  const { min, max } = boxOf(leaf);
  const box: Box = {
    min: [min[0] - marginMm, min[1] - marginMm],
    max: [max[0] + marginMm, max[1] + marginMm],
  };
  const cover = coverOf(job.device, job.bond).outline;
  const base: SheetPlan['lines'] = [
    { d: shapePath(leaf), kind: 'body' },
    ...job.face.holes.map((h) => ({ d: shapePath(h.shape), kind: 'thin' as const })),
  ];
  const plan = (title: string, lines: SheetPlan['lines'], texts: SheetPlan['texts'] = []): SheetPlan => ({
    title,
    box,
    lines: [...base, ...lines],
    texts,
  });
  const path = bondPerimeter(job.device, job.bond);
  const ring = { d: arcPath(path, 0, path.lengthMm), kind: 'bond' as const };
  const out: SheetPlan[] = [];
  if (job.cracks.size || job.chips.size)
    out.push(
      plan(
        t('found'),
        [...job.cracks.values()].map((pts) => ({ d: polyline(pts), kind: 'mark' as const })),
        [...job.chips.values()].map((at) => ({ at, text: '×' })),
      ),
    );
  if (job.bonded) out.push(plan(t('bonded2'), [{ d: shapePath(cover), kind: 'thin' }, ring]));
  const { taken, flush } = flushOf(job);
  if (taken.length)
    out.push(
      plan(
        t('measured'),
        [{ d: shapePath(cover), kind: 'thin' }],
        taken.map((p) => ({
          at: [p.at[0] - p.normal[0] * 8, p.at[1] - p.normal[1] * 7],
          text: flush?.bumps.some((b) => b.id === p.id) ? '!' : '•',
        })),
      ),
    );
  const suspects = sealOf(job).suspects;
  if (suspects.length)
    out.push(
      plan(
        t('toLookAt'),
        suspects.map((s) => ({ d: arcPath(path, s.fromMm, s.toMm), kind: 'mark' as const })),
      ),
    );
  return out;
}
