const { readdirSync } = require('node:fs');
const { join } = require('node:path');

const { defineConfig, globalIgnores } = require('eslint/config');
const expo = require('eslint-config-expo/flat');

/** Arrows go one way: app → places | stages → bench-kit → ui | store | workers → words → work → model → core. */
const under = {
  core: [],
  model: ['core'],
  work: ['core', 'model'],
  words: ['core', 'model', 'work'],
  store: ['core', 'model', 'work', 'workers'],
  workers: ['core', 'model', 'work'],
  ui: ['core', 'model', 'work', 'words', 'workers'],
  'bench-kit': ['core', 'model', 'work', 'words', 'store', 'workers', 'ui'],
  stages: ['core', 'model', 'work', 'words', 'store', 'workers', 'ui', 'bench-kit'],
  places: ['core', 'model', 'work', 'words', 'store', 'workers', 'ui', 'bench-kit'],
  demo: ['core', 'model', 'work', 'workers', 'store'],
};
/** By the file that is meant, so that a relative path is no way round it. */
const floors = Object.entries(under).map(([floor, below]) => ({
  target: `./src/${floor}`,
  from: './src',
  except: [floor, ...below].map((f) => `./${f}`),
  message: `${floor}/ may import from ${below.join(', ') || 'nothing else'}.`,
}));
/** A stage or a place is a room of its own: what two of them need moves down a floor. */
const rooms = ['stages', 'places'].flatMap((floor) =>
  readdirSync(join(__dirname, 'src', floor), { withFileTypes: true })
    .filter((d) => d.isDirectory())
    .map((d) => ({
      target: `./src/${floor}/${d.name}`,
      from: `./src/${floor}`,
      except: [`./${d.name}`],
      message: `${floor}/ never import each other.`,
    })),
);

/** The rules that compile every file as a component does; two thirds of what linting takes where none is. */
const compiling = Object.fromEntries(
  expo
    .flatMap((c) => Object.keys(c.rules ?? {}))
    .filter((r) => r.startsWith('react-hooks/') && !/rules-of-hooks|exhaustive-deps/.test(r))
    .map((r) => [r, 'off']),
);

module.exports = defineConfig([
  globalIgnores(['dist*/**', '.expo/**', 'node_modules/**', 'public/**', 'test-results/**', 'playwright-report/**']),
  expo,
  { files: ['*.config.js', 'scripts/**'], languageOptions: { globals: require('globals').node } },
  {
    files: ['**/*.{ts,tsx}'],
    // fast-check is meant to be used as fc.property, fc.assert
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      'import/no-named-as-default-member': 'off',
      // the compiler says the same, and reads each package once
      'import/namespace': 'off',
    },
  },
  {
    files: ['src/{core,model,work,demo,workers}/**', '{server,scripts,bench,e2e,test-support}/**', '**/*.test.*'],
    rules: compiling,
  },
  {
    // core/ computes: no React, no storage, no clock, no network, nothing from above it
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              // an allow list: anything that is neither relative nor named here is refused
              regex:
                '^(?!\\.{1,2}/|ml-matrix$|ml-levenberg-marquardt$|javascript-lp-solver$|jstat$|d3-contour$|d3-polygon$|tinyqueue$|simplify-js$|fraction.js$)',
              message: 'core/ may import only its own files and the pure packages named in eslint.config.js.',
            },
          ],
        },
      ],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'localStorage',
        'navigator',
        'fetch',
        'self',
        'postMessage',
        'Date',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'randomness is an argument' },
      ],
    },
  },
  {
    files: ['src/**'],
    ignores: ['**/*.test.*'],
    rules: { 'import/no-restricted-paths': ['error', { zones: [...floors, ...rooms] }] },
  },
]);
