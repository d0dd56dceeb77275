import { defaultPlate } from '../heat/heater';
import type { ArcCells } from '../heat/arcs';
import type { HeatSwitch, Watched } from '../heat/member';
import { HeatRun } from '../heat/run';
import type { Pt } from '../device/types';
import { meanUnderC } from '../lift/cracks/underPiece';
import type { ReducedModel } from '../heat/reduced';
import type { BenchState, PracticeCase } from './happened';
import { LineHeat } from './lineHeat';

/** How warm a made-up device truly is: the heat model, run with the heater and the air as the seed made them. */
export class TrueHeat extends LineHeat {
  private readonly runs = new Map<string, HeatRun>();

  constructor(
    private readonly device: PracticeCase,
    private readonly model: ReducedModel,
    ambientC: number,
  ) {
    super(device, ambientC);
  }

  /** The true run of a history of heats: each goes on from the one before it. */
  run(switches: readonly HeatSwitch[]): HeatRun {
    const key = switches.map((x) => `${x.atS} ${x.setC} ${x.heater?.id ?? ''}`).join('|');
    let run = this.runs.get(key);
    if (!run) {
      const { model } = this;
      const { air } = this.device;
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

  override underC(s: Pick<BenchState, 'switches'>, outer: readonly Pt[], tS: number): number | null {
    if (!s.switches.length) return this.ambientC;
    return meanUnderC(this.model, this.run(s.switches).picture(tS), outer);
  }

  private arcAt(sMm: number): ArcCells {
    const { arcs, path } = this.device;
    const step = path.lengthMm / arcs.length;
    return arcs[Math.floor((path.wrap(sMm) + step / 2) / step) % arcs.length]!;
  }
}
