import type { Pt } from '../device/types';

export const gaugeFaults = ['none', 'zero', 'silent'] as const;
export type GaugeFault = (typeof gaugeFaults)[number];

/** How the glass really lies; the app never sees it. Slide mm (x right, y down as on the plan), turn degrees clockwise. */
export interface HiddenPose {
  dxMm: number;
  dyMm: number;
  turnDeg: number;
  meanMm: number;
  noiseMm: number;
}

/** A gap gauge on a glass that lies a little off: the gap of a point is what the pose leaves there, plus noise. */
export class SimulatedGauge {
  private fault: GaugeFault = 'none';

  constructor(
    private pose: HiddenPose,
    private readonly random: () => number,
  ) {}

  setFault(fault: GaugeFault): void {
    this.fault = fault;
  }

  /** Somebody slid and turned the glass. */
  move(by: { dxMm: number; dyMm: number; turnDeg: number }): void {
    this.pose = {
      ...this.pose,
      dxMm: this.pose.dxMm + by.dxMm,
      dyMm: this.pose.dyMm + by.dyMm,
      turnDeg: this.pose.turnDeg + by.turnDeg,
    };
  }

  /** @returns mm to a hundredth, or null when the gauge says nothing */
  read(at: Pt, normal: Pt, centre: Pt): number | null {
    if (this.fault === 'silent') return null;
    const [x, y] = [at[0] - centre[0], at[1] - centre[1]];
    const turn = (this.pose.turnDeg * Math.PI) / 180;
    // y grows downward on the plan, so a clockwise turn moves a point by (−y, x)
    const [mx, my] = [this.pose.dxMm - turn * y, this.pose.dyMm + turn * x];
    const gap = this.pose.meanMm - normal[0] * mx - normal[1] * my;
    const [u, v] = [Math.max(1e-9, this.random()), this.random()];
    const noise = Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * v) * this.pose.noiseMm;
    const zero = this.fault === 'zero' ? 0.1 : 0;
    return Math.max(0, Math.round((gap + noise + zero) * 100) / 100);
  }
}
