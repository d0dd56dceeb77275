import { createRequire } from 'node:module';
import path from 'node:path';

interface Odex {
  absoluteTolerance: number;
  relativeTolerance: number;
  maxSteps: number;
  solve(
    f: (t: number, y: readonly number[]) => number[],
    from: number,
    y: number[],
    to: number,
  ): { y: number[]; nEval: number };
}

/** The package ships TypeScript sources that do not hold under strict settings, so it is required without its types. */
const load = createRequire(path.join(process.cwd(), 'package.json'));
const { Solver } = load('odex') as { Solver: new (n: number) => Odex };

/** A general-purpose integrator (extrapolation after Gragg, Bulirsch and Stoer; Hairer, Nørsett & Wanner). */
export function odex(n: number, absolute: number, relative: number): Odex {
  const s = new Solver(n);
  s.absoluteTolerance = absolute;
  s.relativeTolerance = relative;
  s.maxSteps = 1e7;
  return s;
}
