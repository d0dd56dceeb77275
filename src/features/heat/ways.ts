import { firstTrue } from '@/core/heat/forecast';
import { defaultPlate, type ContactHeater } from '@/core/heat/heater';
import { HeatRun } from '@/core/heat/run';
import { gentlest, type HeatWay, type WayResult, type WaysInput } from '@/core/heat/ways';
import { judgement } from '@/core/source';
import type { EdgeStep } from '@/core/lift/order';
import type { UseRecord } from '@/model/event';
import type { JobState } from '@/model/fold';
import { heatersOf, type Settings } from '@/model/settings';
import { heatUse } from '@/stagekit/heating';
import { batteryMarks, edgeName, type LiftState, type ThermalJob } from '@/stagekit/thermalJob';
import { clock, dial, temp } from '@/ui/units';
import { airUse, usualOf } from '@/stagekit/heatPlan';

export interface ListedWay {
  way: HeatWay;
  /** "Hot-air gun, next edge only" */
  name: string;
  use: UseRecord;
}

/** Every way of heating that this bench has, for this device. */
export function waysOf(job: JobState, settings: Settings, step: EdgeStep | undefined, ringMm: number): ListedWay[] {
  const list: ListedWay[] = [];
  const add = (id: string, name: string, use: UseRecord, way: Omit<HeatWay, 'id' | 'use'>) =>
    list.push({ name, use, way: { id, use: heatUse(job.device, job.bond, use), ...way } });
  for (const heater of heatersOf(settings)) {
    if (heater.kind === 'air') {
      const setC = usualOf(heater);
      const air = (id: string, name: string, way: Parameters<typeof airUse>[0]) =>
        add(`${heater.id}-${id}`, `${heater.name}, ${name}`, airUse(way, job, step, ringMm), {
          heater,
          setC,
          preheated: true,
        });
      if (step) air('strip', `${edgeName(step.edge)} only`, 'strip');
      air('edge', 'round the edge', 'edge');
      if (heater.id === 'gun') air('outward', 'round outside the edge', 'outward');
      continue;
    }
    const use: UseRecord =
      job.plan?.heater === heater.id || heater.id === 'plate' ? { ...job.plan?.use, path: undefined } : {};
    const preheated = heater.kind === 'plate';
    add(`${heater.id}-usual`, heater.name, use, { heater, setC: usualOf(heater), preheated });
    add(`${heater.id}-gentle`, `${heater.name}, gentlest setting`, use, { heater, setC: null, preheated });
  }
  return list;
}

export function waysInput(job: JobState, thermal: ThermalJob, lift: LiftState, nowS: number): WaysInput | null {
  if (lift.easyC === null || lift.workC === null) return null;
  const marks = (kind: 'camera' | 'display') => {
    const limit = job.device.parts.find((p) => p.kind === kind)?.limitC;
    return limit ? { [kind]: { cautionC: limit.caution.value, stopC: limit.stop.value } } : {};
  };
  return {
    ambientC: thermal.ambientC,
    switches: thermal.switches,
    nowS,
    arcs: thermal.arcs,
    order: lift.order,
    easyC: lift.easyC,
    workC: lift.workC,
    upperC: lift.upperC,
    marks: { battery: batteryMarks(job.device), ...marks('camera'), ...marks('display') },
    glass: job.face.cover.material === 'glass',
  };
}

const partNames = { battery: 'cell', camera: 'camera', display: 'display', glue: 'glue' } as const;
export const overText = (r: WayResult) =>
  r.over.length ? `passes the stop mark: ${r.over.map((o) => partNames[o]).join(', ')}` : '';

/** The call over the table: the gentlest way that works, and what it cannot promise. */
export function waysCall(
  listed: readonly ListedWay[],
  results: readonly WayResult[],
  cautionC: number,
  units: Pick<Settings, 'temperature' | 'length'>,
): { sentence: string; reason: string; tone: 'ink' | 'caution' } {
  const done = results.length;
  if (done < listed.length)
    return { sentence: `${done} of ${listed.length} ways computed.`, reason: 'Rows appear as they come.', tone: 'ink' };
  const best = gentlest(results);
  const name = (r: WayResult) => listed.find((l) => l.way.id === r.id)?.name ?? r.id;
  if (!best) {
    const opens = results.some((r) => r.readyS);
    return {
      sentence: opens ? 'No way keeps every part under its stop mark.' : 'No way on this bench opens it.',
      reason: opens
        ? 'Take a thicker pick, mask more, heat one edge at a time, or write the cover off. Nothing here is called safe.'
        : 'Take a thicker pick, or another heater.',
      tone: 'caution',
    };
  }
  const b = best.battery;
  const promise =
    b && b.peakC.high >= cautionC
      ? `Not promised: the cell under ${temp(cautionC, units)}; up to ${temp(b.peakC.high, units)}, ${clock(b.aboveCautionS.high)} above it.`
      : b
        ? `The cell stays under ${temp(cautionC, units)} in the model, at most ${temp(b.peakC.high, units)}.`
        : 'No cell inside.';
  const short =
    best.easyForS && best.easyForS.low < 10 ? ' It is easy for a few seconds only: cut with the air beside.' : '';
  return {
    sentence: `${name(best)}, ${dial(best.setC)}: gentlest that opens it.`,
    reason: `Ready after ${clock(best.readyS!.high)}. ${promise}${short}`,
    tone: 'ink',
  };
}

/** A plate of sublimating ice: gas film and points of contact. */
export const iceConductanceWm2K = judgement(25, 'gas film and points of contact, 15-40, assumed', 6);
export const iceC = -78.5;
/** Soft acrylic and polyurethane let go some 10 to 30 K under their glass transition. */
export const coldReleaseC = judgement(-50, 'cold release of soft glues at every edge cell, assumed');

export interface ColdAnswer {
  /** warmest arc after 25 minutes, °C */
  warmestC: number;
  releasedAtS: number | null;
}

/** Cold is explained with its numbers and not planned. */
export function coldAnswer(thermal: ThermalJob): ColdAnswer {
  const ice: ContactHeater = { ...defaultPlate, id: 'ice', conductanceWm2K: iceConductanceWm2K };
  const run = HeatRun.start(thermal.model, ice, thermal.ambientC, [{ atS: 0, setC: iceC, preheated: true }]);
  const warmest = (t: number) => run.arcsC(t, thermal.arcs).reduce((m, r) => Math.max(m, r.mean), -Infinity);
  return {
    warmestC: warmest(1500),
    releasedAtS: firstTrue((t) => warmest(t) <= coldReleaseC.value, 0, 3600, 300),
  };
}
