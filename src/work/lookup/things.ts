import { adhesives } from '@/core/adhesives';
import { cureClocks, steady, type CureKind, type CureMark } from '@/core/cure/laws';
import { byPolicy } from '@/core/cure/policy';
import { beadFigures } from '@/core/bond/bead';
import type { Device } from '@/core/device/types';
import type { Heater } from '@/core/heat/heater';
import type { Range } from '@/core/source';
import type { JobState } from '@/model/fold';
import { heatersOf, type PartStock, type Settings } from '@/model/settings';
import { stageIds, type StageId } from '@/model/stageIds';
import { edgesOf } from '@/work/cure/cureJob';
import { usualOf } from '@/work/heat/heatPlan';
import { seenOf } from '@/work/heat/shopAdhesive';
import { batteryMarks } from '@/work/heat/watchMarks';

/** What a bench asks for by a word or two, with its answer. */
export type Thing =
  | { kind: 'model'; device: Device; jobs: number; last: { at: number; label: string } | null }
  | { kind: 'card'; device: Device }
  | { kind: 'job'; job: JobState }
  | { kind: 'heater'; heater: Heater; usualC: number }
  | { kind: 'glue'; id: string; name: string; seen: number }
  | { kind: 'cure'; name: string | null; tC: number; marks: Record<CureMark, Range> }
  | { kind: 'battery'; cautionC: number; stopC: number }
  | { kind: 'part'; part: PartStock; qty: number; ordered: number }
  | { kind: 'stage'; stage: StageId; jobs: number };

const qtyOf = (p: PartStock) => p.lots.reduce((n, l) => n + l.qty, 0);

/** Tape, and every liquid of the shop, in air of this temperature: when clamps come off, when it goes out, when it is full. */
export function cureAnswers(settings: Settings, tC: number): Thing[] {
  const marks = (kind: CureKind, liquid?: string) =>
    Object.fromEntries(
      Object.entries(cureClocks(kind, beadFigures.usualBondMm.value, steady(tC), edgesOf(settings, liquid))).map(
        ([mark, r]) => [mark, byPolicy(r, mark as CureMark, settings.cureBy)],
      ),
    ) as Record<CureMark, Range>;
  return [
    { kind: 'cure', name: null, tC, marks: marks('tape') },
    ...settings.liquids.map((l): Thing => ({ kind: 'cure', name: l.name, tC, marks: marks(l.cure, l.id) })),
  ];
}

/** Everything that can be found, answers included; cures are asked for by their temperature. */
export function thingsOf(jobs: readonly JobState[], devices: readonly Device[], settings: Settings): Thing[] {
  const open = jobs.filter((j) => j.closedAt === null);
  const first = devices[0];
  return [
    ...open.map((job): Thing => ({ kind: 'job', job })),
    ...devices.flatMap((device): Thing[] => {
      const own = jobs.filter((j) => j.device.id === device.id && j.closedAt !== null);
      const last = own.reduce<JobState | null>((best, j) => (best && best.closedAt! >= j.closedAt! ? best : j), null);
      return [
        { kind: 'model', device, jobs: own.length, last: last && { at: last.closedAt!, label: last.label } },
        { kind: 'card', device },
      ];
    }),
    ...heatersOf(settings).map((heater): Thing => ({ kind: 'heater', heater, usualC: usualOf(heater) })),
    ...[...adhesives.values()].map((a): Thing => ({
      kind: 'glue',
      id: a.id,
      name: a.name,
      seen: seenOf(settings, a.id).length,
    })),
    ...(first ? [{ kind: 'battery' as const, ...batteryMarks(first) }] : []),
    ...settings.parts.map((part): Thing => ({
      kind: 'part',
      part,
      qty: qtyOf(part),
      ordered: part.onOrder.reduce((n, o) => n + o.qty, 0),
    })),
    ...stageIds.map((stage): Thing => ({ kind: 'stage', stage, jobs: open.filter((j) => j.stage === stage).length })),
    // what is done comes last: there is a great deal of it
    ...jobs.filter((j) => j.closedAt !== null).map((job): Thing => ({ kind: 'job', job })),
  ];
}
