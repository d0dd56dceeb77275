import { CoreInputError } from '../errors';
import { judgement } from '../source';
import { functionTests, shippedTables, type FaultTables, type FunctionTest } from './tables';

const base = 0.0005;

/**
 * Chance that each cause is present after the given steps.
 * @throws CoreInputError for step
 */
export function priors(steps: readonly string[], tables: FaultTables = shippedTables): Map<string, number> {
  const out = new Map<string, number>();
  for (const c of tables.causes) {
    let none = 1 - base;
    for (const s of steps) {
      const table = tables.steps[s];
      if (!table) throw new CoreInputError('step', s, Object.keys(tables.steps).join(', '));
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
  /** step of this repair that puts it at risk most; null when none does */
  mostly: string | null;
}

/**
 * Tests in the order in which they find most per minute, those before closing first: noisy-or over causes (published:
 * Pearl 1988; the table's figures are judgement). Only functions that the device has.
 */
export function orderTests(
  steps: readonly string[],
  has: readonly string[],
  tables: FaultTables = shippedTables,
): RiskyTest[] {
  const p = priors(steps, tables);
  const byStep = steps.map((s) => ({ s, p: priors([s], tables) }));
  const riskOf = (from: Map<string, number>, fn: string) =>
    1 - tables.causes.reduce((q, c) => q * (1 - from.get(c.id)! * (c.fails[fn] ?? 0)), 1);
  return functionTests
    .filter((t) => has.includes(t.id))
    .map((test) => {
      const risk = riskOf(p, test.id);
      const shares = byStep.map(({ s, p: own }) => ({ s, risk: riskOf(own, test.id) }));
      const top = shares.reduce<{ s: string; risk: number } | null>((b, x) => (!b || x.risk > b.risk ? x : b), null);
      return { test, risk, perMinute: risk / test.minutes, mostly: top && top.risk > 0.002 ? top.s : null };
    })
    .sort((a, b) => Number(a.test.stage === 'closed') - Number(b.test.stage === 'closed') || b.perMinute - a.perMinute);
}

export type FunctionResult = 'ok' | 'fail' | 'untested' | 'absent';

export interface FunctionChange {
  fn: string;
  change: 'same' | 'newFault' | 'oldFault' | 'mended' | 'notAttributable' | 'notRetested';
}

/**
 * Difference to intake, function by function; what the device does not have is left out. A fault that nobody looked for
 * before cannot be laid at anybody's door: it stands apart and is told to the customer.
 */
export function compareFunctions(
  before: Readonly<Record<string, FunctionResult>>,
  after: Readonly<Record<string, FunctionResult>>,
): FunctionChange[] {
  return functionTests.flatMap(({ id: fn }) => {
    const now = after[fn];
    const was = before[fn] ?? 'untested';
    if (!now || now === 'absent' || was === 'absent') return [];
    const change =
      now === 'untested'
        ? ('notRetested' as const)
        : now === 'ok'
          ? was === 'fail'
            ? ('mended' as const)
            : ('same' as const)
          : was === 'fail'
            ? ('oldFault' as const)
            : was === 'untested'
              ? ('notAttributable' as const)
              : ('newFault' as const);
    return [{ fn, change }];
  });
}

export interface Release {
  /** what still stands in the way, in the order in which it is asked for */
  open: ('twoNames' | 'otherPerson' | 'notRetested' | 'newFaults' | 'tellCustomer')[];
}

/** Alone in the shop: a look after a pause sees what the last one passed over, min. */
export const pauseMin = judgement(5, 'long enough to have had something else in hand').value;

/** May it leave: two people signed (or one after a pause, or the customer), everything tested again, no new fault, and what nobody can attribute was told. */
export function releaseOf(
  changes: readonly FunctionChange[],
  sign: { repairer: string | null; checker: string | null; customerTold: boolean; alone?: boolean },
): Release {
  const open: Release['open'] = [];
  const any = (c: FunctionChange['change']) => changes.some((x) => x.change === c);
  if (!sign.repairer || !sign.checker) open.push('twoNames');
  else if (sign.repairer === sign.checker && !sign.alone) open.push('otherPerson');
  if (any('notRetested')) open.push('notRetested');
  if (any('newFault')) open.push('newFaults');
  if (any('notAttributable') && !sign.customerTold) open.push('tellCustomer');
  return { open };
}

/** Steps that a ring-bonded glass route puts the device through. */
export const ringRouteSteps = ['heatPlate', 'bladePass', 'liftWithFlex', 'residueScrape', 'clamp'] as const;

/** Steps that a route puts the device through: what each of them can damage orders the tests. */
export function stepsOfRoute(r: {
  heated: boolean;
  lensOnly: boolean;
  /** steps that the works of the job add */
  puts: readonly string[];
  bead: boolean;
  /** a cable crosses to the cover, there is a coil, a camera: what the device has not puts nothing at risk */
  has?: { cable: boolean; coil: boolean; camera: boolean } | undefined;
}): string[] {
  const steps: string[] = [
    ...(r.lensOnly ? [] : ringRouteSteps.filter((s) => r.heated || s !== 'heatPlate')),
    ...r.puts,
  ];
  if (r.bead) steps.push('adhesiveBead');
  const without = new Set([
    ...(r.has && !r.has.cable ? ['liftWithFlex'] : []),
    ...(r.has && !r.has.coil ? ['coilRemove'] : []),
    ...(r.has && !r.has.camera ? ['cameraRemove'] : []),
  ]);
  return steps.filter((s) => !without.has(s));
}
