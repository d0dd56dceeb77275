import type { EventOf } from '../event';
import type { FoldContext } from './slice';
import type { StripSlice } from './strip';

/** A screw out, missing, left alone, back in; the order in which they came out counts. */
export function applyScrew(s: StripSlice, e: EventOf<'screw'>, { device, model }: FoldContext): void {
  const hole = device.screws.find((h) => h.id === e.hole) ?? model.screws.find((h) => h.id === e.hole);
  const spec = e.spec ?? (hole && { head: hole.head, diaMm: hole.diaMm, lengthMm: hole.lengthMm, colour: hole.colour });
  if (!spec) return;
  switch (e.to) {
    case 'out':
    case 'missing':
      s.screwsOut.delete(e.hole);
      s.screwsOut.set(e.hole, {
        ...spec,
        hole: e.hole,
        zone: hole?.zone ?? '?',
        seq: Math.max(0, ...[...s.screwsOut.values()].map((r) => r.seq)) + 1,
        cell: e.cell ?? null,
        missing: e.to === 'missing',
      });
      s.screwsIn.delete(e.hole);
      break;
    case 'untouched':
      s.screwsOut.delete(e.hole);
      break;
    case 'in':
      s.screwsIn.set(e.hole, { ...spec, hole: e.hole });
      break;
    case 'open':
      s.screwsIn.delete(e.hole);
      s.tightened.delete(hole?.zone ?? '?');
      break;
  }
}
