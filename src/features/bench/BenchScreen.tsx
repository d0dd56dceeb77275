import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';

import { stageHref } from '@/stagekit/StageShell';
import { useJobs, useSettings, useShop } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Mark } from '@/ui/Mark';
import { PlaceFrame } from '@/ui/PlaceFrame';
import { Txt } from '@/ui/Txt';
import { clock, day, dayTime } from '@/ui/units';
import { useNow } from '@/ui/useNow';
import { benchItems, type BenchItem } from './benchItems';

export function BenchScreen() {
  const router = useRouter();
  const now = useNow(1000);
  const jobs = useJobs();
  const settings = useSettings();
  const { shop } = useShop();
  const items = benchItems(jobs, settings, now);
  const next = items[0];
  const runs = items.filter((i) => i.state === 'runs' && i !== next);
  const hands = items.filter((i) => i.state === 'hands' && i !== next);
  const waits = items.filter((i) => i.state === 'waits' && i !== next);
  const go = (i: BenchItem) => router.push(stageHref(i.job.id, i.stage));
  return (
    <PlaceFrame
      title="Bench"
      line={`${day(now)} · ${items.length} open ${items.length === 1 ? 'job' : 'jobs'} · ${settings.person}`}
      actions={
        <>
          <View className="flex-1">
            <Button label="New job" onPress={() => router.push('/jobs/new')} />
          </View>
          {next ? (
            <View className="flex-[2]">
              <Button kind="main" label={`Go to ${next.job.label}`} onPress={() => go(next)} />
            </View>
          ) : null}
        </>
      }
    >
      {next ? (
        <Pressable
          role="button"
          aria-label={`Hands needed next: ${next.title}`}
          onPress={() => go(next)}
          className="bg-ink rounded-[6px] p-4 mt-1"
          testID="next"
        >
          <Txt size="s" tone="onInk">
            Hands needed next
          </Txt>
          <Txt strong size="xl" tone="onInk" level={2}>
            {next.title}
          </Txt>
          <View className="flex-row justify-between items-end">
            <Txt num strong size="huge" tone="onInk">
              {next.state === 'waits'
                ? next.dueAt
                  ? dayTime(next.dueAt, now)
                  : 'now'
                : next.dueAt === null
                  ? 'now'
                  : clock((next.dueAt - now) / 1e3)}
            </Txt>
            <Txt size="s" tone="onInk" className="flex-1 text-right ml-3">
              {next.line}
            </Txt>
          </View>
        </Pressable>
      ) : shop ? (
        <View className="bg-panel border-[1.5px] border-ink p-4 mt-1">
          <Txt strong size="l" level={2}>
            Nothing on the bench.
          </Txt>
          <Txt tone="ink2">Start with a new job; the demo shop can be loaded in Shop.</Txt>
        </View>
      ) : (
        <Txt tone="ink2">Reading the log</Txt>
      )}
      <Group title="Needs hands after that" items={hands} now={now} onGo={go} />
      <Group title="Runs by itself" items={runs} now={now} onGo={go} />
      <Group title="Waits" items={waits} now={now} onGo={go} />
    </PlaceFrame>
  );
}

function Group({
  title,
  items,
  now,
  onGo,
}: {
  title: string;
  items: BenchItem[];
  now: number;
  onGo: (i: BenchItem) => void;
}) {
  if (!items.length) return null;
  return (
    <View className="mt-4">
      <Txt strong level={2}>
        {title}
      </Txt>
      {items.map((i) => (
        <Pressable
          key={i.job.id}
          role="button"
          aria-label={`${i.title}, ${i.line}`}
          onPress={() => onGo(i)}
          className="flex-row items-center gap-3 min-h-[60px] border-b border-rule"
        >
          <Mark state={i.state} />
          <View className="flex-1 py-2">
            <Txt strong>{i.title}</Txt>
            <Txt size="s" tone="ink2">
              {i.job.device.name} · {i.line}
            </Txt>
          </View>
          <View className="items-end max-w-[124px]">
            {i.dueAt !== null && i.state !== 'waits' ? (
              <Txt num strong size="l" tone={i.dueAt < now ? 'caution' : 'ink'}>
                {clock((i.dueAt - now) / 1e3)}
              </Txt>
            ) : null}
            {i.job.promiseAt ? (
              <Txt size="s" num className="text-right" tone={i.job.promiseAt < now ? 'caution' : 'ink2'}>
                promised {dayTime(i.job.promiseAt, now)}
              </Txt>
            ) : null}
          </View>
        </Pressable>
      ))}
    </View>
  );
}
