import type { EventOf, UseRecord } from '../event';
import type { SliceDef } from './slice';

export interface HeatSwitchAt {
  at: number;
  setC: number | null;
  preheated: boolean;
  /** heater by its id, and how it is used; the shop's plate when it is not said */
  heater?: string | undefined;
  use?: UseRecord | undefined;
  eventId: string;
  /** forecasts recorded with the tap, s after it */
  readyInS: number | null;
  tryInS?: number | null | undefined;
  latestInS?: number | null | undefined;
  gripsInS: number | null;
}

/** Heater on and off, what is planned of it, what a probe read. */
export interface HeatSlice {
  plan: Pick<EventOf<'heatPlan'>, 'setC' | 'pickMm' | 'preheated' | 'heater' | 'use'> | null;
  heat: HeatSwitchAt[];
  calledAway: boolean;
  probes: EventOf<'probe'>[];
}

/** What came later in the log came later, also where a clock was set back in between. */
const switched = (own: HeatSlice, h: HeatSwitchAt) =>
  own.heat.push({ ...h, at: Math.max(h.at, own.heat.at(-1)?.at ?? h.at) });

/** Who cuts is back. */
const isBack = (own: HeatSlice) => void (own.calledAway = false);

export const heatSlice = {
  empty: () => ({ plan: null, heat: [], calledAway: false, probes: [] }),
  hears: {
    heatPlan(own, e) {
      own.plan = { setC: e.setC, pickMm: e.pickMm, preheated: e.preheated, heater: e.heater, use: e.use };
    },
    heatOn(own, e) {
      switched(own, {
        at: e.at,
        setC: e.setC,
        preheated: e.preheated,
        heater: e.heater,
        use: e.use,
        eventId: e.id,
        readyInS: e.readyInS,
        tryInS: e.tryInS,
        latestInS: e.latestInS,
        gripsInS: null,
      });
      own.calledAway = false;
    },
    heatOff(own, e) {
      switched(own, { at: e.at, setC: null, preheated: false, eventId: e.id, readyInS: null, gripsInS: e.gripsInS });
    },
    observed(own, e) {
      if (e.what === 'calledAway') own.calledAway = true;
      if (e.what === 'back') own.calledAway = false;
    },
    probe(own, e) {
      own.probes.push(e);
    },
    edge: isBack,
    cut(own, e) {
      if (e.toMm >= e.fromMm) isBack(own);
    },
  },
} satisfies SliceDef<HeatSlice>;

/** Is the device on the heater now, and since when. */
export function onPlate(s: Pick<HeatSlice, 'heat'>): HeatSwitchAt | null {
  const last = s.heat[s.heat.length - 1];
  return last && last.setC !== null ? last : null;
}

export const heatCount = (s: Pick<HeatSlice, 'heat'>) => s.heat.filter((h) => h.setC !== null).length;
