import { Link, useRouter, type Href } from 'expo-router';
import { View } from 'react-native';

import { PlainPlan } from '@/bench-kit/PlainPlan';
import { RoutePicture } from '@/bench-kit/RoutePicture';
import { stageHref } from '@/bench-kit/stageHref';
import { useNow } from '@/bench-kit/useNow';
import type { JobState } from '@/model/fold';
import { placeOn } from '@/model/way';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Stroke } from '@/ui/plan/pieceLayers';
import { Txt } from '@/ui/Txt';
import { eventLine } from '@/words/eventLine';
import { t } from '@/words/jobs';
import { stageName } from '@/words/stageWords';
import { dayTime, length, stamp, temp } from '@/words/units';
import { worksText } from '@/words/worksText';

/** So many of the last entries stand beside the list. */
const lastEntries = 8;

/** A job beside the list: its device with its cracks, how far it is, what was noted last, and the way to it. */
export default function JobDetail({ job }: { job: JobState }) {
  const router = useRouter();
  const settings = useSettings();
  const now = useNow(10_000);
  const units = { mm: (v: number, d: number) => length(v, settings, d), c: (v: number) => temp(v, settings) };
  const facts = [
    job.closedAt
      ? t('handedOver4', { closedAt: dayTime(job.closedAt, now) })
      : t('stageOf2', {
          stage: stageName(job.stage),
          way: placeOn(job.way, job.stage, job.joint),
          n: job.way.length,
        }),
    ...[worksText(job) ?? []].flat(),
    ...(job.customerMark ? [job.customerMark] : []),
    ...(job.promiseAt ? [t('promisedForAt', { at: dayTime(job.promiseAt, now) })] : []),
  ];
  return (
    <View className="flex-row gap-4 pb-4">
      <PlainPlan
        job={job}
        size={{ width: 230, height: 420 }}
        bare
        label={t('planWithCracks', { name: job.model.name, count: job.cracks.size })}
        lines={[]}
      >
        {[...job.cracks.values()].map((pts, i) => (
          <Stroke key={i} pts={[...pts]} />
        ))}
      </PlainPlan>
      <View className="flex-1">
        <Txt strong size="l" level={2}>
          {job.label} · {job.model.name}
        </Txt>
        <RoutePicture job={job} />
        {facts.map((f) => (
          <Txt key={f} className="mt-1">
            {f}
          </Txt>
        ))}
        <View className="my-4">
          <Button
            kind="main"
            label={
              job.closedAt
                ? t('openOf', { label: job.label })
                : t('goOnWith', { label: job.label, stage: stageName(job.stage) })
            }
            onPress={() => router.push(stageHref(job.id, job.stage))}
          />
        </View>
        <View className="flex-row gap-4">
          <Link href={`/jobs/${job.id}/log` as Href} className="font-body text-m text-ink underline py-3">
            {t('wholeLog')}
          </Link>
          <Link href={`/jobs/${job.id}/record` as Href} className="font-body text-m text-ink underline py-3">
            {t('recordWord')}
          </Link>
        </View>
        {[...job.effective]
          .slice(-lastEntries)
          .reverse()
          .map((e) => (
            <Txt key={e.id} size="s" tone="ink2">
              {stamp(e.at)} {eventLine(e, units)}
            </Txt>
          ))}
      </View>
    </View>
  );
}
