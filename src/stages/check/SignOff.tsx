import { View } from 'react-native';

import { useActions } from '@/bench-kit/actions';
import { functionName, functionState } from '@/work/check/faults';
import type { JobState } from '@/model/fold';
import { useSettings } from '@/store/shop';
import { HoldButton } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/check';

/** The one who checked is not the one who repaired. */
export function SignOff({ job, complete }: { job: JobState; complete: boolean }) {
  const { people } = useSettings();
  const { log } = useActions(job);
  const state = functionState(job);
  const others = people.filter((p) => p !== state.repairer);
  const sign = (name: string) =>
    void log([
      {
        type: 'signed',
        role: 'checker',
        mark: name,
        text: t('functions2', {
          join: state.changes.map((c) => `${functionName(c.fn)} ${job.functions.after[c.fn]}`).join(', '),
        }),
      },
    ]);
  return (
    <View className="my-2" testID="sign-off">
      {state.unclear.length ? (
        <Tick
          label={t('customerTold', { join: state.unclear.map((c) => functionName(c.fn)).join(', ') })}
          note={t('notTestedBeforeNobodyCanSay')}
          on={job.prep.has('faultsTold')}
          onChange={(done) => void log([{ type: 'prep', item: 'faultsTold', done }])}
        />
      ) : null}
      {state.checker ? (
        <Txt>
          {state.repairer
            ? t('signedByRepairedBy', { checker: state.checker, repairer: state.repairer })
            : t('signedBy', { checker: state.checker })}
        </Txt>
      ) : others.length ? (
        <View className="gap-2">
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
        <Txt size="s" tone="ink2">
          {t('onlyOneNameInTheShop')}
        </Txt>
      )}
    </View>
  );
}
