import { adhesiveRecord } from '../adhesives';
import { slotDryS } from '../alcohol/drying';
import { softened } from '../lift/fractureEnergy';
import { fitScale, gripFigures, scaleU, withScale, type GaveWay } from '../lift/scale';
import { easierPick } from '../lift/pickPace';
import { liftThresholds, type LiftCase, type LiftThresholds } from '../lift/verdict';
import { within } from './stretches';

/** A stretch that was given alcohol, at a second of the work. */
interface Wet {
  fromMm: number;
  toMm: number;
  atS: number;
}

/** What hands that go by the app believe of the glue: its record, what gripped, the pick in hand, what alcohol does to it. */
export class GlueBelief {
  lift: LiftCase;
  /** of the dry bond */
  th: LiftThresholds;
  private readonly plain: LiftCase;
  private readonly seen: GaveWay[] = [];
  private wet: Wet | null = null;
  private soaked: { left: number; th: LiftThresholds } | null = null;

  /**
   * @param lengthMm of the ring
   * @param ringMm its width, by which alcohol dries out of it
   */
  constructor(
    lift: Omit<LiftCase, 'pickMm'>,
    pickMm: number,
    private readonly at: { lengthMm: number; ringMm: number; ambientC: number },
  ) {
    this.plain = { ...lift, pickMm };
    this.lift = this.plain;
    this.th = liftThresholds(this.lift);
  }

  get pickMm(): number {
    return this.lift.pickMm;
  }

  /** What does not give where it should have is told to the app, which then believes in a stronger glue and asks for more heat. */
  tellsGrip(tC: number): void {
    // under where it goes easily a bond grips as it should: that says nothing of its strength
    if (this.th.easyC === null || tC < this.th.easyC - scaleU.temperature.value) return;
    const { adhesive, hMm, ringMm, fullArea, cover } = this.plain;
    this.seen.push({
      ...{ adhesive: adhesive.id, gave: false, liftMm: this.pickMm, tC, uK: gripFigures.uK.value },
      ...{ hMm, ringMm, fullArea },
    });
    const fit = fitScale(adhesive.id, this.seen, () => cover);
    this.is({ ...this.lift, adhesive: withScale(adhesiveRecord(adhesive.id), fit) });
  }

  /** A thicker pick that needs clearly less heat is taken up, as the page says; false: there is none. */
  takesThickerPick(): boolean {
    const pickMm = easierPick(this.lift);
    if (pickMm !== null) this.is({ ...this.lift, pickMm });
    return pickMm !== null;
  }

  /** The thresholds at a place and a second: lower where alcohol has run in, as the page says. */
  thAt(sMm: number, tS: number): LiftThresholds {
    const { wet } = this;
    if (!wet || this.wetUntilS()! <= tS || !within(sMm, wet, this.at.lengthMm)) return this.th;
    const { debond } = this.lift.adhesive;
    const left = softened(debond, Math.floor((tS - wet.atS) / 10) * 10);
    if (this.soaked?.left !== left) {
      const scale = { ...debond.scale, value: debond.scale.value * left };
      const adhesive = { ...this.lift.adhesive, debond: { ...debond, scale } };
      this.soaked = { left, th: liftThresholds({ ...this.lift, adhesive }) };
    }
    return this.soaked.th;
  }

  wets(w: Wet): void {
    this.wet = w;
    this.soaked = null;
  }

  /** Second at which the alcohol has left the gap again; null: none was given. */
  wetUntilS(): number | null {
    if (!this.wet) return null;
    const roomC = Math.min(79, Math.max(-19, this.at.ambientC));
    return this.wet.atS + slotDryS(roomC, Math.min(this.at.ringMm, 10));
  }

  dried(): void {
    this.wet = null;
    this.soaked = null;
  }

  private is(lift: LiftCase): void {
    this.lift = lift;
    this.th = liftThresholds(lift);
    this.soaked = null;
  }
}
