import type { ReactNode } from 'react';
import { View } from 'react-native';

import { useWide } from '@/ui/useWide';

/** Two halves of a page: one under the other on a phone, side by side on a wide screen. */
export function Beside({ left, right }: { left: ReactNode; right: ReactNode }) {
  return useWide() ? (
    <View className="flex-row gap-4 items-start">
      <View className="flex-1">{left}</View>
      <View className="flex-1">{right}</View>
    </View>
  ) : (
    <>
      {left}
      {right}
    </>
  );
}
