import { Link, type Href } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';

import { eventLine } from '@/words/eventLine';
import type { JobState } from '@/model/fold';
import { logOrder } from '@/model/logOrder';
import { stageName } from '@/words/stageWords';
import { exportJob } from '@/bench-kit/exportJob';
import { useActions } from '@/bench-kit/actions';
import { stageHref } from '@/bench-kit/stageHref';
import { Entry } from '@/bench-kit/Why';
import { useSettings, useSpoiled } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { length, stamp, temp } from '@/words/units';
import { t } from '@/words/jobs';

export function LogScreen({ job }: { job: JobState }) {
  const settings = useSettings();
  const { log, undo } = useActions(job);
  const [note, setNote] = useState('');
  const spoiled = useSpoiled(job.id);
  const alive = new Set(job.effective.map((e) => e.id));
  const left = new Map(job.effective.flatMap((e) => (e.type === 'leaveOut' ? [[e.eventId, e.id] as const] : [])));
  const events = [...job.log].sort(logOrder).reverse();
  return (
    <ScrollView
      className="flex-1 bg-paper"
      contentContainerClassName={`p-4 max-w-[720px] w-full self-center`}
      role="main"
    >
      <Link href={stageHref(job.id, job.stage) as Href} className="font-body text-m text-ink underline py-2">
        {t('backTo', { stage: stageName(job.stage) })}
      </Link>
      <Txt strong size="l" level={1}>
        {t('log', { label: job.label })}
      </Txt>
      {spoiled.map(({ event, why }) => (
        <View key={event.id} role="alert" className="border-[1.5px] border-caution bg-panel p-3 my-2 gap-2">
          <Txt tone="caution">
            {t('oneEntryMakesEverythingImpossibleTo', { why, at: stamp(event.at), person: event.by })}
          </Txt>
          <Button
            kind="small"
            label={t('leaveThisEntryOut')}
            onPress={() => void log([{ type: 'leaveOut', eventId: event.id, why: why.slice(0, 300) }])}
          />
        </View>
      ))}
      <View className="mt-2">
        <Entry label={t('note')} value={note} onChange={setNote} multiline keep />
        <View className="flex-row gap-3">
          <View className="flex-1">
            <Button
              label={t('addTheNote')}
              disabled={!note.trim()}
              onPress={() => {
                void log([{ type: 'note', text: note.trim() }]);
                setNote('');
              }}
            />
          </View>
          <View className="flex-1">
            <Button
              label={t('undoTheLast')}
              disabled={!job.lastEventId}
              onPress={() => job.lastEventId && undo(job.lastEventId)}
            />
          </View>
        </View>
        <View className="mt-3">
          <Button label={t('exportTheJob')} onPress={() => void exportJob(job)} />
        </View>
      </View>
      <View role="list" aria-label={t('log2')} className="mt-4">
        {events.map((e) => {
          const gone = e.type !== 'unknown' && !alive.has(e.id);
          const shifted =
            e.type !== 'undo' && e.type !== 'amend' ? job.effective.find((x) => x.id === e.id)?.at : undefined;
          return (
            <View role="listitem" key={e.id} className="border-b border-rule py-1">
              <Txt size="s" tone={gone ? 'ink2' : 'ink'} className={gone ? 'line-through' : ''}>
                {eventLine(e, { mm: (v, d) => length(v, settings, d), c: (v) => temp(v, settings) })}
              </Txt>
              <Txt size="s" num tone="ink2">
                {gone
                  ? left.has(e.id)
                    ? Math.abs((shifted ?? e.at) - e.loggedAt) > 1500
                      ? t('leftOutNoted', {
                          shifted: stamp(shifted ?? e.at),
                          person: e.by,
                          loggedAt: stamp(e.loggedAt),
                        })
                      : t('leftOut', { shifted: stamp(shifted ?? e.at), person: e.by })
                    : Math.abs((shifted ?? e.at) - e.loggedAt) > 1500
                      ? t('undoneNoted', { shifted: stamp(shifted ?? e.at), person: e.by, loggedAt: stamp(e.loggedAt) })
                      : t('undone', { shifted: stamp(shifted ?? e.at), person: e.by })
                  : Math.abs((shifted ?? e.at) - e.loggedAt) > 1500
                    ? t('noted', { shifted: stamp(shifted ?? e.at), person: e.by, loggedAt: stamp(e.loggedAt) })
                    : `${stamp(shifted ?? e.at)} · ${e.by}`}
              </Txt>
              {left.has(e.id) ? (
                <View className="flex-row">
                  <Button kind="small" label={t('takeItInAgain')} onPress={() => undo(left.get(e.id)!)} />
                </View>
              ) : null}
            </View>
          );
        })}
      </View>
    </ScrollView>
  );
}
