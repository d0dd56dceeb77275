import type { JobEvent } from '@/model/event';
import type { SharedLog } from '@/work/sync/peer';
import type { Member } from '@/work/sync/sharedDoc';
import { demoWriter } from '../dropped';
import { stored } from '../keptEntries';
import type { Desk, ShopAccess, ShopLink } from './desk';
import type { Wire } from './link';
import { LoanRooms } from './loanRooms';
import { ShopRoom } from './shopRoom';
import type { LoanOut, SyncState } from './state';
import { sortOut } from './taking';
import { Troubles, type Trouble } from './trouble';

export interface SyncView {
  me: { id: string; name: string };
  /** the line to the relay is open */
  up: boolean;
  members: readonly (Member & { heardAt: number | null })[];
  loans: readonly LoanOut[];
  loan: SyncState['loan'];
  troubles: readonly Trouble[];
}

/** Jobs of the demo that nobody has worked on are everybody's already. */
const shared = (events: readonly JobEvent[]): boolean => events.some((e) => e.writer !== demoWriter);

/** One device among those of a shop: says what is new here, takes in what is new elsewhere. */
export class SyncDevice implements Desk {
  readonly troubles = new Troubles();
  private readonly room: ShopRoom;
  private readonly loans: LoanRooms;
  private readonly refusedIds = new Set<string>();
  private readonly heardAt = new Map<string, number>();
  private readonly photosAsked = new Set<string>();
  /** entries that came from another device and will be seen in the log in a moment */
  private readonly fromOthers = new Set<string>();
  /** the log as the others were told of it */
  private told: ReadonlyMap<string, readonly JobEvent[]> = new Map();
  view: SyncView;

  constructor(
    private current: SyncState,
    readonly shop: ShopAccess,
    readonly wire: Wire,
    private readonly changed: (view: SyncView) => void = () => {},
  ) {
    this.room = new ShopRoom(this);
    this.loans = new LoanRooms(this);
    this.view = this.seen();
  }

  state(): SyncState {
    return this.current;
  }

  async save(change: Partial<SyncState>): Promise<void> {
    this.current = { ...this.current, ...change };
    await this.shop.keep(this.current);
  }

  /** Opens the lines; what changed here since the last time is noted first. */
  async start(): Promise<void> {
    this.told = this.shop.jobs();
    await this.room.start();
    await this.loans.start();
    this.tell();
  }

  stop(): void {
    for (const l of this.links()) l.stop();
    this.room.stop();
  }

  private links(): ShopLink[] {
    return [...this.room.links(), ...this.loans.links()];
  }

  /** Everything that was begun is done: for tests and before a page goes. */
  async idle(): Promise<void> {
    for (const l of this.links()) await l.idle();
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
    this.room.noted(fresh);
    this.loans.noted(fresh);
    this.room.settingsNoted();
  }

  found(): Promise<void> {
    return this.room.found();
  }

  noteMember(m: Member): void {
    this.room.noteMember(m);
    this.tell();
  }

  async rename(name: string): Promise<void> {
    await this.save({ me: { ...this.current.me, name } });
    if (this.current.group) this.room.noteMe();
    this.tell();
  }

  async takeOut(id: string): Promise<void> {
    await this.room.takeOut(id);
    this.tell();
  }

  async lend(l: LoanOut): Promise<void> {
    await this.loans.lend(l);
    this.tell();
  }

  async takeBack(loanId: string): Promise<void> {
    await this.loans.takeBack(loanId);
    this.tell();
  }

  askPhoto(id: string): void {
    if (this.photosAsked.has(id)) return;
    this.photosAsked.add(id);
    this.room.askPhoto(id);
    for (const l of this.loans.links()) void l.send('*', { t: 'photoWanted', ids: [id] });
  }

  logFor(jobId: string | null): SharedLog {
    const { shop } = this;
    const jobs = () => {
      if (jobId === null) return new Map([...shop.jobs()].filter(([, l]) => shared(l)));
      const list = shop.jobs().get(jobId);
      return new Map(list ? [[jobId, list]] : []);
    };
    return {
      jobs,
      written: (e) => (e.type === 'unknown' ? e.raw : e),
      take: (list, from) => this.take(list, from, jobId),
      refused: this.refusedIds,
      now: () => shop.now(),
      name: this.current.me.name,
    };
  }

  private async take(list: readonly unknown[], from: string, only: string | null): Promise<void> {
    const { fresh, refusedIds, count, what } = sortOut(list, this.shop.jobs(), only);
    for (const id of refusedIds) this.refusedIds.add(id);
    if (count) {
      this.troubles.add({ kind: 'refused', from: this.nameOf(from), count, what });
      this.tell();
    }
    if (!fresh.length) return;
    for (const e of fresh) this.fromOthers.add(e.id);
    await this.shop.add(fresh);
    // who has a job on loan hears of it through this device only, and the others hear of it the same way
    if (this.loans.isLoan(from)) this.room.noted(fresh);
    this.loans.noted(fresh, from);
  }

  heardOf(id: string): void {
    this.heardAt.set(id, this.shop.now());
  }

  async givePhotos(to: string, ids: readonly string[], link: ShopLink, ofJob: string | null): Promise<void> {
    const texts = ofJob === null ? null : (this.shop.jobs().get(ofJob) ?? []).map((e) => stored(e)).join('\n');
    for (const id of ids) {
      if (texts !== null && !texts.includes(JSON.stringify(id))) continue;
      const data = await this.shop.photo(id);
      if (data !== null) void link.send(to, { t: 'photo', id, data });
    }
  }

  async gotPhoto(id: string, data: string): Promise<void> {
    if (this.photosAsked.delete(id)) await this.shop.keepPhoto(id, data).catch(() => undefined);
  }

  private nameOf(id: string): string {
    const { out, loan } = this.current;
    return this.room.nameOf(id) ?? out.find((l) => l.id === id)?.name ?? loan?.host ?? '?';
  }

  private seen(): SyncView {
    const { me, out, loan } = this.current;
    return {
      ...{ me: { id: me.id, name: me.name }, up: this.room.up || this.loans.up, loans: out, loan },
      members: this.room.members().map((m) => ({ ...m, heardAt: this.heardAt.get(m.id) ?? null })),
      troubles: this.troubles.list(),
    };
  }

  tell(): void {
    this.view = this.seen();
    this.changed(this.view);
  }
}
