/** How much of a resource is taken over time: a step function that grows by adding and shrinks by adding the negative. */
export class Profile {
  private t: number[] = [-Infinity];
  private u: number[] = [0];

  constructor(readonly capacity: number) {}

  copy(from: Profile): void {
    this.t = from.t.slice();
    this.u = from.u.slice();
  }

  private at(x: number): number {
    let [lo, hi] = [0, this.t.length];
    while (lo < hi) {
      const m = (lo + hi) >> 1;
      if (this.t[m]! <= x) lo = m + 1;
      else hi = m;
    }
    return lo - 1;
  }

  /** Earliest instant from s on with room for `need` over `durS`. */
  gap(s: number, durS: number, need: number): number {
    if (durS === 0) return s;
    const { t, u } = this;
    const most = this.capacity - need;
    let from = s;
    for (let i = this.at(s); i < t.length; i++) {
      const next = i + 1 < t.length ? t[i + 1]! : Infinity;
      if (u[i]! > most) from = next;
      else if (next - from >= durS) return from;
    }
    return Infinity;
  }

  /** End of the last stretch inside [s, e) with no room; −1 when there is room all along. */
  lastBusy(s: number, e: number, need: number): number {
    if (s === e) return -1;
    const { t, u } = this;
    const most = this.capacity - need;
    let end = -1;
    for (let i = this.at(s); i < t.length && t[i]! < e; i++)
      if (u[i]! > most) end = i + 1 < t.length ? t[i + 1]! : Infinity;
    return end;
  }

  /** End of the first stretch inside [s, e) with no room; −1 when there is room all along. */
  firstBusy(s: number, e: number, need: number): number {
    const { t, u } = this;
    const most = this.capacity - need;
    for (let i = this.at(s); i < t.length && t[i]! < e; i++)
      if (u[i]! > most) return i + 1 < t.length ? t[i + 1]! : Infinity;
    return -1;
  }

  private cut(x: number): number {
    const i = this.at(x);
    if (this.t[i] === x) return i;
    this.t.splice(i + 1, 0, x);
    this.u.splice(i + 1, 0, this.u[i]!);
    return i + 1;
  }

  private join(i: number): void {
    if (i === 0 || this.u[i] !== this.u[i - 1]) return;
    this.t.splice(i, 1);
    this.u.splice(i, 1);
  }

  add(s: number, e: number, need: number): void {
    if (s >= e) return;
    const i = this.cut(s);
    const j = this.cut(e);
    for (let k = i; k < j; k++) this.u[k]! += need;
    // what is taken alike on both sides is one step: a day without a break is one, however many tasks fill it
    this.join(j);
    this.join(i);
  }
}
