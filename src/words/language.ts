import i18next from 'i18next';

import { languageIds, type Language } from '@/model/settings';

/** Languages that the interface is written in: a folder of `words/` each. */
export const languages = languageIds;

/** What a language is called by those who speak it. */
export const languageNames: Record<Language, string> = { en: 'English', es: 'Español' };

/** How numbers, dates and lists are written: the day before the month, hours to 24. */
const locales: Record<Language, string> = { en: 'en-GB', es: 'es-ES' };

void i18next.init({
  lng: 'en',
  fallbackLng: 'en',
  resources: {},
  // no part of a key means more than its name
  keySeparator: false,
  nsSeparator: false,
  interpolation: { escapeValue: false },
  initAsync: false,
});

const fetched = new Set<Language>(['en']);
/** English comes with each screen; another language comes as one, when somebody reads it. */
/** What floors below name in English, in one language. */
export type Below = Readonly<Record<string, string>>;
interface Fetched {
  words: Record<string, Record<string, string>>;
  below: Below;
}
const belows = new Map<Language, Below>();
export const belowOf = (l: Language): Below | undefined => belows.get(l);

const fetchers: Record<Exclude<Language, 'en'>, () => Promise<Fetched>> = {
  es: () => import('./es').then((m) => m.es),
};

export const isLanguage = (x: string): x is Language => (languages as readonly string[]).includes(x);

/** The language of what is said just now to somebody who reads another one than the bench. */
let aside: Language | null = null;

/** The language that is spoken now. */
export const language = (): Language => aside ?? (isLanguage(i18next.language) ? i18next.language : 'en');

/** Says something in a language of its own: what a customer reads. Its words must be there, or the bench's are said. */
export function speaking<T>(l: Language, say: () => T): T {
  if (!fetched.has(l)) return say();
  const before = aside;
  aside = l;
  try {
    return say();
  } finally {
    aside = before;
  }
}
export const locale = (l: Language = language()): string => locales[l];

/** Gets a language's words, so that they can be spoken: the interface's own, or a customer's. */
export async function fetchWords(l: Language): Promise<void> {
  if (l === 'en' || fetched.has(l)) return;
  const { words, below } = await fetchers[l]();
  for (const [ns, w] of Object.entries(words)) i18next.addResourceBundle(l, ns, w);
  belows.set(l, below);
  fetched.add(l);
}
export const hasWords = (l: Language): boolean => fetched.has(l);

/** Speaks another language from now on. Its words must be there. */
export function speak(l: Language): void {
  if (i18next.language !== l) void i18next.changeLanguage(l);
  if (typeof document !== 'undefined') document.documentElement.lang = l;
}
