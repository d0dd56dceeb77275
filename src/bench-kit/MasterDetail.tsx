import { Suspense, useState, type ReactNode } from 'react';
import { useWindowDimensions, View } from 'react-native';

import { useWide } from '@/ui/useWide';

export interface Master {
  /** there is room for both: a row is looked at beside the list, and opened from there */
  wide: boolean;
  chosen: string | null;
  choose: (id: string) => void;
}

/** Which row of a list is looked at: the first one until another is chosen, and again when that one is no longer listed. */
export function useMaster(ids: readonly string[]): Master {
  const wide = useWide();
  const [picked, choose] = useState<string | null>(null);
  return { wide, chosen: picked !== null && ids.includes(picked) ? picked : (ids[0] ?? null), choose };
}

/** A list, and beside it on a wide screen what is chosen in it, which stays in view while the list is scrolled. */
export function MasterDetail({
  list,
  detail,
  label,
}: {
  list: ReactNode;
  /** of what is chosen; null: nothing to show */
  detail: ReactNode;
  /** names the part beside the list */
  label: string;
}) {
  const wide = useWide();
  const { height } = useWindowDimensions();
  if (!wide) return <>{list}</>;
  return (
    <View className="flex-row gap-4 items-start">
      <View className="w-[46%] max-w-[760px]">{list}</View>
      <View
        role="region"
        aria-label={label}
        tabIndex={0}
        className="flex-1 border-l border-rule pl-4"
        style={{ position: 'sticky', top: 0, maxHeight: height - 190, overflow: 'auto' } as object}
      >
        <Suspense fallback={<View style={{ height: 400 }} />}>{detail}</Suspense>
      </View>
    </View>
  );
}
