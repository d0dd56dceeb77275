import { judgement, published, type Range } from '../source';
import { exposure, fallsBelow, readyAt, type Exposure } from './forecast';
import type { Heater } from './heater';
import type { ReducedModel } from './reduced';
import { HeatRun, type ArcCells, type HeatSwitch, type HeatUse } from './run';

/** One way of heating: a heater, how it is used, and its setpoint; null: the gentlest one is looked for. */
export interface HeatWay {
  id: string;
  heater: Heater;
  use: HeatUse;
  setC: number | null;
  preheated: boolean;
}

type Watched = 'battery' | 'camera' | 'display';

export interface WaysInput {
  ambientC: number;
  /** what happened to the device so far, and from when on the way would be used, s of the run */
  switches: readonly HeatSwitch[];
  nowS: number;
  arcs: readonly ArcCells[];
  /** arcs still to be cut, the next one first */
  order: readonly number[];
  easyC: number;
  workC: number;
  /** lowest of what the adhesive and the cover stand, °C */
  upperC: number;
  marks: Partial<Record<Watched, { cautionC: number; stopC: number }>>;
  glass: boolean;
}

export interface WayResult {
  id: string;
  setC: number;
  /** s after the way began; null: it does not get there */
  readyS: Range | null;
  /** coldest arc and its low bound when the first arc is ready */
  coldest: { arc: number; lowC: number } | null;
  battery: Exposure | null;
  camera: Exposure | null;
  display: Exposure | null;
  /** hoop tension beside a hot place of the glass, MPa */
  spotMPa: number | null;
  /** the window of the first arc after the heat ends, s */
  easyForS: Range | null;
  gripsForS: Range | null;
  /** what passes its stop mark before the first arc is ready, or just after */
  over: (Watched | 'glue')[];
}

/**
 * Small hot spot in a cool plate: hoop tension just outside is E α ΔT / 2 (Timoshenko & Goodier). 31 MPa for 100 K.
 */
export const spotStressMPaK = published(0.31, 'E α/2, Timoshenko & Goodier; cover glass 73 GPa, 8.5e-6 /K');
/** Parts lag behind the face: they are watched this long after the heat ends. */
export const afterS = judgement(120, 'parts inside get hottest within two minutes after the heat ended');

const setpointStep = 10;

/** What one way does to this device. A setpoint that is not given is the gentlest of the heater's own in steps of 10 K. */
export function tryWay(model: ReducedModel, way: HeatWay, input: WaysInput): WayResult {
  if (way.setC !== null) return at(model, way, way.setC, input);
  let best: WayResult | null = null;
  for (let setC = Math.ceil(way.heater.minSetC / 10) * 10; setC <= way.heater.maxSetC; setC += setpointStep) {
    // what the glue does not stand is no setpoint to look at
    if (way.heater.kind !== 'air' && setC > input.upperC) break;
    const r = at(model, way, setC, input);
    if (!best || harshness(r) < harshness(best)) best = r;
    // hotter than the setpoint that was the first to pass a stop mark gets only harsher
    if (best !== r && r.over.length && best.readyS) break;
  }
  return best ?? at(model, way, way.heater.minSetC, input);
}

function at(model: ReducedModel, way: HeatWay, setC: number, input: WaysInput): WayResult {
  const { arcs, nowS } = input;
  const run = HeatRun.start(model, way.heater, input.ambientC, input.switches, way.use).then({
    atS: nowS,
    setC,
    preheated: way.preheated,
  });
  const first = arcs[input.order[0] ?? 0]!;
  const ready = readyAt(run, first, input.easyC, nowS);
  const none: WayResult = {
    id: way.id,
    setC,
    readyS: null,
    coldest: null,
    battery: null,
    camera: null,
    display: null,
    spotMPa: null,
    easyForS: null,
    gripsForS: null,
    over: [],
  };
  if (!ready) return none;
  const leave = ready.high;
  const off = run.then({ atS: leave, setC: null, preheated: false });
  const line = run.arcsC(leave, arcs);
  const coldest = input.order.reduce((m, i) => (line[i]!.low < line[m]!.low ? i : m), input.order[0] ?? 0);
  const end = leave + afterS.value;
  const dose = (id: Watched) => {
    const m = input.marks[id];
    return m ? exposure(off, id, m, nowS, end, Math.max(4, (end - nowS) / 50)) : null;
  };
  const parts = { battery: dose('battery'), camera: dose('camera'), display: dose('display') };
  const over: WayResult['over'] = (Object.keys(parts) as Watched[]).filter(
    (id) => parts[id] && parts[id].peakC.high >= input.marks[id]!.stopC,
  );
  // glue that is overheated: its hottest arc, by the high bound
  if (line.some((r) => r.high >= input.upperC)) over.push('glue');
  const face = run.faceC(leave);
  const since = (r: Range): Range => ({ low: r.low - leave, mean: r.mean - leave, high: r.high - leave });
  return {
    ...none,
    readyS: { low: ready.low - nowS, mean: ready.mean - nowS, high: ready.high - nowS },
    coldest: { arc: coldest, lowC: line[coldest]!.low },
    ...parts,
    spotMPa: input.glass ? spotStressMPaK.value * Math.max(0, face.hottest - face.mean) : null,
    easyForS: since(fallsBelow(off, first, input.easyC, leave)),
    gripsForS: since(fallsBelow(off, first, input.workC, leave)),
    over,
  };
}

/**
 * Gentle to harsh as one number: ways that do not open last, then those that pass a stop mark (the fewer the better), then
 * seconds of the cell above its caution mark by the high bound, then its peak.
 */
export function harshness(r: WayResult): number {
  if (!r.readyS) return 1e9;
  const b = r.battery;
  return r.over.length * 1e6 + (b ? b.aboveStopS.high * 1e3 + b.aboveCautionS.high * 10 + b.peakC.high : 0);
}

/** Gentle first. */
export const gentleFirst = (list: readonly WayResult[]): WayResult[] =>
  [...list].sort((a, b) => harshness(a) - harshness(b));

/** The gentlest that opens and keeps every part under its stop mark by the high bound; null when none was shown to. */
export const gentlest = (list: readonly WayResult[]): WayResult | null =>
  gentleFirst(list).find((r) => r.readyS && !r.over.length) ?? null;
