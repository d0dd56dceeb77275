/** What no sentence of the product may promise. Patterns of the wording rules; negated sentences are allowed. */
const rules: readonly [id: string, pattern: RegExp][] = [
  ['W1', /\bwater[\s-]*(resist\w*|proof\w*|tight\w*|safe|sealed|repellent)\b/gi],
  ['W2', /\b(splash|dust|rain|shower|swim|sweat)[\s-]*(resist\w*|proof\w*|tight\w*|safe)\b/gi],
  ['W3', /\bip[\s\u2010-\u2015-]*[x0-6]\s*[0-9]k?\b/gi],
  ['W4', /\b(submersible|immersible|hermetic\w*|leak[\s-]*(free|proof|tight))\b/gi],
  ['W5', /\b(as|like)\s+(good\s+as\s+)?new\s+seal\w*|\bfactory[\s-]+(seal|grade)\w*/gi],
  ['W6', /\b(safe|can be used|use it)\b[^.]{0,30}\b(under\s*water|in (the )?(water|rain|shower|pool|bath))\b/gi],
  [
    'W8',
    /\b(seal\w*|protect\w*|closed|shut|tight)\b[^.]{0,20}\b(against|from|to)\b[^.]{0,20}\b(water|moisture|rain|splash\w*|dust)\b/gi,
  ],
  ['W9', /\bwater\b[^.]{0,20}\b(will|can|cannot|does|gets?|goes)\b[^.]{0,20}\b(in|inside|through|enter)\b/gi],
  ['W7', /\bguarantee\w*|\bwarrant(y|ed|s)\b[^.]{0,40}\bwater\b/gi],
];
const negation = /\b(not|no|never|cannot|without|nobody|nor)\b|n't\b/;
const cut = /,|:|\(|\)|\b(so|but|therefore|thus|hence|now)\b/g;

/** Rules that a text breaks: a claim counts unless the eight words before it, in its own clause, deny it. @public every text of the product is held against it by a test */
export function claimCheck(text: string): { ok: boolean; rules: string[] } {
  const hit = new Set<string>();
  for (const sentence of text.split(/[.!?;]\s|\n/)) {
    const s = sentence.toLowerCase();
    for (const [id, pattern] of rules)
      for (const m of s.matchAll(pattern)) {
        const before = s.slice(0, m.index).split(cut).pop() ?? '';
        const words = before
          .replace(/not only/g, '')
          .trim()
          .split(/\s+/)
          .slice(-8)
          .join(' ');
        if (!negation.test(words)) hit.add(id);
      }
  }
  return { ok: hit.size === 0, rules: [...hit].sort() };
}
