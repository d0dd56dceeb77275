import type { MovingResult } from '@/core/heat/moving';
import type { PathPlan } from '@/core/heat/pathPlan';
import type { Settings } from '@/model/settings';
import { clock, kelvin, length, percent, temp } from '@/words/units';

type Units = Pick<Settings, 'temperature' | 'length'>;

interface PathCallInput {
  plan: PathPlan | null;
  moving: { steady: MovingResult; planned: MovingResult } | null;
  targetC: number | null;
  units: Units;
}

/** What a planned round brings against a steady one: said with its numbers, or that it brings nothing. */
export function pathCall({ plan, moving, targetC, units }: PathCallInput): {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
} {
  if (targetC === null)
    return {
      sentence: 'No heat opens this with the pick in force.',
      reason: 'Take a thicker pick on the Heat stage.',
      tone: 'caution',
    };
  if (!plan) return { sentence: 'Planning the round.', reason: 'Steady rounds first, then paced ones.', tone: 'ink' };
  const { best, against } = plan;
  if (best.readyS === null)
    return {
      sentence: `No round brings the whole ring to ${temp(targetC, units)}.`,
      reason: 'Hotter air, a nozzle nearer to the glass, or one edge at a time.',
      tone: 'caution',
    };
  const line =
    best.insetMm >= 0
      ? `${length(best.insetMm, units, 0)} inside the edge`
      : `${length(-best.insetMm, units, 0)} outside it`;
  const basis = moving ? 'Confirmed with the moving air' : 'Provisional';
  const g = moving
    ? {
        timeShare: moving.steady.readyS && moving.planned.readyS ? 1 - moving.planned.readyS / moving.steady.readyS : 0,
        batteryK: moving.steady.batteryC - moving.planned.batteryC,
        cameraK: moving.steady.cameraC - moving.planned.cameraC,
      }
    : plan.gain;
  const gains = [
    g.timeShare >= 0.03 ? `${percent(g.timeShare)} quicker` : null,
    g.batteryK >= 1 ? `cell ${kelvin(g.batteryK, units)} cooler` : null,
    g.cameraK >= 1 ? `camera ${kelvin(g.cameraK, units)} cooler` : null,
  ].filter(Boolean);
  const paced = best.shares !== null && gains.length > 0;
  const readyS = moving?.planned.readyS ?? best.readyS;
  return {
    sentence: `Round ${line}, ${paced ? 'slower where it is thick' : 'at a steady pace'}: the ring is soft after ${clock(readyS)}.`,
    reason: `${basis}: ${
      paced
        ? `against a steady round ${gains.join(', ')}.`
        : best.shares
          ? 'pacing brings nothing that a hand would notice over a steady round.'
          : `no pacing beats the steady round${against === best ? '' : ' on this line'}.`
    }${plan.withinLimits ? '' : ' A stop mark is passed: one edge at a time, or another way of heating.'}`,
    tone: plan.withinLimits ? 'ink' : 'caution',
  };
}
