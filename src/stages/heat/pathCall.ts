import type { MovingResult } from '@/core/heat/moving';
import type { PathPlan } from '@/core/heat/pathPlan';
import type { Settings } from '@/model/settings';
import { listed, kelvin, length, percent, spoken, temp } from '@/words/units';
import { t } from '@/words/heat';

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
      sentence: t('noHeatOpensThisWithThe'),
      reason: t('takeAThickerPickOnHeat'),
      tone: 'caution',
    };
  if (!plan) return { sentence: t('workingOutTheRound2'), reason: t('steadyRoundsFirstThenPacedOnes'), tone: 'ink' };
  const { best, against } = plan;
  if (best.readyS === null)
    return {
      sentence: t('noRoundGetsTheWholeRing', { targetC: temp(targetC, units) }),
      reason: t('hotterAirTheNozzleNearerTo'),
      tone: 'caution',
    };
  const line =
    best.insetMm >= 0
      ? t('insideTheEdge', { insetMm: length(best.insetMm, units, 0) })
      : t('outsideIt', { insetMm: length(-best.insetMm, units, 0) });
  const basis = moving ? t('checkedWithTheMovingAir') : t('provisional');
  const g = moving
    ? {
        timeShare: moving.steady.readyS && moving.planned.readyS ? 1 - moving.planned.readyS / moving.steady.readyS : 0,
        batteryK: moving.steady.batteryC - moving.planned.batteryC,
        cameraK: moving.steady.cameraC - moving.planned.cameraC,
      }
    : plan.gain;
  const gains = [
    g.timeShare >= 0.03 ? t('quicker', { timeShare: percent(g.timeShare) }) : null,
    g.batteryK >= 1 ? t('batteryCooler', { batteryK: kelvin(g.batteryK, units) }) : null,
    g.cameraK >= 1 ? t('cameraCooler', { cameraK: kelvin(g.cameraK, units) }) : null,
  ].filter((x) => x !== null);
  const paced = best.shares !== null && gains.length > 0;
  const readyS = moving?.planned.readyS ?? best.readyS;
  return {
    sentence: paced
      ? t('goRoundSlowerWhereItIs', { line, readyS: spoken(readyS) })
      : t('goRoundAtASteadyPace', { line, readyS: spoken(readyS) }),
    reason: `${paced ? t('againstASteadyRound', { basis, list: listed(gains) }) : best.shares ? t('pacingBringsNothingYouWouldNotice', { basis }) : against === best ? t('noPacingBeatsTheSteadyRound', { basis }) : t('noPacingBeatsTheSteadyRound2', { basis })}${plan.withinLimits ? '' : ` ${t('somethingGetsPastItsLimitOne')}`}`,
    tone: plan.withinLimits ? 'ink' : 'caution',
  };
}
