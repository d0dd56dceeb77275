import equal from 'fast-deep-equal';

import type { Device } from '@/core/device/types';
import { deviceSchema } from '@/model/device';
import { parseEvent, type JobEvent } from '@/model/event';
import { keepUnknown } from '@/model/keepUnknown';
import type { Settings } from '@/model/settings';
import type { Message } from '@/work/sync/messages';
import { Peer, type SharedDocument, type SharedLog } from '@/work/sync/peer';
import { withLeaves, leavesOf } from '@/work/sync/sharedSettings';
import { numbered, SharedDoc, type Member } from '@/work/sync/sharedDoc';
import { demoWriter } from '../dropped';
import { jobKey, stored } from '../keptEntries';
import { Link, type Wire } from './link';
import { base64, between, fromBase64, randomBytes, roomKey, seal, unseal } from './seal';
import { mostOlder, olderKeptMs, type LoanOut, type SyncState } from './state';

/** The shop of one device, as far as joining it with others needs it. */
export interface ShopAccess {
  jobs(): ReadonlyMap<string, JobEvent[]>;
  settings(): Settings;
  devices(): readonly Device[];
  /** Shows and writes entries of others; a storage that refuses keeps them waiting, and says so. */
  add(events: readonly JobEvent[]): Promise<void>;
  setSettings(settings: Settings): Promise<void>;
  addDevice(device: Device): Promise<void>;
  photo(id: string): Promise<string | null>;
  keepPhoto(id: string, data: string): Promise<void>;
  now(): number;
  /** Keeps what belongs to the joining itself. */
  keep(state: SyncState): Promise<void>;
}

export type Trouble =
  /** entries of a device that were not taken, and why the first was not */
  | { kind: 'refused'; from: string; count: number; what: string }
  /** something in the room that has not our key */
  | { kind: 'strange'; from: string; count: number }
  /** something of ours that is not well formed */
  | { kind: 'garbled'; from: string; count: number }
  /** clocks that differ, ms; entries keep their order all the same */
  | { kind: 'clock'; from: string; byMs: number }
  /** settings of a later version that this one cannot read */
  | { kind: 'settings'; from: string; what: string }
  /** this device was taken out, or the job on loan was taken back */
  | { kind: 'over' };

export interface SyncView {
  me: { id: string; name: string };
  /** the line to the relay is open */
  up: boolean;
  members: readonly (Member & { heardAt: number | null })[];
  loans: readonly LoanOut[];
  loan: SyncState['loan'];
  troubles: readonly Trouble[];
}

/** Clocks that differ by more than this are told, ms. */
const clockSlackMs = 2 * 60_000;
/** An entry whose counter is further ahead than any shop gets is not one of a shop. */
const farAhead = 100_000;
const keepAfterMs = 800;
/** Who makes a new key when another did not within this time, ms. */
const rekeyAfterMs = 4000;

/** One device among those of a shop: says what is new here, takes in what is new elsewhere. */
export class SyncDevice {
  private doc: SharedDoc;
  private lastSettings: Settings | null = null;
  private group: { link: Link; peer: Peer } | null = null;
  private readonly rooms: Link[] = [];
  private readonly loans = new Map<string, { link: Link; peer: Peer }>();
  private readonly refusedIds = new Set<string>();
  private readonly heardAt = new Map<string, number>();
  private readonly photosAsked = new Set<string>();
  private readonly troubles = new Map<string, Trouble>();
  private told: ReadonlyMap<string, readonly JobEvent[]> = new Map();
  private timer: ReturnType<typeof setTimeout> | null = null;
  private rekeyTimer: ReturnType<typeof setTimeout> | null = null;
  private stopped = false;
  view: SyncView;

  constructor(
    private state: SyncState,
    private readonly shop: ShopAccess,
    private readonly wire: Wire,
    private readonly changed: (view: SyncView) => void = () => {},
  ) {
    this.doc = new SharedDoc(state.doc);
    this.view = this.seen();
    this.listenToDoc();
  }

  get current(): SyncState {
    return this.state;
  }

  /** Opens the lines; what changed here since the last time is noted first. */
  async start(): Promise<void> {
    this.told = this.shop.jobs();
    const { group, loan } = this.state;
    if (group) {
      const now = this.shop.settings();
      if (!this.doc.empty) this.doc.noteSettings(this.doc.settingsIn(now).settings, now);
      this.lastSettings = now;
      this.doc.noteModels(this.shop.devices());
      await this.openGroup();
      for (const o of this.state.older) if (o.until > this.shop.now()) await this.openOlder(o.secret);
    }
    for (const l of this.state.out) await this.openLoan(l);
    if (loan) await this.openBorrowed(loan);
    this.tell();
  }

  stop(): void {
    this.stopped = true;
    for (const l of this.lines()) l.stop();
    if (this.rekeyTimer) clearTimeout(this.rekeyTimer);
    this.flush();
  }

  private *lines(): Generator<Link> {
    if (this.group) yield this.group.link;
    yield* this.rooms;
    for (const l of this.loans.values()) yield l.link;
  }

  /** Everything that was begun is done: for tests and before a page goes. */
  async idle(): Promise<void> {
    for (const l of this.lines()) await l.idle();
  }

  /** The shop's log, settings or models changed, here or in another tab. */
  noted(): void {
    const jobs = this.shop.jobs();
    const fresh: JobEvent[] = [];
    for (const [id, list] of jobs) {
      const before = this.told.get(id);
      if (before === list || !shared(list)) continue;
      const known = new Set(before?.map((e) => e.id));
      fresh.push(...list.filter((e) => !known.has(e.id) && !this.fromOthers.delete(e.id)));
    }
    this.told = jobs;
    if (fresh.length) {
      this.group?.peer.noted(fresh);
      for (const [id, l] of this.loans) {
        const jobId = this.state.out.find((o) => o.id === id && !o.over)?.jobId ?? this.state.loan?.jobId;
        const of = fresh.filter((e) => e.jobId === jobId);
        if (of.length) l.peer.noted(of);
      }
    }
    if (!this.state.group || this.doc.empty) return;
    const settings = this.shop.settings();
    if (this.lastSettings && settings !== this.lastSettings) this.doc.noteSettings(this.lastSettings, settings);
    this.lastSettings = settings;
    this.doc.noteModels(this.shop.devices());
  }

  /** entries that came from another device and will be seen in the log in a moment */
  private readonly fromOthers = new Set<string>();

  /** Makes this shop one that others can join: its settings, models and this device as the first member. */
  async found(): Promise<void> {
    if (this.state.group) return;
    const group = { secret: base64(randomBytes(32)), epoch: 1, without: [] };
    await this.save({ ...this.state, group });
    const settings = this.shop.settings();
    this.doc.noteSettings(null, settings);
    this.lastSettings = settings;
    this.doc.noteModels(this.shop.devices());
    this.noteMe();
    await this.openGroup();
  }

  noteMember(m: Member): void {
    this.doc.noteMember(m);
    this.tell();
  }

  private noteMe(): void {
    const { id, name, open } = this.state.me;
    if (!this.doc.out().has(id) && !this.doc.members().some((m) => m.id === id && m.name === name))
      this.doc.noteMember({ id, name, key: open, since: this.shop.now() });
  }

  async rename(name: string): Promise<void> {
    await this.save({ ...this.state, me: { ...this.state.me, name } });
    if (this.state.group) this.noteMe();
    this.tell();
  }

  /** Takes a device out: the rest get a new key, which it has not. */
  async takeOut(id: string): Promise<void> {
    this.doc.noteOut(id, this.shop.now());
    await this.rekey();
  }

  async lend(l: LoanOut): Promise<void> {
    await this.save({ ...this.state, out: [...this.state.out, l] });
    await this.openLoan(l);
    this.tell();
  }

  async takeBack(loanId: string): Promise<void> {
    const out = this.state.out.map((l) => (l.id === loanId ? { ...l, over: true } : l));
    await this.save({ ...this.state, out });
    void this.loans.get(loanId)?.link.send('*', { t: 'over' });
    this.tell();
  }

  askPhoto(id: string): void {
    if (this.photosAsked.has(id)) return;
    this.photosAsked.add(id);
    for (const l of [this.group, ...this.loans.values()]) void l?.link.send('*', { t: 'photoWanted', ids: [id] });
  }

  private async save(state: SyncState): Promise<void> {
    this.state = state;
    await this.shop.keep(state);
  }

  private flush(): void {
    if (this.timer === null) return;
    clearTimeout(this.timer);
    this.timer = null;
    void this.save({ ...this.state, doc: this.doc.kept() }).catch(() => undefined);
  }

  private listenToDoc(): void {
    this.doc.onChange((update, own) => {
      if (own && this.group) void this.group.link.send('*', { t: 'doc', update, knows: null });
      this.timer ??= setTimeout(() => this.flush(), keepAfterMs);
    });
  }

  private logFor(jobId: string | null): SharedLog {
    const shop = this.shop;
    const ofJob = () => {
      const list = shop.jobs().get(jobId!);
      return new Map(list ? [[jobId!, list]] : []);
    };
    return {
      jobs: () => (jobId === null ? new Map([...shop.jobs()].filter(([, l]) => shared(l))) : ofJob()),
      written: (e) => JSON.parse(stored(e)) as unknown,
      take: (list, from) => this.take(list, from, jobId),
      refused: this.refusedIds,
      now: () => shop.now(),
      name: this.state.me.name,
    };
  }

  private docFor(): SharedDocument {
    return {
      knows: () => this.doc.knows(),
      since: (knows) => this.doc.since(knows),
      take: async (update, from) => {
        try {
          this.doc.apply(update);
        } catch {
          return this.trouble({ kind: 'garbled', from: this.nameOf(from), count: 1 });
        }
        await this.follow(from);
      },
    };
  }

  /** What the document says now becomes so here. */
  private async follow(from: string): Promise<void> {
    const here = this.shop.settings();
    const { settings, refused } = this.doc.settingsIn(here);
    for (const what of refused) this.trouble({ kind: 'settings', from: this.nameOf(from), what });
    if (!this.doc.empty && JSON.stringify(leavesOf(settings)) !== JSON.stringify(leavesOf(here)))
      await this.shop.setSettings(settings);
    this.lastSettings = this.doc.empty ? null : this.shop.settings();
    const modelsHere = new Map(this.shop.devices().map((d) => [`${d.id}/${d.version}`, d]));
    const read = this.doc.models().flatMap((text) => {
      const raw: unknown = JSON.parse(text);
      const d = deviceSchema.safeParse(raw);
      return d.success ? [keepUnknown(raw, d.data) as Device] : [];
    });
    for (const d of numbered(read))
      if (!equal(modelsHere.get(`${d.id}/${d.version}`), d)) await this.shop.addDevice(d);
    this.noteMe();
    this.checkKey();
    this.tell();
  }

  private async openGroup(): Promise<void> {
    const at = await roomKey(fromBase64(this.state.group!.secret));
    const peer: Peer = new Peer(this.logFor(null), this.docFor(), (to, m) => void link.send(to, m));
    const link: Link = new Link(at, this.state.me.id, this.wire, {
      up: (is) => {
        if (is) peer.hello();
        this.tell();
      },
      strange: (from, what) =>
        this.trouble({ kind: what === 'sealed' ? 'strange' : 'garbled', from: this.nameOf(from), count: 1 }),
      message: (from, m) => this.heard(peer, from, m, link),
    });
    this.group?.link.stop();
    this.group = { link, peer };
    link.start();
  }

  private async heard(peer: Peer, from: string, m: Message, link: Link): Promise<void> {
    if (m.t === 'rekey') return this.rekeyed(m, link);
    if (m.t === 'over') return this.trouble({ kind: 'over' });
    // who was taken out is not answered, and told so
    if (this.doc.out().has(from)) return void link.send(from, { t: 'over' });
    this.heardAt.set(from, this.shop.now());
    if (m.t === 'hello') this.compareClocks(m);
    if (m.t === 'photoWanted') return this.givePhotos(from, m.ids, link, null);
    if (m.t === 'photo') return this.gotPhoto(m.id, m.data);
    await peer.heard(from, m);
    if (m.t === 'hello') this.tell();
  }

  private compareClocks(m: Message & { t: 'hello' }): void {
    const byMs = m.at - this.shop.now();
    const key = `clock ${m.name}`;
    if (Math.abs(byMs) > clockSlackMs) this.troubles.set(key, { kind: 'clock', from: m.name, byMs });
    else this.troubles.delete(key);
  }

  private async givePhotos(to: string, ids: readonly string[], link: Link, ofJob: string | null): Promise<void> {
    const texts = ofJob === null ? null : (this.shop.jobs().get(ofJob) ?? []).map((e) => stored(e)).join('\n');
    for (const id of ids) {
      if (texts !== null && !texts.includes(JSON.stringify(id))) continue;
      const data = await this.shop.photo(id);
      if (data !== null) void link.send(to, { t: 'photo', id, data });
    }
  }

  private async gotPhoto(id: string, data: string): Promise<void> {
    if (this.photosAsked.delete(id)) await this.shop.keepPhoto(id, data).catch(() => undefined);
  }

  /** Takes in entries of another device: each is read by the reader of the storage, and what it refuses is told by name. */
  private async take(list: readonly unknown[], from: string, only: string | null): Promise<void> {
    const jobs = this.shop.jobs();
    const fresh = new Map<string, JobEvent>();
    const keys = new Map<string, Map<string, string>>();
    let count = 0;
    let why = '';
    const refuse = (what: string, id?: string) => {
      count++;
      why ||= what;
      if (id) this.refusedIds.add(id);
    };
    for (const raw of list) {
      const read = parseEvent(raw);
      if (!read.ok) {
        const id = typeof raw === 'object' && raw !== null && 'id' in raw ? String(raw.id).slice(0, 120) : undefined;
        refuse(read.problem, id);
        continue;
      }
      const e = read.value;
      const there = jobs.get(e.jobId) ?? [];
      let taken = keys.get(e.jobId);
      if (!taken) keys.set(e.jobId, (taken = new Map(there.map((x) => [jobKey(x), x.id]))));
      if (only !== null && e.jobId !== only) refuse('jobId: not the job that is lent', e.id);
      else if (taken.get(jobKey(e)) === e.id || fresh.has(e.id)) continue;
      else if (taken.has(jobKey(e))) refuse('writer, seq: another entry stands there', e.id);
      else if ((e.nth ?? 0) > there.length + fresh.size + list.length + farAhead)
        refuse('nth: further ahead than any log', e.id);
      else {
        fresh.set(e.id, e);
        taken.set(jobKey(e), e.id);
      }
    }
    if (count) this.trouble({ kind: 'refused', from: this.nameOf(from), count, what: why });
    if (!fresh.size) return;
    for (const id of fresh.keys()) this.fromOthers.add(id);
    await this.shop.add([...fresh.values()]);
    this.passOn([...fresh.values()], from);
  }

  /** Who has a job on loan hears of it through this device only, and the others hear of it the same way. */
  private passOn(events: readonly JobEvent[], from: string): void {
    const borrowed = this.state.out.some((o) => o.id === from);
    if (borrowed) this.group?.peer.noted(events);
    for (const o of this.state.out) {
      if (o.id === from || o.over) continue;
      const of = events.filter((e) => e.jobId === o.jobId);
      if (of.length) this.loans.get(o.id)?.peer.noted(of);
    }
  }

  private async openLoan(l: LoanOut): Promise<void> {
    const at = await roomKey(fromBase64(l.secret));
    const peer: Peer = new Peer(this.logFor(l.jobId), null, (to, m) => void link.send(to, m));
    const link: Link = new Link(at, this.state.me.id, this.wire, {
      up: (is) => {
        if (is && !this.isOver(l.id)) peer.hello();
      },
      strange: () => this.trouble({ kind: 'strange', from: l.name, count: 1 }),
      message: async (from, m) => {
        if (this.isOver(l.id)) return void link.send(from, { t: 'over' });
        if (m.t === 'photoWanted') return this.givePhotos(from, m.ids, link, l.jobId);
        if (m.t === 'hello') void link.send(from, { t: 'shop', settings: leavesOf(this.shop.settings()) });
        if (m.t === 'rekey' || m.t === 'doc' || m.t === 'shop' || m.t === 'photo') return;
        // whoever holds it is known by the loan, not by what it calls itself
        await peer.heard(from, m);
      },
    });
    this.loans.set(l.id, { link, peer });
    link.start();
  }

  private isOver(loanId: string): boolean {
    return this.state.out.find((l) => l.id === loanId)?.over ?? true;
  }

  private async openBorrowed(loan: NonNullable<SyncState['loan']>): Promise<void> {
    const at = await roomKey(fromBase64(loan.secret));
    const peer: Peer = new Peer(this.logFor(loan.jobId), null, (to, m) => void link.send(to, m));
    const link: Link = new Link(at, this.state.me.id, this.wire, {
      up: (is) => {
        if (is) peer.hello();
        this.tell();
      },
      strange: () => this.trouble({ kind: 'strange', from: loan.host, count: 1 }),
      message: async (from, m) => {
        if (m.t === 'over') return this.trouble({ kind: 'over' });
        this.heardAt.set(from, this.shop.now());
        if (m.t === 'photo') return this.gotPhoto(m.id, m.data);
        if (m.t === 'shop') {
          const here = this.shop.settings();
          const { settings } = withLeaves(here, m.settings);
          if (JSON.stringify(settings) !== JSON.stringify(here)) await this.shop.setSettings(settings);
          return;
        }
        await peer.heard(from, m);
      },
    });
    this.loans.set('borrowed', { link, peer });
    link.start();
  }

  private async openOlder(secret: string): Promise<void> {
    const at = await roomKey(fromBase64(secret));
    const link: Link = new Link(at, this.state.me.id, this.wire, {
      // whoever is still here, or was taken to another key meanwhile, is told of ours
      up: (is) => {
        if (is) void this.rekeyFor(this.others()).then((m) => link.send('*', m));
      },
      strange: () => {},
      message: async (from, m) => {
        if (m.t === 'rekey') return this.rekeyed(m, link);
        if (this.doc.out().has(from)) return void link.send(from, { t: 'over' });
        const member = this.doc.members().find((x) => x.id === from);
        if (m.t === 'hello' && member) void link.send(from, await this.rekeyFor([member]));
      },
    });
    this.rooms.push(link);
    link.start();
  }

  private async rekeyFor(members: readonly Member[]): Promise<Message & { t: 'rekey' }> {
    const { secret, epoch, without } = this.state.group!;
    const wraps: Record<string, string> = {};
    for (const m of members) {
      const key = await between(this.state.me.secret, m.key);
      wraps[m.id] = base64(await seal(key, fromBase64(secret), `rekey ${epoch} ${this.state.me.id}>${m.id}`));
    }
    return { t: 'rekey', epoch, by: this.state.me.id, without, wraps };
  }

  private others(): Member[] {
    return this.doc.members().filter((m) => m.id !== this.state.me.id);
  }

  /** A new key for all who are in: those who are away find it in the room of the old one. */
  private async rekey(): Promise<void> {
    const before = this.state.group;
    if (!before || this.stopped) return;
    const group = {
      ...{ secret: base64(randomBytes(32)), epoch: before.epoch + 1 },
      without: [...this.doc.out()].sort(),
    };
    await this.moveTo(group);
    this.tell();
  }

  private async moveTo(group: NonNullable<SyncState['group']>): Promise<void> {
    const before = this.state.group!;
    const older = [...this.state.older, { secret: before.secret, until: this.shop.now() + olderKeptMs }];
    await this.save({ ...this.state, group, older: older.slice(-mostOlder), doc: this.doc.kept() });
    await this.openGroup();
    await this.openOlder(before.secret);
  }

  private async rekeyed(m: Message & { t: 'rekey' }, link: Link): Promise<void> {
    const mine = this.state.group;
    const by = this.doc.members().find((x) => x.id === m.by);
    const wrap = m.wraps[this.state.me.id];
    if (!mine || !by || !wrap) return;
    if (m.epoch < mine.epoch) return void link.send(m.by, await this.rekeyFor([by]));
    let secret: string;
    try {
      const key = await between(this.state.me.secret, by.key);
      secret = base64(await unseal(key, fromBase64(wrap), `rekey ${m.epoch} ${m.by}>${this.state.me.id}`));
    } catch {
      return this.trouble({ kind: 'strange', from: by.name, count: 1 });
    }
    if (secret === mine.secret) return;
    // of two keys that were made at once, the one that is later in the alphabet is everybody's
    if (m.epoch === mine.epoch && secret < mine.secret) return void link.send(m.by, await this.rekeyFor([by]));
    for (const id of m.without) if (!this.doc.out().has(id)) this.doc.noteOut(id, this.shop.now());
    await this.moveTo({ secret, epoch: m.epoch, without: m.without });
    this.tell();
  }

  /** Somebody was taken out after this key was made: a new one is needed, from whoever is first. */
  private checkKey(): void {
    const { group, me } = this.state;
    if (!group || this.rekeyTimer) return;
    const missing = () => [...this.doc.out()].some((id) => !this.state.group!.without.includes(id));
    if (!missing() || this.doc.out().has(me.id)) return;
    this.rekeyTimer = setTimeout(() => {
      this.rekeyTimer = null;
      if (missing()) void this.rekey();
    }, rekeyAfterMs * (0.5 + Math.random()));
  }

  private nameOf(id: string): string {
    return (
      this.doc.members().find((m) => m.id === id)?.name ??
      this.state.out.find((l) => l.id === id)?.name ??
      this.state.loan?.host ??
      '?'
    );
  }

  private trouble(t: Trouble): void {
    const key = t.kind === 'over' ? 'over' : `${t.kind} ${t.from}`;
    const before = this.troubles.get(key);
    const more = before && 'count' in before && 'count' in t ? { ...t, count: before.count + t.count } : t;
    this.troubles.set(key, more);
    this.tell();
  }

  private seen(): SyncView {
    const { me, out, loan, group } = this.state;
    const link = this.group?.link ?? this.loans.get('borrowed')?.link;
    return {
      ...{ me: { id: me.id, name: me.name }, up: link?.up ?? false, loans: out, loan },
      members: group ? this.doc.members().map((m) => ({ ...m, heardAt: this.heardAt.get(m.id) ?? null })) : [],
      troubles: [...this.troubles.values()],
    };
  }

  private tell(): void {
    this.view = this.seen();
    this.changed(this.view);
  }
}

/** Jobs of the demo that nobody has worked on are everybody's already. */
const shared = (events: readonly JobEvent[]): boolean => events.some((e) => e.writer !== demoWriter);
