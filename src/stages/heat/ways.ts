import { defOf } from '@/core/heat/heaterDefs';
import { firstTrue } from '@/core/heat/forecast';
import { defaultPlate, type ContactHeater } from '@/core/heat/heater';
import { answersOf } from '@/core/heat/heaterKind';
import { HeatRun } from '@/core/heat/run';
import { gentlest, type HeatWay, type WayResult, type WaysInput } from '@/core/heat/ways';
import { judgement } from '@/core/source';
import type { EdgeStep } from '@/core/lift/order';
import type { UseRecord } from '@/model/event';
import type { JobState } from '@/model/fold';
import { heatersOf, type Settings } from '@/model/settings';
import { heatUse } from '@/work/heat/heating';
import { type LiftState, type ThermalJob } from '@/work/heat/thermalJob';
import { watchMarks } from '@/work/heat/watchMarks';
import { edgeName } from '@/words/placeNames';
import { listed, dial, length, spoken, temp } from '@/words/units';
import { airUse, setFor, usualOf, withinUse } from '@/work/heat/heatPlan';
import { watchedNames } from '@/words/watchedNames';
import { t as tr } from '@/words/heat';
import { told } from '@/words/told';

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
    if (defOf(heater).led) {
      const setC = usualOf(heater);
      const air = (id: string, name: string, way: Parameters<typeof airUse>[0]) =>
        add(`${heater.id}-${id}`, `${told(heater.name)}, ${name}`, airUse(way, job, step, ringMm), {
          heater,
          setC,
          preheated: true,
        });
      if (step) air('strip', tr('only', { edge: edgeName(step.edge) }), 'strip');
      air('edge', tr('roundTheEdge2'), 'edge');
      if (answersOf(heater).outward) air('outward', tr('roundOutsideTheEdge'), 'outward');
      continue;
    }
    const use: UseRecord =
      job.plan?.heater === heater.id || (!job.plan?.heater && heater.id === settings.plate.id)
        ? { ...job.plan?.use, path: undefined }
        : {};
    const { preheated } = answersOf(heater);
    add(`${heater.id}-usual`, heater.name, use, { heater, setC: setFor(heater, job), preheated });
    add(`${heater.id}-gentle`, tr('gentlestSetting', { name: heater.name }), use, { heater, setC: null, preheated });
  }
  return list;
}

/** What a way is computed from: the same as the Heat page's forecast (law 25). */
export function waysInput(
  job: JobState,
  thermal: ThermalJob,
  lift: LiftState,
  nowS: number,
  use: UseRecord,
): WaysInput {
  return {
    ambientC: thermal.ambientC,
    air: thermal.air,
    switches: thermal.switches,
    nowS,
    arcs: thermal.arcs,
    order: withinUse(lift, use).order,
    easyC: lift.easyC,
    workC: lift.workC,
    upperC: lift.upperC,
    marks: watchMarks(job),
    glass: job.face.cover.material === 'glass',
  };
}

export const overText = (r: WayResult) =>
  r.over.length ? tr('tooHot', { list: listed(r.over.map((o) => watchedNames[o])) }) : '';

export interface WaysCallInput {
  listed: readonly ListedWay[];
  results: readonly WayResult[];
  /** of the battery */
  cautionC: number;
  pickMm: number;
  units: Pick<Settings, 'temperature' | 'length'>;
  /** glued all over, and the parts are in */
  pieces: boolean;
  plastic: boolean;
}

/** The call over the table: the gentlest way that works, and what it cannot promise. */
export function waysCall(i: WaysCallInput): { sentence: string; reason: string; tone: 'ink' | 'caution' } {
  const { listed, results, units } = i;
  const done = results.length;
  if (done < listed.length)
    return {
      sentence: tr('workingItOutOf', { done, n: listed.length }),
      reason: tr('rowsAppearAsTheyAreReady'),
      tone: 'ink',
    };
  const best = gentlest(results);
  const name = (r: WayResult) => listed.find((l) => l.way.id === r.id)?.name ?? r.id;
  if (!best && i.pieces)
    return {
      sentence: tr('pieceByPieceWithAirOf'),
      reason: tr('theGlueCoversTheWholeBack2'),
      tone: 'ink',
    };
  if (!best && i.plastic)
    return {
      sentence: tr('pryItColdStartingAtThe'),
      reason: tr('plasticBendsItDoesNotShatter'),
      tone: 'ink',
    };
  if (!best) {
    const opens = results.some((r) => r.readyS);
    const slow = results.filter((r) => r.tryFromS && !r.over.length);
    return {
      sentence: opens
        ? tr('everyWayGetsSomethingTooHot')
        : slow.length
          ? tr('itWorksSlowly', { slow: name(slow[0]!) })
          : tr('noHeaterHereOpensItWith', { pickMm: length(i.pickMm, units) }),
      reason: opens ? tr('takeAThickerPickMaskThe') : tr('takeAThickerPickOrAnother'),
      tone: 'caution',
    };
  }
  const b = best.battery;
  const promise =
    b && b.peakC.high >= i.cautionC
      ? tr('theBatteryGetsToOver', {
          mean: temp(b.peakC.mean, units),
          mean2: spoken(b.aboveCautionS.mean),
          cautionC: temp(i.cautionC, units),
        })
      : b
        ? tr('theBatteryStaysUnder', { cautionC: temp(i.cautionC, units) })
        : tr('noBatteryInside');
  return {
    sentence: tr('theGentlest2', { best: name(best), setC: dial(best.setC) }),
    reason: `${tr('tryFromEasyByAtThe3', { mean: spoken((best.tryFromS ?? best.readyS)!.mean), mean2: spoken(best.readyS!.mean), high: spoken(best.readyS!.high), promise })}${i.plastic ? ` ${tr('orPryItColdStartingAt2')}` : ''}`,
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
