import { useState } from 'react';
import { View } from 'react-native';

import { demoDayNow } from '@/store/demoDay';
import { inPractice } from '@/store/practice';
import { useJobs } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/kit';

const key = 'northcove.hints';
/** The three pages that teach by doing; after their hints there are none. */
const hinted = ['intake', 'heat', 'lift'] as const;
type Hinted = (typeof hinted)[number];

function seen(): Set<string> {
  try {
    const list: unknown = JSON.parse(localStorage.getItem(key) ?? '[]');
    return new Set(Array.isArray(list) ? list.filter((x) => typeof x === 'string') : []);
  } catch {
    return new Set();
  }
}

function note(stage: Hinted): void {
  try {
    localStorage.setItem(key, JSON.stringify([...seen(), stage]));
  } catch {
    // full: it is said once more the next time
  }
}

/** A hint on the first job of a shop of one's own, once on each of three pages. */
export function FirstHint({ stage }: { stage: string }) {
  const jobs = useJobs();
  const [gone, setGone] = useState(() => seen().has(stage));
  const n = hinted.indexOf(stage as Hinted);
  if (n < 0 || gone || jobs.length !== 1 || demoDayNow() !== null || inPractice()) return null;
  return (
    <View role="status" className="bg-panel border border-ink2 rounded-card p-3 my-2 gap-2 no-print">
      <Txt size="s" tone="ink2">
        {t('firstJob', { n: n + 1 })}
      </Txt>
      <Txt>{[t('hint1'), t('hint2'), t('hint3')][n]}</Txt>
      <View className="self-start">
        <Button
          kind="small"
          label={t('hintDone')}
          onPress={() => {
            note(stage as Hinted);
            setGone(true);
          }}
        />
      </View>
    </View>
  );
}
