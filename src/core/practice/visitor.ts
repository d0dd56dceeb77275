import { randomOf } from '../numeric/random';
import { commonPractice, judgement } from '../source';

export const visitorFigures = {
  /** s after the first tap of the day's work */
  comesFromS: judgement(60, 'somebody comes to the counter while the first device warms'),
  comesToS: judgement(200, 'and at the latest when it is being cut'),
  takesFromS: commonPractice(80, 'a customer is taken in within one to three minutes'),
  takesToS: commonPractice(170, 'a customer is taken in within one to three minutes'),
  waitsFromS: judgement(180, 'nobody at the counter for three to five minutes, and a customer leaves'),
  waitsToS: judgement(300, 'nobody at the counter for three to five minutes, and a customer leaves'),
};

/** Somebody who comes in while devices are worked on. */
export interface Visitor {
  comesS: number;
  /** how long they take, and how long they wait for somebody */
  takesS: number;
  waitsS: number;
}

/** The same seed, the same visitor. */
export function drawVisitor(seed: number): Visitor {
  const random = randomOf(seed * 65537 + 271);
  const between = (a: number, b: number) => a + (b - a) * random();
  const f = visitorFigures;
  return {
    comesS: between(f.comesFromS.value, f.comesToS.value),
    takesS: between(f.takesFromS.value, f.takesToS.value),
    waitsS: between(f.waitsFromS.value, f.waitsToS.value),
  };
}

export type VisitorNow =
  | { what: 'notYet' }
  | { what: 'waits'; leftS: number }
  | { what: 'withYou'; leftS: number }
  | { what: 'done'; afterS: number }
  | { what: 'gone' };

/**
 * How it stands with the counter.
 * @param wentS when hands went there, s; null: they have not
 */
export function visitorAt(v: Visitor, wentS: number | null, nowS: number): VisitorNow {
  const leavesS = v.comesS + v.waitsS;
  if (wentS !== null && wentS >= v.comesS && wentS < leavesS) {
    const backS = wentS + v.takesS;
    return nowS < backS ? { what: 'withYou', leftS: backS - nowS } : { what: 'done', afterS: wentS - v.comesS };
  }
  if (nowS < v.comesS) return { what: 'notYet' };
  return nowS < leavesS ? { what: 'waits', leftS: leavesS - nowS } : { what: 'gone' };
}
