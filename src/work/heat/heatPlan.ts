import { insideGuessed } from '@/core/device/known';
import { defOf } from '@/core/heat/heaterDefs';
import { answersOf } from '@/core/heat/heaterKind';
import type { Heater } from '@/core/heat/heater';
import { judgement } from '@/core/source';
import type { EdgeStep } from '@/core/lift/order';
import type { UseRecord } from '@/model/event';
import type { JobState, JointSeen } from '@/model/fold';
import type { HeatSlice } from '@/model/stages/heat';
import type { LiftSlice } from '@/model/stages/lift';
import { heaterOf, type Settings } from '@/model/settings';
import { bumps } from './heating';
import { followEdge, type LiftState } from './thermalJob';
import { strengthOf } from './watchMarks';

export interface HeatPlanDraft {
  heater: string;
  use: UseRecord;
  setC: number;
  pickMm: number | undefined;
  preheated: boolean;
}

/** With parts inside that have a limit, a contact heater is never set higher than this, °C. */
export const assembledMaxC = judgement(160, 'above it every part inside passes its stop mark within a minute or two');

/** Where a heater of this kind is usually set, taken back to what it can do, °C. */
export const usualOf = (h: Heater): number => Math.min(h.maxSetC, Math.max(h.minSetC, answersOf(h).usualSetC.value));

export type AirWay = 'edge' | 'outward' | 'strip';

/** Ways of the nozzle that are offered; the next edge alone needs to know which one that is. */
export function airUse(way: AirWay, job: JointSeen, step: EdgeStep | undefined, lengthMm: number): UseRecord {
  const masked = bumps(job.device, job.bond);
  if (way === 'strip' && step)
    return {
      masked,
      path: { kind: 'strip', insetMm: 2, from: step.fromMm / lengthMm, to: step.toMm / lengthMm, speedMmS: 30 },
    };
  return { masked, path: { kind: 'loop', insetMm: way === 'outward' ? -10 : 2, roundS: 4 } };
}

export const airWayOf = (use: UseRecord): AirWay =>
  use.path?.kind === 'strip' ? 'strip' : use.path?.kind === 'loop' && use.path.insetMm < 0 ? 'outward' : 'edge';

export const underStopK = judgement(5, 'a contact heater is set this far under what the cover bears on its surface');

/** Where the inside is guessed a contact heater begins no hotter than this, °C; milder ones are set as usual. */
const guessedMostC = judgement(
  100,
  'common practice goes gentler on a device that was never opened; a mat is gentle as it is',
);

/** Where a heater is set for this cover: as usual, but a plate under plastic no hotter than the plastic bears, and gentler where the inside is guessed. */
export function setFor(heater: Heater, job: Pick<JointSeen, 'device' | 'bond'>): number {
  const usual = usualOf(heater);
  if (!defOf(heater).under) return usual;
  const bears = strengthOf(job).surfaceC.stop.value - underStopK.value;
  const careful = insideGuessed(job.device) ? Math.min(usual, guessedMostC.value) : usual;
  return Math.max(heater.minSetC, Math.min(careful, bears));
}

/** The plan that a stage opens with: what was planned last, else the plate as it is usually set for such a cover. */
export function firstPlan(job: JointSeen & HeatSlice & LiftSlice, settings: Settings): HeatPlanDraft {
  const heater = heaterOf(settings, job.plan?.heater);
  return {
    heater: heater.id,
    // a spot belongs to its own page; a single edge is the one that is next
    use:
      job.plan?.use?.path?.kind === 'spot' ? { masked: job.plan.use.masked } : (followEdge(job, job.plan?.use) ?? {}),
    setC: job.plan?.setC ?? setFor(heater, job),
    pickMm: job.plan?.pickMm,
    preheated: job.plan?.preheated ?? true,
  };
}

/** Another heater starts with its own usual setpoint and way. */
export function withHeater(
  plan: HeatPlanDraft,
  heater: Heater,
  job: JointSeen,
  step: EdgeStep | undefined,
  lengthMm: number,
): HeatPlanDraft {
  return {
    ...plan,
    heater: heater.id,
    setC: setFor(heater, job),
    preheated: answersOf(heater).preheated,
    use: defOf(heater).led ? airUse('edge', job, step, lengthMm) : {},
  };
}

/** When only one edge is heated, only its arcs can be cut in this heat. */
export function withinUse(lift: LiftState, use: UseRecord, arcsPerRing = 24): LiftState {
  if (use.path?.kind !== 'strip') return lift;
  const { from, to } = use.path;
  const inside = (i: number) => {
    const s = i / arcsPerRing;
    return (s >= from && s <= to) || (s - 1 >= from && s - 1 <= to);
  };
  const order = lift.order.filter(inside);
  return order.length ? { ...lift, order } : lift;
}

/** Highest setpoint of a heater for this device: with parts inside a contact heater goes no further than they stand. */
export const highestSetC = (heater: Heater, job: Pick<JobState, 'device'>): number =>
  defOf(heater).under && job.device.parts.some((p) => p.limitC)
    ? Math.min(heater.maxSetC, assembledMaxC.value)
    : heater.maxSetC;

/** Parts whose limit a contact heater would pass, and how far it goes with them. */
export type Refusal = { inside: string[]; maxC: number } | null;

/** What the law of limits forbids before anything is computed: high heat with parts inside (law 6). */
export function refuses(heater: Heater, setC: number, job: Pick<JointSeen, 'device'>): Refusal {
  if (!defOf(heater).under || setC <= assembledMaxC.value) return null;
  const inside = job.device.parts.filter((p) => p.limitC);
  if (!inside.length) return null;
  return { inside: inside.map((p) => p.name), maxC: assembledMaxC.value };
}

/** A number that fits the dial only in the other unit: which one, and what it would be in °C. */
export function unitDoubt(
  typed: number,
  unit: 'C' | 'F',
  heater: Pick<Heater, 'minSetC' | 'maxSetC'>,
): { unit: 'C' | 'F'; setC: number } | null {
  const asC = (v: number, u: 'C' | 'F') => (u === 'C' ? v : ((v - 32) * 5) / 9);
  const fits = (c: number) => c >= heater.minSetC - 0.5 && c <= heater.maxSetC + 0.5;
  const other = unit === 'C' ? 'F' : 'C';
  if (fits(asC(typed, unit)) || !fits(asC(typed, other))) return null;
  return { unit: other, setC: Math.round(asC(typed, other)) };
}
