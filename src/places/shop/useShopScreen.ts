import { useState } from 'react';

import { type Settings } from '@/model/settings';
import { saveSettings, useSettings, useShop } from '@/store/shop';
import { savingTrouble } from '@/store/trouble';

/** How it stands: what ShopScreen shows and does. */
export function useShopScreen() {
  const s = useSettings();
  const { shop } = useShop();
  const [message, setMessage] = useState<{ text: string; bad: boolean } | null>(null);
  const put = (change: Partial<Settings>) =>
    saveSettings({ ...s, ...change }).catch((e: unknown) => setMessage({ text: savingTrouble(e), bad: true }));
  return { s, put, message, shop, setMessage };
}
export type ShopScreenState = ReturnType<typeof useShopScreen>;
