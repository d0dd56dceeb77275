import type { HeaterWords } from '@/stagekit/heaterWords';
import type { ArcVerdict } from '@/core/lift/verdict';
import { edgeName, type LiftState } from '@/stagekit/thermalJob';
import type { Settings } from '@/model/settings';
import type { EdgeWindow } from '@/core/lift/depth';
import { clock, length, percent, temp } from '@/ui/units';

export interface LiftCallInput {
  /** how the heater in use is spoken of */
  words: HeaterWords;
  lift: LiftState;
  verdict: ArcVerdict;
  /** low and high bound of the arc that is cut next, °C */
  arcLowC: number;
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
  cable: { name: string; toward: string; slackMm: number; unplugFirst: boolean } | null;
  units: Pick<Settings, 'temperature' | 'length'>;
}

export interface CallText {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
}

/** The call of the lift stage. A wedge "go" never overrides a limit (one law 2). */
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
      reason: i.cable
        ? i.cable.unplugFirst
          ? `Tip the cover a little toward the ${i.cable.toward} and unplug the ${i.cable.name} before it turns: ${length(i.cable.slackMm, units, 0)} of slack.`
          : `Fold it over toward the ${i.cable.toward}: the ${i.cable.name} has ${length(i.cable.slackMm, units, 0)} of slack.`
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
      sentence: `Heat first: the ${edge} is at ${temp(i.arcLowC, units)}.`,
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
  if (i.verdict === 'stop')
    return {
      sentence:
        lift.easyC === null && lift.workC === null ? 'Stop: this pick opens nothing here.' : 'Wait: too hot to pry.',
      reason:
        lift.easyC === null && lift.workC === null
          ? 'Take a thicker pick on the Heat stage, or write the cover off.'
          : `The line may be at ${temp(i.arcHighC, units)}, the limit of cover and adhesive is ${temp(lift.upperC, units)}.`,
      tone: 'caution',
    };
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
      sentence: `${edge[0]!.toUpperCase()}${edge.slice(1)} slowly, a tenth of the speed.`,
      reason:
        `It grips in ${clock(i.gripsForS)}. ${depth} ${i.reheatS === null ? '' : `Reheating takes about ${clock(i.reheatS)}.`}`.trim(),
      tone: 'ink',
    };
  return {
    sentence: `${i.words.again}: the ${edge} has gripped.`,
    reason: `${temp(i.arcLowC, units)} or a little more, it works from ${lift.workC === null ? 'no temperature' : temp(lift.workC, units)}. Never force it.${i.reheatS === null ? '' : ` About ${clock(i.reheatS)} ${i.words.of}.`}`,
    tone: 'caution',
  };
}
