import { useEffect } from 'react';

import { useSettings } from '@/store/shop';
import { t as kit } from '@/words/kit';
import { t } from '@/words/bench';
import type { NextShown } from './NextCard';

const key = 'northcove.first';

/** Keeps what the Bench says now, for the first second of the next start: `public/first.js` draws it. */
export function useKeepFirst(shown: NextShown | null): void {
  const { theme } = useSettings();
  const text = JSON.stringify({
    theme,
    places: [kit('bench'), kit('jobs'), kit('phones'), kit('shop')].join('   '),
    title: t('bench'),
    kicker: t('next2'),
    ...(shown
      ? {
          head: shown.title,
          // a countdown is counted anew, and what is said of its seconds is not kept
          ...(shown.countsTo === null
            ? { figure: shown.figure, countsTo: null, line: shown.line }
            : { figure: '', countsTo: shown.countsTo, line: '' }),
        }
      : {}),
  });
  useEffect(() => {
    try {
      localStorage.setItem(key, text);
    } catch {
      // a full or closed storage: the next start begins with an empty page
    }
  }, [text]);
}
