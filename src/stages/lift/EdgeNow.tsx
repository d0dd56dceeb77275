import { View } from 'react-native';

import type { Perimeter } from '@/core/device/perimeter';
import type { EdgeId } from '@/core/device/types';
import { cornerRule } from '@/core/lift/corner';
import type { EdgeWindow } from '@/core/lift/depth';
import type { FirstGap } from '@/core/lift/firstGap';
import type { FoldOver } from '@/core/lift/foldOver';
import { cutSpeed, slowShare, thickestWedgeMm, type SafeWedge, type WedgeVerdict } from '@/core/lift/verdict';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
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

type Row = [name: string, what: string];

/** Where the first gap is made, and with what. */
function gapRow(p: EdgeNowProps, gap: FirstGap, units: Settings): Row {
  const at = {
    path: placeName(p.path, gap.blade.sMm),
    openLiftMm: length(p.state.opening.openLiftMm, units, 2),
  };
  const list = capital(gap.reasons.map((r) => gapReasonWords[r]).join(', '));
  if (!gap.cup)
    return [
      t('firstGap'),
      gap.reasons.length
        ? t('bladeAtTheStraightDownBetween', { ...at, list })
        : t('bladeAtTheStraightDownBetween2', at),
    ];
  const cup = { ...at, fromEdgeMm: length(gap.cup.fromEdgeMm, units, 0), edge: edgeName(gap.blade.edge) };
  return [
    t('firstGap'),
    gap.reasons.length ? t('suctionCupInFromTheA', { ...cup, list }) : t('suctionCupInFromTheA2', cup),
  ];
}

/** What of the edge still holds. */
function leftRow(p: EdgeNowProps, edge: EdgeId, units: Settings): Row {
  const held = p.job.cut.heldWithin(p.path.edgeSpan(edge));
  const of = {
    heldMm: length(
      held.reduce((m, s) => m + s.toMm - s.fromMm, 0),
      units,
      0,
    ),
    nextEdge: edgeName(edge),
  };
  const what = !held.length
    ? t('nothingOnThisEdge')
    : held.length > 1
      ? t('ofTheInStretches', { ...of, count: held.length })
      : t('ofThe', of);
  return [t('left'), what];
}

/** How far the pick goes in. */
function depthRow(w: EdgeWindow, units: Settings): Row {
  const needMm = length(w.needMm, units);
  const list = w.closed.map((c) => c.by.name).join(', ');
  if (w.limitMm >= 30)
    return [
      t('depth'),
      w.closed.length
        ? t('cutsTheRingNothingNearBehind', { needMm, list })
        : t('cutsTheRingNothingNearBehind2', { needMm }),
    ];
  const of = { needMm, limitMm: length(w.limitMm, units), name: w.limitedBy?.name ?? t('aPart') };
  return [
    t('depth'),
    w.closed.length ? t('cutsTheRingNoDeeperThan', { ...of, list }) : t('cutsTheRingNoDeeperThan2', of),
  ];
}

/** The pick, how fast it goes, and what the cover would stand. */
function pickRow(p: EdgeNowProps, units: Settings): Row {
  const of = { pickMm: length(p.lift.pickMm, units), speed: p.speed };
  if (!p.job.keepCover) return [t('pick'), t('atMmSTheBackIs2', of)];
  const thickest =
    p.safe.highestMm >= thickestWedgeMm
      ? t('over', { thickestWedgeMm: length(thickestWedgeMm, units) })
      : length(p.safe.highestMm, units, 2);
  const all = { ...of, thickestWedgeMm: thickest };
  return [t('pick'), p.safe.pickHolds ? t('atMmSThickestWedgeNow', all) : t('atMmSTooThickTo', all)];
}

function cornerRow(p: EdgeNowProps, units: Settings): Row {
  const corner = cornerRule(p.lift.case, p.lowC);
  return [
    t('corner'),
    corner.creepToMm > 0
      ? t('itOpensRoundACornerOnly', { creepToMm: length(corner.creepToMm, units), value: cutSpeed.value * slowShare })
      : t('noCornerGivesAtThisTemperature'),
  ];
}

/** Picks that stay in. */
function pegsRow({ pegs, path }: EdgeNowProps): Row {
  const of = { length: pegs.length, list: pegs.map((s) => placeName(path, s)).join('; ') };
  const what = !pegs.length ? t('aPickInTheFirstGap') : pegs.length === 1 ? t('pick2', of) : t('picks', of);
  return [t('leaveBehind'), what];
}

/** A cable that crosses: how the cover is turned over it. */
function foldRow(f: FoldOver, units: Settings): Row {
  const of = { openDeg: Math.round(f.openDeg), edge: edgeName(f.edge), flatMm: length(f.flatMm, units, 0) };
  const what = f.unplugFirst
    ? t('unplugBeforeItTurnsOverThe', of)
    : f.betterEdge
      ? t('turnItOverTheUpTo2', {
          ...of,
          betterEdge: edgeName(f.betterEdge),
          betterEdge2: Math.round(f.byEdgeDeg[f.betterEdge]),
        })
      : t('turnItOverTheUpTo3', of);
  return [capital(told(f.cable.name)), what];
}

/** How the edge that is cut now is worked: first gap, depth, wedge, corner, picks left behind, which way it turns. */
export function EdgeNow(p: EdgeNowProps) {
  const units = useSettings();
  const { lift, window, gap } = p;
  if (!lift.nextEdge) return null;
  const rows: Row[] = [
    ...(gap ? [gapRow(p, gap, units)] : []),
    leftRow(p, lift.nextEdge, units),
    ...(window ? [depthRow(window, units)] : []),
    pickRow(p, units),
    cornerRow(p, units),
    pegsRow(p),
    ...p.folds.map((f) => foldRow(f, units)),
  ];
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
