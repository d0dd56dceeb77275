// npm run mutants: one operator or number of core changed at a time, at random from a seed; do the tests notice?
// `-- --n 200 --seed 7`; each runs the tests that lead to the changed file, in a copy of the tree, so nothing here is touched.
import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import ts from 'typescript';

const option = (name: string, or: number) => {
  const at = process.argv.indexOf(`--${name}`);
  return at > 0 ? Number(process.argv[at + 1]) : or;
};
const n = option('n', 40);
/** So many changes of the same row are passed over: what was tried before. */
const from = option('from', 0);
/** The nearest tests take under a minute: a change for which they take longer than this goes round for ever, ms. */
const limitMs = option('limit', 180) * 1000;
/** All that lead to a file can be most of core's tests: who takes longer than this is not counted as noticed, ms. */
const farMs = 600_000;
let state = option('seed', 20260414) >>> 0;
/** Numbers from the seed: the same changes each time. */
const random = () => {
  state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
  return state / 2 ** 32;
};

interface Site {
  file: string;
  from: number;
  to: number;
  line: number;
  was: string;
  becomes: string;
}

const swaps: Record<string, string> = {
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '<': '<=',
  '<=': '<',
  '>': '>=',
  '>=': '>',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
  '??': '&&',
};

/** Places of a file where one thing can be changed and it still compiles. */
function sitesOf(file: string): Site[] {
  const text = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const sites: Site[] = [];
  const add = (node: ts.Node, becomes: string) =>
    sites.push({
      file,
      from: node.getStart(source),
      to: node.getEnd(),
      line: source.getLineAndCharacterOfPosition(node.getStart(source)).line + 1,
      was: node.getText(source),
      becomes,
    });
  const visit = (node: ts.Node): void => {
    // types and words are no behaviour of core
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const to = swaps[node.operatorToken.getText(source)];
      const words = [node.left, node.right].some((x) => ts.isStringLiteralLike(x) || ts.isTemplateExpression(x));
      if (to && !(words && node.operatorToken.kind === ts.SyntaxKind.PlusToken)) add(node.operatorToken, to);
    }
    if (ts.isNumericLiteral(node)) {
      const v = Number(node.text.replaceAll('_', ''));
      add(node, v === 0 ? '1' : Number.isInteger(v) && Math.abs(v) < 10 ? String(v + 1) : String(v * 1.25));
    }
    if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.MinusToken)
      add(node, `(${node.operand.getText(source)})`);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return sites;
}

const filesIn = (dir: string): string[] =>
  readdirSync(dir, { withFileTypes: true }).flatMap((d) => {
    const p = path.join(dir, d.name);
    if (d.isDirectory()) return filesIn(p);
    return d.name.endsWith('.ts') && !d.name.endsWith('.test.ts') ? [p] : [];
  });

const sites = filesIn(path.join('src', 'core')).flatMap(sitesOf);
const copy = mkdtempSync(path.join(tmpdir(), 'northcove-mutants-'));
const left = new Set(['node_modules', 'dist', '.git', '.expo', 'test-results']);
for (const name of readdirSync('.'))
  if (!left.has(name) && !name.startsWith('dist')) cpSync(name, path.join(copy, name), { recursive: true });
symlinkSync(path.resolve('node_modules'), path.join(copy, 'node_modules'));

type Ended = 'passed' | 'failed' | 'late';
const node = (args: string[], ms: number): Ended => {
  const { status, signal } = spawnSync(process.execPath, args, {
    ...{ cwd: copy, stdio: 'ignore', timeout: ms, killSignal: 'SIGKILL' },
  });
  return status === 0 ? 'passed' : signal === 'SIGKILL' ? 'late' : 'failed';
};
const jest = (args: string[], ms: number): Ended =>
  node(
    [
      'node_modules/jest/bin/jest.js',
      '--selectProjects',
      'core',
      '--bail',
      '--forceExit',
      '--passWithNoTests',
      ...args,
    ],
    ms,
  );
/** Tests of pages and of whole shops lead to all of core and are long: what only they notice counts as not noticed. */
const near = ['--testPathIgnorePatterns', 'src/(?!core/|work/)', 'node_modules'];

/** What `npm test` says of a change: the nearest tests are asked first, then the list of figures, then what leads to the file. */
const fails = (file: string): boolean =>
  jest([path.dirname(file)], limitMs) !== 'passed' ||
  node(['--import', 'tsx', 'scripts/write-figures.mts', '--check'], limitMs) !== 'passed' ||
  jest(['--findRelatedTests', file, ...near], farMs) === 'failed';

let noticed = 0;
const survivors: string[] = [];
try {
  console.log(`${sites.length} places in core; ${n} changes`);
  for (let i = 0; i < n; i++) {
    const s = sites[Math.floor(random() * sites.length)]!;
    if (i < from) continue;
    const target = path.join(copy, s.file);
    const text = readFileSync(s.file, 'utf8');
    writeFileSync(target, text.slice(0, s.from) + s.becomes + text.slice(s.to));
    const seen = fails(s.file);
    writeFileSync(target, text);
    const what = `${s.file}:${s.line}: ${s.was} becomes ${s.becomes}`;
    if (seen) noticed++;
    else survivors.push(what);
    console.log(`${String(i + 1).padStart(4)} ${seen ? 'noticed ' : 'SURVIVED'} ${what}`);
  }
} finally {
  rmSync(copy, { recursive: true, force: true, maxRetries: 5 });
}
console.log(`\n${noticed} of ${n - from} noticed`);
for (const s of survivors) console.log(`  ${s}`);
