import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';

import { groupOf, oneByOneFrom } from '@/core/functions/groups';
import type { FunctionResult, RiskyTest } from '@/core/functions/riskOrder';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { functionState, shopFaults } from '@/work/check/faults';
import { testsOf } from '@/work/check/functionTests';
import { useJobs } from '@/store/shop';
import { capital } from '@/words/capital';
import { useNow } from '@/bench-kit/useNow';
import { t as tr } from '@/words/check';
import { listed } from '@/words/units';
import { functionHow, functionName } from '@/words/functions';

const riskyToo = (t: RiskyTest) => t.risk >= oneByOneFrom;

const groupAsks = {
  screen: 'groupScreen',
  sound: 'groupSound',
  cameras: 'groupCameras',
  unlock: 'groupUnlock',
  power: 'groupPower',
  radio: 'groupRadio',
} as const satisfies Record<NonNullable<ReturnType<typeof groupOf>>, string>;

/**
 * What is asked for in one go: once all that the work put at risk was tried one by one, the rest by its kind. What failed before
 * is tried by itself, and so is a kind of which somebody said that one of it fails.
 */
function groupNow(
  queue: readonly RiskyTest[],
  results: Readonly<Record<string, FunctionResult>>,
  single: readonly string[],
): { id: NonNullable<ReturnType<typeof groupOf>>; tests: RiskyTest[] } | null {
  const open = queue.filter((t) => !results[t.test.id]);
  const first = open[0];
  if (!first || open.some(riskyToo)) return null;
  const id = groupOf(first.test.id);
  if (!id || single.includes(id)) return null;
  const tests = open.filter((t) => groupOf(t.test.id) === id);
  return tests.length > 1 ? { id, tests } : null;
}

/** How it stands: what FunctionsScreen shows and does. */
export function useFunctionsScreen({ job, again = false }: { job: JobState; again?: boolean }) {
  const now = useNow(30_000);
  const router = useRouter();
  const { log, undo } = useActions(job);
  const jobs = useJobs();
  const tests = useMemo(() => testsOf(job, false, shopFaults(jobs).tables), [job, jobs]);
  const results = job.functions.after;
  // those that failed when the page was opened to try them again
  const [todo] = useState(() =>
    again ? tests.filter((t) => results[t.test.id] === 'fail').map((t) => t.test.id) : null,
  );
  const [repeated, setRepeated] = useState<readonly string[]>([]);
  const [asking, setAsking] = useState<string | null>(null);
  const [past, setPast] = useState<readonly { fn: string; eventId: string }[]>([]);
  const queue = todo
    ? tests.filter((t) => todo.includes(t.test.id))
    : // what this work put at risk comes first, one by one
      [...tests.filter(riskyToo), ...tests.filter((t) => !riskyToo(t))];
  const current = queue.find((t) => (todo ? !repeated.includes(t.test.id) : !results[t.test.id])) ?? null;
  const [single, setSingle] = useState<readonly string[]>([]);
  const group = todo ? null : groupNow(queue, results, single);
  const done = todo ? repeated.length : queue.filter((t) => results[t.test.id]).length;
  const state = functionState(job);
  const whole = tests.every((t) => results[t.test.id]);
  const put = async (result: FunctionResult, why?: string) => {
    if (!current) return;
    const fn = current.test.id;
    setAsking(null);
    if (todo) setRepeated((r) => [...r, fn]);
    const [made] = await log([{ type: 'function', fn, phase: 'after', result, ...(why ? { why } : {}) }]);
    if (made) setPast((l) => [...l, { fn, eventId: made.id }]);
  };
  /** all of them work: one tap */
  const allWork = async () => {
    if (!group) return;
    const made = await log(
      group.tests.map((t) => ({
        type: 'function' as const,
        fn: t.test.id,
        phase: 'after' as const,
        result: 'ok' as const,
      })),
    );
    setPast((l) => [...l, ...made.map((e, i) => ({ fn: group.tests[i]!.test.id, eventId: e.id }))]);
  };
  const back = () => {
    const one = past.at(-1);
    if (!one) return;
    setPast(past.slice(0, -1));
    undo(one.eventId);
    setRepeated((r) => r.filter((x) => x !== one.fn));
  };
  const faults = state.newFaults.length + state.unclear.length;
  const text = group
    ? {
        sentence: tr(groupAsks[group.id]),
        reason: listed(group.tests.map((t) => functionName(t.test.id))),
      }
    : current
      ? {
          sentence: `${capital(functionName(current.test.id))}.`,
          reason: `${capital(functionHow(current.test.id))}.`,
        }
      : faults
        ? {
            sentence: faults === 1 ? tr('functionFails', { faults }) : tr('functionsFail', { faults }),
            reason: tr('theLikelyCausesAreBelowThe'),
          }
        : whole
          ? {
              sentence: tr('allTested'),
              reason: state.checker ? tr('signedBy', { checker: state.checker }) : tr('nowASecondPersonSigns'),
            }
          : { sentence: tr('testedAgain'), reason: tr('theRestStaysAsItWas') };
  return {
    job,
    state,
    group,
    allWork,
    oneByOne: () => group && setSingle([...single, group.id]),
    current,
    setAsking,
    asking,
    put,
    router,
    text,
    faults,
    done,
    queue,
    back,
    past,
    now,
    whole,
    tests,
  };
}
export type FunctionsScreenState = ReturnType<typeof useFunctionsScreen>;
