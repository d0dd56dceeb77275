// How the modules of an export are dealt out to files: pure, so that it can be tested without one.

/**
 * Modules of a file in Metro's format, in order.
 * @param {string} text the file
 * @returns {{ head: string, modules: { id: number, code: string, deps: number[], paths: Record<string, string>, lazy: Set<number> }[], tail: string }}
 *   `code` is what stands before the id; `lazy` names the dependencies that are loaded when they are asked for
 */
export function parseFile(text) {
  const out = { head: '', modules: [], tail: '' };
  for (const part of text.replace(/\n\/\/# .*$/gm, '').split(/\n(?=__d\(|__r\()/)) {
    if (part.startsWith('__r(')) {
      out.tail += `\n${part}`;
      continue;
    }
    const at = part.startsWith('__d(')
      ? /,(\d+),(\[[\d,]*\]|\{(?:"\d+":\d+,?)*(?:"paths":\{[^}]*\})?\})\);\s*$/.exec(part)
      : null;
    if (!at) {
      if (part.startsWith('__d(')) throw new Error(`a module that is not understood: ${part.slice(0, 80)}`);
      out.head += part;
      continue;
    }
    const map = JSON.parse(at[2]);
    const { paths = {}, ...byIndex } = Array.isArray(map) ? {} : map;
    const deps = Array.isArray(map) ? map : Object.entries(byIndex).map(([, id]) => id);
    const code = part.slice(0, at.index);
    // the last of a module's names is its map of dependencies
    const name = /^__d\(function\(([^)]*)\)/.exec(code)?.[1].split(',').at(-1);
    const lazy = new Set();
    if (name) for (const m of code.matchAll(new RegExp(`\\(${name}\\[(\\d+)\\],${name}\\.paths`, 'g'))) lazy.add(+m[1]);
    out.modules.push({ id: +at[1], code, deps, paths, lazy });
  }
  return out;
}

/** What is needed before `roots` can run, without what is there already. */
export function closure(byId, roots, there = new Set()) {
  const out = new Set();
  const open = [...roots];
  while (open.length) {
    const id = open.pop();
    if (out.has(id) || there.has(id)) continue;
    const m = byId.get(id);
    if (!m) continue;
    out.add(id);
    m.deps.forEach((d, i) => {
      if (!m.lazy.has(i)) open.push(d);
    });
  }
  return out;
}

/** One more file for a page costs it about as much as this many bytes of code that it does not need. */
export const bytesPerFile = 12_000;

/**
 * Deals out what several roots share: modules that the same roots need lie together, and small groups are joined as long as the
 * bytes that a root gets for nothing are fewer than a file saves.
 * @param {Map<number, Set<number>>} needs for each root, what it needs
 * @param {(id: number) => number} size of a module, bytes
 * @param {(root: number) => number} weight how often a root is asked for
 * @returns {{ roots: Set<number>, ids: number[] }[]}
 */
export function groupsOf(needs, size, weight = () => 1) {
  const rootsOf = new Map();
  for (const [root, ids] of needs)
    for (const id of ids) {
      if (!rootsOf.has(id)) rootsOf.set(id, []);
      rootsOf.get(id).push(root);
    }
  const byKey = new Map();
  for (const [id, roots] of [...rootsOf].sort((a, b) => a[0] - b[0])) {
    const key = roots.join();
    if (!byKey.has(key)) byKey.set(key, { roots: new Set(roots), ids: [], bytes: 0 });
    const g = byKey.get(key);
    g.ids.push(id);
    g.bytes += size(id);
  }
  const heavy = (roots) => [...roots].reduce((sum, r) => sum + weight(r), 0);
  /** what is saved when two groups are one */
  const gain = (a, b) => {
    const both = [...a.roots].filter((r) => b.roots.has(r));
    if (!both.length) return -Infinity;
    const onlyA = heavy(a.roots) - heavy(both);
    const onlyB = heavy(b.roots) - heavy(both);
    return bytesPerFile * heavy(both) - onlyA * b.bytes - onlyB * a.bytes;
  };
  const groups = [...byKey.values()];
  for (;;) {
    let best = null;
    for (let i = 0; i < groups.length; i++)
      for (let k = i + 1; k < groups.length; k++) {
        // what only one root needs lies with that root
        if (groups[i].roots.size === 1 || groups[k].roots.size === 1) continue;
        const g = gain(groups[i], groups[k]);
        if (g > 0 && (!best || g > best.g)) best = { g, i, k };
      }
    if (!best) return groups.map(({ roots, ids }) => ({ roots, ids }));
    const [b] = groups.splice(best.k, 1);
    const a = groups[best.i];
    groups[best.i] = { roots: new Set([...a.roots, ...b.roots]), ids: [...a.ids, ...b.ids], bytes: a.bytes + b.bytes };
  }
}
