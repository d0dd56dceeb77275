import type { JobEvent } from '@/model/event';
import { messageSchema, type Message } from '@/work/sync/messages';
import { Peer } from '@/work/sync/peer';
import { leavesOf, withLeaves } from '@/work/sync/sharedSettings';
import type { Desk, ShopLink } from './desk';
import { Link } from './link';
import { fromBase64, roomKey } from './seal';
import type { LoanOut, SyncState } from './state';

const borrowed = 'borrowed';

/** Rooms of jobs on loan, one for each: who has one hears of that job through the lender, and of nothing else. */
export class LoanRooms {
  private readonly rooms = new Map<string, { link: ShopLink; peer: Peer; jobId: string }>();

  constructor(private readonly desk: Desk) {}

  links(): ShopLink[] {
    return [...this.rooms.values()].map((r) => r.link);
  }

  get up(): boolean {
    return this.rooms.get(borrowed)?.link.up ?? false;
  }

  async start(): Promise<void> {
    const { out, loan } = this.desk.state();
    for (const l of out) await this.open(l);
    if (loan) await this.openBorrowed(loan);
  }

  async lend(l: LoanOut): Promise<void> {
    await this.desk.save({ out: [...this.desk.state().out, l] });
    await this.open(l);
  }

  async takeBack(id: string): Promise<void> {
    await this.desk.save({ out: this.desk.state().out.map((l) => (l.id === id ? { ...l, over: true } : l)) });
    void this.rooms.get(id)?.link.send('*', { t: 'over' });
  }

  /** @param from the room that they came from: it has them */
  noted(events: readonly JobEvent[], from: string | null = null): void {
    for (const [id, room] of this.rooms) {
      if (id === from || (id !== borrowed && this.isOver(id))) continue;
      const of = events.filter((e) => e.jobId === room.jobId);
      if (of.length) room.peer.noted(of);
    }
  }

  isLoan(id: string): boolean {
    return this.desk.state().out.some((l) => l.id === id);
  }

  private isOver(id: string): boolean {
    return this.desk.state().out.find((l) => l.id === id)?.over ?? true;
  }

  private async room(
    id: string,
    secret: string,
    jobId: string,
    name: string,
    heard: (peer: Peer, link: ShopLink, from: string, m: Message) => Promise<void>,
  ): Promise<void> {
    const { desk } = this;
    const at = await roomKey(fromBase64(secret));
    const peer: Peer = new Peer(desk.logFor(jobId), null, (to, m) => void link.send(to, m));
    const link: ShopLink = new Link(at, desk.state().me.id, desk.wire, messageSchema, {
      up: (is) => {
        if (is && (id === borrowed || !this.isOver(id))) peer.hello();
        desk.tell();
      },
      strange: () => {
        desk.troubles.add({ kind: 'strange', from: name, count: 1 });
        desk.tell();
      },
      message: (from, m) => heard(peer, link, from, m),
    });
    this.rooms.set(id, { link, peer, jobId });
    link.start();
  }

  private open(l: LoanOut): Promise<void> {
    const { desk } = this;
    return this.room(l.id, l.secret, l.jobId, l.name, async (peer, link, from, m) => {
      if (this.isOver(l.id)) return void link.send(from, { t: 'over' });
      if (m.t === 'photoWanted') return desk.givePhotos(from, m.ids, link, l.jobId);
      if (m.t === 'hello') void link.send(from, { t: 'shop', settings: leavesOf(desk.shop.settings()) });
      // the rest is the shop's: who borrows has no say in it
      if (m.t !== 'rekey' && m.t !== 'doc' && m.t !== 'shop' && m.t !== 'photo' && m.t !== 'over')
        await peer.heard(from, m);
    });
  }

  private openBorrowed(loan: NonNullable<SyncState['loan']>): Promise<void> {
    const { desk } = this;
    return this.room(borrowed, loan.secret, loan.jobId, loan.host, async (peer, _link, from, m) => {
      if (m.t === 'over') {
        desk.troubles.add({ kind: 'over' });
        return desk.tell();
      }
      desk.heardOf(from);
      if (m.t === 'photo') return desk.gotPhoto(m.id, m.data);
      if (m.t !== 'shop') return peer.heard(from, m);
      const here = desk.shop.settings();
      const { settings } = withLeaves(here, m.settings);
      if (JSON.stringify(settings) !== JSON.stringify(here)) await desk.shop.setSettings(settings);
    });
  }
}
