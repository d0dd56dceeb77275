import { useState } from 'react';
import { View } from 'react-native';

import type { Settings } from '@/model/settings';
import { newId } from '@/store/ids';
import { useActionsOn } from '@/bench-kit/actions';
import { absencesKept, absentFor } from '@/work/bench/absence';
import { atWork } from '@/work/bench/shopBench';
import { saveSettings, useJobs } from '@/store/shop';
import { nowMs } from '@/store/clock';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { time } from '@/words/units';
import { t } from '@/words/bench';

const minutes = [10, 30, 60];

/** Somebody is called away: the plan does without until then, or until they are back. */
export function Away({ settings: s, now }: { settings: Settings; now: number }) {
  const jobs = useJobs();
  const logOn = useActionsOn();
  const [open, setOpen] = useState(false);
  const [problem, setProblem] = useState(false);
  const put = (absences: Settings['absences']) =>
    void saveSettings({ ...s, absences: absencesKept(absences) }).then(
      () => setProblem(false),
      () => setProblem(true),
    );
  const gone = s.absences.filter((a) => a.fromAt <= now && a.toAt > now);
  const mine = gone.find((a) => a.person === s.person);
  return (
    <View className="mt-3">
      {gone.map((a) => (
        <View key={a.id} className="flex-row items-center gap-3 mb-2">
          <Txt className="flex-1">{t('isAwayUntil', { person: a.person, toAt: time(a.toAt) })}</Txt>
          <Button
            kind="small"
            label={t('isBack', { person: a.person })}
            onPress={() => put(s.absences.map((x) => (x.id === a.id ? { ...x, toAt: nowMs() } : x)))}
          />
        </View>
      ))}
      {mine ? null : open ? (
        <View className="flex-row gap-2 items-center">
          <Txt>{t('awayFor', { person: s.person })}</Txt>
          {minutes.map((m) => (
            <View key={m} className="flex-1">
              <Button
                kind="small"
                label={t('min', { m })}
                onPress={() => {
                  setOpen(false);
                  const at = nowMs();
                  // what is in hand is laid aside, so that its minutes stand still meanwhile
                  const job = jobs.find((j) => j.id === atWork(jobs, at).get(s.person));
                  const tap = job?.works.at(-1);
                  if (job && tap?.to === 'begun') void logOn(job.id, [{ type: 'work', stage: tap.stage, to: 'aside' }]);
                  put(absentFor(s, newId(), at, m));
                }}
              />
            </View>
          ))}
        </View>
      ) : (
        <Button kind="small" label={t('calledAway')} onPress={() => setOpen(true)} />
      )}
      {problem ? (
        <View role="alert">
          <Txt size="s" tone="caution">
            {t('thisBrowserHasNoRoomLeft')}
          </Txt>
        </View>
      ) : null}
    </View>
  );
}
