import { useState } from 'react';
import { View } from 'react-native';

import { CoreInputError } from '@/core/errors';
import { holdResult } from '@/core/seal/holdTest';
import type { JobState } from '@/model/fold';
import { useActions } from './actions';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';

/** Pressure or vacuum hold, two readings: only for the comparison of this device with itself later. */
export function HoldTest({ job, phase }: { job: JobState; phase: 'before' | 'after' }) {
  const { log } = useActions(job);
  const noted = job.holds[phase];
  const [kind, setKind] = useState<'vacuum' | 'pressure'>('vacuum');
  const [start, setStart] = useState<number | null>(null);
  const [end, setEnd] = useState<number | null>(null);
  const [seconds, setSeconds] = useState<number | null>(60);
  const [problem, setProblem] = useState<string | null>(null);
  const shown = noted ? holdResult(noted) : null;
  const put = () => {
    if (start === null || end === null || seconds === null) return;
    const test = { kind, startPa: start, endPa: end, seconds };
    try {
      holdResult(test);
    } catch (e) {
      if (!(e instanceof CoreInputError)) throw e;
      setProblem(e.message);
      return;
    }
    setProblem(null);
    void log([{ type: 'holdTest', phase, ...test }]);
  };
  return (
    <View>
      <Txt size="s" tone="ink2" className="mb-2">
        Low vacuum rather than pressure. It is compared with the same device after the repair, and says nothing about
        water.
      </Txt>
      <Choice
        label="Kind"
        value={kind}
        options={[
          { id: 'vacuum', name: 'Vacuum' },
          { id: 'pressure', name: 'Pressure' },
        ]}
        onChange={setKind}
      />
      <NumberField label="Difference at the start" unit="Pa" low={200} high={50000} value={start} onCommit={setStart} />
      <NumberField label="Difference at the end" unit="Pa" low={0} high={50000} value={end} onCommit={setEnd} />
      <NumberField label="Held for" unit="s" low={5} high={3600} value={seconds} onCommit={setSeconds} />
      {problem ? (
        <View role="alert">
          <Txt tone="caution">{problem}</Txt>
        </View>
      ) : null}
      <Button
        kind="small"
        label="Note the hold test"
        disabled={start === null || end === null || seconds === null}
        onPress={put}
      />
      {noted && shown ? (
        <Txt className="mt-2">
          {Math.round(shown.keptShare * 100)} % kept in {noted.seconds} s
          {shown.tauS === null
            ? ', no loss seen'
            : `, time constant ${Math.round(shown.tauS)} s (${Math.round(shown.lowS)} to ${shown.highS === null ? 'no end' : Math.round(shown.highS)})`}
          .
        </Txt>
      ) : null}
    </View>
  );
}
