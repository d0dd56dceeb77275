import type { JobEvent } from '@/model/event';
import { bucketOf, bucketsOf, digestOf, noDigest, sameDigest } from './digest';
import { messageLimits, type Message } from './messages';

/** What a peer compares and completes: the log of one device, as far as the other may have it. */
export interface SharedLog {
  /** every job that is shared, with all its entries */
  jobs(): ReadonlyMap<string, readonly JobEvent[]>;
  /** an entry as it travels */
  written(e: JobEvent): unknown;
  /** Takes in what another device sent; what cannot be taken is told by name. */
  take(list: readonly unknown[], from: string): Promise<void>;
  /** ids of entries that were refused here: they are not asked for again */
  refused: ReadonlySet<string>;
  now(): number;
  name: string;
}

/** The shop's document of settings, models and members; none where only a job is lent. */
export interface SharedDocument {
  /** what is known here, as the library counts it */
  knows(): string;
  /** what another one lacks that knows so much; null when it lacks nothing */
  since(knows: string): string | null;
  /** @throws when it is none */
  take(update: string, from: string): Promise<void>;
}

/** Entries in lots that one message carries. */
function lots<T>(list: readonly T[], size: number): T[][] {
  const out: T[][] = [];
  for (let i = 0; i < list.length; i += size) out.push(list.slice(i, i + size));
  return out;
}

/**
 * Completes two logs to their union: digests of everything, then of 256 buckets, then of the jobs in those that differ, then
 * ids, then what the other lacks. Entries never change and are ordered by their own counters, so it does not matter in which
 * order or how often anything comes, or whether it comes at all: the next greeting finds what is left. It keeps no memory of
 * others, so a backup that is read back, or a month away, is nothing special.
 */
export class Peer {
  constructor(
    private readonly log: SharedLog,
    private readonly doc: SharedDocument | null,
    private readonly send: (to: string, m: Message) => void,
  ) {}

  /** Said to everybody when the line is up. */
  hello(to = '*'): void {
    const { root } = bucketsOf(this.log.jobs());
    this.send(to, { t: 'hello', at: this.log.now(), name: this.log.name, root, knows: this.doc?.knows() ?? null });
  }

  /** New entries of this device: told to everybody at once. */
  noted(events: readonly JobEvent[]): void {
    this.give('*', events);
  }

  private give(to: string, events: readonly JobEvent[]): void {
    let list: unknown[] = [];
    let letters = 0;
    const send = () => {
      if (list.length) this.send(to, { t: 'entries', list });
      list = [];
      letters = 0;
    };
    for (const e of events) {
      const written = this.log.written(e);
      const length = JSON.stringify(written).length;
      if (list.length >= messageLimits.entries || letters + length > messageLimits.letters) send();
      list.push(written);
      letters += length;
    }
    send();
  }

  async heard(from: string, m: Message): Promise<void> {
    switch (m.t) {
      case 'hello':
        return this.greeted(from, m);
      case 'buckets':
        return this.compareBuckets(from, m);
      case 'jobs':
        return this.compareJobs(from, m);
      case 'ids':
        return this.compareIds(from, m);
      case 'want':
        return this.wanted(from, m);
      case 'entries':
        return this.log.take(m.list, from);
      case 'doc': {
        if (m.update) await this.doc?.take(m.update, from);
        this.answerDoc(from, m.knows, false);
        return;
      }
      default:
    }
  }

  private greeted(from: string, m: Message & { t: 'hello' }): void {
    const { root, buckets } = bucketsOf(this.log.jobs());
    if (!sameDigest(root, m.root)) this.send(from, { t: 'buckets', list: buckets });
    this.answerDoc(from, m.knows, true);
  }

  /** Gives what the other lacks of the document, and where it is asked, says what is known here. */
  private answerDoc(from: string, knows: string | null, ask: boolean): void {
    if (!this.doc || knows === null) return;
    const update = this.doc.since(knows);
    const mine = this.doc.knows();
    if (update === null && (!ask || mine === knows)) return;
    this.send(from, { t: 'doc', update: update ?? '', knows: ask ? mine : null });
  }

  private compareBuckets(from: string, m: Message & { t: 'buckets' }): void {
    const jobs = this.log.jobs();
    const { buckets } = bucketsOf(jobs);
    const of = buckets.flatMap((d, i) => (sameDigest(d, m.list[i] ?? noDigest) ? [] : [i]));
    if (!of.length) return;
    const differ = new Set(of);
    const list = [...jobs].filter(([id]) => differ.has(bucketOf(id))).map(([id, l]) => [id, digestOf(l)] as const);
    this.send(from, { t: 'jobs', of, list: list.map(([id, [n, h]]) => [id, [n, h]]) });
  }

  private compareJobs(from: string, m: Message & { t: 'jobs' }): void {
    const mine = this.log.jobs();
    const theirs = new Map(m.list);
    const differ = new Set(m.of);
    const only: JobEvent[] = [];
    const both: [string, string[]][] = [];
    for (const [id, list] of mine) {
      if (!differ.has(bucketOf(id))) continue;
      const other = theirs.get(id);
      if (!other) only.push(...list);
      else if (!sameDigest(digestOf(list), other)) both.push([id, list.map((e) => e.id)]);
    }
    const lacking = [...theirs.keys()].filter((id) => !mine.has(id));
    this.give(from, only);
    for (const lot of lots(both, 1000)) this.send(from, { t: 'ids', jobs: lot });
    for (const lot of lots(lacking, messageLimits.named)) this.send(from, { t: 'want', jobs: lot, entries: [] });
  }

  private compareIds(from: string, m: Message & { t: 'ids' }): void {
    const mine = this.log.jobs();
    const want: [string, string[]][] = [];
    const give: JobEvent[] = [];
    for (const [job, ids] of m.jobs) {
      const list = mine.get(job) ?? [];
      const here = new Set(list.map((e) => e.id));
      const theirs = new Set(ids);
      give.push(...list.filter((e) => !theirs.has(e.id)));
      const lacking = ids.filter((x) => !here.has(x) && !this.log.refused.has(x));
      if (lacking.length) want.push([job, lacking]);
    }
    this.give(from, give);
    if (want.length) this.send(from, { t: 'want', jobs: [], entries: want });
  }

  private wanted(from: string, m: Message & { t: 'want' }): void {
    const mine = this.log.jobs();
    const whole = m.jobs.flatMap((id) => [...(mine.get(id) ?? [])]);
    const some = m.entries.flatMap(([job, ids]) => {
      const asked = new Set(ids);
      return (mine.get(job) ?? []).filter((e) => asked.has(e.id));
    });
    this.give(from, [...whole, ...some]);
  }
}
