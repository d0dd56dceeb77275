import type { Bar } from '@/work/bench/lanes';
import type { Box } from './timeScale';

export interface BarRun {
  bars: { bar: Bar; box: Box }[];
  /** of the whole run */
  box: Box;
}

/** Bars this near to each other are drawn as one, px. */
const nearPx = 3;
/** A bar this wide carries its own label, px. */
export const ownLabelPx = 20;

/**
 * Bars of one job that follow each other on a row, where one of them is too narrow for a label: they are drawn as one with one
 * label. A bar that is wide enough, or that stands alone, is a run of its own.
 */
export function runsOf(bars: readonly { bar: Bar; box: Box }[]): BarRun[] {
  const out: BarRun[] = [];
  for (const b of [...bars].sort((p, q) => p.box.y - q.box.y || p.box.x - q.box.x)) {
    const last = out.at(-1);
    const before = last?.bars.at(-1);
    const joins =
      before &&
      before.bar.entry.job === b.bar.entry.job &&
      before.box.y === b.box.y &&
      b.box.x - (before.box.x + before.box.w) <= nearPx &&
      (b.box.w < ownLabelPx || before.box.w < ownLabelPx) &&
      (b.bar.state === 'going') === (before.bar.state === 'going');
    if (last && joins) {
      last.bars.push(b);
      last.box = { ...last.box, w: Math.max(last.box.x + last.box.w, b.box.x + b.box.w) - last.box.x };
    } else out.push({ bars: [b], box: b.box });
  }
  return out;
}
