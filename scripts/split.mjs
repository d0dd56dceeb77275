// Deals the modules of an export out to files anew. Metro puts whatever two pages share into one file that the first screen
// loads; here the first screen loads what it runs, and each page the files it needs, told apart by who needs them.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';

import { closure, groupsOf, parseFile } from './chunks.mjs';

const root = process.argv[2] ?? 'dist';
const at = '_expo/static/js/web';
const dir = path.join(root, at);
const htmlFile = path.join(root, 'index.html');
const html = readFileSync(htmlFile, 'utf8');
const inHtml = [...html.matchAll(/src="\/_expo\/static\/js\/web\/([^"]+)"/g)].map((m) => m[1]);
const [runtimeName, commonName, entryName] = inHtml;
if (inHtml.length !== 3 || !commonName.startsWith('__common'))
  throw new Error(`other scripts than expected: ${inHtml}`);

const files = new Map(
  readdirSync(dir)
    .filter((f) => f.endsWith('.js') && f !== runtimeName)
    .map((f) => [f, parseFile(readFileSync(path.join(dir, f), 'utf8'))]),
);
const entry = files.get(entryName);
// a worker has a list of modules of its own
for (const [f, x] of files) if (x.tail && f !== entryName) files.delete(f);
const byId = new Map([...files.values()].flatMap((x) => x.modules.map((m) => [m.id, m])));
const fileOf = new Map([...files].flatMap(([f, x]) => x.modules.map((m) => [m.id, f])));

/** Roots: whatever is loaded when it is asked for, by the name of the file that it has now. */
const roots = new Map();
for (const m of byId.values())
  for (const i of m.lazy) if (byId.has(m.deps[i])) roots.set(m.deps[i], m.paths[m.deps[i]] ?? null);
const named = (id) =>
  (roots.get(id) ?? fileOf.get(id))
    .split('/')
    .at(-1)
    .replace(/-[0-9a-f]{32}\.js$/, '');

const runs = [...entry.tail.matchAll(/__r\((\d+)\)/g)].map((m) => +m[1]);
const entryIds = new Set(entry.modules.map((m) => m.id));
// the frame of all pages comes with every page
const frame = [...roots.keys()].find((id) => named(id) === '_layout');
const initial = closure(byId, [...runs, frame]);
for (const id of entryIds) initial.add(id);
const bench = [...roots.keys()].find((id) => byId.get(id).code.includes('BenchScreen') && named(id) === 'index');

const needs = new Map(
  [...roots.keys()].filter((id) => !initial.has(id)).map((id) => [id, closure(byId, [id], initial)]),
);
const size = (id) => byId.get(id).code.length;
const weight = (id) => (id === bench ? 8 : /Stage$/.test(named(id)) ? 2 : 1);
const groups = groupsOf(needs, size, weight);

let nextId = Math.max(...byId.keys()) + 1;
const standIn = new Map([...needs.keys()].map((id) => [id, nextId++]));
const logical = (id) => `/${at}/${named(id)}-${id}.js`;

/** A module as it is written: what is loaded later is asked for by its stand-in, under a name that lasts over versions. */
function written(m) {
  const paths = {};
  const deps = m.deps.map((d, i) => {
    if (!m.lazy.has(i)) return d;
    if (!byId.has(d)) paths[d] = m.paths[d];
    else if (standIn.has(d)) {
      paths[standIn.get(d)] = logical(d);
      return standIn.get(d);
    }
    return d;
  });
  const map = m.lazy.size ? { ...deps, paths } : deps;
  return `${m.code},${m.id},${JSON.stringify(map)});`;
}

const out = new Map();
function put(name, text) {
  const file = `${name}-${createHash('md5').update(text).digest('hex')}.js`;
  out.set(file, text);
  return file;
}
const all = (ids) => [...ids].map((id) => written(byId.get(id))).join('\n');

const filesOf = new Map([...needs.keys()].map((id) => [id, []]));
for (const g of groups.filter((x) => x.roots.size > 1)) {
  const file = put('shared', all(g.ids));
  for (const r of g.roots) filesOf.get(r).push(file);
}
for (const [id, list] of filesOf) {
  const own = groups.find((g) => g.roots.size === 1 && g.roots.has(id))?.ids ?? [];
  // last of all: where it is there, everything that it needs is there
  const stand = `__d(function(g,r,i,a,m,e,d){m.exports=r(d[0])},${standIn.get(id)},[${id}]);`;
  list.push(put(named(id), [...(own.length ? [all(own)] : []), stand].join('\n')));
}

const common = put('__common', all([...initial].filter((id) => !entryIds.has(id))));
const entryFile = put('index', `${entry.head}${all(entryIds)}${entry.tail}`);
const table = Object.fromEntries([...filesOf].map(([id, list]) => [logical(id), list]));
// the loader is told by whoever sets it; files come at once and are run in order, the page's own last
const loader = `(function(g){var t=${JSON.stringify(table)},at='/${at}/',f;
function soon(u){var l=document.createElement('link');l.rel='preload';l.as='script';l.href=u;document.head.appendChild(l)}
Object.defineProperty(g,'__loadBundleAsync',{configurable:true,get:function(){return f},set:function(v){
f=v&&function(p){var n=t[p];if(!n)return v(p);var u=n.map(function(x){return at+x}),own=u.pop();if(u.length)soon(own);return Promise.all(u.map(v)).then(function(){return v(own)})}}})})(globalThis);`;
const runtime = put(
  '__expo-metro-runtime',
  `${readFileSync(path.join(dir, runtimeName), 'utf8').replace(/\n\/\/# .*$/gm, '')}\n${loader}`,
);

for (const f of [...files.keys(), runtimeName]) rmSync(path.join(dir, f));
for (const [f, text] of out) writeFileSync(path.join(dir, f), text);
let page = html;
[runtime, common, entryFile].forEach((f, i) => (page = page.replace(inHtml[i], f)));
// letters are asked for with the first bytes of the page, not once all of it was read: nothing is drawn without them
const letters = readdirSync(path.join(root, 'assets'), { recursive: true })
  .filter((f) => f.endsWith('.ttf'))
  .map((f) => `/assets/${f.split(path.sep).join('/')}`)
  .sort();
const preloads = letters
  .map((f) => `<link rel="preload" href="${f}" as="font" type="font/ttf" crossorigin />`)
  .join('');
if (!page.includes('</head>')) throw new Error('index.html has no end of its head');
page = page.replace('</head>', `${preloads}</head>`);
writeFileSync(htmlFile, page);
const firstFile = path.join(root, 'first.js');
const early = JSON.stringify(filesOf.get(bench).map((f) => `/${at}/${f}`));
const asWritten = readFileSync(firstFile, 'utf8');
if (!asWritten.includes('var bench = [];')) throw new Error('first.js has no place for the files of the Bench');
writeFileSync(firstFile, asWritten.replace('var bench = [];', `var bench = ${early};`));

/** Addresses by their page's module, from the list of pages that the router has. */
const pages = new Map();
for (const m of byId.values())
  for (const x of m.code.matchAll(/"\.\/([^"]+)\.tsx":\{[^}]*?\[(\d+)\],\w+\.paths\)/g))
    if (m.lazy.has(+x[2])) pages.set(m.deps[+x[2]], x[1]);

const kB = (list) => list.reduce((sum, f) => sum + gzipSync(out.get(f), { level: 9 }).length, 0) / 1e3;
const first = kB([runtime, common, entryFile]);
/** What each page makes somebody fetch who opens it first; stages are pages of their own. */
const sizes = Object.fromEntries(
  [...filesOf]
    .filter(([id]) => pages.has(id) || /Stage$/.test(named(id)))
    .map(([id, list]) => [pages.get(id) ?? named(id), Math.round(first + kB(list))])
    .sort(([a], [b]) => (a < b ? -1 : 1)),
);
writeFileSync(path.join(root, 'sizes.json'), `${JSON.stringify(sizes, null, 1)}\n`);
console.log(
  `files: first ${first.toFixed(0)} kB gzip, with the Bench ${(first + kB(filesOf.get(bench))).toFixed(0)}; ${groups.length} groups, at most ${Math.max(...[...filesOf.values()].map((l) => l.length))} files for a page`,
);
