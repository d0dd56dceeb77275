import { View } from 'react-native';

import { Txt } from './Txt';

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
