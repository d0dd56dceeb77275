import { useEffect, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';

import type { FunctionResult } from '@/core/functions/riskOrder';
import { writeResultCode } from '@/core/functions/resultCode';
import { functionTests } from '@/core/functions/tables';
import { Button } from '@/ui/Button';
import { capital } from '@/words/capital';
import { QrCode } from '@/ui/QrCode';
import { Txt } from '@/ui/Txt';
import { Tool } from './Tools';
import { t as tr } from '@/words/deviceTest';
import { functionCaution, functionHow, functionName } from '@/words/functions';

interface Order {
  tag: string;
  tests: typeof functionTests;
}

/** The order stands in the address: the job's tag and the functions by their number in the table. */
export function readOrder(hash: string): Order {
  const [tag = '', ...ids] = hash.replace(/^#/, '').split('.');
  const tests = ids.flatMap((i) => (/^\d{1,2}$/.test(i) ? (functionTests[Number(i)] ?? []) : []));
  return { tag: /^[A-Z0-9]{4}$/.test(tag) ? tag : '', tests: tests.length ? [...new Set(tests)] : functionTests };
}

const kept = (hash: string) => `northcove.deviceTest${hash}`;

/** Runs on the device under test and nowhere else: no shop data, no network. Its result is a code. */
export function DeviceTest() {
  const hash = typeof window === 'undefined' ? '' : (window.location?.hash ?? '');
  const order = useMemo(() => readOrder(hash), [hash]);
  const [results, setResults] = useState<Record<string, FunctionResult>>(() => {
    try {
      const read: unknown = JSON.parse(sessionStorage.getItem(kept(hash)) ?? '{}');
      const known = Object.entries(read && typeof read === 'object' ? read : {}).filter(
        ([fn, r]) => functionTests.some((t) => t.id === fn) && ['ok', 'fail', 'untested'].includes(String(r)),
      );
      return Object.fromEntries(known) as Record<string, FunctionResult>;
    } catch {
      return {};
    }
  });
  useEffect(() => {
    try {
      sessionStorage.setItem(kept(hash), JSON.stringify(results));
    } catch {
      // no room: the run goes on, only a reload would forget it
    }
  }, [hash, results]);
  const current = order.tests.find((t) => !results[t.id]) ?? null;
  const done = order.tests.filter((t) => results[t.id]).length;
  const put = (fn: string, r: FunctionResult) => setResults((all) => ({ ...all, [fn]: r }));
  const code = writeResultCode(order.tag, results);
  const lastDone = order.tests.filter((t) => results[t.id]).at(-1);
  return (
    <View className="flex-1 bg-paper">
      <ScrollView className="flex-1" contentContainerClassName={`p-4 w-full max-w-[720px] self-center`} role="main">
        <Txt size="s" tone="ink2">
          {order.tag
            ? tr('testOfThisDeviceTagOf', { tag: order.tag, done, n: order.tests.length })
            : tr('testOfThisDeviceOf', { done, n: order.tests.length })}
        </Txt>
        {current ? (
          <View key={current.id} className="mt-2 gap-3">
            <Txt strong size="xl" level={1}>
              {capital(functionName(current.id))}
            </Txt>
            <Txt>{capital(functionHow(current.id))}.</Txt>
            {functionCaution(current.id) ? <Txt size="s">{functionCaution(current.id)}</Txt> : null}
            <Tool fn={current.id} onResult={(ok) => put(current.id, ok ? 'ok' : 'fail')} />
          </View>
        ) : (
          <View className="mt-2 gap-3 items-start">
            <Txt strong size="xl" level={1}>
              {tr('done')}
            </Txt>
            <Txt>{tr('showThisToTheBenchOr')}</Txt>
            <View testID="result-code">
              <QrCode text={code} sizePx={260} />
            </View>
            <Txt num strong size="l" testID="result-text">
              {code}
            </Txt>
            {order.tests
              .filter((t) => results[t.id] === 'fail')
              .map((t) => (
                <Txt key={t.id} tone="caution">
                  {tr('fails', { name: functionName(t.id) })}
                </Txt>
              ))}
          </View>
        )}
        {lastDone ? (
          <View className="mt-4 self-start">
            <Button
              kind="small"
              label={tr('onceMore', { name: functionName(lastDone.id) })}
              onPress={() =>
                setResults((all) => {
                  const { [lastDone.id]: _, ...rest } = all;
                  return rest;
                })
              }
            />
          </View>
        ) : null}
      </ScrollView>
      {current ? (
        <View role="region" aria-label={tr('actions')} className="border-t-[1.5px] border-ink bg-panel px-4 py-3 gap-2">
          <Button kind="small" label={tr('cannotBeTested')} onPress={() => put(current.id, 'untested')} />
          <View className="flex-row gap-3">
            <View className="flex-1">
              <Button label={tr('fails2')} onPress={() => put(current.id, 'fail')} />
            </View>
            <View className="flex-[2]">
              <Button kind="main" label={tr('works')} onPress={() => put(current.id, 'ok')} />
            </View>
          </View>
        </View>
      ) : null}
    </View>
  );
}
