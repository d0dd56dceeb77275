import { judgement } from '@/core/source';
import type { SpotResult } from '@/core/heat/spot';
import type { Settings } from '@/model/settings';
import { clock, length, temp } from '@/words/units';

/** Shorter windows are no time to put the nozzle away. */
const withAirS = judgement(5, 'a window shorter than this is worked with the air on, s');

interface SpotCallInput {
  result: SpotResult | null;
  /** "piece 3" */
  name: string;
  pickMm: number;
  easyC: number | null;
  /** what it is heated to; below `easyC` the blade creeps */
  targetC: number | null;
  workC: number | null;
  units: Pick<Settings, 'temperature' | 'length'>;
}

const parts = { battery: 'cell', camera: 'camera', display: 'display' } as const;

/** How long to heat a piece, how long it can be worked, and what ends the cycles. */
export function spotCall({ result: r, name, pickMm, easyC, targetC, workC, units }: SpotCallInput): {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
} {
  if (targetC === null || workC === null)
    return {
      sentence: 'No heat opens this with the pick in force.',
      reason: 'Take a thicker pick on the Heat stage.',
      tone: 'caution',
    };
  if (!r)
    return {
      sentence: `Heat on ${name} alone.`,
      reason:
        easyC !== null && easyC <= targetC
          ? `With a ${length(pickMm, units)} pick easy from ${temp(easyC, units)}, works from ${temp(workC, units)}. The full model runs for some seconds.`
          : `To ${temp(targetC, units)}: the blade creeps from ${temp(workC, units)}${easyC === null ? '' : `, glass slides only from ${temp(easyC, units)}`}. The full model runs for some seconds.`,
      tone: 'ink',
    };
  const first = r.cycles[0];
  const stop = r.stoppedBy && r.stoppedBy !== 'cold' ? parts[r.stoppedBy] : null;
  if (!first)
    return {
      sentence: stop
        ? `The ${stop} passes its stop mark before ${name} is soft.`
        : `This air does not get ${name} to ${temp(targetC, units)}.`,
      reason: stop
        ? 'Less air and longer, a smaller circle, or take the cell out first.'
        : `Half of it came to no more than the hottest place, ${temp(r.hottestBondC, units)}. Hotter air or a smaller circle.`,
      tone: 'caution',
    };
  const next = r.cycles[1];
  const rest = stop
    ? `After ${r.cycles.length} ${r.cycles.length === 1 ? 'cycle' : 'cycles'} the ${stop} passes its stop mark: let it rest then.`
    : null;
  // a strip by the blade loses its heat in seconds: then the air stays with the blade
  if (first.workS < withAirS.value)
    return {
      sentence: `Heat ${name} for ${clock(first.heatS)}, then work with the air on it.`,
      reason: `Alone it can be worked for ${clock(first.workS)} only. Circle by the blade, a few seconds on, a few off. ${rest ?? `The cell gets to ${r.batteryC === null ? '–' : temp(r.batteryC, units)}.`}`,
      tone: stop ? 'caution' : 'ink',
    };
  return {
    sentence: `Heat ${name} for ${clock(first.heatS)}, work ${clock(first.workS)}${next ? `, then ${clock(next.heatS)} of heat again` : ''}.`,
    reason:
      rest ??
      `${r.cycles.length} cycles in the model; the cell gets to ${r.batteryC === null ? '–' : temp(r.batteryC, units)}.`,
    tone: stop ? 'caution' : 'ink',
  };
}

interface SpotClockInput {
  on: { atMs: number; readyInS: number | null } | null;
  off: { atMs: number; gripsInS: number | null } | null;
  /** the next heat, s */
  againS: number | null;
  now: number;
  name: string;
}

/** The cadence as it runs: air off in, work left, heat again. Null before the first heat. */
export function spotClock({ on, off, againS, now, name }: SpotClockInput): ReturnType<typeof spotCall> | null {
  if (on) {
    const left = (on.readyInS ?? 0) - (now - on.atMs) / 1e3;
    return left > 0
      ? { sentence: `Air off in ${clock(left)}.`, reason: `Circle over ${name}, never still.`, tone: 'ink' }
      : {
          sentence: 'Air off now, and work.',
          reason: `Soft enough since ${clock(-left)}. Every second more goes into the cell.`,
          tone: -left > 10 ? 'caution' : 'ink',
        };
  }
  if (!off) return null;
  const left = off.gripsInS === null ? 0 : off.gripsInS - (now - off.atMs) / 1e3;
  if (left > 0)
    return {
      sentence: `Work on ${name}: ${clock(left)} left.`,
      reason: 'Stop when it grips; never force it.',
      tone: 'ink',
    };
  return {
    sentence:
      againS === null ? `It has gripped: compute ${name} again.` : `It has gripped: ${clock(againS)} of heat again.`,
    reason: 'Or take the next piece: tap it on the plan.',
    tone: 'ink',
  };
}
