import { callStop } from '../stops';
import type { Entries } from './entries';

/** Heater on and off, what was noticed meanwhile, what a probe read. */
export const heatEntries = {
  heatPlan(s, e) {
    s.plan = { setC: e.setC, pickMm: e.pickMm, preheated: e.preheated, heater: e.heater, use: e.use };
  },
  heatOn(s, e) {
    s.heat.push({
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
    s.calledAway = false;
  },
  heatOff(s, e) {
    s.heat.push({ at: e.at, setC: null, preheated: false, eventId: e.id, readyInS: null, gripsInS: e.gripsInS });
  },
  observed(s, e) {
    if (e.what === 'calledAway') s.calledAway = true;
    if (e.what === 'back') s.calledAway = false;
    if (e.what === 'broke') {
      s.broke = true;
      s.keepCover = false;
    }
    // a cell that smells or swells counts as swollen from here on: nothing heats it any more
    if (e.what === 'cellSwells' || e.what === 'cellSmells') callStop(s, 'cellSwollen', e);
  },
  probe(s, e) {
    s.probes.push(e);
  },
} satisfies Entries;
