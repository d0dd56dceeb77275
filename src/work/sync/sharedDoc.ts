import * as Y from 'yjs';

import type { Device } from '@/core/device/types';
import type { Settings } from '@/model/settings';
import { leavesOf, changedLeaves, withLeaves, type Leaves } from './sharedSettings';

/** A device that belongs to the shop. */
export interface Member {
  id: string;
  name: string;
  /** its public key, as base64 */
  key: string;
  since: number;
}

const bytes = (text: string): Uint8Array => Uint8Array.from(atob(text), (c) => c.charCodeAt(0));
export const textOf = (b: Uint8Array): string => {
  let out = '';
  for (let i = 0; i < b.length; i += 8192) out += String.fromCharCode(...b.subarray(i, i + 8192));
  return btoa(out);
};

/** An update without anything in it, in the library's writing. */
const emptyLength = 2;

/**
 * Settings, own models and members of a shop as one document of a kept replication library: what is changed at different
 * places is joined, what is changed at the same one goes to who had seen the other's change, else to one of the two, the same
 * everywhere. The log of jobs is not in it: see `Peer`.
 */
export class SharedDoc {
  private readonly doc = new Y.Doc();
  private readonly leaves = this.doc.getMap<string>('settings');
  private readonly deviceTexts = this.doc.getMap<string>('models');
  private readonly memberTexts = this.doc.getMap<string>('members');
  private readonly outTexts = this.doc.getMap<string>('out');

  constructor(kept: string | null = null) {
    if (kept) Y.applyUpdate(this.doc, bytes(kept), 'kept');
  }

  /** @param heard told of each change with its writing: what others need, or what came from them */
  onChange(heard: (update: string, own: boolean) => void): void {
    this.doc.on('update', (u: Uint8Array, origin: unknown) => heard(textOf(u), origin === 'own'));
  }

  /** All of it, for the storage. */
  kept(): string {
    return textOf(Y.encodeStateAsUpdate(this.doc));
  }

  knows(): string {
    return textOf(Y.encodeStateVector(this.doc));
  }

  since(knows: string): string | null {
    const u = Y.encodeStateAsUpdate(this.doc, bytes(knows));
    return u.length <= emptyLength ? null : textOf(u);
  }

  /** @throws when it is no update of a document */
  apply(update: string): void {
    // tried on a copy: an update that breaks off in the middle would leave half of it here
    const probe = new Y.Doc();
    Y.applyUpdate(probe, bytes(update));
    probe.destroy();
    Y.applyUpdate(this.doc, bytes(update), 'other');
  }

  private write(change: () => void): void {
    this.doc.transact(change, 'own');
  }

  /** Nothing of a shop was ever put in. */
  get empty(): boolean {
    return this.leaves.size === 0;
  }

  /** What changed in the settings here. @param before as the document was last read or written; null: everything is new */
  noteSettings(before: Settings | null, after: Settings): void {
    const changes = changedLeaves(before ? leavesOf(before) : {}, leavesOf(after));
    if (!changes.size) return;
    this.write(() => {
      for (const [k, v] of changes)
        if (v === null) this.leaves.delete(k);
        else if (this.leaves.get(k) !== v) this.leaves.set(k, v);
    });
  }

  settingsIn(here: Settings): { settings: Settings; refused: string[] } {
    return withLeaves(here, this.leaves.toJSON() as Leaves);
  }

  /** A version of a model never changes; two of one number that differ both stay. */
  noteModels(devices: readonly Device[]): void {
    const there = new Set([...this.deviceTexts.values()].map(unnumbered));
    const fresh = devices.map((d) => JSON.stringify(d)).filter((text) => !there.has(unnumbered(text)));
    if (fresh.length) this.write(() => fresh.forEach((text) => this.deviceTexts.set(keyOf(text), text)));
  }

  /** Every version of every model, as written. */
  models(): string[] {
    return [...this.deviceTexts.values()];
  }

  noteMember(m: Member): void {
    if (this.memberTexts.get(m.id) !== JSON.stringify(m))
      this.write(() => this.memberTexts.set(m.id, JSON.stringify(m)));
  }

  /** Who was taken out stays out: it can come in again as another one only. */
  noteOut(id: string, at: number): void {
    this.write(() => this.outTexts.set(id, String(at)));
  }

  out(): Set<string> {
    return new Set(this.outTexts.keys());
  }

  members(): Member[] {
    const out = this.out();
    return [...this.memberTexts.values()]
      .map((text) => JSON.parse(text) as Member)
      .filter((m) => !out.has(m.id))
      .sort((a, b) => a.since - b.since || (a.id < b.id ? -1 : 1));
  }

  leavesNow(): Leaves {
    return this.leaves.toJSON() as Leaves;
  }
}

/** A model's writing without its number: what was renumbered is no other model. */
const unnumbered = (text: string): string => canonical({ ...(JSON.parse(text) as Device), version: 0 });

/** The same text for the same content, in whatever order its fields were written. */
const canonical = (x: unknown): string =>
  JSON.stringify(x, (_, v: unknown) =>
    typeof v === 'object' && v !== null && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );

/** One key for one writing of a model. */
function keyOf(text: string): string {
  const d = JSON.parse(text) as Device;
  let h = 5381;
  for (let i = 0; i < text.length; i++) h = (Math.imul(h, 33) ^ text.charCodeAt(i)) >>> 0;
  return `${d.id}/${d.version}/${h.toString(36)}`;
}

/**
 * The models of a document with numbers that nobody shares: of two versions with one number, made on two devices that did not
 * know of each other, the one that comes first by its writing keeps it and the other becomes the next that is free.
 */
export function numbered(devices: readonly Device[]): Device[] {
  const byId = new Map<string, Device[]>();
  for (const d of devices) byId.set(d.id, [...(byId.get(d.id) ?? []), d]);
  return [...byId.values()].flatMap((list) => {
    const sorted = list
      .map((d) => [d, JSON.stringify(d)] as const)
      .sort(([a, x], [b, y]) => a.version - b.version || (x < y ? -1 : 1));
    const taken = new Set<number>();
    const later: Device[] = [];
    const out: Device[] = [];
    for (const [d] of sorted)
      if (taken.has(d.version)) later.push(d);
      else {
        taken.add(d.version);
        out.push(d);
      }
    let free = Math.max(0, ...taken) + 1;
    for (const d of later) out.push({ ...d, version: free++ });
    return out;
  });
}
