import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';

import ts from 'typescript';

const root = __dirname;

/** Files of the application that a file loads; what is only a type is gone when it runs. */
function loads(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true);
  return source.statements.flatMap((s) => {
    const from = ts.isImportDeclaration(s) || ts.isExportDeclaration(s) ? s.moduleSpecifier : undefined;
    if (!from || !ts.isStringLiteral(from)) return [];
    if (ts.isImportDeclaration(s)) {
      const c = s.importClause;
      const named = c?.namedBindings;
      const onlyTypes =
        c?.phaseModifier === ts.SyntaxKind.TypeKeyword ||
        (c && !c.name && named && ts.isNamedImports(named) && named.elements.every((e) => e.isTypeOnly));
      if (onlyTypes) return [];
    } else if (ts.isExportDeclaration(s) && s.isTypeOnly) return [];
    const at = from.text.startsWith('@/')
      ? path.join(root, from.text.slice(2))
      : from.text.startsWith('.')
        ? path.join(path.dirname(file), from.text)
        : null;
    if (!at) return [];
    return ['', '.ts', '.tsx', '/index.ts']
      .map((end) => at + end)
      .filter((f) => /\.tsx?$/.test(f) && existsSync(f) && statSync(f).isFile())
      .slice(0, 1);
  });
}

const filesIn = (dir: string): string[] =>
  readdirSync(dir, { withFileTypes: true }).flatMap((d) => {
    const p = path.join(dir, d.name);
    if (d.isDirectory()) return filesIn(p);
    return /\.tsx?$/.test(d.name) && !/\.test\.tsx?$|\.d\.ts$/.test(d.name) ? [p] : [];
  });

/** Circles of a graph, each from its first file on, found by going deep (Tarjan 1972 finds the same components). */
function circles(graph: ReadonlyMap<string, readonly string[]>): string[][] {
  const done = new Set<string>();
  const found: string[][] = [];
  const walk = (f: string, way: string[]) => {
    const at = way.indexOf(f);
    if (at >= 0) return void found.push(way.slice(at));
    if (done.has(f)) return;
    for (const g of graph.get(f) ?? []) walk(g, [...way, f]);
    done.add(f);
  };
  for (const f of graph.keys()) walk(f, []);
  return found;
}

it('no file loads itself by way of others', () => {
  const graph = new Map(filesIn(root).map((f) => [f, loads(f)]));
  expect(graph.size).toBeGreaterThan(400);
  expect(circles(graph).map((c) => c.map((f) => path.relative(root, f)).join(' > '))).toEqual([]);
});

it('and one that does is found', () => {
  const graph = new Map([
    ['a', ['b']],
    ['b', ['c', 'd']],
    ['c', ['a']],
    ['d', []],
  ]);
  expect(circles(graph)).toEqual([['a', 'b', 'c']]);
});
