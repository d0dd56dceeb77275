import { judgement, type Range } from '../source';
import { exposure, firstTrue, type Exposure } from './forecast';
import type { ContactHeater } from './heater';
import type { ReducedModel } from './reduced';
import { HeatRun } from './run';

/** Where the glue of a cell gives to a slow pull, and where it is easy (classes of acrylic foam and film). */
export const glueStartC = judgement(45, 'soft acrylic film starts to give, assumed');

export interface GlueHeat {
  setC: number;
  /** the coldest place of the glue is at the start mark, s; null: not within the time looked at */
  readyS: Range | null;
  /** while it is heated and for two minutes after */
  battery: Exposure | null;
  display: Exposure | null;
  /** coldest and hottest glue when it ends, °C */
  glueC: { coldest: number; hottest: number };
}

const horizonS = 1800;
const afterS = 120;

/** The glue of a cell warmed through the front on a plate or mat: how long, and what the cell gets. */
export function warmGlue(
  model: ReducedModel,
  heater: ContactHeater,
  input: {
    setC: number;
    preheated: boolean;
    ambientC: number;
    marks: { battery: { cautionC: number; stopC: number }; display: { cautionC: number; stopC: number } | null };
  },
): GlueHeat {
  const run = HeatRun.start(model, heater, input.ambientC, [{ atS: 0, setC: input.setC, preheated: input.preheated }]);
  const all = { fromMm: 0, toMm: 1, cells: Int32Array.from(model.modes.bondSMm, (_, i) => i) };
  const by = (bound: keyof Range) => firstTrue((t) => run.arcC(t, all)[bound] >= glueStartC.value, 0, horizonS, 60);
  const high = by('low');
  const ready = high === null ? null : { low: by('high') ?? high, mean: by('mean') ?? high, high };
  const leave = ready?.high ?? horizonS;
  const off = run.then({ atS: leave, setC: null, preheated: false });
  const end = leave + afterS;
  const field = run.bondC(leave);
  return {
    setC: input.setC,
    readyS: ready,
    battery: exposure(off, 'battery', input.marks.battery, 0, end, Math.max(4, end / 80)),
    display: input.marks.display ? exposure(off, 'display', input.marks.display, 0, end, Math.max(4, end / 80)) : null,
    glueC: { coldest: Math.min(...field) - run.errorK.bondLow, hottest: Math.max(...field) },
  };
}

/** A heat shorter than this cannot be timed by hand. */
export const timedS = judgement(60, 'common practice warms the front for one to two minutes; shorter is hard to time');

/**
 * The highest setpoint that takes a minute or more and keeps cell and display under their caution marks by the high bound;
 * null: none does.
 */
export function gentlestGlue(
  model: ReducedModel,
  heater: ContactHeater,
  input: Omit<Parameters<typeof warmGlue>[2], 'setC'>,
): GlueHeat | null {
  let best: GlueHeat | null = null;
  for (let setC = Math.ceil(heater.minSetC / 5) * 5; setC <= heater.maxSetC; setC += 5) {
    const r = warmGlue(model, heater, { ...input, setC });
    const within =
      r.readyS !== null &&
      r.readyS.high >= timedS.value &&
      (r.battery?.peakC.high ?? 0) < input.marks.battery.cautionC &&
      (r.display === null || r.display.peakC.high < (input.marks.display?.cautionC ?? Infinity));
    // hotter is quicker; once a mark is passed or the time is too short it only gets worse
    if (within) best = r;
    else if (best) break;
  }
  return best;
}
