import { useState } from 'react';
import { Pressable, View } from 'react-native';

import type { FunctionResult } from '@/core/functions/riskOrder';
import type { JobState } from '@/model/fold';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { useActions } from './actions';
import { testsOf } from '@/work/check/functionTests';
import { t as tr } from '@/words/kit';
import { said } from '@/words/codes';
import { functionHow, functionName } from '@/words/functions';

const options: { id: FunctionResult; name: string }[] = [
  {
    id: 'ok',
    get name() {
      return tr('works');
    },
  },
  {
    id: 'fail',
    get name() {
      return tr('fails');
    },
  },
  {
    id: 'untested',
    get name() {
      return tr('cannotBeTested');
    },
  },
];

/** Why a function could not be tested; a word of one's own does as well. */
export const whyNotTested = () => ['locked', tr('screenBroken'), tr('doesNotStart'), tr('nothingToTestWith')];

/** One function at a time, one thumb: the next one comes up by itself. */
export function FunctionList({
  job,
  phase,
  short,
  only,
}: {
  job: JobState;
  phase: 'before' | 'open' | 'after';
  short: boolean;
  /** functions that are asked for; all when it is not said */
  only?: readonly string[];
}) {
  const { log } = useActions(job);
  const tests = testsOf(job, short).filter((t) => !only || only.includes(t.test.id));
  const results = job.functions[phase];
  const [chosen, setChosen] = useState<string | null>(null);
  const [asking, setAsking] = useState<string | null>(null);
  const [own, setOwn] = useState('');
  const put = (fn: string, result: FunctionResult, why?: string) => {
    setChosen(null);
    setAsking(null);
    setOwn('');
    void log([{ type: 'function', fn, phase, result, ...(why ? { why: why.slice(0, 200) } : {}) }]);
  };
  const current = chosen ?? tests.find((t) => !results[t.test.id])?.test.id ?? null;
  const done = tests.filter((t) => results[t.test.id]).length;
  const allWork = () =>
    void log(
      tests
        .filter((t) => !results[t.test.id])
        .map((t) => ({ type: 'function' as const, fn: t.test.id, phase, result: 'ok' as const })),
    );
  return (
    <View>
      <View className="flex-row justify-between items-center mb-1">
        <Txt strong>
          {phase === 'before'
            ? tr('worksBeforeOf', { done, n: tests.length })
            : tr('worksNowOf', { done, n: tests.length })}
        </Txt>
        {done < tests.length ? <Button kind="small" label={tr('theRestWorks')} onPress={allWork} /> : null}
      </View>
      {tests.map(({ test }) => {
        const r = results[test.id];
        const open = current === test.id;
        return (
          <View key={test.id} className="border-b border-rule py-1">
            <Pressable
              role="button"
              aria-expanded={open}
              aria-label={`${functionName(test.id)}: ${r ? options.find((o) => o.id === r)?.name : said('open')}`}
              onPress={() => setChosen(test.id)}
              className="min-h-touch flex-row justify-between items-center"
            >
              <Txt strong={open}>{functionName(test.id)}</Txt>
              <Txt size="s" tone={r === 'fail' ? 'caution' : r === 'ok' ? 'go' : 'ink2'}>
                {r ? options.find((o) => o.id === r)?.name : said('open')}
              </Txt>
            </Pressable>
            {open ? (
              <View className="pb-2">
                <Txt size="s" tone="ink2" className="mb-1">
                  {functionHow(test.id)}
                </Txt>
                <View className="flex-row gap-2">
                  {options.map((o) => (
                    <View key={o.id} className="flex-1">
                      <Button
                        kind="small"
                        label={o.name}
                        onPress={() => (o.id === 'untested' ? setAsking(test.id) : put(test.id, o.id))}
                      />
                    </View>
                  ))}
                </View>
                {asking === test.id ? (
                  <View className="mt-2">
                    <View className="flex-row flex-wrap gap-2 mb-2">
                      {whyNotTested().map((r) => (
                        <Button
                          key={r}
                          kind="small"
                          label={tr('why', { r })}
                          onPress={() => put(test.id, 'untested', r)}
                        />
                      ))}
                    </View>
                    <View className="flex-row gap-2">
                      <TextBox
                        aria-label={tr('whyItCannotBeTested')}
                        placeholder={tr('anotherReason')}
                        value={own}
                        onChangeText={setOwn}
                        maxLength={200}
                        className="flex-1"
                      />
                      <Button
                        kind="small"
                        label={tr('noteIt')}
                        disabled={!own.trim()}
                        onPress={() => put(test.id, 'untested', own.trim())}
                      />
                    </View>
                  </View>
                ) : null}
              </View>
            ) : null}
          </View>
        );
      })}
    </View>
  );
}
