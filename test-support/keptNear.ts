/**
 * Questions near the ones that were asked: one number, answer or list of what was given is another. The tests ask what a bench asks;
 * ends, ties and what is refused lie beside that, and a change of core shows there.
 */

/** Numbers from a number, the same each time (mulberry32, public domain). */
function draws(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (s + 0x6d2b79f5) >>> 0;
    let t = Math.imul(s ^ (s >>> 15), 1 | s);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

type Holder = Record<string | number, unknown>;
interface Leaf {
  holder: Holder;
  key: string | number;
}

const isHolder = (x: unknown): x is Holder => typeof x === 'object' && x !== null && !(x instanceof Set);
const isList = (x: unknown): x is unknown[] => Array.isArray(x);
const keysOf = (x: Holder): (string | number)[] =>
  isList(x) || ArrayBuffer.isView(x)
    ? Array.from({ length: (x as unknown as ArrayLike<unknown>).length }, (_, i) => i)
    : Object.keys(x);
const goesOn = (x: unknown) => typeof x === 'number' || typeof x === 'boolean' || (isHolder(x) && keysOf(x).length > 0);

/** A way down from the outside to something that can be another, each step as likely as its neighbours: what is given by itself counts. */
function leafOf(from: Holder, draw: () => number): Leaf | null {
  let holder = from;
  for (let depth = 0; depth < 12; depth++) {
    if (holder instanceof Map) holder = [...holder.values()] as unknown as Holder;
    const keys = keysOf(holder).filter((k) => goesOn(holder[k]));
    if (!keys.length) return null;
    const key = keys[Math.floor(draw() * keys.length)]!;
    const held = holder[key];
    if (!isHolder(held) || (isList(held) && draw() < 0.15)) return { holder, key };
    holder = held;
  }
  return null;
}

function otherNumber(x: number, from: Holder, draw: () => number): number {
  const tie = leafOf(from, draw);
  const same = tie?.holder[tie.key];
  const of = [
    typeof same === 'number' ? same : x + 1,
    x + 1,
    x - 1,
    0,
    2 * x,
    ...(Number.isInteger(x) ? [x + 2, -x] : [x / 2, 1.1 * x, Math.round(x), -x]),
  ];
  return of[Math.floor(draw() * of.length)]!;
}

function otherList(x: unknown[], draw: () => number): unknown[] {
  const of = [() => x.slice(0, -1), () => x.slice(1), () => [x[0], ...x], () => [...x].reverse(), () => []];
  return of[Math.floor(draw() * of.length)]!();
}

/**
 * Changes one thing of what is given, in place; the same thing each time for the same number.
 * @param given what a call is given, made for this once
 * @returns false where there is nothing to change
 */
export function goNear(given: unknown[], which: number): boolean {
  const draw = draws(which);
  const all = given as unknown as Holder;
  const leaf = leafOf(all, draw);
  if (!leaf) return false;
  const was = leaf.holder[leaf.key];
  const is =
    typeof was === 'number'
      ? otherNumber(was, all, draw)
      : typeof was === 'boolean'
        ? !was
        : otherList(was as unknown[], draw);
  try {
    leaf.holder[leaf.key] = is;
  } catch {
    return false;
  }
  return !Object.is(is, was);
}
