import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { Button } from '@/ui/Button';
import { StopCard } from '@/ui/StopCard';
import { Txt } from '@/ui/Txt';
import { time } from '@/words/units';
import { useActions } from './actions';
import { t } from '@/words/kit';

const cases = () =>
  [
    ['cellTouched', t('touchedOrScratched')],
    ['cellSmells', t('smellsOrHisses')],
    ['cellSwells', t('swells')],
  ] as const;

/** The stop card of a job: what happened goes into its log, and what smells or swells is not heated any more. */
export function JobStopCard({ job }: { job: JobState }) {
  const { log } = useActions(job);
  const noted = job.effective.findLast((e) => e.type === 'observed' && cases().some(([id]) => id === e.what));
  return (
    <StopCard>
      <Txt strong>{t('noteItOn', { label: job.label })}</Txt>
      <View className="gap-2">
        {cases().map(([what, label]) => (
          <Button key={what} label={label} onPress={() => void log([{ type: 'observed', what }])} />
        ))}
      </View>
      {noted ? (
        <Txt role="status">
          {job.findings.cellSwollen?.answer === 'yes'
            ? t('notedAtNoHeatIsPlanned', { at: time(noted.at) })
            : `${t('notedAt', { at: time(noted.at) })} `}
        </Txt>
      ) : null}
    </StopCard>
  );
}
