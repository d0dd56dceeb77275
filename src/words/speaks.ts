import i18next from 'i18next';

import { language } from './language';
import { lengthOf } from './longer';
import { told } from './told';
import { written } from './written';

type Holes<S> = S extends `${string}{{${infer Hole}}}${infer Rest}` ? Hole | Holes<Rest> : never;
/** Words that go by number are kept as `key_one` and `key_other`, and asked for as `key` with a `count`. */
type Asked<K> = K extends `${infer Key}_one` | `${infer Key}_other` ? Key : K;
type Text<W, K extends string> = K extends keyof W ? W[K] : `${K}_other` extends keyof W ? W[`${K}_other`] : never;
type Counted<W, K extends string> = K extends keyof W ? never : 'count';
type Filled<S, C> = [Holes<S> | C] extends [never]
  ? []
  : [{ readonly [H in (Holes<S> | C) & string]: H extends C ? number : string | number | null | undefined }];

export type Key<W> = Asked<keyof W & string>;

/** Spanish draws two pairs of words together; a name that begins with its article brings them side by side. */
const joined = (text: string): string =>
  language() === 'es' ? text.replace(/\b([Dd])e el /g, '$1el ').replace(/\b([Aa]) el /g, '$1l ') : text;

/** What fills these was typed by somebody, or is somebody's name: it stays as it is in every language. */
const typed = new Set(['person', 'who', 'customerMark', 'typed', 'given']);
/** Notes and reasons of these places are people's; elsewhere they are of the figures. */
const peoples: Readonly<Record<string, ReadonlySet<string>>> = {
  log: new Set(['note', 'because']),
  records: new Set(['note', 'because']),
  kit: new Set(['because', 'chosen']),
};

/** One of several ways to say something to fill a sentence with. */
export type Say<W> = <K extends Key<W>>(key: K, ...holes: Filled<Text<W, K>, Counted<W, K>>) => string;

/**
 * The words of one stage or place. English is handed over here, so that it comes with the screen that needs it.
 * @returns what to say for a key; every hole of it must be filled, which the compiler sees to
 */
export function speaks<const W extends Record<string, string>>(namespace: string, en: W): Say<W> {
  i18next.addResourceBundle('en', namespace, lengthOf(en));
  // the compiler has checked key and holes; the library's own types know one fixed catalogue only
  const say = i18next.t as unknown as (key: string, holes: object) => string;
  // a screen that ticks asks for the same few hundred lines each second
  const said = new Map<string, string>();
  return (key, ...holes) => {
    const asked = `${language()} ${key} ${holes[0] ? Object.entries(holes[0]).flat().join('\u0000') : ''}`;
    const before = said.get(asked);
    if (before !== undefined) return before;
    const filled: Readonly<Record<string, unknown>> = holes[0] ?? {};
    // what fills a hole may come from below, where names are English; a count stays a number, it chooses the words
    const own = (k: string) => typed.has(k) || peoples[namespace]?.has(k);
    const inWords = Object.fromEntries(
      Object.entries(filled).map(([k, v]) => [
        k,
        typeof v === 'number' && k !== 'count' ? written(v, 0, 6) : typeof v === 'string' && !own(k) ? told(v) : v,
      ]),
    );
    const text = joined(say(key, { lng: language(), ns: namespace, ...inWords }));
    if (said.size > 3000) said.clear();
    said.set(asked, text);
    return text;
  };
}
