import { needsOf } from '@/core/schedule/benchParts';
import type { PlanEntry } from '@/core/schedule/types';
import type { Settings } from '@/model/settings';
import { bareId, resourceName } from './shopBench';
import type { PlanNow } from './planNow';

export interface Bar {
  entry: PlanEntry;
  label: string;
  fromAt: number;
  toAt: number;
  state: 'going' | 'planned' | 'pinned';
  late: boolean;
  /** more of them at once share the height of the lane */
  slot: number;
  slots: number;
  /** when the window after it closes; null: none */
  windowTo: number | null;
  hands: boolean;
}

export interface Lane {
  id: string;
  name: string;
  kind: 'person' | 'heater' | 'clamp' | 'shelf' | 'tester';
  bars: Bar[];
  /** when a person is not there */
  shut: { from: number; to: number }[];
}

const kinds = { technician: 'person', heater: 'heater', clamp: 'clamp', shelf: 'shelf', tester: 'tester' } as const;

/** The plan as rows: people first, then what they use; things that nothing is planned on are left out. */
export function lanesOf(p: PlanNow, settings: Settings, fromAt: number, toAt: number): Lane[] {
  const { shop, plan } = p;
  const at = (s: number) => shop.originAt + s * 1e3;
  const going = new Set(plan.bench.started.filter((s) => s.startS <= plan.bench.nowS).map((s) => `${s.job}|${s.task}`));
  const pinned = new Set(plan.bench.started.filter((s) => s.startS > plan.bench.nowS).map((s) => `${s.job}|${s.task}`));
  const late = new Set(plan.late.map((l) => l.job));
  const bars = new Map<string, Bar[]>();
  const put = (res: string, e: PlanEntry, from = e.startS, to = e.endS) => {
    if (at(to) <= fromAt || at(from) >= toAt) return;
    const job = plan.bench.jobs.find((j) => j.id === e.job)!;
    const links = job.variants.find((v) => v.id === e.variant)!.links;
    const max = links.filter((l) => l.from === e.task && l.maxS !== undefined).map((l) => e.endS + l.maxS!);
    const key = `${e.job}|${e.task}`;
    const list = bars.get(res) ?? [];
    list.push({
      entry: e,
      label: shop.jobs.get(e.job)?.label ?? e.job,
      fromAt: at(from),
      toAt: at(to),
      state: going.has(key) ? 'going' : pinned.has(key) ? 'pinned' : 'planned',
      late: late.has(e.job),
      slot: 0,
      slots: 1,
      windowTo: max.length ? at(Math.min(...max)) : null,
      hands: Object.keys(needsOf(plan.bench, e)).some((r) => r.startsWith('person:')),
    });
    bars.set(res, list);
  };
  for (const e of plan.plan) for (const res of Object.keys(needsOf(plan.bench, e))) put(res, e);
  for (const job of plan.bench.jobs) {
    const variant = job.variants.find((v) => v.id === plan.plan.find((e) => e.job === job.id)?.variant);
    for (const h of variant?.holds ?? []) {
      const from = plan.plan.find((e) => e.job === job.id && e.task === h.from);
      const to = plan.plan.find((e) => e.job === job.id && e.task === h.to);
      if (from && to) put(h.resource, from, from.startS, to.endS);
    }
  }
  return plan.bench.resources.flatMap((r): Lane[] => {
    const kind = kinds[r.kind as keyof typeof kinds];
    const own = (bars.get(r.id) ?? []).sort((a, b) => a.fromAt - b.fromAt);
    if (kind !== 'person' && !own.length) return [];
    stack(own);
    const spans = kind === 'person' ? (shop.spans.get(bareId(r.id)) ?? []) : [];
    const shut: Lane['shut'] = [];
    if (kind === 'person') {
      let t = fromAt;
      for (const s of spans) {
        if (s.to <= fromAt) continue;
        if (s.from >= toAt) break;
        if (s.from > t) shut.push({ from: t, to: s.from });
        t = Math.max(t, s.to);
      }
      if (t < toAt) shut.push({ from: t, to: toAt });
    }
    return [
      {
        id: r.id,
        name: resourceName(settings, r.id),
        kind,
        bars: own,
        shut,
      },
    ];
  });
}

/** Bars that overlap lie beside one another. */
function stack(list: Bar[]): void {
  let group: Bar[] = [];
  let end = -Infinity;
  const settle = () => {
    const slots = Math.max(1, ...group.map((b) => b.slot + 1));
    for (const b of group) b.slots = slots;
    group = [];
  };
  for (const b of list) {
    if (b.fromAt >= end) settle();
    const used = new Set(group.filter((g) => g.toAt > b.fromAt).map((g) => g.slot));
    let slot = 0;
    while (used.has(slot)) slot++;
    b.slot = slot;
    group.push(b);
    end = Math.max(end, b.toAt);
  }
  settle();
}
