import type { Range } from '../source';
import type { Exposure } from './forecast';
import type { Heater } from './heater';
import { opening, type OpeningAim, type Over } from './opening';
import type { ReducedModel } from './reduced';
import { defOf } from './heaterDefs';
import { HeatRun, type BenchAir } from './run';
import type { HeatSwitch, HeatUse } from './member';

/** One way of heating: a heater, how it is used, and its setpoint; null: the gentlest one is looked for. */
export interface HeatWay {
  id: string;
  heater: Heater;
  use: HeatUse;
  setC: number | null;
  preheated: boolean;
}

export interface WaysInput extends OpeningAim {
  ambientC: number;
  air?: BenchAir | undefined;
  /** what happened to the device so far, and from when on the way would be used, s of the run */
  switches: readonly HeatSwitch[];
  nowS: number;
  glass: boolean;
}

/** What a way looks like: the glue at the instant when it opens, and how it got there. */
export interface WayPicture {
  /** s after the way began; of the usual opening, or of the end of the curves where it does not open */
  atS: number;
  /** bond plane on the raster of the modes, °C */
  fieldC: Float64Array;
  /** curves from the way's beginning on, off the heater after it opened */
  stepS: number;
  firstC: number[];
  batteryC: number[] | null;
}

export interface WayResult {
  id: string;
  setC: number;
  /** s after the way began: works slowly from; goes easily by, `high` at the latest; null: it does not get there */
  tryFromS: Range | null;
  readyS: Range | null;
  /** coldest arc when the first arc is ready, and its usual temperature */
  coldest: { arc: number; meanC: number } | null;
  battery: Exposure | null;
  camera: Exposure | null;
  display: Exposure | null;
  cover: Exposure | null;
  /** hoop tension beside a hot place of the glass, MPa */
  spotMPa: number | null;
  /** the window of the first arc after the heat ends, s */
  easyForS: Range | null;
  gripsForS: Range | null;
  /** what passes its stop mark before the first arc is ready, or just after */
  over: Over[];
  picture: WayPicture;
}

/** A way as far as it is judged by; its picture is made of the setpoint that is taken. */
type Tried = Omit<WayResult, 'picture'> & { run: HeatRun; leaveS: number };

const setpointStep = 10;

/**
 * What one way does to this device. A setpoint that is not given is the gentlest of the heater's own in steps of 10 K.
 * @throws CoreInputError when room, setpoint or a figure of the heater is no number or out of range
 */
export function tryWay(model: ReducedModel, way: HeatWay, input: WaysInput): WayResult {
  if (way.setC !== null) return pictured(at(model, way, way.setC, input), input);
  let best: Tried | null = null;
  for (let setC = Math.ceil(way.heater.minSetC / 10) * 10; setC <= way.heater.maxSetC; setC += setpointStep) {
    // what the glue does not stand is no setpoint to look at
    if (defOf(way.heater).under && setC > input.upperC) break;
    const r = at(model, way, setC, input);
    if (!best || harshness(r) < harshness(best)) best = r;
    // hotter than the setpoint that was the first to pass a stop mark gets only harsher
    if (best !== r && r.over.length && best.readyS) break;
  }
  return pictured(best ?? at(model, way, way.heater.minSetC, input), input);
}

function at(model: ReducedModel, way: HeatWay, setC: number, input: WaysInput): Tried {
  const { nowS } = input;
  const run = HeatRun.start(model, way.heater, input.ambientC, input.switches, way.use, input.air).then({
    atS: nowS,
    setC,
    preheated: way.preheated,
  });
  const o = opening({ ...input, run, fromS: nowS });
  const since = (r: Range | null): Range | null => r && { low: r.low - nowS, mean: r.mean - nowS, high: r.high - nowS };
  return {
    id: way.id,
    setC,
    tryFromS: since(o.tryFromS),
    readyS: since(o.easyByS),
    coldest: o.coldest,
    battery: o.parts.battery ?? null,
    camera: o.parts.camera ?? null,
    display: o.parts.display ?? null,
    cover: o.parts.cover ?? null,
    spotMPa: input.glass && o.easyByS ? o.spotMPa : null,
    easyForS: o.easyForS,
    gripsForS: o.gripsForS,
    over: o.over,
    run,
    leaveS: o.leaveS ?? nowS + neverOpensS,
  };
}

/** A way that does not open is looked at after so long. */
const neverOpensS = 600;
const curveStepS = 15;
/** The curves go on a little after it opened, so that one sees it cool. */
const afterS = 90;

function pictured({ run, leaveS, ...r }: Tried, { arcs, order, nowS }: WaysInput): WayResult {
  const off = r.readyS ? run.then({ atS: leaveS, setC: null, preheated: false }) : run;
  const usual = off.members[0]!;
  const first = arcs[order[0] ?? 0]!.cells;
  const at = Array.from(
    { length: Math.ceil((leaveS + afterS - nowS) / curveStepS) + 1 },
    (_, i) => nowS + i * curveStepS,
  );
  return {
    ...r,
    picture: {
      atS: leaveS - nowS,
      fieldC: run.picture(leaveS),
      stepS: curveStepS,
      firstC: at.map((t) => usual.lineC(t, first)),
      batteryC: r.battery ? at.map((t) => usual.hottest(t, 'battery')!.atC) : null,
    },
  };
}

/**
 * Gentle to harsh as one number: ways that do not open last, then those that pass a stop mark (the fewer the better), then
 * seconds of the cell above its caution mark as they usually are, then its peak.
 */
export function harshness(r: Pick<WayResult, 'readyS' | 'tryFromS' | 'battery' | 'over'>): number {
  if (!r.readyS) return r.tryFromS ? 1e9 : 2e9;
  const b = r.battery;
  return r.over.length * 1e6 + (b ? b.aboveStopS.high * 1e3 + b.aboveCautionS.mean * 10 + b.peakC.high : 0);
}

/** Gentle first. */
export const gentleFirst = (list: readonly WayResult[]): WayResult[] =>
  [...list].sort((a, b) => harshness(a) - harshness(b));

/** The gentlest that opens and keeps everything watched under its stop mark; null when none does. */
export const gentlest = (list: readonly WayResult[]): WayResult | null =>
  gentleFirst(list).find((r) => r.readyS && !r.over.length) ?? null;
