import { defaultPlate } from '../heat/heater';
import type { ArcCells } from '../heat/arcs';
import type { HeatSwitch, Watched } from '../heat/member';
import { HeatRun } from '../heat/run';
import type { BenchState, Happened, PracticeCase } from './happened';

/** How warm a made-up device truly is: the heat model, run with the heater and the air as the seed made them. */
export class TrueHeat {
  private readonly runs = new Map<string, HeatRun>();

  constructor(
    private readonly about: PracticeCase,
    readonly ambientC: number,
  ) {}

  /** The true run of a history of heats: each goes on from the one before it. */
  run(switches: readonly HeatSwitch[]): HeatRun {
    const key = switches.map((x) => `${x.atS} ${x.setC} ${x.heater?.id ?? ''}`).join('|');
    let run = this.runs.get(key);
    if (!run) {
      const { model, air } = this.about;
      const last = switches[switches.length - 1]!;
      run =
        switches.length > 1
          ? this.run(switches.slice(0, -1)).then(last)
          : HeatRun.start(model, last.heater ?? defaultPlate, this.ambientC, switches, {}, air);
      if (this.runs.size > 200) this.runs.clear();
      this.runs.set(key, run);
    }
    return run;
  }

  /** Temperature of the line at a place, as it truly is, °C. */
  lineC(s: Pick<BenchState, 'switches'>, sMm: number, tS: number): number {
    if (!s.switches.length) return this.ambientC;
    return this.run(s.switches).members[0]!.lineC(tS, this.arcAt(sMm).cells);
  }

  /** Hottest of a watched thing, °C; null when the device has none. */
  partC(s: Pick<BenchState, 'switches'>, id: Watched, tS: number): number | null {
    if (!s.switches.length) return this.about.marks[id] ? this.ambientC : null;
    return this.run(s.switches).members[0]!.hottest(tS, id)?.atC ?? null;
  }

  private arcAt(sMm: number): ArcCells {
    const { arcs, path } = this.about;
    const step = path.lengthMm / arcs.length;
    return arcs[Math.floor((path.wrap(sMm) + step / 2) / step) % arcs.length]!;
  }

  /** Time goes by: what is hot is counted, and what comes to its stop mark is told. */
  counted(s: BenchState, dtS: number): { hot: BenchState['hot']; happened: Happened[] } {
    const happened: Happened[] = [];
    const hot = { ...s.hot };
    const n = s.switches.length ? Math.max(1, Math.ceil(dtS / 10)) : 1;
    for (let i = 1; i <= n; i++) {
      const tS = s.tS + (i * dtS) / n;
      for (const id of Object.keys(this.about.marks) as Watched[]) {
        const tC = this.partC(s, id, tS);
        const stopC = this.about.marks[id]!.stopC;
        if (tC === null) continue;
        const before = hot[id] ?? { peakC: -Infinity, aboveStopS: 0 };
        if (tC >= stopC && before.peakC < stopC) happened.push({ what: 'partHot', atS: tS, part: id, tC, stopC });
        hot[id] = { peakC: Math.max(before.peakC, tC), aboveStopS: before.aboveStopS + (tC >= stopC ? dtS / n : 0) };
      }
    }
    return { hot, happened };
  }
}
