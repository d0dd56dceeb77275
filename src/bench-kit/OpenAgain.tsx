import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { openAgain } from '@/core/bond/openAgain';
import type { JobState } from '@/model/fold';
import { useSettings } from '@/store/shop';
import { HoldButton } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { spoken, time } from '@/words/units';
import { useActions } from './actions';
import { cureOf } from '@/work/cure/cureJob';
import { hrefAt } from './stageHref';
import { Entry } from './Why';
import { t } from '@/words/kit';

/** A bump, a pinched cable, a crooked seat: open it again, and how long that is still easy. */
export function OpenAgain({ job, now }: { job: JobState; now: number }) {
  const settings = useSettings();
  const router = useRouter();
  const { log } = useActions(job);
  const [why, setWhy] = useState('');
  if (!job.bonded) return null;
  const cure = cureOf(job, settings, now);
  const at = cure.startAt ?? job.bonded.at;
  const limit = openAgain(cure.kind, cure.bondMm, cure.steps);
  const until = at + limit.easyS * 1e3;
  const hard = at + limit.heatS * 1e3;
  const text =
    now < until
      ? t('opensWithoutHeatForMoreUntil', { until: spoken((until - now) / 1e3), until2: time(until) })
      : now < hard
        ? t('itHoldsTooWellToPull', { hard: time(hard) })
        : t('itHasBondedOpeningItIs');
  return (
    <Disclosure title={t('aBumpOrItSitsWrong')}>
      <Txt size="s" className="mb-1">
        {cure.kind === 'tape' ? t('theTapeYouLiftedOffIs', { text }) : t('whatYouLaidIsSpentWipe', { text })}
      </Txt>
      <Entry label={t('whatIsTrappedOrWrong')} value={why} onChange={setWhy} max={200} />
      <View className="mt-1">
        <HoldButton
          kind="side"
          label={t('openedAgain2')}
          disabled={!why.trim()}
          why={t('sayWhy')}
          onPress={() =>
            void log([{ type: 'reopened', why: why.trim() }]).then(() => router.replace(hrefAt(job, 'bond')))
          }
        />
      </View>
    </Disclosure>
  );
}
