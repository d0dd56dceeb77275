import { View } from 'react-native';

import type { EdgeId } from '@/core/device/types';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { edgeName } from '@/work/heat/placeNames';
import { Choice, Tick } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';

interface CrackedAndSavedProps {
  job: JobState;
  cracked: readonly EdgeId[];
  onEdge: (edge: EdgeId) => void;
  log: (events: readonly NewEvent[]) => Promise<unknown>;
}

/** The first two questions: where it is cracked, and whether the back is saved. Heat, route and price follow from them. */
export function CrackedAndSaved({ job, cracked, onEdge, log }: CrackedAndSavedProps) {
  const whole = job.findings.crack?.answer === 'no';
  return (
    <>
      <Txt strong className="mb-1">
        Where is it cracked?
      </Txt>
      {job.cracks.size ? (
        <Txt size="s" tone="ink2" className="mb-2">
          As drawn on the crack map.
        </Txt>
      ) : (
        <View className="flex-row flex-wrap gap-x-4 mb-2">
          {(['top', 'left', 'right', 'bottom'] as const).map((e) => (
            <View key={e} className="w-[45%]">
              <Tick label={edgeName(e)} on={cracked.includes(e)} onChange={() => onEdge(e)} />
            </View>
          ))}
          <View className="w-full">
            <Tick
              label="Not cracked"
              on={whole}
              onChange={(on) => void log([{ type: 'finding', kind: 'crack', answer: on ? 'no' : 'unsure', edges: [] }])}
            />
          </View>
        </View>
      )}
      <Choice
        label="Save this back?"
        value={job.coverSaid || job.findings.crack || job.cracks.size ? (job.keepCover ? 'save' : 'off') : null}
        options={[
          { id: 'save', name: 'Save it' },
          { id: 'off', name: 'Write it off' },
        ]}
        onChange={(v) => void log([{ type: 'route', keepCover: v === 'save' }])}
        hint={
          job.coverSaid
            ? 'Heat, route and price follow it at once.'
            : 'A cracked back is written off unless you say otherwise; a whole one is saved.'
        }
      />
    </>
  );
}
