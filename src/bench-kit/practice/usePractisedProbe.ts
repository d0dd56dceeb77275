import { useEffect, useMemo } from 'react';

import { practiceProbe, probeReadings } from '@/core/practice/probe';
import type { BenchState } from '@/core/practice/happened';
import type { PracticeBench } from '@/core/practice/bench';
import { changePractice, type PracticeRun } from '@/store/practice';
import { practise, practisedNow } from '../instruments';

/** So far back a page looks at what a probe read, s. */
const keptS = 900;

/**
 * The probe of an exercise: it is connected on the page like the shop's, and reads the made-up device as it truly is.
 * @param bench null: there is none, or it has no glue line to tape a probe to
 */
export function usePractisedProbe(
  run: PracticeRun,
  bench: PracticeBench | null,
  state: Pick<BenchState, 'switches'> | null,
  nowS: number,
): void {
  const { id, startMs, probe } = run;
  const fromS = probe?.on === id ? probe.fromS : null;
  // a reading every two seconds, not with every look at the clock
  const toS = Math.floor(nowS / practiceProbe.everyS.value) * practiceProbe.everyS.value;
  const switches = state?.switches;
  const readings = useMemo(
    () =>
      bench && switches && fromS !== null
        ? probeReadings(bench, { switches }, Math.max(fromS, toS - keptS), toS).map(({ atS, tempC }) => ({
            at: startMs + atS * 1e3,
            ...{ tS: atS, tempC },
          }))
        : null,
    [bench, switches, fromS, toS, startMs],
  );
  useEffect(() => {
    practise({
      now: practisedNow(readings),
      connect: () => changePractice((r) => ({ ...r, probe: { fromS: nowS, on: id } })),
      disconnect: () =>
        changePractice((r) => {
          const { probe: _taken, ...rest } = r;
          return rest;
        }),
    });
  });
  useEffect(() => () => practise(null), []);
}
