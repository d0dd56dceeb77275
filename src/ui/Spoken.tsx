import i18next from 'i18next';
import { Fragment, useEffect, useState, type ReactNode } from 'react';
import { I18nextProvider, useTranslation } from 'react-i18next';

import type { Language } from '@/model/settings';
import { fetchWords, hasWords, speak } from '@/words/language';

/** Everything under it is said in one language, and anew as soon as another one is chosen. */
function Anew({ children }: { children: ReactNode }) {
  // reads what changes beside React, so the compiler may keep nothing of it
  'use no memo';
  const { i18n } = useTranslation(undefined, { useSuspense: false });
  return <Fragment key={i18n.language}>{children}</Fragment>;
}

/** Speaks a language: its words are got first, and what was said before stays meanwhile. */
export function Spoken({ language, children }: { language: Language; children: ReactNode }) {
  const [first, setFirst] = useState(() => !hasWords(language));
  useEffect(() => {
    let wanted = true;
    // words that cannot be got leave the bench in the language that it has
    void fetchWords(language)
      .then(() => wanted && speak(language))
      .catch(() => {})
      .finally(() => setFirst(false));
    return () => {
      wanted = false;
    };
  }, [language]);
  if (first) return null;
  return (
    <I18nextProvider i18n={i18next}>
      <Anew>{children}</Anew>
    </I18nextProvider>
  );
}
