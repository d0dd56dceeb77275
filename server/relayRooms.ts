/** What the relay takes at most: it passes on between the devices of a shop, and is no storage. */
export const relayLimits = {
  rooms: 64,
  members: 16,
  /** rooms that one device listens in: the shop's, those of older keys, jobs on loan */
  roomsOfOne: 24,
  /** of what a device missed that was here lately, bytes for each and how long, ms */
  waitingBytes: 512 * 1024,
  waitingMs: 24 * 3_600_000,
  /** frames of one device: at once, and in a second after that */
  burst: 400,
  perSecond: 100,
  /** a line that says nothing for so long is kept open with a word, ms */
  stillMs: 20_000,
};

type RelayLimits = typeof relayLimits;

export interface Member {
  /** its open line */
  hear: ((text: string) => void) | null;
  waiting: string[];
  waitingBytes: number;
  goneAt: number;
  tokens: number;
  tokensAt: number;
}

/** Who is in which room, and what waits for whom. */
export class Rooms {
  private readonly rooms = new Map<string, Map<string, Member>>();

  constructor(
    private readonly now: () => number,
    private readonly limits: RelayLimits,
  ) {}

  of(room: string): Map<string, Member> | undefined {
    return this.rooms.get(room);
  }

  /** Who has been away for longer than a day is forgotten, and rooms that nobody is in. */
  private tidy(): void {
    for (const [name, members] of this.rooms) {
      for (const [id, m] of members) if (!m.hear && this.now() - m.goneAt > this.limits.waitingMs) members.delete(id);
      if (!members.size) this.rooms.delete(name);
    }
  }

  enter(room: string, id: string): Member | null {
    this.tidy();
    let members = this.rooms.get(room);
    if (!members) {
      // a full house makes room where nobody listens
      if (this.rooms.size >= this.limits.rooms)
        for (const [name, list] of this.rooms) if (![...list.values()].some((m) => m.hear)) this.rooms.delete(name);
      if (this.rooms.size >= this.limits.rooms) return null;
      this.rooms.set(room, (members = new Map()));
    }
    const there = members.get(id);
    if (there) return there;
    if (members.size >= this.limits.members)
      for (const [other, m] of members) if (!m.hear && members.size >= this.limits.members) members.delete(other);
    if (members.size >= this.limits.members) return null;
    const made: Member = {
      ...{ hear: null, waiting: [], waitingBytes: 0, goneAt: this.now() },
      ...{ tokens: this.limits.burst, tokensAt: this.now() },
    };
    members.set(id, made);
    return made;
  }

  pays(m: Member): boolean {
    const t = this.now();
    m.tokens = Math.min(this.limits.burst, m.tokens + ((t - m.tokensAt) / 1000) * this.limits.perSecond);
    m.tokensAt = t;
    if (m.tokens < 1) return false;
    m.tokens--;
    return true;
  }

  give(m: Member, text: string): void {
    if (m.hear) return m.hear(text);
    if (m.waitingBytes + text.length > this.limits.waitingBytes) return;
    m.waiting.push(text);
    m.waitingBytes += text.length;
  }
}
