import type { HeaterWords } from '@/stagekit/heaterWords';
import type { LiftState } from '@/stagekit/thermalJob';
import { edgeName } from '@/stagekit/thermalJob';
import { clock, length, percent, temp } from '@/ui/units';
import type { Settings } from '@/model/settings';
import type { HeatForecast } from '@/stagekit/heatForecast';

export interface CallText {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
}

/** Later than this the alarm was missed, s. */
export const missedS = 60;

type Units = Pick<Settings, 'temperature' | 'length'>;

/** The call of the heat stage, from the forecast. Order of authority: hazards, limits, breakage, bond (one law 2). */
export function heatCall(input: {
  f: HeatForecast;
  lift: LiftState;
  nowS: number;
  on: boolean;
  swollen: boolean;
  batteryNowHighC: number | null;
  stopC: number;
  partStopC: Partial<Record<'battery' | 'camera' | 'display', number>>;
  units: Units;
  words: HeaterWords;
  /** what a part that is still inside forbids */
  refused?: string | null;
  /** seconds until the heater switches itself off; negative: since then */
  autoOffInS?: number | null;
  /** what the cell gets to if the heat ends now, and where it may be heated again, °C */
  ifOffNow?: { peakC: number; againBelowC: number } | null;
}): CallText {
  const { f, lift, nowS, on, units, words } = input;
  if (input.swollen)
    return {
      sentence: 'Do not heat this one.',
      reason: 'The cell is swollen. Away from heat, into the fire-proof bag; follow the maker and local rules.',
      tone: 'caution',
    };
  const where = lift.nextEdge ? edgeName(lift.nextEdge) : 'first edge';
  if (on && input.batteryNowHighC !== null && input.batteryNowHighC >= input.stopC)
    return {
      sentence: `${words.off} now. The cell is at its stop mark.`,
      reason: `Battery may be at ${temp(input.batteryNowHighC, units)}, stop ${temp(input.stopC, units)}. Let it cool before the next heat.`,
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
      reason: lift.case.keepCover
        ? `The cover would break first: ${lift.case.flawUm} µm edge flaw assumed. Take a thicker pick, or write the cover off.`
        : 'Take a thicker pick.',
      tone: 'caution',
    };
  if (!f.readyS)
    return {
      sentence: `${temp(f.setC, units)} is not enough for a ${length(lift.pickMm, units)} pick.`,
      reason: `The ${where} has to reach ${temp(lift.easyC, units)} and stay there on the way to the bench. Set the ${words.name.toLowerCase()} higher or take a thicker pick.`,
      tone: 'caution',
    };
  const easyFor = Math.max(0, (f.easyUntilS?.low ?? 0) - f.readyS.high);
  const gripsFor = Math.max(0, (f.gripsAtS?.low ?? 0) - f.readyS.high);
  const window = `${words.off} it stays easy for at least ${clock(easyFor)} and grips after ${clock(gripsFor)}.`;
  // a limit outranks the bond; once the line is soft there is nothing to wait for any more
  const over = f.over[0];
  if (over && !(on && nowS >= f.readyS.high)) {
    const peak = f[over]?.peakC.high;
    const names = { battery: 'cell', camera: 'camera', display: 'display' };
    return {
      sentence: `The ${names[over]} passes its stop mark before the bond is soft.`,
      reason: `Up to ${peak === undefined ? '' : temp(peak, units)}, stop ${temp(input.partStopC[over] ?? input.stopC, units)}. Take a thicker pick or another way of heating${lift.case.keepCover ? ', or write the cover off' : ''}.${on ? ` Soft in ${clock(f.readyS.high - nowS)}.` : ''}`,
      tone: 'caution',
    };
  }
  if (!on)
    return {
      sentence: `${words.on} for ${clock(f.readyS.high - f.heatStartS)}, then the ${where}.`,
      reason: window,
      tone: 'ink',
    };
  const left = f.readyS.high - nowS;
  if (left > 0)
    return { sentence: `${words.off} in ${clock(left)}. Start at the ${where}.`, reason: window, tone: 'ink' };
  const late = input.ifOffNow;
  if (-left > missedS && late) {
    const hot = late.peakC >= input.stopC;
    return {
      sentence: `Missed by ${clock(-left)}. ${words.off} now.`,
      reason: hot
        ? `The cell may get to ${temp(late.peakC, units)}, over its stop mark. Off, and let it rest below ${temp(late.againBelowC, units)} before the next heat.`
        : `The cell may get to ${temp(late.peakC, units)}, stop ${temp(input.stopC, units)}. No rest needed: the ${where} is soft, lift.`,
      tone: 'caution',
    };
  }
  return {
    sentence: `Lift now. Start at the ${where}.`,
    reason: `Soft enough since ${clock(-left)}. Every second more goes into the cell. ${window}`,
    tone: 'ink',
  };
}

export const chanceText = (chance: number | null, keepCover: boolean) =>
  chance === null ? 'none' : keepCover ? percent(chance) : 'written off';
