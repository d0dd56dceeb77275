import { lensHeatData, lensStepS, lensWorld, type LensStep } from '../lens/lensHeat';
import type { HeatSwitch, Watched } from '../heat/member';
import { LineHeat } from './lineHeat';
import type { BenchState, LensOf, PracticeCase } from './happened';

interface Trace {
  discC: number[];
  moduleC: number[];
}

const mostS = 4 * 3600;

/** How warm a lens cover and the camera behind it truly are: the two lumps of the app's own forecast, along what was done. */
export class LensTrueHeat extends LineHeat {
  private readonly traces = new Map<string, Trace>();
  private readonly moduleJK: number;

  /** @param turn -1 to 1: how much more or less the module takes than is usual, in its uncertainty */
  constructor(
    about: Pick<PracticeCase, 'marks'>,
    private readonly lens: LensOf,
    ambientC: number,
    turn: number,
  ) {
    super(about, ambientC);
    const { value, u = 0 } = lensHeatData.moduleJK;
    this.moduleJK = value + turn * u;
  }

  private world(s: HeatSwitch | undefined): LensStep {
    const heater = s?.heater?.kind === 'air' ? s.heater : this.lens.heater;
    const { cover, bond } = this.lens;
    const set = { setC: s?.setC ?? this.ambientC + 5, standoffMm: s?.use?.standoffMm ?? heater.standoffMm };
    return lensWorld({ cover, bond, heater, ...set, ambientC: this.ambientC }, heater.hScale.value, this.moduleJK);
  }

  /** Temperatures along a history of air on and off, each step once. */
  private at(switches: readonly HeatSwitch[], tS: number): { discC: number; moduleC: number } {
    const key = switches.map((x) => `${x.atS} ${x.setC} ${x.heater?.id ?? ''}`).join('|');
    let trace = this.traces.get(key);
    if (!trace) {
      if (this.traces.size > 50) this.traces.clear();
      this.traces.set(key, (trace = { discC: [this.ambientC], moduleC: [this.ambientC] }));
    }
    const until = Math.round(Math.min(mostS, Math.max(0, tS)) / lensStepS);
    for (let k = trace.discC.length - 1; k < until;) {
      const t = k * lensStepS;
      const i = switches.findLastIndex((x) => x.atS <= t + 1e-9);
      const on = i >= 0 && switches[i]!.setC !== null;
      // a step goes on until the next switch or the end that is asked for
      const next = switches[i + 1]?.atS ?? Infinity;
      const step = this.world(on ? switches[i] : undefined);
      for (; k < until && k * lensStepS < next - 1e-9; k++) {
        const [a, b] = step(trace.discC[k]!, trace.moduleC[k]!, on);
        trace.discC.push(a);
        trace.moduleC.push(b);
      }
      if (k * lensStepS <= t) break;
    }
    return { discC: trace.discC[until]!, moduleC: trace.moduleC[until]! };
  }

  lineC({ switches }: Pick<BenchState, 'switches'>, _sMm: number, tS: number): number {
    const { discC, moduleC } = this.at(switches, tS);
    return (discC + moduleC) / 2;
  }

  partC({ switches }: Pick<BenchState, 'switches'>, id: Watched, tS: number): number | null {
    return id === 'camera' ? this.at(switches, tS).moduleC : null;
  }
}
