import TinyQueue from 'tinyqueue';

import { CoreInputError } from '../errors';

/** Something that comes off: it needs any one of its sets to be off before. */
export interface StripNode {
  id: string;
  cost: number;
  /** any one of these sets; an empty list or an empty set: nothing before it */
  needs: readonly (readonly string[])[];
  /** carries current: the battery's plug goes before it */
  electrical?: boolean;
  battery?: boolean;
}

export interface Removal {
  order: string[];
  cost: number;
  exact: boolean;
  /** no order is cheaper than this; equal to the cost when it is exact */
  bound: number;
}

export const exactUpTo = 20;

/** Every node with the battery's plug added to all alternatives of what carries current. */
function alternatives(nodes: readonly StripNode[]): Map<string, string[][]> {
  const battery = nodes.find((n) => n.battery)?.id;
  return new Map(
    nodes.map((n) => {
      const sets = n.needs.length ? n.needs.map((s) => [...s]) : [[]];
      const add = n.electrical && battery && n.id !== battery ? [battery] : [];
      return [n.id, sets.map((s) => [...new Set([...s, ...add])])];
    }),
  );
}

/** Is this an order in which everything can come off? */
export function orderValid(nodes: readonly StripNode[], order: readonly string[]): boolean {
  const alts = alternatives(nodes);
  const out = new Set<string>();
  for (const id of order) {
    if (!alts.get(id)?.some((s) => s.every((q) => out.has(q)))) return false;
    out.add(id);
  }
  return true;
}

/**
 * The cheapest order of removals that reaches the targets: an AND/OR graph (Homem de Mello & Sanderson 1990, published).
 * Up to 20 relevant parts exact, by uniform-cost search over what is off (ties: fewer removals, then by id); above that the
 * cheapest alternative each time, with a bound, and it is said. Null when a target cannot be reached.
 * @throws CoreInputError when a need names nothing
 */
export function removalOrder(nodes: readonly StripNode[], targets: readonly string[]): Removal | null {
  const byId = new Map(nodes.map((n) => [n.id, n]));
  const alts = alternatives(nodes);
  for (const [id, sets] of alts)
    for (const s of sets)
      for (const q of s) if (!byId.has(q)) throw new CoreInputError(`${id}: needs`, q, 'something of the device');
  for (const t of targets) if (!byId.has(t)) throw new CoreInputError('target', t, 'something of the device');
  const relevant = relevantTo(alts, targets);
  // without an OR what has to come off is one set: its size does not matter
  if ([...relevant].every((id) => alts.get(id)!.length === 1)) {
    const r = greedy(byId, alts, withBattery(nodes, relevant, targets), relevant);
    return r ? { ...r, exact: true, bound: r.cost } : null;
  }
  if (relevant.size > exactUpTo) return greedy(byId, alts, targets, relevant);
  const sure = mandatory(alts, targets);
  const open = [...relevant].filter((id) => !sure.has(id)).sort();
  // what comes off in any case needs no search: only the rest is tried, while that is little
  return open.length <= fewOpen ? tryAll(byId, alts, sure, open) : exact(byId, alts, targets, relevant);
}

/** So many open questions are answered by trying every set of them. */
const fewOpen = 12;

/** What has to come off whatever is chosen: the targets, and what every alternative of one of these names. */
function mandatory(alts: Map<string, string[][]>, targets: readonly string[]): Set<string> {
  const out = new Set(targets);
  for (const id of out) {
    const [first, ...rest] = alts.get(id)!;
    for (const q of first ?? []) if (rest.every((s) => s.includes(q))) out.add(q);
  }
  return out;
}

/** Order in which a set comes off, battery first among what is free, else by id; null when it does not come off. */
function orderOf(byId: Map<string, StripNode>, alts: Map<string, string[][]>, set: readonly string[]): string[] | null {
  const left = [...set].sort(
    (a, b) => Number(byId.get(b)!.battery ?? false) - Number(byId.get(a)!.battery ?? false) || (a < b ? -1 : 1),
  );
  const order: string[] = [];
  const off = new Set<string>();
  while (left.length) {
    const i = left.findIndex((id) => alts.get(id)!.some((s) => s.every((q) => off.has(q))));
    if (i < 0) return null;
    const [id] = left.splice(i, 1);
    order.push(id!);
    off.add(id!);
  }
  return order;
}

function tryAll(
  byId: Map<string, StripNode>,
  alts: Map<string, string[][]>,
  sure: Set<string>,
  open: readonly string[],
): Removal | null {
  const costOf = (ids: Iterable<string>) => [...ids].reduce((m, id) => m + byId.get(id)!.cost, 0);
  const sets = Array.from({ length: 1 << open.length }, (_, k) => {
    const chosen = open.filter((_, i) => (k >> i) & 1);
    return { chosen, cost: costOf(chosen) };
  }).sort((a, b) => a.cost - b.cost || a.chosen.length - b.chosen.length);
  const base = costOf(sure);
  for (const { chosen, cost } of sets) {
    const order = orderOf(byId, alts, [...sure, ...chosen]);
    if (order) return { order, cost: base + cost, exact: true, bound: base + cost };
  }
  return null;
}

/** The battery's plug first, where it has to come off at all. */
function withBattery(nodes: readonly StripNode[], relevant: Set<string>, targets: readonly string[]): string[] {
  const battery = nodes.find((n) => n.battery)?.id;
  return battery && relevant.has(battery) ? [battery, ...targets] : [...targets];
}

/** What can play a part on the way to the targets. */
function relevantTo(alts: Map<string, string[][]>, targets: readonly string[]): Set<string> {
  const out = new Set<string>();
  const add = (id: string) => {
    if (out.has(id)) return;
    out.add(id);
    for (const s of alts.get(id)!) s.forEach(add);
  };
  targets.forEach(add);
  return out;
}

function exact(
  byId: Map<string, StripNode>,
  alts: Map<string, string[][]>,
  targets: readonly string[],
  relevant: Set<string>,
): Removal | null {
  const ids = [...relevant].sort();
  const bit = new Map(ids.map((id, i) => [id, 1 << i]));
  const masks = ids.map((id) => alts.get(id)!.map((s) => s.reduce((m, q) => m | (bit.get(q) ?? 0), 0)));
  const cost = ids.map((id) => byId.get(id)!.cost);
  const goal = targets.reduce((m, t) => m | bit.get(t)!, 0);
  // settled cost of every set that was reached, with the step that led to it
  const best = new Map<number, { cost: number; count: number; from: number; by: number }>([
    [0, { cost: 0, count: 0, from: 0, by: -1 }],
  ]);
  const open = new TinyQueue(
    [{ set: 0, cost: 0, count: 0 }],
    (a, b) => a.cost - b.cost || a.count - b.count || a.set - b.set,
  );
  const done = new Set<number>();
  for (let first = open.pop(); first; first = open.pop()) {
    const set = first.set;
    if (done.has(set)) continue;
    done.add(set);
    const here = best.get(set)!;
    if ((set & goal) === goal) {
      const order: string[] = [];
      for (let at = set; at; at = best.get(at)!.from) order.unshift(ids[best.get(at)!.by]!);
      return { order, cost: here.cost, exact: true, bound: here.cost };
    }
    for (let i = 0; i < ids.length; i++) {
      if (set & (1 << i) || !masks[i]!.some((m) => (m & set) === m)) continue;
      const next = set | (1 << i);
      const c = here.cost + cost[i]!;
      const old = best.get(next);
      if (old && (old.cost < c - 1e-12 || (Math.abs(old.cost - c) <= 1e-12 && old.count <= here.count + 1))) continue;
      best.set(next, { cost: c, count: here.count + 1, from: set, by: i });
      open.push({ set: next, cost: c, count: here.count + 1 });
    }
  }
  return null;
}

/** For each thing still wanted the alternative that is cheapest with what is off already; the bound is the dearest single target. */
function greedy(
  byId: Map<string, StripNode>,
  alts: Map<string, string[][]>,
  targets: readonly string[],
  relevant: Set<string>,
): Removal | null {
  // cheapest cost of a thing on its own, by relaxation: a bound for each target
  const least = new Map<string, number>();
  for (let round = 0; round < relevant.size; round++)
    for (const id of relevant) {
      const own = byId.get(id)!.cost;
      const c = Math.min(
        ...alts.get(id)!.map((s) => s.reduce((m, q) => Math.max(m, least.get(q) ?? Infinity), 0) + own),
      );
      if (c < (least.get(id) ?? Infinity)) least.set(id, c);
    }
  if (targets.some((t) => !Number.isFinite(least.get(t) ?? Infinity))) return null;
  const order: string[] = [];
  const out = new Set<string>();
  const take = (id: string, way: ReadonlySet<string>): boolean => {
    if (out.has(id)) return true;
    if (way.has(id)) return false;
    const sets = [...alts.get(id)!].sort((a, b) => sum(a) - sum(b));
    for (const s of sets)
      if ([...s].sort().every((q) => take(q, new Set([...way, id])))) {
        out.add(id);
        order.push(id);
        return true;
      }
    return false;
  };
  const sum = (s: readonly string[]) => s.reduce((m, q) => m + (out.has(q) ? 0 : (least.get(q) ?? Infinity)), 0);
  for (const t of targets) if (!take(t, new Set())) return null;
  return {
    order,
    cost: order.reduce((m, id) => m + byId.get(id)!.cost, 0),
    exact: false,
    bound: Math.max(...targets.map((t) => least.get(t)!)),
  };
}

/**
 * The same things in the order in which they were taken out before, as far as what lies over what allows it; what is new comes
 * where it did.
 */
export function alongOrder(nodes: readonly StripNode[], order: readonly string[], before: readonly string[]): string[] {
  const alts = alternatives(nodes);
  const rank = new Map(before.map((id, i) => [id, i]));
  // what was never done before stays beside what it followed
  let last = -1;
  const place = new Map(order.map((id) => [id, (last = rank.get(id) ?? last)]));
  const left = [...order].sort((a, b) => place.get(a)! - place.get(b)!);
  const off = new Set<string>();
  const out: string[] = [];
  while (left.length) {
    const i = left.findIndex((id) => alts.get(id)!.some((s) => s.every((q) => off.has(q))));
    if (i < 0) return [...order];
    const [id] = left.splice(i, 1);
    out.push(id!);
    off.add(id!);
  }
  return out;
}

/**
 * Back in: the reverse, with the battery's plug as late as what lies over it allows.
 */
export function refitOrder(nodes: readonly StripNode[], order: readonly string[]): string[] {
  const reverse = [...order].reverse();
  const battery = nodes.find((n) => n.battery && order.includes(n.id))?.id;
  if (!battery) return reverse;
  const rest = reverse.filter((id) => id !== battery);
  for (let k = rest.length; k >= 0; k--) {
    const t = [...rest.slice(0, k), battery, ...rest.slice(k)];
    if (orderValid(nodes, [...t].reverse())) return t;
  }
  return reverse;
}
