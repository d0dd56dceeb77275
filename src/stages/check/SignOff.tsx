import { View } from 'react-native';

import { useActions } from '@/bench-kit/actions';
import { functionName, functionState } from '@/work/check/faults';
import type { JobState } from '@/model/fold';
import { useSettings } from '@/store/shop';
import { HoldButton } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';

/** The one who checked is not the one who repaired. */
export function SignOff({ job, complete }: { job: JobState; complete: boolean }) {
  const { people } = useSettings();
  const { log } = useActions(job);
  const state = functionState(job);
  const others = people.filter((p) => p !== state.repairer);
  const sign = (name: string) =>
    void log([
      {
        type: 'signed',
        role: 'checker',
        mark: name,
        text: `Functions: ${state.changes.map((c) => `${functionName(c.fn)} ${job.functions.after[c.fn]}`).join(', ')}`,
      },
    ]);
  return (
    <View className="my-2" testID="sign-off">
      {state.unclear.length ? (
        <Tick
          label={`Customer told: ${state.unclear.map((c) => functionName(c.fn)).join(', ')}`}
          note="Not tested before: nobody can say whether it was so."
          on={job.prep.has('faultsTold')}
          onChange={(done) => void log([{ type: 'prep', item: 'faultsTold', done }])}
        />
      ) : null}
      {state.checker ? (
        <Txt>
          Signed by {state.checker}
          {state.repairer ? `; repaired by ${state.repairer}` : ''}.
        </Txt>
      ) : others.length ? (
        <View className="gap-2">
          <Txt size="s" tone="ink2">
            {state.repairer ? `Repaired by ${state.repairer}. ` : ''}Whoever signs has tested it, with clean eyes.
          </Txt>
          {others.map((name) => (
            <HoldButton
              key={name}
              kind="side"
              label={`${name} checked and signs`}
              disabled={!complete}
              why="not all tested yet"
              onPress={() => sign(name)}
            />
          ))}
        </View>
      ) : (
        <Txt size="s" tone="ink2">
          Only one name in the shop: add a second one under Shop, or log an override with its reason.
        </Txt>
      )}
    </View>
  );
}
