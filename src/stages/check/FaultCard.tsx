import { useRouter, type Href } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';

import { learnFigures } from '@/core/functions/learn';
import { useActions } from '@/bench-kit/actions';
import { diagnosisOf, functionName, functionState, shopFaults } from '@/work/check/faults';
import type { JobState } from '@/model/fold';
import { useJobs } from '@/store/shop';
import { Button } from '@/ui/Button';
import { capital } from '@/words/capital';
import { Txt } from '@/ui/Txt';
import { percent } from '@/words/units';

const ranks = ['Most likely', 'Then', 'Then'];

/** What fails that did not, its likely causes in order with the cheapest next check, and what came of looking. */
export function FaultCard({ job }: { job: JobState }) {
  const jobs = useJobs();
  const router = useRouter();
  const shop = useMemo(() => shopFaults(jobs), [jobs]);
  const { newFaults, unclear } = functionState(job);
  const d = useMemo(() => diagnosisOf(job, shop.tables), [job, shop]);
  const { log } = useActions(job);
  const found = [...job.causesSeen.values()].filter((c) => c.found);
  const nameOf = (id: string) => shop.tables.causes.find((c) => c.id === id)?.name ?? id;
  if (!d)
    return found.length ? (
      <Txt size="s" tone="ink2" className="my-2">
        It was: {found.map((c) => nameOf(c.causeId)).join(', ')}. Works again.
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
          New: {functionName(c.fn)} fails
        </Txt>
      ))}
      {unclear.map((c) => (
        <Txt key={c.fn} strong>
          {functionName(c.fn)} fails, and was not tested before
        </Txt>
      ))}
      {d.top ? null : (
        <Txt size="s" tone="ink2">
          No cause of this repair stands out: it may have been so before, or the test was spoilt. Test again first.
        </Txt>
      )}
      {first ? (
        <View className="my-2">
          <Txt>
            {ranks[0]}: {first.cause.name}
            {numbers ? `, ${percent(first.p)}` : ''}.
          </Txt>
          <Txt strong>{capital(first.cause.next)}. Then test again.</Txt>
          <View className="flex-row flex-wrap gap-2 mt-2">
            <Button
              kind="small"
              label="Done: test again"
              onPress={() => router.replace(`/jobs/${job.id}/functions?again=${Date.now()}` as Href)}
            />
            <Button kind="small" label="It was that" onPress={() => put(first.cause.id, true)} />
            <Button kind="small" label="Not that" onPress={() => put(first.cause.id, false)} />
          </View>
        </View>
      ) : null}
      {rest.map((r, i) => (
        <Txt key={r.cause.id} size="s" tone="ink2">
          {ranks[i + 1]}: {r.cause.name}
          {numbers ? `, ${percent(r.p)}` : ''}. {r.cause.next}.
        </Txt>
      ))}
      {next ? (
        <Txt size="s" className="mt-1">
          Would tell most: {next.test.name} ({next.test.how}).
        </Txt>
      ) : null}
      <Txt size="s" tone="ink2" className="mt-1">
        {numbers
          ? `From a table and ${shop.found.length} causes found in this shop.`
          : `Ranks only: the table is judgement, and the shop has found ${shop.found.length} of the ${learnFigures.showFrom.value} causes it takes for numbers.`}
      </Txt>
    </View>
  );
}
