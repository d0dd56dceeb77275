import { CoreInputError } from '../errors';
import { goldenMinimum } from '../numeric/minimum';
import { judgement } from '../source';

export const pressFigures = {
  leastPa: judgement(8, 'smallest bump that counts, Pa'),
  kU: judgement(5, 'and at least this many of its uncertainties'),
  holdsS: judgement(10, 'a bump with a longer time constant holds'),
  leastHoldS: judgement(2.5, 'a press without prompts is held at least this long'),
  cueS: judgement(2, 'a prompt and the hand differ by up to this'),
};

export interface PressCycle {
  pressS: number;
  releaseS: number;
  amplitudePa: number;
  tauS: number | null;
  /** amplitude of the press edge and of the release edge on their own */
  press: number;
  release: number;
  u: number | null;
}

export interface PressResult {
  kind: 'noBump' | 'disturbed' | 'holds' | 'decays';
  amplitudePa: number;
  uPa: number | null;
  tauS: number | null;
  cycles: PressCycle[];
}

/** Readings that a press test needs: half a minute of a slow barometer. */
export const leastReadings = 30;
/** How long a hand takes to press or to let go, s: each is tried. */
const rampsS = [0, 0.5, 1, 1.5];

/** Share of the strongest rise from which a rise counts as a press. */
const strongShare = 0.7;

const median = (list: readonly number[]) => {
  const s = [...list].sort((a, b) => a - b);
  const m = s.length >> 1;
  return s.length % 2 ? s[m]! : (s[m - 1]! + s[m]!) / 2;
};

/** Scatter of a reading from the differences of neighbours, by the median: a bump does not count as scatter. */
export function noisePa(p: readonly number[]): number {
  const d = p.slice(1).map((v, i) => v - p[i]!);
  const m = median(d);
  return (1.4826 * median(d.map((v) => Math.abs(v - m)))) / Math.SQRT2;
}

/** Steps of a log: mean of the next second less mean of the last one, where it stands out of the scatter. */
export function findEdges(t: readonly number[], p: readonly number[]): { tS: number; stepPa: number }[] {
  const dt = median(t.slice(1).map((v, i) => v - t[i]!));
  const n = Math.max(2, Math.round(1 / dt));
  const sigma = Math.max(noisePa(p), 1e-12);
  const mean = (from: number, to: number) => p.slice(from, to).reduce((s, v) => s + v, 0) / (to - from);
  const step = p.map((_, i) => (i >= n && i <= p.length - n ? mean(i, i + n) - mean(i - n, i) : 0));
  const z = step.map((v) => Math.abs(v) / (sigma * Math.sqrt(2 / n)));
  const out: { tS: number; stepPa: number }[] = [];
  for (;;) {
    const j = z.indexOf(Math.max(...z));
    if (!(z[j]! >= 6)) break;
    out.push({ tS: t[j]!, stepPa: step[j]! });
    z.fill(0, Math.max(0, j - n), j + n + 1);
  }
  return out.sort((a, b) => a.tS - b.tS);
}

const dot = (a: readonly number[], b: readonly number[]) => a.reduce((s, v, i) => s + v * b[i]!, 0);

/** Takes offset and drift out of a series. */
function withoutLine(t: readonly number[]) {
  const n = t.length;
  const mean = t.reduce((s, v) => s + v, 0) / n;
  const x = t.map((v) => v - mean);
  const sxx = dot(x, x);
  return (y: readonly number[]): number[] => {
    const my = y.reduce((s, v) => s + v, 0) / n;
    const b = dot(x, y) / sxx;
    return y.map((v, i) => v - my - b * x[i]!);
  };
}

/**
 * Answer of a leaky shell to a press at t0 that a hand takes `ramp` seconds for, centred on it: the step's decay averaged
 * over the ramp (analytic).
 */
const decay = (t: readonly number[], t0: number, tau: number, ramp = 0) => decayWith(t, tau)(t0, ramp);

/** The same for many presses with one time constant: each reading's exponential is worked out once. */
function decayWith(t: readonly number[], tau: number) {
  const from = t[0] ?? 0;
  // e^(-(v - t0)/τ) as a product of two; over very many time constants one of them would leave the range of numbers
  const apart = ((t[t.length - 1] ?? 0) - from) / tau < 300 ? t.map((v) => Math.exp(-(v - from) / tau)) : null;
  return (t0: number, ramp: number): number[] => {
    const end = t0 + ramp / 2;
    const whole = ramp > 0 ? (tau / ramp) * (1 - Math.exp(-ramp / tau)) : 1;
    const lift = apart ? Math.exp((end - from) / tau) * whole : 0;
    return t.map((v, i) => {
      if (v >= end) return apart ? lift * apart[i]! : whole * Math.exp(-(v - end) / tau);
      const since = v - t0 + ramp / 2;
      return since > 0 ? (tau / ramp) * (1 - Math.exp(-since / tau)) : 0;
    });
  };
}

/**
 * Pressing on the glass of a closed device and its own barometer: a leaky shell answers a held press with
 * E(t − press) − E(t − release), E a decay with τ (analytic). Whether the bump holds says how the shell breathes, compared with
 * the same device before; it says nothing about water.
 * @param cues prompts of the app: press and release, s; found in the log when they are not given
 * @throws CoreInputError for readings; CoreInputError for pressure
 */
export function pressTest(
  t: readonly number[],
  p: readonly number[],
  cues?: readonly (readonly [number, number])[],
): PressResult {
  if (t.length < leastReadings) throw new CoreInputError('readings', t.length, `at least ${leastReadings}`);
  if (t.length !== p.length) throw new CoreInputError('pressure', p.length, `${t.length} readings, one for each time`);
  let window = pressFigures.cueS.value;
  let list = cues ? [...cues] : [];
  if (!cues) {
    window = 0.6;
    const edges = findEdges(t, p);
    // a leaky shell also falls while it is held, and rises after: only the strong edges are the hand's
    const strong = strongShare * Math.max(...edges.map((e) => e.stepPa), 0);
    const presses = edges.filter((e) => e.stepPa > 0 && e.stepPa >= strong);
    for (const [i, press] of presses.entries()) {
      const until = presses[i + 1]?.tS ?? Infinity;
      const falls = edges.filter((e) => e.stepPa < 0 && e.tS > press.tS && e.tS < until);
      const fall = falls.reduce<(typeof falls)[number] | null>((a, b) => (a && a.stepPa <= b.stepPa ? a : b), null);
      // a door or a cough is shorter than a hold
      if (fall && fall.tS - press.tS >= pressFigures.leastHoldS.value) list.push([press.tS, fall.tS]);
    }
  }
  if (!list.length) return { kind: 'noBump', amplitudePa: 0, uPa: null, tauS: null, cycles: [] };
  list = list.slice(0, 20);
  const cycles = list.map(([a, b]) => fitCycle(t, p, a, b, window));
  const good = cycles.filter((c) => c.u !== null);
  const amplitudePa = median(cycles.map((c) => c.amplitudePa));
  const uPa = good.length ? median(good.map((c) => c.u!)) / Math.sqrt(good.length) : null;
  const tauS = good.length ? Math.exp(median(good.map((c) => Math.log(c.tauS!)))) : null;
  const need = Math.max(pressFigures.leastPa.value, pressFigures.kU.value * (uPa ?? Infinity));
  const counts = good.filter(
    (c) => Math.min(c.press, c.release) > need / 2 && c.release / c.press >= 0.5 && c.release / c.press <= 2,
  );
  const kind: PressResult['kind'] =
    !good.length || amplitudePa <= need
      ? 'noBump'
      : 2 * counts.length <= cycles.length
        ? 'disturbed'
        : tauS! >= pressFigures.holdsS.value
          ? 'holds'
          : 'decays';
  return { kind, amplitudePa, uPa, tauS, cycles };
}

function fitCycle(
  t: readonly number[],
  p: readonly number[],
  press: number,
  release: number,
  window: number,
): PressCycle {
  const inside = t.flatMap((v, i) => (v >= press - 4 && v <= release + 4 ? [i] : []));
  const tt = inside.map((i) => t[i]!);
  const line = withoutLine(tt);
  const y = line(inside.map((i) => p[i]!));
  const yy = dot(y, y);
  const near = (c: number) => tt.filter((v) => Math.abs(v - c) <= window + 1e-9);
  const shape = (a: number, b: number, tau: number, ramp: number) => {
    const e2 = decay(tt, b, tau, ramp);
    return line(decay(tt, a, tau, ramp).map((v, i) => v - e2[i]!));
  };
  let best: { ssr: number; a: number; b: number; tau: number; ramp: number } | null = null;
  const taus = Array.from({ length: 40 }, (_, i) => 0.1 * 10 ** ((4 * i) / 39));
  for (const ramp of rampsS)
    for (const tau of taus) {
      // taking out the line is linear: both edges are prepared once, and every pair is a few products
      const of = decayWith(tt, tau);
      const edge = (at: number) => {
        const e = line(of(at, ramp));
        return { at, e, y: dot(e, y), own: dot(e, e) };
      };
      const releases = near(release).map(edge);
      for (const one of near(press).map(edge))
        for (const two of releases) {
          if (two.at - one.at < 1) continue;
          const q = one.own - 2 * dot(one.e, two.e) + two.own;
          const amplitude = q > 1e-12 ? (one.y - two.y) / q : 0;
          if (amplitude <= 0) continue;
          const ssr = yy - amplitude * amplitude * q;
          if (!best || ssr < best.ssr) best = { ssr, a: one.at, b: two.at, tau, ramp };
        }
    }
  if (!best) return { pressS: press, releaseS: release, amplitudePa: 0, tauS: null, press: 0, release: 0, u: null };
  const { a, b, ramp } = best;
  const ssrOf = (tau: number) => {
    const h = shape(a, b, tau, ramp);
    const q = dot(h, h);
    return q > 1e-12 ? yy - dot(h, y) ** 2 / q : yy;
  };
  const tau = Math.exp(
    goldenMinimum(
      (l) => ssrOf(Math.exp(l)),
      Math.log(Math.max(best.tau / 1.3, 0.1)),
      Math.log(Math.min(best.tau * 1.3, 1000)),
    ),
  );
  const h = shape(a, b, tau, ramp);
  const q = dot(h, h);
  const amplitude = dot(h, y) / q;
  const r = y.map((v, i) => v - amplitude * h[i]!);
  const rr = dot(r, r);
  const s = Math.sqrt(Math.max(0, rr) / Math.max(1, tt.length - 6));
  const rho = Math.min(0.9, Math.max(0, rr > 0 ? dot(r.slice(1), r.slice(0, -1)) / rr : 0));
  // both edges on their own, at the same instants: a disturbance has no release that matches its press
  const e1 = line(decay(tt, a, tau, ramp));
  const e2 = line(decay(tt, b, tau, ramp).map((v) => -v));
  const [m11, m12, m22] = [dot(e1, e1), dot(e1, e2), dot(e2, e2)];
  const det = m11 * m22 - m12 * m12;
  const [y1, y2] = [dot(e1, y), dot(e2, y)];
  return {
    pressS: a,
    releaseS: b,
    amplitudePa: amplitude,
    tauS: tau,
    press: det > 0 ? (y1 * m22 - y2 * m12) / det : 0,
    release: det > 0 ? (y2 * m11 - y1 * m12) / det : 0,
    u: (s / Math.sqrt(q)) * Math.sqrt((1 + rho) / (1 - rho)),
  };
}
