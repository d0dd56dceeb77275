import { Link, usePathname, type Href } from 'expo-router';
import { View } from 'react-native';

import { t } from '@/words/kit';

const places: { href: Href; name: string }[] = [
  {
    href: '/',
    get name() {
      return t('bench');
    },
  },
  {
    href: '/jobs',
    get name() {
      return t('jobs');
    },
  },
  {
    href: '/shelf',
    get name() {
      return t('phones');
    },
  },
  {
    href: '/shop',
    get name() {
      return t('shop');
    },
  },
];

/** The four places, the same on every page, each as high as a gloved finger needs. */
export function PlacesNav() {
  const path = usePathname();
  return (
    <View role="navigation" aria-label={t('places')} className="flex-1 flex-row flex-wrap gap-x-3 no-print">
      {places.map((p) => (
        <Link
          key={p.name}
          href={p.href}
          aria-current={path === p.href ? 'page' : undefined}
          className={`text-m min-h-touch py-3 ${path === p.href ? 'font-strong text-ink' : 'font-body text-ink2 underline'}`}
        >
          {p.name}
        </Link>
      ))}
    </View>
  );
}
