import { View } from 'react-native';

import type { EventType } from '@/model/event';
import type { JobState } from '@/model/fold';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { useActions } from './actions';
import { said } from '@/words/codes';
import { t } from '@/words/kit';
import { timeS } from '@/words/units';

const names: Partial<Record<EventType, string>> = {
  get heatOn() {
    return t('heatOn');
  },
  get heatOff() {
    return t('heatOff');
  },
  get edge() {
    return t('edgeFree');
  },
  get clampOn() {
    return t('clampsOn');
  },
  get clampOff() {
    return t('clampsOff');
  },
  get bonded() {
    return said('bonded');
  },
  get bead() {
    return said('bead');
  },
  get reopened() {
    return t('openedAgain');
  },
};

/** How long the correction of a late or early tap stays in reach, ms. */
const inReachMs = 45_000;
const stepMs = 10_000;

/** After a tap that starts or ends a clock: "10 s ago" moves its instant, "not yet" takes it back. */
export function LastTap({ job, now }: { job: JobState; now: number }) {
  const { log, shift } = useActions(job);
  const last = job.effective.findLast((e) => names[e.type] && now - e.loggedAt < inReachMs);
  if (!last) return null;
  // the tap, the stage and the decision that it wrote are one batch: taking it back takes all of it
  const batch = job.effective.filter((e) => e.loggedAt === last.loggedAt && e.writer === last.writer);
  return (
    <View className="flex-row items-center gap-2 mb-2">
      <Txt size="s" tone="ink2" className="flex-1">
        {t('noted', { type: names[last.type], at: timeS(last.at) })}
      </Txt>
      <Button kind="small" label={t('n10SAgo')} onPress={() => shift(last.id, last.at - stepMs)} />
      <Button
        kind="small"
        label={t('notYet')}
        onPress={() => void log(batch.map((e) => ({ type: 'undo' as const, eventId: e.id })))}
      />
    </View>
  );
}
