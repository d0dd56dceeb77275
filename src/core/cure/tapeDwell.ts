import { judgement, memory, type Range } from '../source';

/** Share of the final bond over log time at 23 °C: general guidance for pressure-sensitive tape, from memory. */
const points = [
  { s: 1200, share: 0.5 },
  { s: 86400, share: 0.9 },
  { s: 259200, share: 1 },
] as const;

export const activationKJ = memory(83, 'set so that 1 h at 66 °C reaches the final bond', 8);
export const roomU = judgement(2, 'the shelf is not always at the room figure, K');

const gas = 8.314462618;

/** How much faster than at 23 °C. */
export const rate = (tC: number, eaKJ = activationKJ.value) =>
  Math.exp(((-eaKJ * 1e3) / gas) * (1 / (tC + 273.15) - 1 / 296.15));

/** Share of the final bond after `tS` seconds at 23 °C equivalent. */
export function buildShare(equivalentS: number): number {
  if (equivalentS <= 0) return 0;
  const l = Math.log10(equivalentS);
  const [p, q] = l <= Math.log10(points[1].s) ? [points[0], points[1]] : [points[1], points[2]];
  const a = Math.log10(p.s);
  const f = p.share + ((l - a) * (q.share - p.share)) / (Math.log10(q.s) - a);
  return Math.min(1, Math.max(0, f));
}

/** Seconds at 23 °C until a share of the final bond. */
export function equivalentTimeS(share: number): number {
  const [p, q] = share <= points[1].share ? [points[0], points[1]] : [points[1], points[2]];
  const a = Math.log10(p.s);
  return 10 ** (a + ((share - p.share) * (Math.log10(q.s) - a)) / (q.share - p.share));
}

/**
 * A time that goes with the exponential of what is uncertain: ± two standard uncertainties in its logarithm, so that the
 * early end is never nothing. @param moved the time with one uncertain figure each moved by one standard uncertainty
 */
export function lnRange(mean: number, ...moved: readonly number[]): Range {
  const u = Math.hypot(...moved.map((t) => Math.log(t / mean)));
  return { low: mean * Math.exp(-2 * u), mean, high: mean * Math.exp(2 * u) };
}

/** Time until a share at a room temperature, s; the range comes from the activation energy and the room. @internal closed form for checks */
export function timeToShareS(share: number, roomC: number): Range {
  const t = equivalentTimeS(share);
  return lnRange(
    t / rate(roomC),
    t / rate(roomC - roomU.value),
    t / rate(roomC, activationKJ.value + (activationKJ.u ?? 0)),
  );
}

/** Marks of a tape joint; the share of the final bond that each one waits for. */
export const tapeMarks = {
  clampOff: judgement(0.5, 'tape: half of the final bond before the clamp comes off'),
  handle: judgement(0.5, 'tape: half of the final bond before it is moved about'),
  build: judgement(0.5, 'tape: half of the final bond before work goes on'),
  handOver: judgement(0.5, 'tape: half of the final bond; the rest is told to the customer'),
  sealTest: judgement(0.9, 'no hold or press test before this share'),
  full: judgement(1, 'final bond'),
};

export type TapeMark = keyof typeof tapeMarks;
