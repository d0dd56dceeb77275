import { Link, usePathname, type Href } from 'expo-router';
import { View } from 'react-native';

import { t } from '@/words/kit';
import type { HelpTopic } from '@/words/helpText';

/** The way to how a page works, at its foot. */
export function HelpLink({ topic }: { topic: HelpTopic }) {
  const path = usePathname();
  return (
    <View className="no-print">
      <Link
        href={`/help?topic=${topic}&from=${encodeURIComponent(path)}` as Href}
        className="font-body text-m text-ink underline py-3 self-start"
      >
        {t('howThisWorks')}
      </Link>
    </View>
  );
}
