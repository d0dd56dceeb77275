import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { JobPage } from '@/bench-kit/JobPage';
import { hrefAt } from '@/bench-kit/stageHref';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Message } from '@/ui/Message';
import { Txt } from '@/ui/Txt';
import { useSealScreen } from './useSealScreen';
import { SealPicture, SealReadings, WhenAndWhere, SealLog, SealFindings, ShopLimit, SealWhy } from './SealParts';
import { t } from '@/words/check';

/** Air test of the closed device: hold and press, against the same device before; locked while the bond is young. */
export function SealScreen(p: { job: JobState }) {
  const here = useSealScreen(p);
  const { job, now, text, router, seal, reading, message } = here;
  return (
    <JobPage
      job={job}
      title={t('airTest')}
      now={now}
      stage="check"
      lead={<Call {...text} />}
      picture={(size) => <SealPicture here={here} size={size} />}
      main={<Button kind="main" label={t('backToCheck')} onPress={() => router.replace(hrefAt(job, 'check'))} />}
    >
      <View className="mt-3" />
      <SealReadings here={here} />
      <WhenAndWhere here={here} />
      {seal.problems.map((x) => (
        <Txt key={`${x.phase}${x.what}`} size="s" tone="caution" testID="unusable">
          {x.what === 'hold'
            ? x.phase === 'before'
              ? t('thisHoldFromBeforeOpeningCannot', { why: x.why })
              : t('thisHoldFromAfterClosingCannot', { why: x.why })
            : x.phase === 'before'
              ? t('thisPressFromBeforeOpeningCannot', { why: x.why })
              : t('thisPressFromAfterClosingCannot', { why: x.why })}
        </Txt>
      ))}
      {reading.view}
      <Message told={message} />
      <SealLog here={here} />
      <SealFindings here={here} />
      <ShopLimit here={here} />
      <SealWhy here={here} />
    </JobPage>
  );
}
