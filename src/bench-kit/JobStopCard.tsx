import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { Button } from '@/ui/Button';
import { StopCard } from '@/ui/StopCard';
import { Txt } from '@/ui/Txt';
import { time } from '@/words/units';
import { useActions } from './actions';

const cases = [
  ['cellTouched', 'Touched or scratched'],
  ['cellSmells', 'Smells or hisses'],
  ['cellSwells', 'Swells'],
] as const;

/** The stop card of a job: what happened goes into its log, and what smells or swells is not heated any more. */
export function JobStopCard({ job }: { job: JobState }) {
  const { log } = useActions(job);
  const noted = job.effective.findLast((e) => e.type === 'observed' && cases.some(([id]) => id === e.what));
  return (
    <StopCard>
      <Txt strong>Note it on {job.label}</Txt>
      <View className="gap-2">
        {cases.map(([what, label]) => (
          <Button key={what} label={label} onPress={() => void log([{ type: 'observed', what }])} />
        ))}
      </View>
      {noted ? (
        <Txt role="status">
          Noted at {time(noted.at)}.{' '}
          {job.findings.cellSwollen?.answer === 'yes' ? 'No heat is planned on this job any more.' : ''}
        </Txt>
      ) : null}
    </StopCard>
  );
}
