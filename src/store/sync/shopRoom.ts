import equal from 'fast-deep-equal';

import type { Device } from '@/core/device/types';
import { deviceSchema } from '@/model/device';
import type { JobEvent } from '@/model/event';
import { keepUnknown } from '@/model/keepUnknown';
import type { Settings } from '@/model/settings';
import { messageSchema, type Message } from '@/work/sync/messages';
import { Peer, type SharedDocument } from '@/work/sync/peer';
import { numbered, SharedDoc, type Member } from '@/work/sync/sharedDoc';
import { leavesOf } from '@/work/sync/sharedSettings';
import type { Desk, ShopLink } from './desk';
import { Link } from './link';
import { rekeyFor, unwrapped, type Rekey } from './newKey';
import { base64, fromBase64, randomBytes, roomKey } from './seal';
import { mostOlder, olderKeptMs, type SyncState } from './state';

type Group = NonNullable<SyncState['group']>;

const keepAfterMs = 800;
/** Who makes a new key when another did not within about this time, ms. */
const rekeyAfterMs = 4000;

/** The room of the whole shop: its log, its document, and its key, which changes when somebody is taken out. */
export class ShopRoom {
  private readonly doc: SharedDoc;
  private lastSettings: Settings | null = null;
  private room: { link: ShopLink; peer: Peer } | null = null;
  private readonly older: ShopLink[] = [];
  private keepTimer: ReturnType<typeof setTimeout> | null = null;
  private rekeyTimer: ReturnType<typeof setTimeout> | null = null;

  constructor(private readonly desk: Desk) {
    this.doc = new SharedDoc(desk.state().doc);
    this.doc.onChange((update, own) => {
      if (own) void this.room?.link.send('*', { t: 'doc', update, knows: null });
      this.keepTimer ??= setTimeout(() => this.flush(), keepAfterMs);
    });
  }

  links(): ShopLink[] {
    return [...(this.room ? [this.room.link] : []), ...this.older];
  }

  get up(): boolean {
    return this.room?.link.up ?? false;
  }

  members(): Member[] {
    return this.desk.state().group ? this.doc.members() : [];
  }

  nameOf(id: string): string | undefined {
    return this.doc.members().find((m) => m.id === id)?.name;
  }

  /** Opens the lines; what changed here since the last time is noted first. */
  async start(): Promise<void> {
    const { shop } = this.desk;
    if (!this.desk.state().group) return;
    const now = shop.settings();
    if (!this.doc.empty) this.doc.noteSettings(this.doc.settingsIn(now).settings, now);
    this.lastSettings = now;
    this.doc.noteModels(shop.devices());
    await this.open();
    for (const o of this.desk.state().older) if (o.until > shop.now()) await this.openOlder(o.secret);
  }

  stop(): void {
    if (this.rekeyTimer) clearTimeout(this.rekeyTimer);
    this.flush();
  }

  /** Makes this shop one that others can join: its settings, its models and this device as the first member. */
  async found(): Promise<void> {
    const { desk } = this;
    if (desk.state().group) return;
    const settings = desk.shop.settings();
    this.doc.noteSettings(null, settings);
    this.lastSettings = settings;
    this.doc.noteModels(desk.shop.devices());
    this.noteMe();
    // key and document in one writing: a page that is closed in between has founded nothing
    const group = { secret: base64(randomBytes(32)), epoch: 1, without: [] };
    await desk.save({ group, doc: this.doc.kept() });
    await this.open();
  }

  noted(events: readonly JobEvent[]): void {
    if (events.length) this.room?.peer.noted(events);
  }

  settingsNoted(): void {
    if (!this.desk.state().group || this.doc.empty) return;
    const settings = this.desk.shop.settings();
    if (this.lastSettings && settings !== this.lastSettings) this.doc.noteSettings(this.lastSettings, settings);
    this.lastSettings = settings;
    this.doc.noteModels(this.desk.shop.devices());
  }

  noteMember(m: Member): void {
    this.doc.noteMember(m);
    this.flush();
  }

  noteMe(): void {
    const { id, name, open } = this.desk.state().me;
    if (!this.doc.out().has(id) && this.nameOf(id) !== name)
      this.doc.noteMember({ id, name, key: open, since: this.desk.shop.now() });
  }

  /** Takes a device out: the rest get a new key, which it has not. */
  async takeOut(id: string): Promise<void> {
    this.doc.noteOut(id, this.desk.shop.now());
    await this.rekey();
  }

  askPhoto(id: string): void {
    void this.room?.link.send('*', { t: 'photoWanted', ids: [id] });
  }

  private flush(): void {
    if (this.keepTimer === null) return;
    clearTimeout(this.keepTimer);
    this.keepTimer = null;
    void this.desk.save({ doc: this.doc.kept() }).catch(() => undefined);
  }

  private document(): SharedDocument {
    return {
      knows: () => this.doc.knows(),
      since: (knows) => this.doc.since(knows),
      take: async (update, from) => {
        try {
          this.doc.apply(update);
        } catch {
          this.desk.troubles.add({ kind: 'garbled', from: this.nameOf(from) ?? '?', count: 1 });
          return this.desk.tell();
        }
        await this.follow(from);
      },
    };
  }

  /** What the document says now becomes so here. */
  private async follow(from: string): Promise<void> {
    const { shop, troubles } = this.desk;
    const here = shop.settings();
    const { settings, refused } = this.doc.settingsIn(here);
    for (const what of refused) troubles.add({ kind: 'settings', from: this.nameOf(from) ?? '?', what });
    if (!this.doc.empty && JSON.stringify(leavesOf(settings)) !== JSON.stringify(leavesOf(here)))
      await shop.setSettings(settings);
    this.lastSettings = this.doc.empty ? null : shop.settings();
    const modelsHere = new Map(shop.devices().map((d) => [`${d.id}/${d.version}`, d]));
    const read = this.doc.models().flatMap((text) => {
      const raw: unknown = JSON.parse(text);
      const d = deviceSchema.safeParse(raw);
      return d.success ? [keepUnknown(raw, d.data) as Device] : [];
    });
    for (const d of numbered(read)) if (!equal(modelsHere.get(`${d.id}/${d.version}`), d)) await shop.addDevice(d);
    this.noteMe();
    this.checkKey();
    this.desk.tell();
  }

  private async open(): Promise<void> {
    const { desk } = this;
    const { group, me } = desk.state();
    const at = await roomKey(fromBase64(group!.secret));
    const peer: Peer = new Peer(desk.logFor(null), this.document(), (to, m) => void link.send(to, m));
    const link: ShopLink = new Link(at, me.id, desk.wire, messageSchema, {
      up: (is) => {
        if (is) peer.hello();
        desk.tell();
      },
      strange: (from, what) => {
        desk.troubles.add({
          kind: what === 'sealed' ? 'strange' : 'garbled',
          from: this.nameOf(from) ?? '?',
          count: 1,
        });
        desk.tell();
      },
      message: (from, m) => this.heard(peer, from, m, link),
    });
    this.room?.link.stop();
    this.room = { link, peer };
    link.start();
  }

  private async heard(peer: Peer, from: string, m: Message, link: ShopLink): Promise<void> {
    const { desk } = this;
    if (m.t === 'rekey') return this.rekeyed(m, link);
    if (m.t === 'over') {
      desk.troubles.add({ kind: 'over' });
      return desk.tell();
    }
    // who was taken out is not answered, and told so
    if (this.doc.out().has(from)) return void link.send(from, { t: 'over' });
    desk.heardOf(from);
    if (m.t === 'hello') void link.send(from, { t: 'here', at: desk.shop.now(), name: desk.state().me.name });
    if (m.t === 'hello' || m.t === 'here') {
      desk.troubles.clock(m.name, m.at - desk.shop.now());
      desk.tell();
    }
    if (m.t === 'photoWanted') return desk.givePhotos(from, m.ids, link, null);
    if (m.t === 'photo') return desk.gotPhoto(m.id, m.data);
    await peer.heard(from, m);
  }

  private async openOlder(secret: string): Promise<void> {
    const { desk } = this;
    const at = await roomKey(fromBase64(secret));
    const link: ShopLink = new Link(at, desk.state().me.id, desk.wire, messageSchema, {
      // whoever is still here, or was taken to another key meanwhile, is told of ours
      up: (is) => {
        if (is) void this.give(link, '*', this.others());
      },
      strange: () => {},
      message: async (from, m) => {
        if (m.t === 'rekey') return this.rekeyed(m, link);
        if (this.doc.out().has(from)) return void link.send(from, { t: 'over' });
        const member = this.doc.members().find((x) => x.id === from);
        if (m.t === 'hello' && member) await this.give(link, from, [member]);
      },
    });
    this.older.push(link);
    link.start();
  }

  private others(): Member[] {
    return this.doc.members().filter((m) => m.id !== this.desk.state().me.id);
  }

  private async give(link: ShopLink, to: string, members: readonly Member[]): Promise<void> {
    const { me, group } = this.desk.state();
    void link.send(to, await rekeyFor(me, group!, members));
  }

  /** A new key for all who are in: those who are away find it in the room of the old one. */
  private async rekey(): Promise<void> {
    const before = this.desk.state().group;
    if (!before) return;
    const without = [...this.doc.out()].sort();
    await this.moveTo({ secret: base64(randomBytes(32)), epoch: before.epoch + 1, without });
    // whoever was taken out hears it in the room that it still has, and not only when it speaks next
    const room = this.older.at(-1);
    for (const id of without) if (!before.without.includes(id)) void room?.send(id, { t: 'over' });
  }

  private async moveTo(group: Group): Promise<void> {
    const { desk } = this;
    const before = desk.state().group!;
    const older = [...desk.state().older, { secret: before.secret, until: desk.shop.now() + olderKeptMs }];
    await desk.save({ group, older: older.slice(-mostOlder), doc: this.doc.kept() });
    await this.open();
    await this.openOlder(before.secret);
    desk.tell();
  }

  private async rekeyed(m: Rekey, link: ShopLink): Promise<void> {
    const { me, group: mine } = this.desk.state();
    const by = this.doc.members().find((x) => x.id === m.by);
    if (!mine || !by || !(me.id in m.wraps)) return;
    if (m.epoch < mine.epoch) return this.give(link, m.by, [by]);
    let secret: string;
    try {
      secret = await unwrapped(me, by, m);
    } catch {
      this.desk.troubles.add({ kind: 'strange', from: by.name, count: 1 });
      return this.desk.tell();
    }
    if (secret === mine.secret) return;
    // of two keys that were made at once, the one that is later in the alphabet is everybody's
    if (m.epoch === mine.epoch && secret < mine.secret) return this.give(link, m.by, [by]);
    for (const id of m.without) if (!this.doc.out().has(id)) this.doc.noteOut(id, this.desk.shop.now());
    await this.moveTo({ secret, epoch: m.epoch, without: m.without });
  }

  /** Somebody was taken out after this key was made: a new one is needed, from whoever is first. */
  private checkKey(): void {
    const { group, me } = this.desk.state();
    if (!group || this.rekeyTimer || this.doc.out().has(me.id)) return;
    const missing = () => [...this.doc.out()].some((id) => !this.desk.state().group!.without.includes(id));
    if (!missing()) return;
    this.rekeyTimer = setTimeout(
      () => {
        this.rekeyTimer = null;
        if (missing()) void this.rekey();
      },
      rekeyAfterMs * (0.5 + Math.random()),
    );
  }
}
