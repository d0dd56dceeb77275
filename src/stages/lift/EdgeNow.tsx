import { View } from 'react-native';

import type { Perimeter } from '@/core/device/perimeter';
import { cornerRule } from '@/core/lift/corner';
import type { EdgeWindow } from '@/core/lift/depth';
import type { FirstGap } from '@/core/lift/firstGap';
import type { FoldOver } from '@/core/lift/foldOver';
import { cutSpeed, slowShare, thickestWedgeMm, type SafeWedge, type WedgeVerdict } from '@/core/lift/verdict';
import type { JobState } from '@/model/fold';
import { type LiftState } from '@/work/heat/thermalJob';
import { edgeName, placeName } from '@/work/heat/placeNames';
import { useSettings } from '@/store/shop';
import { capital } from '@/words/capital';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { length } from '@/words/units';
import { gapReasonWords } from './words';

interface EdgeNowProps {
  job: JobState;
  lift: LiftState;
  path: Perimeter;
  window: EdgeWindow | null;
  gap: FirstGap | null;
  safe: SafeWedge;
  /** of the pick now, mm/s */
  speed: number;
  state: WedgeVerdict;
  lowC: number;
  pegs: readonly number[];
  folds: readonly FoldOver[];
}

/** How the edge that is cut now is worked: first gap, depth, wedge, corner, picks left behind, which way it turns. */
export function EdgeNow(p: EdgeNowProps) {
  const units = useSettings();
  const { lift, window: w, gap } = p;
  if (!lift.nextEdge) return null;
  const corner = cornerRule(lift.case, p.lowC);
  const held = p.job.cut.heldWithin(p.path.edgeSpan(lift.nextEdge));
  const heldMm = held.reduce((m, s) => m + s.toMm - s.fromMm, 0);
  const rows: [string, string][] = [];
  if (gap)
    rows.push([
      'First gap',
      `${gap.cup ? `Cup ${length(gap.cup.fromEdgeMm, units, 0)} in from the ${edgeName(gap.blade.edge)}, a steady pull until a hairline shows; ` : ''}blade at the ${placeName(p.path, gap.blade.sMm)}: straight down between frame and glass, then flat under it${gap.reasons.length ? `. ${capital(gap.reasons.map((r) => gapReasonWords[r]).join(', '))}` : ''}. It starts to give at ${length(p.state.opening.openLiftMm, units, 2)} of lift.`,
    ]);
  rows.push([
    'Left',
    held.length
      ? `${length(heldMm, units, 0)} of the ${edgeName(lift.nextEdge)}${held.length > 1 ? ` in ${held.length} stretches` : ''}`
      : 'nothing on this edge',
  ]);
  if (w)
    rows.push([
      'Depth',
      `${length(w.needMm, units)} cuts the ring; ${w.limitMm >= 30 ? 'nothing near behind it' : `no deeper than ${length(w.limitMm, units)}: ${w.limitedBy?.name ?? 'a part'}`}${w.closed.length ? `; no tool at ${w.closed.map((c) => c.by.name).join(', ')}` : ''}`,
    ]);
  rows.push([
    'Pick',
    `${length(lift.pickMm, units)} at ${p.speed} mm/s${!p.job.keepCover ? '; the back is scrap, it may break further' : p.safe.pickHolds ? '' : ', too thick to save this glass now'}${p.job.keepCover ? `; highest wedge now ${p.safe.highestMm >= thickestWedgeMm ? `over ${length(thickestWedgeMm, units)}` : length(p.safe.highestMm, units, 2)}` : ''}`,
  ]);
  rows.push([
    'Corner',
    corner.creepToMm > 0
      ? `It opens round a corner only with the pick within ${length(corner.creepToMm, units)}: creep up to it at ${cutSpeed.value * slowShare} mm/s, never lift (numerical estimate)`
      : 'At this temperature no corner gives: reheat before it, never lift',
  ]);
  rows.push([
    'Leave behind',
    p.pegs.length
      ? `${p.pegs.length} ${p.pegs.length === 1 ? 'pick' : 'picks'}: ${p.pegs.map((s) => placeName(p.path, s)).join('; ')}`
      : 'a pick in the first gap, so that it does not close',
  ]);
  for (const f of p.folds)
    rows.push([
      capital(f.cable.name),
      f.unplugFirst
        ? `Unplug before it turns: ${Math.round(f.openDeg)}° over the ${edgeName(f.edge)}, ${length(f.flatMm, units, 0)} straight up, then it pulls`
        : `Turn it over the ${edgeName(f.edge)}, up to ${Math.round(f.openDeg)}°; ${length(f.flatMm, units, 0)} straight up${f.betterEdge ? `. More room over the ${edgeName(f.betterEdge)}: ${Math.round(f.byEdgeDeg[f.betterEdge])}°` : ''}`,
    ]);
  return (
    <Disclosure title="This edge now" open>
      <View role="list" aria-label="This edge now">
        {rows.map(([name, what]) => (
          <View key={name} role="listitem" className="flex-row gap-2 py-1 border-b border-rule">
            <Txt size="s" strong className="w-[92px]">
              {name}
            </Txt>
            <Txt size="s" className="flex-1">
              {what}
            </Txt>
          </View>
        ))}
      </View>
    </Disclosure>
  );
}
