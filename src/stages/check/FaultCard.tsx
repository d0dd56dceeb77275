import { useRouter, type Href } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';

import { learnFigures } from '@/core/functions/learn';
import { useActions } from '@/bench-kit/actions';
import { diagnosisOf, functionState, shopFaults } from '@/work/check/faults';
import { causeName, causeNext, functionHow, functionName } from '@/words/functions';
import type { JobState } from '@/model/fold';
import { useJobs } from '@/store/shop';
import { Button } from '@/ui/Button';
import { capital } from '@/words/capital';
import { Txt } from '@/ui/Txt';
import { listed, percent } from '@/words/units';
import { t as tr } from '@/words/check';

const ranks = () => [tr('mostLikely'), tr('then'), tr('then')];

/** What fails that did not, its likely causes in order with the cheapest next check, and what came of looking. */
export function FaultCard({ job }: { job: JobState }) {
  const jobs = useJobs();
  const router = useRouter();
  const shop = useMemo(() => shopFaults(jobs), [jobs]);
  const { newFaults, unclear } = functionState(job);
  const d = useMemo(() => diagnosisOf(job, shop.tables), [job, shop]);
  const { log } = useActions(job);
  const found = [...job.causesSeen.values()].filter((c) => c.found);
  if (!d)
    return found.length ? (
      <Txt size="s" tone="ink2" className="my-2">
        {tr('itWasWorksAgain', { list: listed(found.map((c) => causeName(c.causeId))) })}
      </Txt>
    ) : null;
  const numbers = shop.found.length >= learnFigures.showFrom.value;
  const [first, ...rest] = d.causes.slice(0, 3);
  const next = d.nextTests.find((t) => job.device.functions.includes(t.test.id) && t.bits > 0.02);
  const put = (causeId: string, yes: boolean) => void log([{ type: 'cause', causeId, found: yes }]);
  return (
    <View className="border-l-4 border-caution pl-3 my-3" testID="faults">
      {newFaults.map((c) => (
        <Txt key={c.fn} strong>
          {tr('newFails', { fn: functionName(c.fn) })}
        </Txt>
      ))}
      {unclear.map((c) => (
        <Txt key={c.fn} strong>
          {tr('failsAndWasNotTestedBefore', { fn: functionName(c.fn) })}
        </Txt>
      ))}
      {d.top ? null : (
        <Txt size="s" tone="ink2">
          {tr('noCauseFromThisRepairStands')}
        </Txt>
      )}
      {first ? (
        <View className="my-2">
          <Txt>
            {ranks()[0]}: {causeName(first.cause.id)}
            {numbers ? `, ${percent(first.p)}` : ''}.
          </Txt>
          <Txt strong>{tr('thenTestAgain', { next: capital(causeNext(first.cause.id)) })}</Txt>
          <View className="flex-row flex-wrap gap-2 mt-2">
            <Button
              kind="small"
              label={tr('doneTestAgain')}
              onPress={() => router.replace(`/jobs/${job.id}/functions?again=${Date.now()}` as Href)}
            />
            <Button kind="small" label={tr('itWasThat')} onPress={() => put(first.cause.id, true)} />
            <Button kind="small" label={tr('notThat')} onPress={() => put(first.cause.id, false)} />
          </View>
        </View>
      ) : null}
      {rest.map((r, i) => (
        <Txt key={r.cause.id} size="s" tone="ink2">
          {ranks()[i + 1]}: {causeName(r.cause.id)}
          {numbers ? `, ${percent(r.p)}` : ''}. {causeNext(r.cause.id)}.
        </Txt>
      ))}
      {next ? (
        <Txt size="s" className="mt-1">
          {tr('thisWouldTellMost', { name: functionName(next.test.id), how: functionHow(next.test.id) })}
        </Txt>
      ) : null}
      <Txt size="s" tone="ink2" className="mt-1">
        {numbers
          ? tr('fromATableAndCausesFound', { count: shop.found.length })
          : tr('orderOnlyTheTableIsJudgement', { n: shop.found.length, value: learnFigures.showFrom.value })}
      </Txt>
    </View>
  );
}
