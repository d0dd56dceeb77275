import { useState } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { cureEnd, type JobCure } from '@/work/cure/cureJob';
import { told } from '@/words/told';
import { cureMarkNames } from '@/words/cureNames';
import { useJobs, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { dayTime, temp } from '@/words/units';
import { mayPower } from './power';
import { t } from '@/words/cure';

/** Where it lies while it cures, the label that lies with it, and whether it may be switched on there. */
export function ShelfPlace({ job, cure, now }: { job: JobState; cure: JobCure; now: number }) {
  const settings = useSettings();
  const { log } = useActions(job);
  const jobs = useJobs();
  const [label, setLabel] = useState(false);
  const taken = (id: string) =>
    jobs.find((j) => j.id !== job.id && j.closedAt === null && j.shelved?.place === id && j.bonded)?.label;
  const power = mayPower(job, cure, now);
  return (
    <View className="mt-2">
      <Choice
        label={t('placeOnTheShelf')}
        value={job.shelved?.place ?? null}
        options={settings.shelves.map((s) => {
          const by = taken(s.id);
          return {
            id: s.id,
            name: `${told(s.name)}${s.tC === null ? '' : `, ${temp(s.tC, settings)}`}${by ? ` (${by})` : ''}`,
          };
        })}
        onChange={(id) => {
          const s = settings.shelves.find((x) => x.id === id);
          void log([{ type: 'shelved', place: id, tC: s?.tC ?? null }]);
        }}
        hint={t('aPlaceWithItsOwnTemperature')}
      />
      <Txt size="s" tone={power.yes ? 'ink' : 'caution'}>
        {power.text}
      </Txt>
      <Disclosure title={t('labelForTheShelf')} open={label}>
        <View className="sheet bg-panel border-[1.5px] border-ink p-4" testID="label">
          <Txt num strong size="xl">
            {job.label} {job.shelved ? `· ${job.shelved.place}` : ''}
          </Txt>
          <Txt>{job.model.name}</Txt>
          {(['clampOff', 'build', 'handOver', 'sealTest'] as const).map((m) => {
            const at = cureEnd(cure, m);
            return (
              <Txt key={m} size="s">
                {at === null
                  ? t('notClosedYet', { m: cureMarkNames[m] })
                  : t('notBefore', { m: cureMarkNames[m], at: dayTime(at, now) })}
              </Txt>
            );
          })}
          <Txt strong size="s">
            {power.short}
          </Txt>
        </View>
        <View className="mt-2">
          <Button
            kind="small"
            label={t('printTheLabel')}
            onPress={() => {
              setLabel(true);
              window.print();
            }}
          />
        </View>
      </Disclosure>
    </View>
  );
}
