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
import { t } from '@/words/kit';

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
        {t('lowVacuumRatherThanPressureIt')}
      </Txt>
      <Choice
        label={t('kind')}
        value={kind}
        options={[
          { id: 'vacuum', name: t('vacuum') },
          { id: 'pressure', name: t('pressure') },
        ]}
        onChange={setKind}
      />
      <NumberField
        label={t('differenceAtTheStart')}
        unit="Pa"
        low={200}
        high={50000}
        value={start}
        onCommit={setStart}
      />
      <NumberField label={t('differenceAtTheEnd')} unit="Pa" low={0} high={50000} value={end} onCommit={setEnd} />
      <NumberField label={t('heldFor')} unit="s" low={5} high={3600} value={seconds} onCommit={setSeconds} />
      {problem ? (
        <View role="alert">
          <Txt tone="caution">{problem}</Txt>
        </View>
      ) : null}
      <Button
        kind="small"
        label={t('noteTheAirTest')}
        disabled={start === null || end === null || seconds === null}
        onPress={put}
      />
      {noted && shown ? (
        <Txt className="mt-2">
          {shown.tauS === null
            ? t('keptInSNoLossSeen', { keptShare: Math.round(shown.keptShare * 100), seconds: noted.seconds })
            : t('keptInSTimeConstantS', {
                keptShare: Math.round(shown.keptShare * 100),
                seconds: noted.seconds,
                tauS: Math.round(shown.tauS),
                lowS: Math.round(shown.lowS),
                highS: shown.highS === null ? t('noEnd') : Math.round(shown.highS),
              })}
        </Txt>
      ) : null}
    </View>
  );
}
