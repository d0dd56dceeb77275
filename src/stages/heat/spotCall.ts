import { judgement } from '@/core/source';
import type { SpotResult } from '@/core/heat/spot';
import type { Settings } from '@/model/settings';
import { length, spoken, temp } from '@/words/units';
import { t } from '@/words/heat';

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
      sentence: t('noHeatOpensThisWithThe'),
      reason: t('takeAThickerPickOnHeat'),
      tone: 'caution',
    };
  if (!r)
    return {
      sentence: t('heatAlone', { name }),
      reason:
        easyC !== null && easyC <= targetC
          ? t('withAPickItIsEasy', {
              pickMm: length(pickMm, units),
              easyC: temp(easyC, units),
              workC: temp(workC, units),
            })
          : easyC === null
            ? t('toTheBladeCreepsFromThe', { targetC: temp(targetC, units), workC: temp(workC, units) })
            : t('toTheBladeCreepsFromThe2', {
                targetC: temp(targetC, units),
                workC: temp(workC, units),
                easyC: temp(easyC, units),
              }),
      tone: 'ink',
    };
  const first = r.cycles[0];
  const stop = r.stoppedBy && r.stoppedBy !== 'cold' ? parts[r.stoppedBy] : null;
  if (!first)
    return {
      sentence: stop
        ? t('theGetsPastItsLimitBefore', { stop, name })
        : t('thisAirDoesNotGetTo', { name, targetC: temp(targetC, units) }),
      reason: stop
        ? t('lessAirForLongerASmaller')
        : t('theHottestPlaceOfItGot', { hottestBondC: temp(r.hottestBondC, units) }),
      tone: 'caution',
    };
  const next = r.cycles[1];
  const rest = stop
    ? r.cycles.length === 1
      ? t('afterTurnTheGetsPastIts', { n: r.cycles.length, stop })
      : t('afterTurnsTheGetsPastIts', { n: r.cycles.length, stop })
    : null;
  // a strip by the blade loses its heat in seconds: then the air stays with the blade
  if (first.workS < withAirS.value)
    return {
      sentence: t('heatForThenWorkWithThe', { name, heatS: spoken(first.heatS) }),
      reason: t('byItselfItStaysSoftFor', {
        workS: spoken(first.workS),
        rest: rest ?? t('theBatteryGetsTo', { batteryC: r.batteryC === null ? '–' : temp(r.batteryC, units) }),
      }),
      tone: stop ? 'caution' : 'ink',
    };
  return {
    sentence: next
      ? t('heatForWorkThenOfHeat', {
          name,
          heatS: spoken(first.heatS),
          workS: spoken(first.workS),
          heatS2: spoken(next.heatS),
        })
      : t('heatForWork', { name, heatS: spoken(first.heatS), workS: spoken(first.workS) }),
    reason:
      rest ??
      t('turnsCountedTheBatteryGetsTo', {
        batteryC: r.batteryC === null ? '–' : temp(r.batteryC, units),
        count: r.cycles.length,
      }),
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
      ? { sentence: t('airOffIn', { left: spoken(left) }), reason: t('circleOverNeverStill', { name }), tone: 'ink' }
      : {
          sentence: t('airOffNowAndWork'),
          reason: t('softEnoughForNowEverySecond', { left: spoken(-left) }),
          tone: -left > 10 ? 'caution' : 'ink',
        };
  }
  if (!off) return null;
  const left = off.gripsInS === null ? 0 : off.gripsInS - (now - off.atMs) / 1e3;
  if (left > 0)
    return {
      sentence: t('workOnLeft', { name, left: spoken(left) }),
      reason: t('stopWhenItGripsNeverForce'),
      tone: 'ink',
    };
  return {
    sentence:
      againS === null ? t('itGripsAgainWorkOutAgain', { name }) : t('itGripsAgainOfHeat', { againS: spoken(againS) }),
    reason: t('orTakeTheNextPieceTap'),
    tone: 'ink',
  };
}
