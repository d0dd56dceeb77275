import type { Range } from '../source';
import { judgement } from '../source';
import type { Heater } from './heater';
import type { ArcCells, HeatRun } from './run';

/** From leaving the plate to the pick in the gap. Lifting must still be easy then. */
export const handlingS = judgement(20, 'time from the plate to the first cut; set it to your own');
/** Hot air is laid aside on the spot, with the pick at hand. */
export const airHandlingS = judgement(3, 'time from laying the nozzle aside to the first cut');
/** The heat of a heater ends this long before the first cut, s. */
export const leadOf = (h: Heater) => (h.kind === 'air' ? airHandlingS.value : handlingS.value);

/** How long a forecast looks ahead for "ready", s. */
export const horizonS = 1200;

export interface Thresholds {
  easyC: number;
  workC: number;
}

/** First t in [from, to] where a monotone test turns true, to 0.25 s; null when it never does. */
export function firstTrue(test: (tS: number) => boolean, fromS: number, toS: number, stepS: number): number | null {
  if (test(fromS)) return fromS;
  let a = fromS;
  for (let b = fromS + stepS; ; b += stepS) {
    const end = Math.min(b, toS);
    if (test(end)) {
      let lo = a;
      let hi = end;
      while (hi - lo > 0.25) {
        const m = (lo + hi) / 2;
        if (test(m)) hi = m;
        else lo = m;
      }
      return hi;
    }
    if (end >= toS) return null;
    a = end;
  }
}

/**
 * When the device may leave the plate so that `arc` is still at `easyC` after `leadS` (default: the way from the run's heater). `high` reads the low
 * bound of the line (the one to work by), `mean` the nominal one, `low` the high bound. Null: not within the horizon.
 */
export function readyAt(
  run: HeatRun,
  arc: ArcCells,
  easyC: number,
  fromS: number,
  leadS = leadOf(run.heater),
): Range | null {
  const by = (bound: keyof Range) =>
    firstTrue(
      (t) => run.then({ atS: t, setC: null, preheated: false }).arcC(t + leadS, arc)[bound] >= easyC,
      fromS,
      fromS + horizonS,
      60,
    );
  const high = by('low');
  if (high === null) return null;
  return { low: by('high') ?? high, mean: by('mean') ?? high, high };
}

/** When the coldest bound of the arc falls below a temperature after the device came off, absolute s of the run. */
export function fallsBelow(run: HeatRun, arc: ArcCells, limitC: number, fromS: number): Range {
  const by = (bound: keyof Range) =>
    firstTrue((t) => run.arcC(t, arc)[bound] < limitC, fromS, fromS + horizonS, 20) ?? fromS + horizonS;
  return { low: by('low'), mean: by('mean'), high: by('high') };
}

export interface Exposure {
  peakC: Range;
  /** seconds above the caution and the stop mark, by mean and by high bound */
  aboveCautionS: { mean: number; high: number };
  aboveStopS: { mean: number; high: number };
  cautionAtS: number | null;
  stopAtS: number | null;
}

/** Peak and dose of a watched part over [from, to]; one sample every `stepS`, crossings to the sample. */
export function exposure(
  run: HeatRun,
  id: 'battery' | 'camera' | 'display',
  marks: { cautionC: number; stopC: number },
  fromS: number,
  toS: number,
  stepS = Math.max(2, (toS - fromS) / 120),
): Exposure | null {
  if (run.partC(fromS, id) === null) return null;
  const out: Exposure = {
    peakC: { low: -Infinity, mean: -Infinity, high: -Infinity },
    aboveCautionS: { mean: 0, high: 0 },
    aboveStopS: { mean: 0, high: 0 },
    cautionAtS: null,
    stopAtS: null,
  };
  for (let t = fromS; t <= toS + 1e-9; t += stepS) {
    const c = run.partC(t, id)!;
    out.peakC = {
      low: Math.max(out.peakC.low, c.low),
      mean: Math.max(out.peakC.mean, c.mean),
      high: Math.max(out.peakC.high, c.high),
    };
    const share = Math.min(stepS, Math.max(0, toS - t));
    if (c.high >= marks.cautionC) {
      out.cautionAtS ??= t;
      out.aboveCautionS.high += share;
    }
    if (c.mean >= marks.cautionC) out.aboveCautionS.mean += share;
    if (c.high >= marks.stopC) {
      out.stopAtS ??= t;
      out.aboveStopS.high += share;
    }
    if (c.mean >= marks.stopC) out.aboveStopS.mean += share;
  }
  return out;
}
