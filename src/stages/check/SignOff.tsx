import { useState } from 'react';
import { View } from 'react-native';

import { useActions } from '@/bench-kit/actions';
import { useNow } from '@/bench-kit/useNow';
import { Entry } from '@/bench-kit/Why';
import { pauseMin } from '@/core/functions/riskOrder';
import { listed, clock } from '@/words/units';
import { functionState } from '@/work/check/faults';
import { functionName } from '@/words/functions';
import type { JobState } from '@/model/fold';
import { useSettings } from '@/store/shop';
import { HoldButton } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { missingMark } from '@/ui/missing';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/check';

interface AloneProps {
  job: JobState;
  name: string;
  complete: boolean;
  sign: (name: string, how: 'afterPause' | 'customer') => void;
}

/** Nobody else is there: the same person after a pause, or the customer at the counter. */
function Alone({ job, name, complete, sign }: AloneProps) {
  const now = useNow(1000);
  const [customer, setCustomer] = useState('');
  const tested = job.effective.findLast((e) => e.type === 'function' && e.phase === 'after');
  const leftS = tested ? Math.max(0, pauseMin * 60 - (now - tested.at) / 1e3) : pauseMin * 60;
  return (
    <View className="gap-2" testID="alone">
      <Txt size="s" tone="ink2">
        {t('pauseFirst', { minutes: pauseMin })}
      </Txt>
      <View {...missingMark(complete && leftS <= 0)}>
        <HoldButton
          kind="side"
          label={t('signsAlone', { name })}
          disabled={!complete || leftS > 0}
          why={complete ? t('pauseLeft', { left: clock(leftS) }) : t('notAllTestedYet')}
          onPress={() => sign(name, 'afterPause')}
        />
      </View>
      <Entry label={t('customerName')} value={customer} onChange={setCustomer} max={80} />
      <HoldButton
        kind="side"
        label={t('customerSigns')}
        disabled={!complete || !customer.trim()}
        why={complete ? t('customerName') : t('notAllTestedYet')}
        onPress={() => sign(customer.trim(), 'customer')}
      />
    </View>
  );
}

/** The one who checked is not the one who repaired. */
export function SignOff({ job, complete }: { job: JobState; complete: boolean }) {
  const { people } = useSettings();
  const { log } = useActions(job);
  const state = functionState(job);
  const others = people.filter((p) => p !== state.repairer);
  const sign = (name: string, how?: 'afterPause' | 'customer') =>
    void log([
      {
        type: 'signed',
        role: 'checker',
        mark: name,
        ...(how ? { how } : {}),
        text: t('functions2', {
          list: listed(state.changes.map((c) => `${functionName(c.fn)} ${job.functions.after[c.fn]}`)),
        }),
      },
    ]);
  return (
    <View className="my-2" testID="sign-off">
      {state.unclear.length ? (
        <Tick
          asked
          label={t('customerTold', { list: listed(state.unclear.map((c) => functionName(c.fn))) })}
          note={t('notTestedBeforeNobodyCanSay')}
          on={job.prep.has('faultsTold')}
          onChange={(done) => void log([{ type: 'prep', item: 'faultsTold', done }])}
        />
      ) : null}
      {state.checker ? (
        <Txt>
          {state.how === 'customer'
            ? t('signedByCustomer', { checker: state.checker })
            : state.how === 'afterPause'
              ? t('signedAlone', { checker: state.checker })
              : state.repairer
                ? t('signedByRepairedBy', { checker: state.checker, repairer: state.repairer })
                : t('signedBy', { checker: state.checker })}
        </Txt>
      ) : others.length ? (
        <View className="gap-2" {...missingMark(complete)}>
          <Txt size="s" tone="ink2">
            {state.repairer
              ? t('repairedByWhoeverSignsHasTested', { repairer: state.repairer })
              : t('whoeverSignsHasTestedItWith')}
          </Txt>
          {others.map((name) => (
            <HoldButton
              key={name}
              kind="side"
              label={t('checkedAndSigns', { name })}
              disabled={!complete}
              why={t('notAllTestedYet')}
              onPress={() => sign(name)}
            />
          ))}
        </View>
      ) : (
        <Alone job={job} name={state.repairer ?? people[0] ?? ''} complete={complete} sign={sign} />
      )}
    </View>
  );
}
