/** Deepest nesting of a file that is read; what this app writes is under 20. */
export const mostNesting = 200;

/** How deep the brackets of a JSON text go, without reading it: stops as soon as it is deeper than `most`. */
export function nestingOf(text: string, most = Infinity): number {
  let depth = 0;
  let deepest = 0;
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (quoted) {
      if (c === 0x5c) i++;
      else if (c === 0x22) quoted = false;
      continue;
    }
    if (c === 0x22) quoted = true;
    else if (c === 0x7b || c === 0x5b) {
      if (++depth > deepest) deepest = depth;
      if (deepest > most) return deepest;
    } else if (c === 0x7d || c === 0x5d) depth--;
  }
  return deepest;
}
