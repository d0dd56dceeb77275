import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';

import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import type { LongRun } from '@/workers/longRun';
import { t } from '@/words/kit';

/** A long file is read beside the page: how far it is, and a way out of it. `view` is null while nothing is read. */
export function useFileRead() {
  const [reading, setReading] = useState<{ name: string; share: number } | null>(null);
  const stop = useRef<() => void>(() => {});
  useEffect(() => () => stop.current(), []);
  const read = async <T,>(name: string, start: (onShare: (share: number) => void) => LongRun<T>): Promise<T> => {
    stop.current();
    const run = start((share) => setReading({ name, share }));
    stop.current = run.cancel;
    setReading({ name, share: 0 });
    try {
      return await run.result;
    } finally {
      if (stop.current === run.cancel) setReading(null);
    }
  };
  const view = reading ? (
    <View className="flex-row items-center gap-3 my-2">
      <View role="status" className="flex-1">
        <Txt>{t('reading', { name: reading.name, share: Math.round(reading.share * 100) })}</Txt>
      </View>
      <Button kind="small" label={t('cancel')} say={t('cancelTheReading')} onPress={() => stop.current()} />
    </View>
  ) : null;
  return { read, view };
}
