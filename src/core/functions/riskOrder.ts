import { CoreInputError } from '../errors';
import { causes, functionTests, stepCauses, type Cause, type FunctionTest } from './tables';

const base = 0.0005;

/** Chance that each cause is present after the given steps. */
function priors(steps: readonly string[]): Map<string, number> {
  const out = new Map<string, number>();
  for (const c of causes) {
    let none = 1 - base;
    for (const s of steps) {
      const table = stepCauses[s];
      if (!table) throw new CoreInputError('step', s, Object.keys(stepCauses).join(', '));
      none *= 1 - (table[c.id] ?? 0);
    }
    out.set(c.id, 1 - none);
  }
  return out;
}

export interface RiskyTest {
  test: FunctionTest;
  risk: number;
  perMinute: number;
}

/**
 * Tests in the order in which they find most per minute, those before closing first: noisy-or over causes (published:
 * Pearl 1988; the table's figures are judgement). Only functions that the device has.
 */
export function orderTests(steps: readonly string[], has: readonly string[]): RiskyTest[] {
  const p = priors(steps);
  return functionTests
    .filter((t) => has.includes(t.id))
    .map((test) => {
      const risk = 1 - causes.reduce((q, c) => q * (1 - p.get(c.id)! * (c.fails[test.id] ?? 0)), 1);
      return { test, risk, perMinute: risk / test.minutes };
    })
    .sort((a, b) => Number(a.test.stage === 'closed') - Number(b.test.stage === 'closed') || b.perMinute - a.perMinute);
}

export type FunctionResult = 'ok' | 'fail' | 'untested' | 'absent';

export interface FunctionChange {
  fn: string;
  change: 'same' | 'newFault' | 'oldFault' | 'mended' | 'notCompared';
  /** likely causes of a new fault, most likely first; ranks only, no percentages (one law 19) */
  causes: Cause[];
}

/** Difference to intake. Faults found before stay apart from new ones. */
export function compareFunctions(
  before: Readonly<Record<string, FunctionResult>>,
  after: Readonly<Record<string, FunctionResult>>,
  steps: readonly string[],
): FunctionChange[] {
  const p = priors(steps);
  return Object.entries(after).map(([fn, now]) => {
    const was = before[fn] ?? 'untested';
    const change =
      now === 'untested' || now === 'absent' || was === 'absent' || was === 'untested'
        ? now === 'fail'
          ? 'newFault'
          : 'notCompared'
        : now === 'fail'
          ? was === 'fail'
            ? 'oldFault'
            : 'newFault'
          : was === 'fail'
            ? 'mended'
            : 'same';
    const ranked =
      change === 'newFault'
        ? causes
            .filter((c) => (c.fails[fn] ?? 0) > 0)
            .sort((a, b) => p.get(b.id)! * (b.fails[fn] ?? 0) - p.get(a.id)! * (a.fails[fn] ?? 0))
            .slice(0, 3)
        : [];
    return { fn, change, causes: ranked };
  });
}

/** Steps that a ring-bonded glass route puts the device through. */
export const ringRouteSteps = ['heatPlate', 'bladePass', 'liftWithFlex', 'residueScrape', 'clamp'] as const;

/** Steps that a route puts the device through: what each of them can damage orders the tests. */
export function stepsOfRoute(r: {
  heated: boolean;
  lensOnly: boolean;
  internalsOut: boolean;
  wholeHousing: boolean;
  bead: boolean;
}): string[] {
  const steps: string[] = r.lensOnly ? ['lensCoverSwap'] : ringRouteSteps.filter((s) => r.heated || s !== 'heatPlate');
  if (r.internalsOut)
    steps.push('battDisconnect', ...(r.wholeHousing ? ['housingSwap'] : ['coilRemove', 'cameraRemove']));
  if (r.bead) steps.push('adhesiveBead');
  return steps;
}
