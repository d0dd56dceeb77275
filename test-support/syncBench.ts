import type { Device } from '../src/core/device/types';
import { defaultSettings } from '../src/model/defaultSettings';
import type { JobEvent, NewEvent } from '../src/model/event';
import { logOrder } from '../src/model/logOrder';
import type { Settings } from '../src/model/settings';
import { Repository } from '../src/store/repository';
import type { ShopAccess } from '../src/store/sync/desk';
import { SyncDevice } from '../src/store/sync/device';
import type { Frame, HeardFrame, Wire } from '../src/store/sync/link';
import { ownPair } from '../src/store/sync/seal';
import type { SyncState } from '../src/store/sync/state';
import { MemoryStorage } from './memoryStorage';

/** What carries frames between devices of a test: lines can be cut, and every frame is kept for whoever wants to play with it. */
export class MemoryWire implements Wire {
  private readonly rooms = new Map<string, Map<string, { hear: (f: HeardFrame) => void; up: (is: boolean) => void }>>();
  private readonly isCut = new Set<string>();
  readonly frames: { room: string; from: string; frame: Frame }[] = [];
  letters = 0;

  open(room: string, me: string, heard: (f: HeardFrame) => void, up: (is: boolean) => void): () => void {
    const members = this.rooms.get(room) ?? new Map();
    this.rooms.set(room, members);
    members.set(me, { hear: heard, up });
    if (!this.isCut.has(me)) queueMicrotask(() => up(true));
    return () => members.delete(me);
  }

  async post(room: string, from: string, frame: Frame): Promise<void> {
    if (this.isCut.has(from)) throw new Error('cut');
    this.letters += frame.d.length;
    this.frames.push({ room, from, frame });
    this.give(room, from, frame);
  }

  give(room: string, from: string, frame: Frame): void {
    for (const [id, m] of this.rooms.get(room) ?? [])
      if (id !== from && !this.isCut.has(id) && (frame.to === '*' || frame.to === id)) m.hear({ from, ...frame });
  }

  cut(me: string): void {
    this.isCut.add(me);
    for (const members of this.rooms.values()) members.get(me)?.up(false);
  }

  mend(me: string): void {
    if (!this.isCut.delete(me)) return;
    for (const members of this.rooms.values()) members.get(me)?.up(true);
  }
}

/** One browser: its own storage, clock and log, as the app keeps them. */
export class Bench {
  readonly storage = new MemoryStorage();
  readonly repository: Repository;
  jobs = new Map<string, JobEvent[]>();
  settings: Settings = defaultSettings;
  devices: Device[] = [];
  readonly photos = new Map<string, string>();
  kept: SyncState | null = null;
  device!: SyncDevice;
  private n = 0;

  constructor(
    readonly name: string,
    readonly wire: MemoryWire,
    readonly now: () => number,
  ) {
    this.repository = new Repository(this.storage, { now, uuid: () => `${name}-${this.n++}-aaaaaaaaaaaaaaaa` });
  }

  readonly access: ShopAccess = {
    jobs: () => this.jobs,
    settings: () => this.settings,
    devices: () => this.devices,
    add: async (events) => {
      this.put(events);
      await this.repository.write(events);
      this.device.noted();
    },
    setSettings: async (s) => {
      this.repository.gateSettings(s);
      this.settings = s;
    },
    addDevice: async (d) => {
      this.devices = [...this.devices.filter((x) => x.id !== d.id || x.version !== d.version), d];
    },
    photo: async (id) => this.photos.get(id) ?? null,
    keepPhoto: async (id, data) => void this.photos.set(id, data),
    now: () => this.now(),
    keep: async (s) => {
      this.kept = s;
    },
  };

  private put(events: readonly JobEvent[]): void {
    const jobs = new Map(this.jobs);
    for (const e of events) {
      const list = jobs.get(e.jobId) ?? [];
      if (!list.some((x) => x.id === e.id)) jobs.set(e.jobId, [...list, e].sort(logOrder));
    }
    this.jobs = jobs;
  }

  /** Somebody notes something on this screen. */
  async note(jobId: string, ...events: NewEvent[]): Promise<JobEvent[]> {
    const made = this.repository.make(jobId, this.name, events, undefined, this.jobs.get(jobId) ?? []);
    this.put(made);
    this.device?.noted();
    await this.repository.write(made);
    return made;
  }

  set(change: Partial<Settings>): void {
    this.settings = { ...this.settings, ...change };
    this.device.noted();
  }

  async begin(state: Partial<SyncState> = {}): Promise<void> {
    const pair = await ownPair();
    const me = { id: `${this.name}-device`, name: this.name, ...pair };
    this.kept = { me, group: null, older: [], doc: null, out: [], loan: null, ...state };
    await this.open();
  }

  /** The page is loaded (anew) with what was kept. */
  async open(): Promise<void> {
    this.device?.stop();
    this.device = new SyncDevice(this.kept!, this.access, this.wire);
    await this.device.start();
  }

  entries(): string[] {
    return [...this.jobs.values()].flatMap((l) => l.map((e) => e.id)).sort();
  }
}

/** Lets everything that is on its way arrive, until nothing more is said. */
export async function quiet(benches: readonly Bench[]): Promise<void> {
  const wire = benches[0]!.wire;
  for (let still = 0; still < 5;) {
    const before = wire.frames.length;
    for (const b of benches) await b.device.idle();
    await new Promise((r) => setTimeout(r, 3));
    still = wire.frames.length === before ? still + 1 : 0;
  }
}

/** Devices of one shop, the first of which founded it. */
export async function shopOf(names: readonly string[], wire: MemoryWire, now: () => number): Promise<Bench[]> {
  const benches = names.map((n) => new Bench(n, wire, now));
  const first = benches[0]!;
  await first.begin();
  await first.device.found();
  for (const b of benches.slice(1)) {
    await b.begin({ group: first.device.state().group });
    const { id, name, open } = b.device.state().me;
    first.device.noteMember({ id, name, key: open, since: now() });
  }
  await quiet(benches);
  return benches;
}
