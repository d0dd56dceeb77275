import type { HeaterWords } from '@/words/heaterWords';
import type { FoldOver } from '@/core/lift/foldOver';
import { cutSpeed, paceMmS, type ArcVerdict, type WedgeVerdict } from '@/core/lift/verdict';
import { type LiftState } from '@/work/heat/thermalJob';
import { edgeName } from '@/work/heat/placeNames';
import type { Settings } from '@/model/settings';
import type { EdgeWindow } from '@/core/lift/depth';
import { clock, length, percent, temp } from '@/words/units';

export interface LiftCallInput {
  /** how the heater in use is spoken of */
  words: HeaterWords;
  lift: LiftState;
  verdict: ArcVerdict;
  /** the wedge at that arc's usual temperature: what it would take */
  wedge: Pick<WedgeVerdict, 'verdict' | 'goC' | 'goPickMm'>;
  /** usual value and high bound of the arc that is cut next, °C */
  arcUsualC: number;
  arcHighC: number;
  onPlate: boolean;
  everHeated: boolean;
  swollen: boolean;
  batteryHighC: number | null;
  stopC: number;
  easyForS: number;
  gripsForS: number;
  reheatS: number | null;
  window: EdgeWindow | null;
  breakChance: number;
  fold: FoldOver | null;
  units: Pick<Settings, 'temperature' | 'length'>;
}

export interface CallText {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
}

/** How much slower a hand goes, in shares that it can feel. */
function paceWords(mmS: number): string {
  const share = mmS / cutSpeed.value;
  if (share > 0.7) return 'a little under full speed';
  if (share > 0.35) return 'half the speed';
  if (share > 0.15) return 'a quarter of the speed';
  return 'a tenth of the speed';
}

/** The call of the lift stage. A wedge "go" never overrides a limit (law 2). */
export function liftCall(i: LiftCallInput): CallText {
  const { lift, units } = i;
  const edge = lift.nextEdge ? edgeName(lift.nextEdge) : '';
  if (i.swollen)
    return {
      sentence: 'Stop: the cell is swollen.',
      reason: 'No heat and no prying over it. Into the fire-proof bag; follow the maker and local rules.',
      tone: 'caution',
    };
  if (!lift.nextEdge)
    return {
      sentence: 'All edges are free.',
      reason: i.fold
        ? i.fold.unplugFirst
          ? `Tip the cover toward the ${edgeName(i.fold.edge)}, no more than ${Math.round(Math.min(i.fold.openDeg, 90))}°, and unplug the ${i.fold.cable.name} before it turns.`
          : `Turn it over the ${edgeName(i.fold.edge)}, up to ${Math.round(i.fold.openDeg)}°: the ${i.fold.cable.name} has ${length(i.fold.cable.slackMm, units, 0)} of slack.`
        : 'No cable crosses to the cover: lift it off flat, shards down.',
      tone: 'ink',
    };
  if (i.onPlate)
    return {
      sentence: i.words.of === 'of hot air' ? 'The air is on it.' : `It is ${i.words.of}.`,
      reason: 'The clock runs on the Heat stage: go there to take it off in time.',
      tone: 'ink',
    };
  if (!i.everHeated)
    return {
      sentence: `Heat first: the ${edge} is at ${temp(i.arcUsualC, units)}.`,
      reason:
        lift.easyC === null
          ? 'No temperature opens it with this pick.'
          : `It opens easily from ${temp(lift.easyC, units)}. A cold line costs the cover.`,
      tone: 'ink',
    };
  if (i.batteryHighC !== null && i.batteryHighC >= i.stopC)
    return {
      sentence: 'Hands off: let the cell cool.',
      reason: `It may be at ${temp(i.batteryHighC, units)}, stop mark ${temp(i.stopC, units)}.`,
      tone: 'caution',
    };
  if (i.verdict === 'stop') {
    const never = lift.easyC === null && lift.workC === null;
    const other = i.wedge.goPickMm !== null && i.wedge.goC !== null && i.wedge.goPickMm !== lift.pickMm;
    return {
      sentence: !never
        ? 'Wait: too hot to pry.'
        : other
          ? `Other pick: ${length(i.wedge.goPickMm!, units)} goes from ${temp(i.wedge.goC!, units)}.`
          : 'Stop: no pick opens this without breaking it.',
      reason: !never
        ? `The line may be at ${temp(i.arcHighC, units)}, the limit of cover and adhesive is ${temp(lift.upperC, units)}.`
        : other
          ? `The ${length(lift.pickMm, units)} pick works at no allowed temperature. Change it on the Heat stage.`
          : 'Write the cover off, or leave it closed.',
      tone: 'caution',
    };
  }
  const depth = i.window
    ? i.window.limitMm >= 30
      ? `${length(i.window.needMm, units)} deep cuts the ring, nothing is near.`
      : `Between ${length(i.window.needMm, units)} and ${length(i.window.limitMm, units)} deep: ${i.window.limitedBy?.name ?? 'a part'} behind.`
    : '';
  if (i.verdict === 'go')
    return {
      sentence: `Cut the ${edge} now: easy for ${clock(i.easyForS)}.`,
      reason: `${depth} ${lift.case.keepCover ? `Chance of breaking ${percent(i.breakChance)} for the whole ring.` : 'Tape over the shards; it may break further.'}`,
      tone: 'ink',
    };
  if (i.verdict === 'slow')
    return {
      sentence: `${edge[0]!.toUpperCase()}${edge.slice(1)} slowly, ${paceWords(paceMmS(i.arcUsualC, lift.easyC, lift.workC))}.`,
      reason:
        `It grips in ${clock(i.gripsForS)}. ${depth} ${i.reheatS === null ? '' : `Reheating takes about ${clock(i.reheatS)}.`}`.trim(),
      tone: 'ink',
    };
  return {
    sentence: `${i.words.again}: the ${edge} has gripped${i.wedge.goC !== null && i.wedge.goPickMm === lift.pickMm ? `, to ${temp(i.wedge.goC, units)}` : ''}.`,
    reason: `${temp(i.arcUsualC, units)}, it works from ${lift.workC === null ? 'no temperature' : temp(lift.workC, units)}. Never force it.${i.reheatS === null ? '' : ` About ${clock(i.reheatS)} ${i.words.of}.`}`,
    tone: 'caution',
  };
}
