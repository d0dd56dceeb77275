import { visitorFigures, type Visitor } from './visitor';

/** The counter, as hands at a device mind it. Nobody comes where there is no visitor. */
export class Counter {
  /** when hands went there, s; null: they did not */
  wentS: number | null = null;

  constructor(private readonly visitor: Visitor | undefined) {}

  /** Somebody waits and has to be seen to by then, s; null: nobody. */
  waitsUntilS(nowS: number): number | null {
    const v = this.visitor;
    if (!v || this.wentS !== null) return null;
    const leavesS = v.comesS + v.waitsS;
    return nowS >= v.comesS && nowS < leavesS ? leavesS : null;
  }

  /** Hands go now, where somebody waits: how long that takes, s; null: nobody does. */
  goes(nowS: number): number | null {
    if (this.waitsUntilS(nowS) === null) return null;
    this.wentS = nowS;
    return this.visitor!.takesS;
  }

  /** While a device warms there is time for the counter, if it warms for longer than that takes. */
  goesWhileWarming(fromS: number, untilS: number): void {
    const v = this.visitor;
    if (!v || this.wentS !== null) return;
    const goS = Math.max(fromS, v.comesS);
    if (goS < v.comesS + v.waitsS && untilS - goS >= visitorFigures.takesToS.value) this.wentS = goS;
  }
}
