import { bytesPerFile, closure, groupsOf, parseFile } from './chunks.mjs';

/** A module as the export writes it. */
const written = (id: number, deps: number[], lazy: number[] = [], paths: Record<string, string> = {}) => {
  const all = [...deps, ...lazy];
  const code = `__d(function(g,r,i,a,m,e,d){${deps.map((_, k) => `r(d[${k}])`).join(';')};${lazy
    .map((_, k) => `r(d[0])(d[${deps.length + k}],d.paths)`)
    .join(';')}}`;
  const map = lazy.length ? JSON.stringify({ ...all, paths }) : JSON.stringify(all);
  return `${code},${id},${map});`;
};

const file = [
  'var before=1;',
  written(0, [1], [3], { 3: '/x/page-abc.js' }),
  written(1, []),
  `__d(function(_g,_r,_i,_a,_m,_e,_d){var s=\`a
__not a module\`;_r(_d[0])(_d[1],_d.paths)},2,{"0":1,"1":4,"paths":{}});`,
  '__r(0);',
  '//# sourceMappingURL=/x.map',
].join('\n');

it('reads modules with their names, their strings over several lines, and what they load later', () => {
  const f = parseFile(file);
  expect(f.head).toBe('var before=1;');
  expect(f.tail).toBe('\n__r(0);');
  expect(f.modules.map((m) => [m.id, m.deps, [...m.lazy], m.paths])).toEqual([
    [0, [1, 3], [1], { 3: '/x/page-abc.js' }],
    [1, [], [], {}],
    [2, [1, 4], [1], {}],
  ]);
  // nothing is lost: the code before the id, the id, the map
  expect(`${f.modules[1]!.code},1,[]);`).toBe(written(1, []));
});

it('a module that is not understood stops the build', () => {
  expect(() => parseFile('__d(function(g){},x,[]);')).toThrow('a module that is not understood: __d(function(g)');
});

/** Modules by number: what each needs at once, and what later. */
const graph = (of: Record<number, [number[], number[]?]>) =>
  new Map(
    Object.entries(of).map(([id, [deps, lazy = []]]) => {
      const m = parseFile(written(Number(id), deps, lazy)).modules[0]!;
      return [m.id, m] as const;
    }),
  );

it('a root needs all that it leads to but for what is loaded later, in circles too', () => {
  const g = graph({ 0: [[1, 2]], 1: [[2]], 2: [[1], [5]], 5: [[6]], 6: [[]] });
  expect([...closure(g, [0])].sort()).toEqual([0, 1, 2]);
  expect([...closure(g, [5], new Set([6]))]).toEqual([5]);
});

/** Everything that a root needs is in the files that it is given. */
const given = (groups: { roots: Set<number>; ids: number[] }[], root: number) =>
  groups.filter((x) => x.roots.has(root)).flatMap((x) => x.ids);

it('deals out each module once, and to whoever needs it, on a thousand random shops of pages', () => {
  let state = 7;
  const random = (n: number) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state % n;
  };
  for (let k = 0; k < 1000; k++) {
    const modules = Array.from({ length: 3 + random(14) }, (_, i) => i);
    const needs = new Map(
      Array.from(
        { length: 1 + random(6) },
        (_, r) => [100 + r, new Set(modules.filter(() => random(3) === 0))] as const,
      ),
    );
    const bytes = modules.map(() => 100 + random(40_000));
    const groups = groupsOf(needs, (id: number) => bytes[id]!);
    const ids = groups.flatMap((g: { ids: number[] }) => g.ids);
    expect(ids.length).toBe(new Set(ids).size);
    for (const [root, wanted] of needs) for (const id of wanted) expect(given(groups, root)).toContain(id);
    // what a root gets for nothing is never more than the files that it saves are worth
    for (const g of groups)
      if (g.roots.size === 1) for (const id of g.ids) expect(needs.get([...g.roots][0]!)).toContain(id);
  }
});

it('small things that are shared lie together; a large one stays away from who does not need it', () => {
  const needs = new Map([
    [1, new Set([10, 11, 12])],
    [2, new Set([10, 11])],
    [3, new Set([10, 12])],
  ]);
  const small = groupsOf(needs, () => 50);
  expect(small).toHaveLength(1);
  const large = groupsOf(needs, (id: number) => (id === 12 ? 20 * bytesPerFile : 50));
  expect(given(large, 2)).not.toContain(12);
  expect(given(large, 3)).toContain(12);
});
