import { Link } from 'expo-router';
import { View } from 'react-native';

import { useShop } from '@/store/shop';
import { Txt } from '@/ui/Txt';

/** A line above everything when something is not stored or not readable. The rest of the app goes on. */
export function StorageNotice() {
  const { shop, error } = useShop();
  const text = error
    ? `The storage of this browser cannot be opened: ${error.message}`
    : shop && shop.unsaved > 0
      ? `Storage full: ${shop.unsaved} ${shop.unsaved === 1 ? 'entry is' : 'entries are'} only in memory. Export now.`
      : shop?.problems.length
        ? `${shop.problems.length} stored ${shop.problems.length === 1 ? 'entry is' : 'entries are'} not readable and set aside.`
        : null;
  if (!text) return null;
  return (
    <View role="alert" className="bg-caution px-4 py-2 flex-row gap-3 no-print">
      <Txt size="s" strong tone="onInk" className="flex-1">
        {text}
      </Txt>
      <Link href="/shop" className="font-strong text-s text-onInk underline">
        Shop: export
      </Link>
    </View>
  );
}
