import { jStat } from 'jstat';

import { requireIn } from '../errors';
import { adhesiveRecord, type Adhesive } from '../adhesives';
import { judgement, type Sourced } from '../source';
import { fractureEnergyJm2 } from './fractureEnergy';
import { releaseG } from './ringOpening';
import { openStraight } from './straightOpening';
import type { CoverStrength } from './strength';
import { cutSpeed } from './verdict';

/** "It gave way at 0.4 mm at about 95 °C", or it did not. */
export interface GaveWay {
  adhesive: string;
  gave: boolean;
  liftMm: number;
  tC: number;
  /** standard uncertainty of the temperature, K */
  uK: number;
  hMm: number;
  ringMm: number;
  fullArea: boolean;
}

export const scaleU = {
  prior: judgement(0.5, 'standard deviation of ln(scale) before the shop has seen anything: within a factor of 1.6'),
  lift: judgement(0.15, 'relative: a lift read off a pick is right within about 15 %'),
  model: judgement(0.2, 'of ln(scale): fit to finite elements 15 %, speed of the hand not known'),
  temperature: judgement(5, 'K, when nothing else is said'),
};

export const observedLimits = { liftMm: [0.05, 2], tC: [15, 260] } as const;

export const gripFigures = {
  uK: judgement(6, 'K: the line of a device in the hand, as far as the heat model knows it'),
};

/**
 * Energy at which the bond gives at a lift: k δ² g(0) on a ring, the straight front's release on a full bond, J/m².
 * @throws CoreInputError when lift or temperature is out of range
 */
export function energyAtLift(o: GaveWay, cover: CoverStrength, adhesive: Adhesive): number {
  requireIn('lift', o.liftMm, ...observedLimits.liftMm, 'mm');
  requireIn('temperature', o.tC, ...observedLimits.tC, '°C');
  const k = adhesive.debond.kNmm3.value;
  if (!o.fullArea) return k * o.liftMm ** 2 * 1e3 * releaseG('insert', 0);
  // openLift ~ sqrt(Gc/release): one call with Gc = 1 gives the release of this wedge
  const { openLiftMm } = openStraight(cover, o.hMm, o.liftMm, 1, k);
  return (o.liftMm / openLiftMm) ** 2;
}

export interface ScaleFit {
  /** median and standard deviation of ln(scale) */
  ln: number;
  sd: number;
  used: number;
}

/**
 * Scale of an adhesive family in this shop from what was seen. "Gave way" is a reading of ln(scale) (normal update); "did
 * not give" says only that it is higher (normal times probit, matched in mean and variance; Rasmussen & Williams 2006,
 * section 3.6, from memory). Order does not matter for the first kind; the second kind comes after.
 */
export function fitScale(family: string, seen: readonly GaveWay[], cover: (o: GaveWay) => CoverStrength): ScaleFit {
  const record = adhesiveRecord(family);
  let m = 0;
  let v = scaleU.prior.value ** 2;
  const reading = (o: GaveWay) => {
    const g = (tC: number) => fractureEnergyJm2(record.debond, tC, cutSpeed.value);
    const ln = Math.log(energyAtLift(o, cover(o), record) / g(o.tC));
    const slope = (Math.log(g(o.tC + 1)) - Math.log(g(o.tC - 1))) / 2;
    const u2 = (2 * scaleU.lift.value) ** 2 + scaleU.model.value ** 2 + (slope * o.uK) ** 2;
    return { ln, u2 };
  };
  const own = seen.filter((o) => o.adhesive === family);
  for (const o of own.filter((x) => x.gave)) {
    const { ln, u2 } = reading(o);
    const gain = v / (v + u2);
    m += gain * (ln - m);
    v *= 1 - gain;
  }
  for (const o of own.filter((x) => !x.gave)) {
    const { ln, u2 } = reading(o);
    const s = Math.sqrt(v + u2);
    const z = (m - ln) / s;
    const r = jStat.normal.pdf(z, 0, 1) / Math.max(jStat.normal.cdf(z, 0, 1), 1e-12);
    m += (v / s) * r;
    v -= (v / s) ** 2 * r * (z + r);
  }
  return { ln: m, sd: Math.sqrt(v), used: own.length };
}

/** The record with the shop's scale; the shipped one when nothing was seen. */
export function withScale(record: Adhesive, fit: ScaleFit): Adhesive {
  if (!fit.used) return record;
  const value = Math.exp(fit.ln);
  const scale: Sourced = {
    value,
    u: value * fit.sd,
    source: {
      kind: 'calibrated',
      note: `from ${fit.used} ${fit.used === 1 ? 'observation' : 'observations'} of this shop; 1 as shipped`,
    },
  };
  return { ...record, debond: { ...record.debond, scale } };
}
