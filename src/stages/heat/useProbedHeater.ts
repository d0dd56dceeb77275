import { isContact } from '@/core/heat/heater';
import { useMemo } from 'react';

import { fitHeater } from '@/core/heat/calibrate';
import type { Heater } from '@/core/heat/heater';
import type { ReducedModel } from '@/core/heat/reduced';
import { judgement, type SourceKind, type Sourced } from '@/core/source';
import type { ProbeState } from '@/core/instruments/probeWatch';
import type { Settings } from '@/model/settings';
import type { LiveReading } from '@/bench-kit/instruments';
import { t } from '@/words/heat';

/** A probe says something about the heater after this long, and when the line has risen this much. */
export const probeNeeds = {
  seconds: judgement(20, 'shorter than this a reading is mostly noise'),
  riseK: judgement(4, 'under this the figures do not move'),
};
const most = 40;
/** What is not known about a lag beforehand, s. */
const lagSdS = 15;

/**
 * The heater as a live probe corrects it during the first heat, with the shop's own figures as priors (law 18). Only
 * readings from before a fault count. Null: nothing to correct with.
 */
export function probedHeater(
  model: ReducedModel,
  heater: Heater,
  heat: { atS: number; setC: number; preheated: boolean; ambientC: number },
  readings: readonly { tS: number; tempC: number | null }[],
  faultSinceS: number | null,
): Heater | null {
  if (!isContact(heater)) return null;
  const good = readings.filter(
    (r): r is { tS: number; tempC: number } =>
      r.tempC !== null && r.tS > heat.atS + 1 && (faultSinceS === null || r.tS < faultSinceS),
  );
  const last = good[good.length - 1];
  if (!last || last.tS - heat.atS < probeNeeds.seconds.value || good.length < 8) return null;
  if (last.tempC - heat.ambientC < probeNeeds.riseK.value) return null;
  const every = Math.ceil(good.length / most);
  const thin = good.filter((_, i) => i % every === 0);
  const cell = model.modes.bondSMm.reduce((best, s, i, all) => (s < all[best]! ? i : best), 0);
  const prior = (v: Sourced, sd: number) => ({ mean: v.value, sd: v.u ?? sd });
  const fit = fitHeater(model, {
    log: { tS: thin.map((r) => r.tS), tempC: thin.map((r) => r.tempC) },
    startS: heat.atS,
    setC: heat.setC,
    ambientC: heat.ambientC,
    cell,
    preheated: heat.preheated,
    start: {
      conductanceWm2K: heater.conductanceWm2K.value,
      offsetK: heater.offsetK.value,
      lagS: heater.lagS.value,
    },
    prior: {
      conductanceWm2K: prior(heater.conductanceWm2K, heater.conductanceWm2K.value * 0.2),
      offsetK: prior(heater.offsetK, 3),
      lagS: { mean: heater.lagS.value, sd: lagSdS },
    },
  });
  const kind: SourceKind = 'measured';
  const as = (value: number, u: number): Sourced => ({
    value,
    u,
    source: { kind, note: t('liveProbeInThisHeatStarting') },
  });
  return {
    ...heater,
    conductanceWm2K: as(fit.value.conductanceWm2K, fit.se.conductanceWm2K),
    offsetK: as(fit.value.offsetK, fit.se.offsetK),
    lagS: heat.preheated ? heater.lagS : as(fit.value.lagS, fit.se.lagS),
    calibration: {
      at: 0,
      device: t('thisHeat'),
      setC: heat.setC,
      count: thin.length,
      durationS: last.tS - heat.atS,
      residualSdK: fit.residualSdK,
      covariance: fit.covariance,
    },
  };
}

/** The shop's settings with the heater in use as the probe corrects it, looked at afresh every ten seconds. */
export function useProbed(
  settings: Settings,
  model: ReducedModel | null,
  heater: Heater,
  heat: { at: number; setC: number; preheated: boolean } | null,
  ambientC: number,
  readings: readonly LiveReading[],
  state: ProbeState | null,
  lookS: number,
): { settings: Settings; used: boolean } {
  const probed = useMemo(
    () =>
      model && heat
        ? probedHeater(
            model,
            heater,
            { atS: heat.at / 1e3, setC: heat.setC, preheated: heat.preheated, ambientC },
            readings.map((r) => ({ tS: r.at / 1e3, tempC: r.tempC })),
            state?.fault ? state.sinceS : null,
          )
        : null,
    // readings come every second; the clock is corrected every ten
    [model, heater, heat, ambientC, lookS], // eslint-disable-line react-hooks/exhaustive-deps
  );
  return useMemo(() => {
    if (!probed) return { settings, used: false };
    return {
      used: true,
      settings:
        probed.id === settings.plate.id && isContact(probed)
          ? { ...settings, plate: probed }
          : { ...settings, heaters: settings.heaters.map((h) => (h.id === probed.id ? probed : h)) },
    };
  }, [probed, settings]);
}
