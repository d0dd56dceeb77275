// False alarms and finds of the checks, run again with a fixed seed, and what they cost against a frame of the screen.
import { paint } from '../src/core/camera/paintTarget';
import { sfr, type Grey } from '../src/core/camera/sfr';
import { targetShot } from '../src/core/camera/shot';
import { specks } from '../src/core/camera/specks';
import type { Pt } from '../src/core/device/types';
import { flushness } from '../src/core/fit/flushness';
import { diagnose } from '../src/core/functions/diagnose';
import { priors } from '../src/core/functions/riskOrder';
import { causes, functionTests, leakOf, usualLeak } from '../src/core/functions/tables';
import { erf } from '../src/core/numeric/erf';
import { fitDecay } from '../src/core/seal/fitDecay';
import { pressTest } from '../src/core/seal/pressTest';
import { wilson } from '../src/core/statistics/rates';

type Median = (work: () => unknown, runs?: number) => number;
type Line = (name: string, value: string) => void;

/** mulberry32 and Box-Muller: the same figures on every machine. */
function randomOf(seed: number) {
  let a = seed >>> 0;
  const uniform = () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
  return { uniform, normal };
}

const share = (k: number, n: number) => {
  const w = wilson(k, n);
  return `${k} of ${n} (${(100 * w.low).toFixed(1)} to ${(100 * w.high).toFixed(1)} %)`;
};

/** Points round a 68 × 140 cover, even along the edge. */
function edgePoints(n: number): Pt[] {
  const [w, h] = [68, 140];
  const round = 2 * (w + h);
  return Array.from({ length: n }, (_, i): Pt => {
    const s = ((i + 0.5) * round) / n;
    if (s < w) return [s - w / 2, h / 2];
    if (s < w + h) return [w / 2, h / 2 - (s - w)];
    if (s < 2 * w + h) return [w / 2 - (s - w - h), -h / 2];
    return [-w / 2, s - 2 * w - h - h / 2];
  });
}

function bumps(n: number, bumpMm: number, runs: number, seed: number): number {
  const { uniform, normal } = randomOf(seed);
  const at = edgePoints(n);
  let found = 0;
  for (let r = 0; r < runs; r++) {
    const k = Math.floor(uniform() * n);
    const f = flushness(
      at.map((p, i) => ({ id: `${i}`, at: p, stepMm: 0.01 * normal() + (i === k ? bumpMm : 0) })),
      [0, 0],
      34,
      70,
    );
    if (bumpMm ? f.bumps.some((b) => b.id === `${k}`) : f.bumps.length) found++;
  }
  return found;
}

/** A press log: noise, drift and a wandering room; a shell of time constant tau, or an open one. */
function pressLog(amplitude: number, tau: number, walk: number, random: ReturnType<typeof randomOf>) {
  const [t, p]: [number[], number[]] = [[], []];
  let wander = 0;
  for (let i = 0; i <= 120; i++) {
    const s = i * 0.2;
    wander += walk * random.normal();
    const shape = (s >= 8 ? Math.exp(-(s - 8) / tau) : 0) - (s >= 14 ? Math.exp(-(s - 14) / tau) : 0);
    t.push(s);
    p.push(100800 + 0.3 * s + wander + amplitude * shape + 1.5 * random.normal());
  }
  return { t, p };
}

function presses(
  kind: string,
  amplitude: number,
  tau: number,
  walk: number,
  runs: number,
  seed: number,
  prompted = true,
): number {
  const random = randomOf(seed);
  let n = 0;
  for (let i = 0; i < runs; i++) {
    const { t, p } = pressLog(amplitude, tau, walk, random);
    if (pressTest(t, p, prompted ? [[8, 14]] : undefined).kind === kind) n++;
  }
  return n;
}

function decayCoverage(runs: number, seed: number): number {
  const { normal } = randomOf(seed);
  const t = Array.from({ length: 61 }, (_, i) => 2 * i);
  let inside = 0;
  for (let r = 0; r < runs; r++) {
    const f = fitDecay(
      t,
      t.map((v) => 400 * Math.exp(-v / 60) + 2 * normal()),
    );
    if (Math.abs(f.tau - 60) < 1.96 * f.seTau) inside++;
  }
  return inside;
}

function field(random: ReturnType<typeof randomOf>, dip: number): Grey {
  const n = 96;
  const values = new Float64Array(n * n);
  for (let y = 0; y < n; y++)
    for (let x = 0; x < n; x++) {
      const r2 = ((x - 48) ** 2 + (y - 48) ** 2) / 4608;
      const spot = 1 - dip * Math.exp(-((x - 40) ** 2 + (y - 55) ** 2) / 8);
      values[y * n + x] = 0.6 * (1 - 0.25 * r2) * spot * (1 + 0.01 * random.normal());
    }
  return { width: n, height: n, values };
}

/** Single faults drawn from the table itself: what the table can tell apart, not what is so in real devices. */
function diagnosisHits(runs: number, seed: number): number {
  const { uniform } = randomOf(seed);
  const steps = ['heatPlate', 'bladePass', 'coilRemove', 'cameraRemove', 'housingSwap'];
  const p = priors(steps);
  const all = causes.reduce((s, c) => s + p.get(c.id)!, 0);
  let hits = 0;
  for (let r = 0; r < runs;) {
    let pick = uniform() * all;
    const cause = causes.find((c) => (pick -= p.get(c.id)!) < 0) ?? causes[0]!;
    const observed = Object.fromEntries(
      functionTests.map((f) => {
        const q = 1 - (1 - (leakOf[f.id] ?? usualLeak)) * (1 - (cause.fails[f.id] ?? 0));
        return [f.id, uniform() < q ? ('fail' as const) : ('ok' as const)];
      }),
    );
    if (!Object.values(observed).includes('fail')) continue;
    r++;
    if (diagnose(steps, observed).causes[0]!.cause.id === cause.id) hits++;
  }
  return hits;
}

function sharpness(noise: number, runs: number, seed: number) {
  const { normal } = randomOf(seed);
  const [W, H] = [64, 80];
  const s = (5 * Math.PI) / 180;
  const clean = Float64Array.from({ length: W * H }, (_, i) => {
    const d = ((i % W) - 31.5 - Math.tan(s) * (Math.floor(i / W) - 39.5)) * Math.cos(s);
    return 40 + 85 * (1 + erf(d / (Math.SQRT2 * 1.2)));
  });
  const got = Array.from(
    { length: runs },
    () => sfr({ width: W, height: H, values: clean.map((v) => v + noise * normal()) }).mtf50!,
  );
  const mean = got.reduce((a, b) => a + b, 0) / runs;
  return { mean, sd: Math.sqrt(got.reduce((q, v) => q + (v - mean) ** 2, 0) / (runs - 1)) };
}

export function benchChecking(median: Median, line: Line): void {
  console.log('\nChecks: false alarms and finds, seed 20261126, with their 95 % intervals');
  const seed = 20261126;
  for (const n of [12, 20]) {
    line(`bump that is not there, ${n} points`, share(bumps(n, 0, 1000, seed), 1000));
    for (const mm of [0.04, 0.06, 0.08])
      line(`bump of ${mm} mm found, ${n} points`, share(bumps(n, mm, 300, seed + 1), 300));
  }
  line('decay: 95 % interval holds the true time constant', share(decayCoverage(500, seed), 500));
  line('press, open shell, called "holds"', share(presses('holds', 0, 60, 0.3, 300, seed), 300));
  line('press, sealed shell, called "holds"', share(presses('holds', 40, 60, 0.3, 150, seed), 150));
  line('press, leaky shell, called "decays"', share(presses('decays', 60, 2, 0.3, 150, seed), 150));
  for (const tau of [1, 2, 5])
    line(
      `press without prompts, shell that leaks with ${tau} s, called "holds"`,
      share(presses('holds', 60, tau, 0.3, 150, seed, false), 150),
    );
  line(
    'press without prompts, sealed shell, called "holds"',
    share(presses('holds', 40, 60, 0.3, 150, seed, false), 150),
  );
  const random = randomOf(seed);
  const speckRuns = (dip: number, runs: number) =>
    Array.from({ length: runs }, () => specks(field(random, dip)).specks.length > 0).filter(Boolean).length;
  line('speck that is not there, even field', share(speckRuns(0, 200), 200));
  line('speck of 3 % found', share(speckRuns(0.03, 100), 100));
  line('speck of 5 % found', share(speckRuns(0.05, 100), 100));
  for (const noise of [1, 6]) {
    const r = sharpness(noise, 40, seed);
    line(
      `sharpness, noise ${noise} of 170: mean over the true 0.1562, scatter`,
      `${(r.mean / 0.15616).toFixed(3)}, ${((100 * r.sd) / r.mean).toFixed(1)} %`,
    );
  }
  line('diagnosis: first cause is the true one (faults from its own table)', share(diagnosisHits(200, seed), 200));

  const frameMs = 1000 / 60;
  const frames = (ms: number) => `${(ms / frameMs).toFixed(2)} of a frame`;
  const results = { chargeQ: 'fail', nfc: 'fail', flash: 'ok' } as const;
  line('diagnosis over 211 hypotheses', frames(median(() => diagnose(['bladePass', 'coilRemove'], results), 15)));
  const small = paint({ pxPerMm: 3, sigmaPx: 1.2 });
  const large = paint({ pxPerMm: 9, sigmaPx: 1.2 });
  const smallMs = median(() => targetShot(small), 5);
  const largeMs = median(() => targetShot(large), 3);
  line(
    `picture of the target: ${(large.width * large.height) / 1e6} over ${((small.width * small.height) / 1e6).toFixed(1)} million pixels (in the worker)`,
    `${(largeMs / smallMs).toFixed(1)} : 1 (${Math.round(largeMs)} ms)`,
  );
}
