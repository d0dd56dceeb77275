import { View } from 'react-native';

import type { Perimeter } from '@/core/device/perimeter';
import { cornerRule } from '@/core/lift/corner';
import type { EdgeWindow } from '@/core/lift/depth';
import type { FirstGap } from '@/core/lift/firstGap';
import type { FoldOver } from '@/core/lift/foldOver';
import { cutSpeed, slowShare, thickestWedgeMm, type SafeWedge, type WedgeVerdict } from '@/core/lift/verdict';
import type { JobState } from '@/model/fold';
import { type LiftState } from '@/work/heat/thermalJob';
import { edgeName, placeName } from '@/words/placeNames';
import { useSettings } from '@/store/shop';
import { capital } from '@/words/capital';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { length } from '@/words/units';
import { gapReasonWords } from './words';
import { t } from '@/words/lift';
import { told } from '@/words/told';

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
      t('firstGap'),
      gap.cup
        ? gap.reasons.length
          ? t('suctionCupInFromTheA', {
              fromEdgeMm: length(gap.cup.fromEdgeMm, units, 0),
              edge: edgeName(gap.blade.edge),
              path: placeName(p.path, gap.blade.sMm),
              join: capital(gap.reasons.map((r) => gapReasonWords[r]).join(', ')),
              openLiftMm: length(p.state.opening.openLiftMm, units, 2),
            })
          : t('suctionCupInFromTheA2', {
              fromEdgeMm: length(gap.cup.fromEdgeMm, units, 0),
              edge: edgeName(gap.blade.edge),
              path: placeName(p.path, gap.blade.sMm),
              openLiftMm: length(p.state.opening.openLiftMm, units, 2),
            })
        : gap.reasons.length
          ? t('bladeAtTheStraightDownBetween', {
              path: placeName(p.path, gap.blade.sMm),
              join: capital(gap.reasons.map((r) => gapReasonWords[r]).join(', ')),
              openLiftMm: length(p.state.opening.openLiftMm, units, 2),
            })
          : t('bladeAtTheStraightDownBetween2', {
              path: placeName(p.path, gap.blade.sMm),
              openLiftMm: length(p.state.opening.openLiftMm, units, 2),
            }),
    ]);
  rows.push([
    t('left'),
    held.length
      ? held.length > 1
        ? t('ofTheInStretches', {
            heldMm: length(heldMm, units, 0),
            nextEdge: edgeName(lift.nextEdge),
            length: held.length,
          })
        : t('ofThe', { heldMm: length(heldMm, units, 0), nextEdge: edgeName(lift.nextEdge) })
      : t('nothingOnThisEdge'),
  ]);
  if (w)
    rows.push([
      t('depth'),
      w.limitMm >= 30
        ? w.closed.length
          ? t('cutsTheRingNothingNearBehind', {
              needMm: length(w.needMm, units),
              join: w.closed.map((c) => c.by.name).join(', '),
            })
          : t('cutsTheRingNothingNearBehind2', { needMm: length(w.needMm, units) })
        : w.closed.length
          ? t('cutsTheRingNoDeeperThan', {
              needMm: length(w.needMm, units),
              limitMm: length(w.limitMm, units),
              name: w.limitedBy?.name ?? t('aPart'),
              join: w.closed.map((c) => c.by.name).join(', '),
            })
          : t('cutsTheRingNoDeeperThan2', {
              needMm: length(w.needMm, units),
              limitMm: length(w.limitMm, units),
              name: w.limitedBy?.name ?? t('aPart'),
            }),
    ]);
  rows.push([
    t('pick'),
    !p.job.keepCover
      ? p.job.keepCover
        ? t('atMmSTheBackIs', {
            pickMm: length(lift.pickMm, units),
            speed: p.speed,
            thickestWedgeMm:
              p.safe.highestMm >= thickestWedgeMm
                ? t('over', { thickestWedgeMm: length(thickestWedgeMm, units) })
                : length(p.safe.highestMm, units, 2),
          })
        : t('atMmSTheBackIs2', { pickMm: length(lift.pickMm, units), speed: p.speed })
      : p.safe.pickHolds
        ? p.job.keepCover
          ? t('atMmSThickestWedgeNow', {
              pickMm: length(lift.pickMm, units),
              speed: p.speed,
              thickestWedgeMm:
                p.safe.highestMm >= thickestWedgeMm
                  ? t('over', { thickestWedgeMm: length(thickestWedgeMm, units) })
                  : length(p.safe.highestMm, units, 2),
            })
          : t('atMmS', { pickMm: length(lift.pickMm, units), speed: p.speed })
        : p.job.keepCover
          ? t('atMmSTooThickTo', {
              pickMm: length(lift.pickMm, units),
              speed: p.speed,
              thickestWedgeMm:
                p.safe.highestMm >= thickestWedgeMm
                  ? t('over', { thickestWedgeMm: length(thickestWedgeMm, units) })
                  : length(p.safe.highestMm, units, 2),
            })
          : t('atMmSTooThickTo2', { pickMm: length(lift.pickMm, units), speed: p.speed }),
  ]);
  rows.push([
    t('corner'),
    corner.creepToMm > 0
      ? t('itOpensRoundACornerOnly', { creepToMm: length(corner.creepToMm, units), value: cutSpeed.value * slowShare })
      : t('noCornerGivesAtThisTemperature'),
  ]);
  rows.push([
    t('leaveBehind'),
    p.pegs.length
      ? p.pegs.length === 1
        ? t('pick2', { length: p.pegs.length, join: p.pegs.map((s) => placeName(p.path, s)).join('; ') })
        : t('picks', { length: p.pegs.length, join: p.pegs.map((s) => placeName(p.path, s)).join('; ') })
      : t('aPickInTheFirstGap'),
  ]);
  for (const f of p.folds)
    rows.push([
      capital(told(f.cable.name)),
      f.unplugFirst
        ? t('unplugBeforeItTurnsOverThe', {
            openDeg: Math.round(f.openDeg),
            edge: edgeName(f.edge),
            flatMm: length(f.flatMm, units, 0),
          })
        : f.betterEdge
          ? t('turnItOverTheUpTo2', {
              edge: edgeName(f.edge),
              openDeg: Math.round(f.openDeg),
              flatMm: length(f.flatMm, units, 0),
              betterEdge: edgeName(f.betterEdge),
              betterEdge2: Math.round(f.byEdgeDeg[f.betterEdge]),
            })
          : t('turnItOverTheUpTo3', {
              edge: edgeName(f.edge),
              openDeg: Math.round(f.openDeg),
              flatMm: length(f.flatMm, units, 0),
            }),
    ]);
  return (
    <Disclosure title={t('thisEdgeNow')} open>
      <View role="list" aria-label={t('thisEdgeNow')}>
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
