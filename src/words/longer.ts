/** How much longer words get, to see whether a screen has room for another language. Common practice in translating. */
const more = 0.4;
/** Set in the browser's storage by who wants to see it: a third language would run about as long. */
const flag = 'northcove:longerWords';

function wanted(): boolean {
  try {
    return localStorage.getItem(flag) === '1';
  } catch {
    // a worker, or a browser that keeps nothing
    return false;
  }
}

/** One text, its words drawn out; what is filled in later stays as it is. */
export function drawnOut(text: string): string {
  return text
    .split(/(\{\{\w+\}\})/)
    .map((part) => {
      if (part.startsWith('{{')) return part;
      let owed = 0;
      return part.replace(/[a-z]/gi, (c) => {
        owed += more;
        if (owed < 1 || !/[aeiou]/i.test(c)) return c;
        const times = Math.floor(owed);
        owed -= times;
        return c + c.toLowerCase().repeat(times);
      });
    })
    .join('');
}

/** A catalogue as it is, or with its words drawn out where somebody asked for that. */
export const lengthOf = <W extends Record<string, string>>(words: W): Record<string, string> =>
  wanted() ? Object.fromEntries(Object.entries(words).map(([k, v]) => [k, drawnOut(v)])) : words;
