import { useState } from 'react';
import { View } from 'react-native';

import type { EventOf } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { AddLine } from '@/bench-kit/AddLine';
import { partsToRegister } from '@/work/check/registering';
import { noticeOf, outcomeNames, registerName } from '@/words/checkNames';
import { Entry } from '@/bench-kit/Why';
import { Choice } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/check';

type Outcome = EventOf<'registered'>['outcome'];

/** Some devices want to be told about a part that was fitted: a step with an outcome, whatever it is. */
export function RegisterParts({ job }: { job: JobState }) {
  const { log } = useActions(job);
  const [note, setNote] = useState('');
  const parts = partsToRegister(job);
  const put = (part: string, outcome: Outcome) =>
    void log([{ type: 'registered', part, outcome, ...(note.trim() ? { note: note.trim().slice(0, 500) } : {}) }]).then(
      () => setNote(''),
    );
  return (
    <View>
      <Txt size="s" tone="ink2" className="mb-2">
        {t('withTheMakersOwnToolOr')}
      </Txt>
      <Entry label={t('noteToTheResult')} value={note} onChange={setNote} />
      {parts.map(({ part, asked }) => (
        <View key={part}>
          <Choice
            label={t('registeringThe', { part: registerName(part) })}
            value={job.registered[part]?.outcome ?? null}
            options={(Object.keys(outcomeNames) as Outcome[]).map((id) => ({ id, name: outcomeNames[id] }))}
            onChange={(outcome) => put(part, outcome)}
            {...(job.registered[part]?.note
              ? { hint: job.registered[part].note }
              : asked
                ? {}
                : { hint: t('onlyWhereTheMakerAsks') })}
          />
          <Txt size="s" tone="ink2" className="mb-2">
            {t('withoutItTheCustomerSees', { what: noticeOf(part) })}
          </Txt>
        </View>
      ))}
      {parts.length ? null : (
        <Txt size="s" className="mb-2">
          {t('nothingWasFittedThatTheDevice')}
        </Txt>
      )}
      <AddLine label={t('anotherPart')} action={t('registered')} max={40} onAdd={(part) => put(part, 'registered')} />
    </View>
  );
}
