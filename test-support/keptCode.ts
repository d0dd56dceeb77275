import { Perimeter } from '../src/core/device/perimeter';
import type { Outline } from '../src/core/device/types';
import { Advance } from '../src/core/lift/advance';

/**
 * Values as text and back, for answers of core that are kept: what JSON has no sign for (maps, sets, arrays of numbers, no value,
 * not-a-number) goes as an object with one key that begins with a dollar.
 */
type Plain = null | boolean | number | string | Plain[] | { [k: string]: Plain };

/** A value that cannot be kept: it holds a function, an object with behaviour of its own, or too much. */
export class Unfit extends Error {}

const lists: Record<string, (l: number[]) => ArrayLike<number>> = {
  Float64Array: (l) => Float64Array.from(l),
  Float32Array: (l) => Float32Array.from(l),
  Int32Array: (l) => Int32Array.from(l),
  Uint32Array: (l) => Uint32Array.from(l),
  Int16Array: (l) => Int16Array.from(l),
  Uint16Array: (l) => Uint16Array.from(l),
  Int8Array: (l) => Int8Array.from(l),
  Uint8Array: (l) => Uint8Array.from(l),
  Uint8ClampedArray: (l) => Uint8ClampedArray.from(l),
};

/** Objects with behaviour that are made again from what they were made of. */
const remade: Record<string, { of: (x: never) => unknown; make: (held: never) => unknown }> = {
  Perimeter: {
    of: (x: object) => outlines.get(x),
    make: (outline: Outline) => new Perimeter(outline),
  },
  Advance: {
    of: (x: Advance) => [x.lengthMm, x.free],
    make: ([lengthMm, free]: [number, Advance['free']]) => free.reduce((a, s) => a.cut(s), Advance.none(lengthMm)),
  },
};
/** Of what outline a path was made: noted while answers are noted. */
export const outlines = new WeakMap<object, Outline>();

const nameOf = (x: object): string => {
  const proto = Object.getPrototypeOf(x) as { constructor?: { name?: string } } | null;
  return proto === null ? 'Object' : (proto.constructor?.name ?? '');
};

interface How {
  /** most values in it */
  most: number;
  /** of objects with behaviour what they hold, in place of a refusal */
  lenient: boolean;
  /** digits that count of a number; none: all */
  digits?: number;
}

/** @throws Unfit */
export function encode(value: unknown, how: How): Plain {
  let left = how.most;
  const within = new Set<object>();
  const number = (x: number): Plain => {
    if (!Number.isFinite(x) || Object.is(x, -0)) return { $n: Object.is(x, -0) ? '-0' : String(x) };
    return how.digits ? Number(x.toPrecision(how.digits)) : x;
  };
  const go = (x: unknown): Plain => {
    if (--left < 0) throw new Unfit('too much');
    if (x === undefined) return { $u: 1 };
    if (x === null || typeof x === 'string' || typeof x === 'boolean') return x;
    if (typeof x === 'number') return number(x);
    if (typeof x !== 'object') {
      // what is told on the way is not asked again: whoever listens says go on
      if (how.lenient || typeof x === 'function') return { $x: typeof x };
      throw new Unfit(typeof x);
    }
    if (within.has(x)) throw new Unfit('goes round');
    within.add(x);
    try {
      return held(x);
    } finally {
      within.delete(x);
    }
  };
  const held = (x: object): Plain => {
    if (Array.isArray(x)) return x.map(go);
    const name = nameOf(x);
    if (name in lists) {
      left -= (x as Float64Array).length;
      return { [`$${name}`]: Array.from(x as Float64Array, (v) => number(v)) };
    }
    if (name === 'Map') return { $m: [...(x as Map<unknown, unknown>)].map(go) };
    if (name === 'Set') return { $s: [...(x as Set<unknown>)].map(go) };
    if (!how.lenient && name in remade) {
      const held = remade[name]!.of(x as never);
      if (held === undefined) throw new Unfit(name);
      return { [`$${name}`]: go(held) };
    }
    if (name !== 'Object' && !how.lenient) throw new Unfit(name);
    const out: { [k: string]: Plain } = {};
    for (const [k, v] of Object.entries(x)) out[k] = go(v);
    return name === 'Object' ? out : { $c: name, ...out };
  };
  return go(value);
}

/** What {@link encode} made of it. @param shared what `{ $r: n }` stands for */
export function decode(x: Plain, shared: readonly Plain[] = []): unknown {
  /** The list of a map or an array of numbers may be shared by itself. */
  const put = (v: Plain): Plain =>
    v !== null && typeof v === 'object' && '$r' in v ? shared[(v as { $r: number }).$r]! : v;
  const go = (v: Plain): unknown => {
    if (v === null || typeof v !== 'object') return v;
    if (Array.isArray(v)) return v.map(go);
    const [key, ...more] = Object.keys(v);
    if (key?.startsWith('$') && !more.length) {
      if (key === '$r') return go(shared[v[key] as number]!);
      const held = put(v[key]!);
      if (key === '$u') return undefined;
      if (key === '$x') return () => true;
      if (key === '$n') return held === '-0' ? -0 : Number(held);
      if (key === '$m') return new Map((held as Plain[]).map((p) => go(p) as [unknown, unknown]));
      if (key === '$s') return new Set((held as Plain[]).map(go));
      const again = remade[key.slice(1)];
      if (again) return again.make(go(held) as never);
      const list = lists[key.slice(1)];
      if (list) return list((held as Plain[]).map((n) => go(n) as number));
    }
    return Object.fromEntries(Object.entries(v).map(([k, w]) => [k, go(w)]));
  };
  return go(x);
}

/** What a call answers, as it is kept: the value, or the error that it throws. */
export function answerOf(call: () => unknown): Plain {
  let value: unknown;
  try {
    value = call();
  } catch (e) {
    return { $throws: e instanceof Error ? e.message : String(e) };
  }
  return encode(value, { most: 60_000, lenient: true, digits: 10 });
}

export type { Plain };
