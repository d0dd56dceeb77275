import type { Pt } from '../device/types';
import type { Watched } from '../heat/member';
import type { BenchState, Happened, PracticeCase } from './happened';

/** How warm a made-up thing truly is, along what was done with heat. */
export abstract class LineHeat {
  constructor(
    protected readonly about: Pick<PracticeCase, 'marks'>,
    readonly ambientC: number,
  ) {}

  /** Temperature of the line at a place, as it truly is, °C. */
  abstract lineC(s: Pick<BenchState, 'switches'>, sMm: number, tS: number): number;
  /** Hottest of a watched thing, °C; null when there is none. */
  abstract partC(s: Pick<BenchState, 'switches'>, id: Watched, tS: number): number | null;

  /** Mean of the line under an outline, °C; null where nobody can say. */
  underC(_s: Pick<BenchState, 'switches'>, _outer: readonly Pt[], _tS: number): number | null {
    return null;
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
