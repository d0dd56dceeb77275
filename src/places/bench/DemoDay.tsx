import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { useDemoDay } from '@/bench-kit/useDemoDay';
import { useNow } from '@/bench-kit/useNow';
import { isOver } from '@/store/demoDay';
import { ownShop, untouched } from '@/store/ownShop';
import { useShop } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { time } from '@/words/units';
import { t } from '@/words/bench';

/** Says that this is the demo and what time it is there, and the way out: one tap, as long as nothing of one's own is in it. */
export function DemoDay({ again }: { again: (() => Promise<void>) | undefined }) {
  const router = useRouter();
  const now = useNow(10_000);
  const wide = useWide();
  const { shop } = useShop();
  const day = useDemoDay();
  const [busy, setBusy] = useState(false);
  if (!shop) return null;
  const pristine = shop.jobs.size > 0 && untouched(shop);
  if (!day && !pristine) return null;
  const leave = () => {
    if (!untouched(shop)) return router.push('/own');
    setBusy(true);
    void ownShop()
      .then(() => router.push('/own'))
      .finally(() => setBusy(false));
  };
  const over = day !== null && isOver(day, now - day.offsetMs);
  return (
    <View
      role="status"
      className="border border-rule rounded-card px-3 py-2 mb-3 flex-row items-center flex-wrap gap-2"
    >
      <Txt size="s" className="flex-1 min-w-[110px]">
        {over ? t('demoDayOver') : wide ? t('demoDay', { time: time(now) }) : t('demoDayShort', { time: time(now) })}
      </Txt>
      {over && again ? <Button kind="small" label={t('demoAgain')} onPress={() => void again()} /> : null}
      <Button kind="small" label={t('startEmpty')} disabled={busy} onPress={leave} />
    </View>
  );
}
