import { View } from 'react-native';

import { Txt } from './Txt';
import { t } from '@/words/ui';

export interface ReadingItem {
  id: string;
  value: string;
  label: string;
  tone?: 'ink' | 'caution' | 'go';
}

const bars = { ink: 'border-ink', caution: 'border-caution', go: 'border-go' };

/** Three or four large numbers with unit and limit. */
export function Readings({ items }: { items: readonly ReadingItem[] }) {
  return (
    <View role="list" aria-label={t('readings')} className="flex-row flex-wrap">
      {items.map((r) => (
        <View key={r.id} role="listitem" className="w-1/2 pr-2 pb-2">
          <View className={`border-l-4 pl-2 ${bars[r.tone ?? 'ink']}`}>
            <Txt num strong size="xl" tone={r.tone ?? 'ink'}>
              {r.value}
            </Txt>
            <Txt size="s" tone="ink2">
              {r.label}
            </Txt>
          </View>
        </View>
      ))}
    </View>
  );
}
