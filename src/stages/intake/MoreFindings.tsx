import { useState } from 'react';
import { View } from 'react-native';

import type { EventOf } from '@/model/event';
import { findingNames } from '@/model/eventLine';
import type { JobState } from '@/model/fold';
import { Entry } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { capital } from '@/words/capital';
import { Choice } from '@/ui/Choice';

export const yesNo = [
  { id: 'no', name: 'No' },
  { id: 'unsure', name: 'Unsure' },
  { id: 'yes', name: 'Yes' },
] as const;

const more = ['smokeOrWet', 'paintGone', 'looseLayer', 'screwMissing', 'earlierRepair'] as const;
const hints: Record<(typeof more)[number], string> = {
  smokeOrWet: 'Residue and corrosion: old tape holds differently, and faults come later.',
  paintGone: 'Nothing sticks well where paint flakes.',
  looseLayer: 'A print layer that lifts comes off with the tape: the cover is a write-off.',
  screwMissing: 'How many, and where: so that none is looked for later.',
  earlierRepair: 'What was used before, and what looks different from new.',
};

/** What else was found, each with a note of its own. */
export function MoreFindings({
  job,
  onFind,
}: {
  job: JobState;
  onFind: (e: { type: 'finding' } & Pick<EventOf<'finding'>, 'kind' | 'answer' | 'note'>) => void;
}) {
  const [notes, setNotes] = useState<Record<string, string>>({});
  return (
    <View>
      {more.map((kind) => {
        const f = job.findings[kind];
        const note = notes[kind] ?? f?.note ?? '';
        return (
          <View key={kind} className="mb-2">
            <Choice
              label={`${capital(findingNames[kind])}?`}
              value={f?.answer ?? null}
              options={yesNo}
              onChange={(answer) => onFind({ type: 'finding', kind, answer, note })}
              hint={hints[kind]}
            />
            {f && f.answer !== 'no' ? (
              <View className="flex-row gap-2 items-end">
                <View className="flex-1">
                  <Entry
                    label={`${capital(findingNames[kind])}, note`}
                    value={note}
                    onChange={(t) => setNotes({ ...notes, [kind]: t })}
                  />
                </View>
                <View className="mb-2">
                  <Button
                    kind="small"
                    label="Note it"
                    disabled={note === f.note}
                    onPress={() => onFind({ type: 'finding', kind, answer: f.answer, note })}
                  />
                </View>
              </View>
            ) : null}
          </View>
        );
      })}
    </View>
  );
}
