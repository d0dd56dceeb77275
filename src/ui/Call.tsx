import { createContext, useContext } from 'react';
import { View } from 'react-native';

import { Txt } from './Txt';
import { t } from '@/words/ui';

/** Whether calls are told: somebody who practises alone decides without them. */
export const CallsTold = createContext(true);

/** One plain sentence with the number that matters, and one more with the reason. */
export function Call({
  sentence,
  reason,
  tone = 'ink',
}: {
  sentence: string;
  reason: string;
  tone?: 'ink' | 'caution';
}) {
  const told = useContext(CallsTold);
  if (!told)
    return (
      <View className="bg-panel border-[1.5px] border-dashed border-ink2 p-3">
        <Txt strong size="xl" level={2} testID="call">
          {t('youDecide')}
        </Txt>
      </View>
    );
  return (
    <View className={`bg-panel border-[1.5px] p-3 ${tone === 'caution' ? 'border-caution' : 'border-ink'}`}>
      <Txt strong size="xl" level={2} tone={tone} testID="call">
        {sentence}
      </Txt>
      <Txt size="m" tone="ink2" className="mt-1" testID="reason">
        {reason}
      </Txt>
    </View>
  );
}
