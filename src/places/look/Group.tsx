import type { ReactNode } from 'react';
import { View } from 'react-native';

import { Txt } from '@/ui/Txt';

/** A few components under their name. */
export function Group({ name, children }: { name: string; children: ReactNode }) {
  return (
    <View className="mt-4 gap-2">
      <Txt size="s" tone="ink2" level={2}>
        {name}
      </Txt>
      {children}
    </View>
  );
}
