import { stripGraph, strippable, zoneId, type StripItem } from '@/core/strip/graph';
import { alongOrder, refitOrder, removalOrder, type Removal } from '@/core/strip/removal';
import { checkScrews, type ScrewCheck, type ScrewFinding } from '@/core/strip/screws';
import { assignTray, trayGroups, type Tray, type TrayGroup } from '@/core/strip/tray';
import { transferList, type TransferItem } from '@/core/strip/transfer';
import type { ScrewHole } from '@/core/device/types';
import type { PartExtra } from '@/core/intake/partExtras';
import type { JobState, JointSeen } from '@/model/fold';
import type { StripSlice } from '@/model/stages/strip';
import type { IntakeSlice } from '@/model/stages/intake';
import type { CoverSlice } from '@/model/stages/cover';

/** What a new part comes with, as the pieces that need not be moved. */
const extraKinds: Partial<Record<PartExtra, string[]>> = { mesh: ['mesh'], flash: [], coil: [] };

export interface StripWork {
  items: Map<string, StripItem>;
  removal: Removal | null;
  /** order out and back in, by id */
  out: string[];
  back: string[];
  groups: TrayGroup[];
  tray: Tray;
  check: ScrewCheck;
  transfer: TransferItem[];
  isOff: (id: string) => boolean;
  /** is it in the new shell, or back where it was */
  isBack: (id: string) => boolean;
  holes: (zone: string) => ScrewHole[];
  cellOf: (hole: string) => string;
}

export const targetsOf = (job: Pick<JobState, 'device' | 'stripTarget'>): string[] =>
  job.stripTarget ?? job.device.parts.filter(strippable).map((p) => p.id);

/** Everything the strip stage reckons with, from the model, what the bench found out, and the log. */
export function stripWork(job: JointSeen & Pick<IntakeSlice, 'parts'> & CoverSlice & StripSlice): StripWork {
  const { device } = job;
  const list = stripGraph(device, job.under);
  const items = new Map(list.map((i) => [i.id, i]));
  const removal = removalOrder(
    list,
    targetsOf(job).filter((t) => items.has(t)),
  );
  const cheapest = removal?.order ?? [];
  // as it was done before on this model: what a hand knows goes before what is a little cheaper on paper
  const out = device.order?.length ? alongOrder(list, cheapest, device.order) : cheapest;
  const back = refitOrder(list, out);
  const groups = trayGroups(device);
  const tray = assignTray(device, groups);
  const check = checkScrews([...job.screwsOut.values()], [...job.screwsIn.values()], device.screws);
  const holes = (zone: string) => device.screws.filter((s) => s.zone === zone);
  const isOff = (id: string): boolean => {
    const item = items.get(id);
    if (item?.kind === 'screws')
      return device.screws.filter((s) => zoneId(s.zone) === id).every((s) => job.screwsOut.has(s.id));
    if (item?.kind === 'part') return job.parts[id] !== undefined && job.parts[id] !== 'in';
    return job.stripped.has(id);
  };
  const isBack = (id: string): boolean => {
    const item = items.get(id);
    if (item?.kind === 'screws') {
      const own = device.screws.filter((s) => zoneId(s.zone) === id);
      const zone = own[0]?.zone ?? '';
      return own.every((s) => job.screwsIn.has(s.id) || job.screwsOut.get(s.id)?.missing) && job.tightened.has(zone);
    }
    if (item?.kind === 'part') return job.parts[id] === 'moved' || job.parts[id] === 'onNew';
    return job.stripped.get(id) === 'in';
  };
  const onNew: Record<string, number> = {};
  for (const extra of job.route?.partHas ?? [])
    for (const p of device.pieces) if (extraKinds[extra]?.includes(p.kind)) onNew[p.id] = p.qty;
  for (const p of device.parts) if (job.parts[p.id] === 'onNew') onNew[p.id] = 1;
  const cell = new Map(groups.flatMap((g) => g.holes.map((h) => [h, tray.cells.get(g.id) ?? '–'] as const)));
  return {
    items,
    removal,
    out,
    back,
    groups,
    tray,
    check,
    transfer: transferList(device, onNew, out),
    isOff,
    isBack,
    holes,
    cellOf: (h) => cell.get(h) ?? '–',
  };
}

/** Has a piece of the list been dealt with? */
export const transferred = (
  job: Pick<IntakeSlice, 'parts'> & Pick<StripSlice, 'stripped'>,
  t: TransferItem,
): boolean =>
  t.kind === 'part'
    ? job.parts[t.id] === 'moved' || job.parts[t.id] === 'onNew'
    : ['moved', 'renewed', 'peeled'].includes(job.stripped.get(t.id) ?? '');

/** Screws that are out and not back: the cover cannot be called ready. Nothing while no screw was touched. */
export function openScrews(job: StripSlice): string[] {
  return [...job.screwsOut.values()].filter((r) => !r.missing && !job.screwsIn.has(r.hole)).map((r) => r.hole);
}

/** Findings that forbid closing. */
export const stopsClosing = (f: ScrewFinding): boolean =>
  ['missing', 'pierce', 'swapped', 'wrongSpec', 'duplicate', 'extra'].includes(f.type);
