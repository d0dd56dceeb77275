import MiniSearch from 'minisearch';

/** Words and numbers, decimals whole; what joins them ("J-0143") parts them. */
const termsOf = (text: string): string[] => text.match(/\p{L}[\p{L}\p{N}]*|\p{N}+(?:[.,]\p{N}+)*/gu) ?? [];

/** "0143" is also found as "143". */
const spoken = (term: string): string | string[] => {
  const t = term.toLocaleLowerCase().normalize('NFD').replace(/\p{M}/gu, '');
  const short = t.replace(/^0+(?=\d)/, '');
  return short === t ? t : [t, short];
};

/** Words from this length on may be mistyped by one letter in five. */
const fuzzyFrom = 4;
const fuzzyShare = 0.2;

/**
 * Finds things by words that people type: beginnings count, accents and capitals do not, longer words may be mistyped, every word
 * must be found somewhere.
 * @param textOf all that a thing is found by
 * @returns those found, best first; all of them, as they stand, for an empty search
 */
export function textSearch<T>(things: readonly T[], textOf: (thing: T) => string): (typed: string) => readonly T[] {
  let index: MiniSearch<{ id: number; text: string }> | null = null;
  const build = () => {
    const made = new MiniSearch<{ id: number; text: string }>({
      fields: ['text'],
      tokenize: termsOf,
      processTerm: spoken,
      searchOptions: {
        combineWith: 'AND',
        // one letter or digit begins too much
        prefix: (term) => term.length > 1,
        fuzzy: (term) => (term.length >= fuzzyFrom && !/\d/.test(term) ? fuzzyShare : false),
        processTerm: (term) => [spoken(term)].flat()[0]!,
      },
    });
    made.addAll(things.map((t, id) => ({ id, text: textOf(t) })));
    return made;
  };
  return (typed) => {
    if (!typed.trim()) return things;
    if (!termsOf(typed).length) return [];
    index ??= build();
    return index.search(typed).map((r) => things[r.id as number]!);
  };
}
