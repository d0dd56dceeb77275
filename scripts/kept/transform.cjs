// The transformer of the unit tests, which also notes what functions of core are asked and answer.
const path = require('node:path');
const { createTransformer } = require('@swc/jest');

const swc = createTransformer({
  swcrc: false,
  jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true } },
  module: { type: 'commonjs' },
});
const core = path.join('src', 'core') + path.sep;

const noted = (text, file) => {
  const at = file.lastIndexOf(core);
  if (at < 0 || file.endsWith('.test.ts') || !file.endsWith('.ts')) return text;
  const source = file
    .slice(at + core.length, -3)
    .split(path.sep)
    .join('/');
  const names = new Set([...text.matchAll(/^export (?:async )?(?:function|const) (\w+)/gm)].map((m) => m[1]));
  const open = text
    // a path does not keep what it was made of
    .replace(
      'constructor(outline: Outline) {',
      'constructor(outline: Outline) { globalThis.__keepOutline?.(this, outline);',
    )
    .replace(/^export const (\w+)/gm, 'export let $1');
  const wrap = [...names].map(
    (n) => `if (typeof ${n} === 'function') ${n} = __keep(${JSON.stringify(source)}, '${n}', ${n});`,
  );
  return `${open}\nconst __keep = globalThis.__keepCalls ?? ((_s, _n, f) => f);\n${wrap.join('\n')}\n`;
};

module.exports = {
  process: (text, file, options) => swc.process(noted(text, file), file, options),
  processAsync: undefined,
  getCacheKey: (text, file, options) => `${swc.getCacheKey(noted(text, file), file, options)}kept`,
};
