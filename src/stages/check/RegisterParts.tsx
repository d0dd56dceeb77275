import { useState } from 'react';
import { View } from 'react-native';

import type { EventOf } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { AddLine } from '@/bench-kit/AddLine';
import { outcomeNames, partsToRegister } from '@/work/check/registering';
import { Entry } from '@/bench-kit/Why';
import { Choice } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';

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
        With the maker’s own tool or menu, the device charged and on a network. A part that is not registered can show a
        notice or do less: it stands on the sheet.
      </Txt>
      <Entry label="Note to the outcome" value={note} onChange={setNote} />
      {parts.map((part) => (
        <Choice
          key={part}
          label={`Registering the ${part}`}
          value={job.registered[part]?.outcome ?? null}
          options={(Object.keys(outcomeNames) as Outcome[]).map((id) => ({ id, name: outcomeNames[id] }))}
          onChange={(outcome) => put(part, outcome)}
          {...(job.registered[part]?.note ? { hint: job.registered[part].note } : {})}
        />
      ))}
      {parts.length ? null : (
        <Txt size="s" className="mb-2">
          Nothing was fitted that a device has to be told about.
        </Txt>
      )}
      <AddLine label="Another part" action="Registered" max={40} onAdd={(part) => put(part, 'registered')} />
    </View>
  );
}
