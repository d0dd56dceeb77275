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

/** Clocks that differ by more than this are told, ms. */
const clockSlackMs = 2 * 60_000;
/** Devices of which something is told at once, at most: a stranger may call itself anything. */
const mostTold = 12;

/** What is wrong with other devices, one line each. */
export class Troubles {
  private readonly told = new Map<string, Trouble>();

  add(t: Trouble): void {
    const key = t.kind === 'over' ? 'over' : `${t.kind} ${t.from}`;
    const before = this.told.get(key);
    if (!before && this.told.size >= mostTold) return;
    this.told.set(key, before && 'count' in before && 'count' in t ? { ...t, count: before.count + t.count } : t);
  }

  /** @param byMs how far the other clock stands ahead */
  clock(from: string, byMs: number): void {
    if (Math.abs(byMs) > clockSlackMs) this.add({ kind: 'clock', from, byMs });
    else this.told.delete(`clock ${from}`);
  }

  list(): Trouble[] {
    return [...this.told.values()];
  }
}
