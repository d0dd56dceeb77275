import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';

import { alikeMm, sortHeap } from '@/core/strip/screws';
import type { JobState } from '@/model/fold';
import { JobPage } from '@/bench-kit/JobPage';
import { stripWork } from '@/work/strip/stripJob';
import { stageHref } from '@/bench-kit/stageHref';
import { rowOf, Why } from '@/bench-kit/Why';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Txt } from '@/ui/Txt';
import { length } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { specText } from './words';

/** The tray was knocked over: what the map still tells of every screw of the heap. */
export function HeapScreen({ job }: { job: JobState }) {
  const units = useSettings();
  const now = useNow(10_000);
  const router = useRouter();
  const work = useMemo(() => stripWork(job), [job]);
  const open = [...job.screwsOut.values()].filter((r) => !r.missing && !job.screwsIn.has(r.hole));
  const kinds = sortHeap(open);
  const alike = kinds.filter((k) => k.alike.length);
  return (
    <JobPage
      job={job}
      title="Tray knocked over"
      now={now}
      stage="strip"
      main={<Button kind="main" label="Back to strip" onPress={() => router.replace(stageHref(job.id, 'strip'))} />}
    >
      <View className="mt-2">
        <Call
          sentence={
            open.length
              ? `${open.length} screws should lie there, of ${kinds.length} ${kinds.length === 1 ? 'kind' : 'kinds'}.`
              : 'No screw is out.'
          }
          reason={
            alike.length
              ? `By head, then by length. ${alike.length} kinds differ by less than ${length(alikeMm.value, units)}: callipers.`
              : 'By head, then by length: every kind can be told by eye.'
          }
          tone={alike.length ? 'caution' : 'ink'}
        />
        <View role="table" aria-label="Kinds in the heap" className="mt-3">
          {kinds.map((k) => {
            const zones = [...new Set(k.holes.map((h) => job.screwsOut.get(h)!.zone))];
            return (
              <View role="row" key={specText(k, units)} className="py-2 border-b border-rule">
                <View role="cell">
                  <Txt strong>
                    {k.holes.length} × {specText(k, units)}
                  </Txt>
                  <Txt size="s">
                    {zones
                      .map((z) => {
                        const own = k.holes.filter((h) => job.screwsOut.get(h)!.zone === z);
                        return `${own.length} to ${z}, cell ${work.cellOf(own[0]!)}`;
                      })
                      .join('; ')}
                    {zones.length > 1 ? ': the same kind, so it does not matter which' : ''}
                  </Txt>
                  {k.alike.length ? (
                    <Txt size="s" tone="caution">
                      Looks like {k.alike.map((l) => length(l, units)).join(', ')}: measure.
                    </Txt>
                  ) : null}
                </View>
              </View>
            );
          })}
        </View>
        <Txt size="s" className="mt-2">
          Count again at the end: {open.length} in all. One too few lies on the floor or in the device; tap it out, face
          down.
        </Txt>
        <Why
          job={job}
          call="heap"
          inputs={{ open: open.length }}
          computed={kinds}
          notes={[
            'Head and diameter tell most; a length that differs by little needs callipers, and the wrong one pierces what lies under it.',
          ]}
          rows={[rowOf('Told apart by eye from', alikeMm, 'mm')]}
        />
      </View>
    </JobPage>
  );
}
