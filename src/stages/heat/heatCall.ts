import type { Marks } from '@/core/heat/opening';
import type { Watched } from '@/core/heat/member';
import type { HeaterWords } from '@/words/heaterWords';
import type { LiftState } from '@/work/heat/thermalJob';
import { edgeName } from '@/work/heat/placeNames';
import { clock, length, percent, temp } from '@/words/units';
import type { Settings } from '@/model/settings';
import type { HeatForecast } from '@/work/heat/heatForecast';

export interface CallText {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
}

type Units = Pick<Settings, 'temperature' | 'length'>;

export const watchedNames: Record<Watched | 'glue', string> = {
  battery: 'battery',
  camera: 'camera',
  display: 'display',
  cover: 'back',
  glue: 'adhesive',
};

export interface HeatCallInput {
  f: HeatForecast;
  lift: LiftState;
  nowS: number;
  on: boolean;
  swollen: boolean;
  /** temperatures now, by the hot end, °C */
  hotC: Partial<Record<Watched, number>>;
  marks: Partial<Record<Watched, Marks>>;
  units: Units;
  words: HeaterWords;
  /** chance of breaking a cover that is to be saved, over the whole bond; null: it is not to be saved */
  breakChance?: number | null;
  breakLimit?: number;
  /** plastic: it can be pried cold as well */
  plastic?: boolean;
  /** glued all over, with the parts in: it comes off piece by piece */
  pieces?: boolean;
  /** what a part that is still inside forbids */
  refused?: string | null;
  /** seconds until the heater switches itself off; negative: since then */
  autoOffInS?: number | null;
  /** where the battery may be heated again after a rest, °C */
  againBelowC?: number;
}

const coldWay = 'Or pry it cold, round from the charge port: plastic bends, it does not shatter.';

/** The call of the heat stage, from the forecast. Order of authority: hazards, limits, breakage, bond (law 2). */
export function heatCall(input: HeatCallInput): CallText {
  const { f, lift, nowS, on, units, words, marks, hotC } = input;
  if (input.swollen)
    return {
      sentence: 'Do not heat this one.',
      reason: 'The battery is swollen. Away from heat, into the fire-proof bag; follow the maker and local rules.',
      tone: 'caution',
    };
  const where = lift.nextEdge ? edgeName(lift.nextEdge) : 'first edge';
  const stopped = on
    ? (['battery', 'camera', 'display', 'cover'] as const).find((id) => {
        const m = marks[id];
        return m !== undefined && (hotC[id] ?? -Infinity) >= m.stopC;
      })
    : undefined;
  if (stopped)
    return {
      sentence: `${words.off} now: the ${watchedNames[stopped]} is at ${temp(hotC[stopped]!, units)}.`,
      reason: `Its stop mark is ${temp(marks[stopped]!.stopC, units)}. Let it cool${input.againBelowC === undefined || stopped !== 'battery' ? '' : ` below ${temp(input.againBelowC, units)}`} before the next heat.`,
      tone: 'caution',
    };
  if (input.refused) return { sentence: 'Not with the parts inside.', reason: input.refused, tone: 'caution' };
  if (on && input.autoOffInS != null && input.autoOffInS <= 0)
    return {
      sentence: `The ${words.name.toLowerCase()} switched itself off ${clock(-input.autoOffInS)} ago.`,
      reason: 'The device cools with it. Set it again and tap "On again", or take the device off.',
      tone: 'caution',
    };
  if (lift.easyC === null)
    return {
      sentence: `No heat opens this with a ${length(lift.pickMm, units)} pick.`,
      reason: 'Take a thicker pick.',
      tone: 'caution',
    };
  if (!f.readyS) {
    if (input.pieces)
      return {
        sentence: 'Not in one piece: piece by piece.',
        reason: `Glued all over, the whole back does not get to ${temp(lift.easyC, units)} with the parts in. Soften a strip by the blade and take it off in pieces, or strip the housing bare for the plate.`,
        tone: 'ink',
      };
    return f.tryFromS
      ? {
          sentence: `Hard work from ${clock(f.tryFromS.mean - f.heatStartS)}; never easy at ${temp(f.setC, units)}.`,
          reason: `The ${where} gets to where it works slowly (${temp(lift.workC ?? lift.easyC, units)}), not to ${temp(lift.easyC, units)} where it is easy. ${input.plastic ? coldWay : `Set the ${words.name.toLowerCase()} higher.`}`,
          tone: 'ink',
        }
      : {
          sentence: `${temp(f.setC, units)} is not enough for a ${length(lift.pickMm, units)} pick.`,
          reason: `The ${where} has to reach ${temp(lift.easyC, units)} and stay there on the way to the bench. ${input.plastic ? coldWay : `Set the ${words.name.toLowerCase()} higher or take a thicker pick.`}`,
          tone: 'caution',
        };
  }
  const easyFor = Math.max(0, (f.easyUntilS?.mean ?? 0) - f.readyS.mean);
  const gripsFor = Math.max(0, (f.gripsAtS?.mean ?? 0) - f.readyS.mean);
  const window = `After that you have ${clock(easyFor)} easy, ${clock(gripsFor)} in all.`;
  const tryS = f.tryFromS?.mean ?? f.readyS.mean;
  // a limit outranks the bond; once the line is soft there is nothing to wait for any more
  // of plastic the back itself comes first
  const over = input.plastic && f.over.includes('cover') ? 'cover' : f.over[0];
  if (over && !(on && nowS >= f.readyS.mean)) {
    const peak = over === 'glue' ? f.opening.glueC?.high : f.parts[over]?.peakC.high;
    const stopC = over === 'glue' ? lift.upperC : (marks[over]?.stopC ?? lift.upperC);
    const what =
      over === 'cover' && input.plastic
        ? { s: 'Too hot for this back: it warps.', r: coldWay }
        : {
            s: `The ${watchedNames[over]} gets too hot before the bond is soft.`,
            r: input.pieces
              ? 'Piece by piece with air, or the housing bare on the plate.'
              : 'Another way of heating, one edge at a time, or a mask over the cameras.',
          };
    return {
      sentence: what.s,
      reason: `Up to ${peak === undefined ? '–' : temp(peak, units)}, stop ${temp(stopC, units)}. ${what.r}${on ? ` Soft in ${clock(f.readyS.mean - nowS)}.` : ''}`,
      tone: 'caution',
    };
  }
  const chance =
    input.breakChance != null && input.breakLimit !== undefined && input.breakChance > input.breakLimit
      ? ` The glass may break: ${percent(input.breakChance)} by a cautious estimate${lift.safeC === null ? '' : `, less from ${temp(lift.safeC, units)}`}.`
      : '';
  if (!on)
    return {
      sentence: `Try from ${clock(tryS - f.heatStartS)}, easy by ${clock(f.readyS.mean - f.heatStartS)}, at the latest ${clock(f.readyS.high - f.heatStartS)}.`,
      reason: `Start at the ${where}. ${window}${chance}`,
      tone: 'ink',
    };
  if (nowS < tryS)
    return {
      sentence: `Try in ${clock(tryS - nowS)}, easy in ${clock(f.readyS.mean - nowS)}.`,
      reason: `Start at the ${where}. ${window}`,
      tone: 'ink',
    };
  if (nowS < f.readyS.mean)
    return {
      sentence: `Try the ${where} now. Easy in ${clock(f.readyS.mean - nowS)}.`,
      reason: 'It works slowly from here. If it holds, back on for half a minute. Never force it.',
      tone: 'ink',
    };
  if (nowS <= f.readyS.high)
    return {
      sentence: `Lift now. Start at the ${where}.`,
      reason: `Easy since ${clock(nowS - f.readyS.mean)}. More heat only warms the battery. ${window}`,
      tone: 'ink',
    };
  const hottest = (['camera', 'battery', 'display', 'cover'] as const)
    .filter((id) => (hotC[id] ?? -Infinity) >= (marks[id]?.cautionC ?? Infinity))
    .map((id) => `${watchedNames[id]} ${temp(hotC[id]!, units)}`);
  return {
    sentence: `${clock(nowS - f.readyS.high)} too long. ${words.off}${hottest.length ? `: ${hottest.join(', ')}` : ''}.`,
    reason: `It has been soft since ${clock(nowS - f.readyS.mean)} ago. Lift it now${hottest.length ? '; let it rest before the next heat' : ''}.`,
    tone: 'caution',
  };
}

/** Somebody was called away: what is safe comes first, then how long there is. */
export function awayCall(i: {
  offForS: number;
  words: HeaterWords;
  where: string;
  lineC: number;
  easyForS: number;
  gripsInS: number;
  reheatS: number | null;
  units: Units;
}): CallText {
  const left =
    i.easyForS > 0
      ? `Easy for ${clock(i.easyForS)} more, ${clock(Math.max(0, i.gripsInS))} in all.`
      : i.gripsInS > 0
        ? `It can be worked slowly for ${clock(i.gripsInS)} more.`
        : 'It has gripped.';
  return {
    sentence: `Safe: ${i.words.off.toLowerCase()} for ${clock(i.offForS)}.`,
    reason: `The ${i.where} is at ${temp(i.lineC, i.units)}. ${left} ${i.reheatS === null ? 'This setting does not get it back.' : `${clock(i.reheatS)} of heat get it back.`}`,
    tone: 'ink',
  };
}

export const chanceText = (chance: number | null, keepCover: boolean) =>
  chance === null ? 'none' : keepCover ? percent(chance) : 'written off';
