import { useState } from 'react';
import { View } from 'react-native';

import type { EventOf } from '@/model/event';
import { findingNames } from '@/words/eventLine';
import type { JobState } from '@/model/fold';
import { Entry } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { capital } from '@/words/capital';
import { Choice } from '@/ui/Choice';
import { t as tr } from '@/words/intake';

export const yesNo = [
  {
    id: 'no',
    get name() {
      return tr('no');
    },
  },
  {
    id: 'unsure',
    get name() {
      return tr('unsure');
    },
  },
  {
    id: 'yes',
    get name() {
      return tr('yes');
    },
  },
] as const;

const more = ['smokeOrWet', 'paintGone', 'looseLayer', 'screwMissing', 'earlierRepair'] as const;
const hints: Record<(typeof more)[number], string> = {
  get smokeOrWet() {
    return tr('oldGlueAndCorrosionOldTape');
  },
  get paintGone() {
    return tr('nothingSticksWellWherePaintFlakes');
  },
  get looseLayer() {
    return tr('aLoosePrintedLayerComesOff');
  },
  get screwMissing() {
    return tr('howManyAndWhereSoThat');
  },
  get earlierRepair() {
    return tr('whatWasUsedBeforeAndWhat');
  },
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
              label={tr('askedOf', { finding: capital(findingNames[kind]) })}
              value={f?.answer ?? null}
              options={yesNo}
              onChange={(answer) => onFind({ type: 'finding', kind, answer, note })}
              hint={hints[kind]}
            />
            {f && f.answer !== 'no' ? (
              <View className="flex-row gap-2 items-end">
                <View className="flex-1">
                  <Entry
                    label={tr('note', { kind: capital(findingNames[kind]) })}
                    value={note}
                    onChange={(t) => setNotes({ ...notes, [kind]: t })}
                  />
                </View>
                <View className="mb-2">
                  <Button
                    kind="small"
                    label={tr('noteIt')}
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
