// Cut list, bead path and cure against a general-purpose solver that does the same: ratios, and that both agree.
import highsLoader from 'highs';

import { planCuts } from '../src/core/bond/cutStock';
import { fillStrokes } from '../src/core/bond/fill';
import { orderRuns, type Run } from '../src/core/bond/runs';
import { squeeze } from '../src/core/bond/squeeze';
import { cureClocks, progressAt, shareDone, type ClimateStep } from '../src/core/cure/laws';
import { dryFit } from '../src/core/fit/dryFit';
import { gaugePoints } from '../src/core/fit/gaugePoints';
import { shippedDevices } from '../src/model/shippedDevices';

type Median = (work: () => unknown, runs?: number) => number;
type Line = (name: string, value: string) => void;

const pieces = [...Array<number>(12).fill(4.4), 52, 23, 129, 129, 24];
const offcuts = [62, 95, 140, 33, 58].map((lengthMm, i) => ({ id: `o${i}`, lengthMm }));
const kerf = 0.5;

/** The same as a mixed-integer programme: as much length as possible out of the offcuts. */
const cutProgramme = () => {
  const x = (i: number, j: number) => `x${i}_${j}`;
  const all = pieces.flatMap((_, i) => offcuts.map((_, j) => x(i, j)));
  return `Maximize
 obj: ${pieces.flatMap((p, i) => offcuts.map((_, j) => `${p + kerf} ${x(i, j)}`)).join(' + ')}
Subject To
${pieces.map((_, i) => ` p${i}: ${offcuts.map((_, j) => x(i, j)).join(' + ')} <= 1`).join('\n')}
${offcuts.map((o, j) => ` o${j}: ${pieces.map((p, i) => `${p + kerf} ${x(i, j)}`).join(' + ')} <= ${o.lengthMm + kerf}`).join('\n')}
Binary
 ${all.join(' ')}
End`;
};

const runs = (n: number): Run[] =>
  Array.from({ length: n }, (_, i): Run => [
    [(i * 37) % 70, (i * 53) % 140],
    [(i * 37 + 11) % 70, (i * 53 + 29) % 140],
  ]);

/** Every order and direction, for seven runs: what the exact method is spared. */
function everyOrder(list: readonly Run[]): number {
  let best = Infinity;
  const go = (left: number[], at: readonly [number, number], sum: number) => {
    if (sum >= best) return;
    if (!left.length) best = sum;
    for (const i of left)
      for (const r of [0, 1] as const) {
        const [p, q] = [list[i]![r], list[i]![(1 - r) as 0 | 1]];
        go(
          left.filter((k) => k !== i),
          q,
          sum + Math.hypot(at[0] - p[0], at[1] - p[1]),
        );
      }
  };
  go([...list.keys()], [0, 0], 0);
  return best;
}

/** Slab with a changing diffusion by explicit finite differences: what the closed form with added progress is spared. */
function slabByDifferences(steps: readonly ClimateStep[], endS: number): number {
  const n = 60;
  const dx = 1 / n;
  let c = new Float64Array(n).fill(1);
  for (let t = 0; t < endS; t += 300) {
    const d = progressAt('solvent', 2, steps, t + 300) - progressAt('solvent', 2, steps, t);
    const parts = Math.ceil(d / (0.4 * dx * dx));
    for (let k = 0; k < parts; k++) {
      const next = new Float64Array(n);
      for (let i = 0; i < n; i++)
        next[i] =
          c[i]! + (d / parts / dx ** 2) * ((i ? c[i - 1]! : -c[0]!) - 2 * c[i]! + (i + 1 < n ? c[i + 1]! : -c[n - 1]!));
      c = next;
    }
  }
  return c.reduce((a, b) => a + b, 0) / n;
}

export async function benchBonding(median: Median, line: Line): Promise<void> {
  console.log('\nFit, bond, cure');
  const highs = await highsLoader();
  const own = () => planCuts(pieces, offcuts, [{ id: 'r', lengthMm: 1e5 }], kerf);
  const lp = cutProgramme();
  const whole = pieces.reduce((m, p) => m + p + kerf, 0);
  const solved = highs.solve(lp).ObjectiveValue;
  line('cut list, roll length: own less the solver’s, mm', (own().rollMm - (whole - solved)).toFixed(3));
  const cutMs = median(own);
  line(
    'cut list of 17 pieces, 5 offcuts: solver (HiGHS) over own',
    (median(() => highs.solve(lp), 5) / cutMs).toFixed(1),
  );
  const seven = runs(7);
  line('bead path of 7 runs: own less every order, mm', (orderRuns(seven).travelMm - everyOrder(seven)).toFixed(6));
  line(
    'bead path of 7 runs: every order over own',
    (median(() => everyOrder(seven), 5) / median(() => orderRuns(seven))).toFixed(1),
  );
  const ten = median(() => orderRuns(runs(10)));
  line('bead path of 10 runs over one instant answer of the cut list', (ten / cutMs).toFixed(2));
  const steps = Array.from({ length: 20 }, (_, i): ClimateStep => ({ fromS: i * 3600, tC: 22 - (i % 7), rh: 50 }));
  const endS = 24 * 3600;
  const closed = () => 1 - shareDone('solvent', progressAt('solvent', 2, steps, endS));
  line(
    'cure along 20 changes of the air: closed form less differences',
    (closed() - slabByDifferences(steps, endS)).toFixed(4),
  );
  line(
    'cure along 20 changes of the air: differences over closed form',
    (median(() => slabByDifferences(steps, endS), 5) / median(closed)).toFixed(0),
  );
  const sweep = () => {
    for (let mm = 0.5; mm <= 3; mm += 0.1) cureClocks('solvent', mm, steps);
  };
  const cover = shippedDevices.find((d) => d.id === 'full64')!.faces[0]!.cover.outline;
  const answers: [string, () => unknown][] = [
    ['cure sweep, 26 widths, all marks', sweep],
    ['squeeze with a yield stress', () => squeeze(0.31, 20, 100, 0.028, 0.44, 0.2)],
    ['lines over a whole cover', () => fillStrokes(cover, [], 3, 2, 6, 3)],
    [
      'dry fit of 20 points',
      () => {
        const d = shippedDevices.find((x) => x.id === 'tablet10')!;
        return dryFit(
          gaugePoints(d, d.bonds[0]!).map((p, i) => ({ ...p, gapMm: 0.2 + 0.05 * Math.sin(i) })),
          [0, 0],
        );
      },
    ],
  ];
  // a frame of the screen is the measure: the finger is still on the control
  const frame = 1000 / 60;
  for (const [name, work] of answers)
    line(`${name}, share of a frame of the screen`, (median(work) / frame).toFixed(2));
  line('cut list, share of a frame of the screen', (cutMs / frame).toFixed(2));
}
