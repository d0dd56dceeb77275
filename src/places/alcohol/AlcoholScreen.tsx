import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { JobPage } from '@/bench-kit/JobPage';
import { hrefAt } from '@/bench-kit/stageHref';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { useAlcoholScreen } from './useAlcoholScreen';
import {
  AlcoholPicture,
  AlcoholCall,
  AlcoholReadings,
  BeforeIt,
  HowMuch,
  WhatItDoes,
  AlcoholWhy,
} from './AlcoholParts';
import { t } from '@/words/alcohol';

/** Alcohol into the gap or on a wipe: only in the cooler band, with every heat source off and away. */
export function AlcoholScreen(p: { job: JobState }) {
  const here = useAlcoholScreen(p);
  const { job, now, lifted, use, give, stops, first, words, router } = here;
  return (
    <JobPage
      job={job}
      title={t('alcohol')}
      now={now}
      stage={lifted ? 'clean' : 'lift'}
      picture={(size) => <AlcoholPicture here={here} size={size} />}
      main={
        <Button
          kind="main"
          label={use === 'gap' ? t('itIsInTheGap') : t('wipeIsMoist')}
          onPress={give}
          disabled={stops.length > 0}
          {...(first ? { why: words[first].short } : {})}
        />
      }
      side={<Button label={t('back')} onPress={() => router.replace(hrefAt(job, lifted ? 'clean' : 'lift'))} />}
    >
      <View className="mt-2">
        <AlcoholCall here={here} />
        <AlcoholReadings here={here} />
        <Txt size="s" strong className="mt-2">
          {t('noFlameNoSparkNoRunning')}
        </Txt>
        <BeforeIt here={here} />
        <HowMuch here={here} />
        <WhatItDoes here={here} />
        <AlcoholWhy here={here} />
      </View>
    </JobPage>
  );
}
