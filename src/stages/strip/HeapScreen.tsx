import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';

import { alikeMm, sortHeap } from '@/core/strip/screws';
import type { JobState } from '@/model/fold';
import { JobPage } from '@/bench-kit/JobPage';
import { stripWork } from '@/work/strip/stripJob';
import { hrefAt } from '@/bench-kit/stageHref';
import { rowOf, Why } from '@/bench-kit/Why';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Txt } from '@/ui/Txt';
import { listed, length } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { specText } from './words';
import { t } from '@/words/strip';

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
      title={t('trayKnockedOver')}
      now={now}
      stage="strip"
      main={<Button kind="main" label={t('backToStrip')} onPress={() => router.replace(hrefAt(job, 'strip'))} />}
    >
      <View className="mt-2">
        <Call
          sentence={
            open.length
              ? kinds.length === 1
                ? t('screwsShouldLieThereOfKind', { n: open.length, of: kinds.length })
                : t('screwsShouldLieThereOfKinds', { n: open.length, of: kinds.length })
              : t('noScrewIsOut')
          }
          reason={
            alike.length
              ? t('byHeadThenByLengthKinds', { n: alike.length, value: length(alikeMm.value, units) })
              : t('byHeadThenByLengthYou')
          }
          tone={alike.length ? 'caution' : 'ink'}
        />
        <View role="table" aria-label={t('kindsInTheHeap')} className="mt-3">
          {kinds.map((k) => {
            const zones = [...new Set(k.holes.map((h) => job.screwsOut.get(h)!.zone))];
            return (
              <View role="row" key={specText(k, units)} className="py-2 border-b border-rule">
                <View role="cell">
                  <Txt strong>
                    {k.holes.length} × {specText(k, units)}
                  </Txt>
                  <Txt size="s">
                    {zones.length > 1
                      ? t('theSameKindSoAnyWill', {
                          list: zones
                            .map((z) => {
                              const own = k.holes.filter((h) => job.screwsOut.get(h)!.zone === z);
                              return t('toBox', { n: own.length, z, own: work.cellOf(own[0]!) });
                            })
                            .join('; '),
                        })
                      : zones
                          .map((z) => {
                            const own = k.holes.filter((h) => job.screwsOut.get(h)!.zone === z);
                            return t('toBox', { n: own.length, z, own: work.cellOf(own[0]!) });
                          })
                          .join('; ')}
                  </Txt>
                  {k.alike.length ? (
                    <Txt size="s" tone="caution">
                      {t('looksLikeMeasure', { list: listed(k.alike.map((l) => length(l, units))) })}
                    </Txt>
                  ) : null}
                </View>
              </View>
            );
          })}
        </View>
        <Txt size="s" className="mt-2">
          {t('countAgainAtTheEndIn', { n: open.length })}
        </Txt>
        <Why
          job={job}
          call="heap"
          inputs={{ open: open.length }}
          computed={kinds}
          notes={[t('headAndDiameterTellMostLengths')]}
          rows={[rowOf(t('toldApartByEyeFrom'), alikeMm, 'mm')]}
        />
      </View>
    </JobPage>
  );
}
