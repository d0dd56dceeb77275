import { belowOf, language, type Below } from './language';

interface Shape {
  reads: RegExp;
  holes: string[];
  says: string;
}

const shapes = new Map<Below, Shape[]>();
const known = new Map<Below, Map<string, string>>();
/** Texts kept ready; a bench has a few hundred. */
const most = 5000;

const plain = (s: string) => s.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

function shapesOf(below: Below): Shape[] {
  let list = shapes.get(below);
  if (list) return list;
  list = Object.entries(below)
    .filter(([english]) => /\{\w\}/.test(english))
    // the longest first: what is more particular fits before what is less
    .sort(([a], [b]) => b.length - a.length)
    .map(([english, says]) => {
      const holes: string[] = [];
      const source = english
        .split(/(\{\w\})/)
        .map((p) => {
          const hole = /^\{(\w)\}$/.exec(p);
          if (!hole) return plain(p);
          holes.push(hole[1]!);
          return '(.+?)';
        })
        .join('');
      return { reads: new RegExp(`^${source}$`, 's'), holes, says };
    });
  shapes.set(below, list);
  return list;
}

function say(text: string, below: Below, depth: number): string {
  if (Object.hasOwn(below, text)) return below[text]!;
  if (depth > 3 || !/[a-z]{2}.*\s|\s.*[a-z]{2}/i.test(text)) return text;
  for (const { reads, holes, says } of shapesOf(below)) {
    const m = reads.exec(text);
    if (m) return says.replace(/\{(\w)\}/g, (_, hole: string) => say(m[holes.indexOf(hole) + 1]!, below, depth + 1));
  }
  return text;
}

/**
 * What a floor below names in English, in the language that is spoken: names of shipped parts and functions, fields and ranges of
 * an error. What somebody typed, and whatever else is not known, stays as it is.
 */
export function told(text: string): string {
  const below = belowOf(language());
  if (!below || !text) return text;
  let ready = known.get(below);
  if (!ready) known.set(below, (ready = new Map()));
  const before = ready.get(text);
  if (before !== undefined) return before;
  const said = say(text, below, 0);
  if (ready.size < most) ready.set(text, said);
  return said;
}
