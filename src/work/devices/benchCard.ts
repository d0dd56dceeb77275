import { coverKindOf } from '@/core/device/coverKinds';
import { jointOf } from '@/core/device/jointKinds';
import { bondPerimeter } from '@/core/device/perimeter';
import type { Bond, Device, ScrewHole } from '@/core/device/types';
import { cureClocks, steady, type CureKind, type CureMark } from '@/core/cure/laws';
import { byPolicy } from '@/core/cure/policy';
import { beadFigures } from '@/core/bond/bead';
import type { Heater } from '@/core/heat/heater';
import { answersOf } from '@/core/heat/heaterKind';
import { defOf } from '@/core/heat/heaterDefs';
import type { Watched } from '@/core/heat/member';
import type { ReducedModel } from '@/core/heat/reduced';
import { howHard } from '@/core/intake/difficulty';
import { edgeWindows, liftOuts, type EdgeWindow } from '@/core/lift/depth';
import { edgeOrder } from '@/core/lift/order';
import type { Range } from '@/core/source';
import { foldJob, type JobState } from '@/model/fold';
import { jobWay } from '@/model/jobWay';
import { heatersOf, type Settings } from '@/model/settings';
import { eventVersion, type JobEvent } from '@/model/event';
import { kindOf, usualS } from '@/work/bench/shopDurations';
import { edgesOf } from '@/work/cure/cureJob';
import { heatForecast } from '@/work/heat/heatForecast';
import { airUse, setFor } from '@/work/heat/heatPlan';
import { liftState, pickInForce, thermalJob } from '@/work/heat/thermalJob';
import { everyPart } from '@/work/heat/watchMarks';

/** A job that nobody has opened: what every stage would say of a whole device of this model. */
export function cardJob(device: Device, bond: Bond): JobState {
  const opened: JobEvent = {
    v: eventVersion,
    id: 'card',
    jobId: 'card',
    writer: 'card',
    seq: 0,
    at: 0,
    loggedAt: 0,
    by: '',
    type: 'opened',
    label: 'card',
    device,
    bondId: bond.id,
    promiseAt: null,
    customerMark: '',
    steps: jobWay(device, [bond.id]),
  };
  return foldJob([opened])!;
}

export interface CardHeat {
  heater: Heater;
  setC: number;
  /** s after it went on; null: it does not get there */
  tryFromS: Range | null;
  readyS: Range | null;
  /** what passes its stop mark before */
  over: readonly (Watched | 'glue')[];
}

/** Every heater of the shop on this model, in a room of this temperature. */
export function cardHeats(job: JobState, settings: Settings, model: ReducedModel, roomC: number): CardHeat[] {
  const room = { ...settings, roomC };
  return heatersOf(settings).map((heater) => {
    const plain = thermalJob(job, room, model, 0, { heater: heater.id });
    const lift = liftState(job, room, plain.path, plain.arcs);
    const step = lift.steps.find((s) => s.edge === lift.nextEdge);
    const thermal = defOf(heater).led
      ? thermalJob(job, room, model, 0, { heater: heater.id, use: airUse('edge', job, step, plain.path.lengthMm) })
      : plain;
    const setC = setFor(heater, job);
    const f = heatForecast(job, thermal, lift, { setC, preheated: answersOf(heater).preheated }, 0);
    return { heater, setC, tryFromS: f.tryFromS, readyS: f.readyS, over: f.over };
  });
}

export interface CardEdge extends EdgeWindow {
  n: number;
}

/** Edges in the order in which they are cut, each with how deep a pick goes. */
export function cardEdges(job: JobState, settings: Settings): { pickMm: number; edges: CardEdge[] } {
  const outs = liftOuts(job.device, job.bond, everyPart(job.device));
  const windows = edgeWindows(job.device, job.bond, outs);
  const steps = edgeOrder(job.device, job.bond, outs, {}, job.looseEdge);
  return {
    pickMm: pickInForce(job, settings),
    edges: steps.map((s, i) => ({ n: i + 1, ...windows.find((w) => w.edge === s.edge)! })),
  };
}

export interface CardCure {
  kind: CureKind;
  /** the liquid by its name in the shop; null: tape */
  name: string | null;
  marks: Record<CureMark, Range>;
}

/** What closes it and when each mark is reached in this air: tape, and every liquid that the shop has. */
export function cardCures(bond: Bond, settings: Settings, tC: number, rh: number): CardCure[] {
  const { closings } = jointOf(bond);
  const clocks = (kind: CureKind, bondMm: number, liquid?: string): CardCure['marks'] => {
    const c = cureClocks(kind, Math.min(60, Math.max(0.3, bondMm)), steady(tC, rh), edgesOf(settings, liquid));
    return Object.fromEntries(
      Object.entries(c).map(([mark, r]) => [mark, byPolicy(r, mark as CureMark, settings.cureBy)]),
    ) as CardCure['marks'];
  };
  const beadMm = Math.min(bond.widthMm, beadFigures.usualBondMm.value);
  return [
    ...(closings.includes('tape') ? [{ kind: 'tape' as const, name: null, marks: clocks('tape', bond.widthMm) }] : []),
    ...(closings.includes('bead')
      ? settings.liquids.map((l) => ({ kind: l.cure, name: l.name, marks: clocks(l.cure, beadMm, l.id) }))
      : []),
  ];
}

export type Tool =
  | 'eyeCover'
  | 'gloves'
  | 'heater'
  | 'picks'
  | 'longBlade'
  | 'scraper'
  | 'alcohol'
  | 'wipes'
  | 'ringOrTape'
  | 'glueAndWeights'
  | 'trayPin'
  | 'suction'
  | 'hardPick';

/** Tools and material in the order in which they are taken up. */
export function cardTools(device: Device, bond: Bond): { tools: Tool[]; drivers: ScrewHole['head'][] } {
  const joint = jointOf(bond);
  const face = device.faces.find((f) => f.id === bond.onFace)!;
  const lens = coverKindOf(face).lens;
  const tools: Tool[] = [
    'eyeCover',
    'gloves',
    'trayPin',
    ...(joint.glued ? (['heater'] as const) : []),
    ...(lens || !joint.glued ? [] : (['suction'] as const)),
    ...(joint.glued ? (['picks'] as const) : (['hardPick'] as const)),
    ...(joint.wholeFace ? (['longBlade', 'scraper'] as const) : []),
    ...(joint.glued ? (['alcohol', 'wipes'] as const) : []),
    ...(joint.closings.includes('tape') ? (['ringOrTape'] as const) : []),
    ...(joint.closings.includes('bead') ? (['glueAndWeights'] as const) : []),
  ];
  return { tools, drivers: [...new Set(device.screws.map((s) => s.head))] };
}

/** Why it is hard, who may, and how long hands are on it by the shop's figures, min. */
export function cardHard(job: JobState): ReturnType<typeof howHard> & { handsMin: number } {
  const kind = kindOf(job);
  const hard = howHard({
    device: job.device,
    bond: job.bond,
    pieces: 1,
    piecesAtCamera: 0,
    piecesNoFreeEdge: 0,
    partsToMove: 0,
    internalsOut: false,
    keepCover: false,
    chip: 'no',
    bent: false,
    maxGapMm: null,
    perimeterMm: bondPerimeter(job.device, job.bond).lengthMm,
  });
  return { ...hard, handsMin: job.way.reduce((sum, s) => sum + usualS(s.stage, kind).p50 / 60, 0) };
}
