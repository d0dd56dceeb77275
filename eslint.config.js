const { readdirSync } = require('node:fs');
const { join } = require('node:path');

const { defineConfig, globalIgnores } = require('eslint/config');
const expo = require('eslint-config-expo/flat');
const i18next = require('eslint-plugin-i18next');

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

/** What a class may not say: each of these has its token. */
const tokens = [
  ['(^|\\s)rounded-(?!card|full|none)', 'one radius: rounded-card'],
  ['(^|\\s)text-\\[', 'five sizes of letters: s, m, l, xl, huge'],
  ['(^|\\s)-?[pm][trblxy]?-(?!(0|1|2|3|4|auto)(\\s|$))', 'four spacings: 1, 2, 3, 4'],
  ['(^|\\s)gap-(?!([xy]-)?(0|1|2|3|4)(\\s|$))', 'four spacings: 1, 2, 3, 4'],
  ['(^|\\s)(bg|text|border|fill|stroke)-\\[#', 'colours by their names: ui/tokens.json'],
].flatMap(([pattern, message]) => [
  { selector: `JSXAttribute[name.name=/className$/i] Literal[value=/${pattern}/]`, message },
  { selector: `JSXAttribute[name.name=/className$/i] TemplateElement[value.raw=/${pattern}/]`, message },
]);
tokens.push({
  selector: 'JSXAttribute > Literal[value=/^#[0-9a-fA-F]{3,8}$/]',
  message: 'colours by their names: useTokens()',
});

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
      // reads every package for its default's name; a third of all linting, and types say what is wrong with an import
      'import/no-named-as-default': 'off',
      // the compiler says the same, and reads each package once
      'import/namespace': 'off',
    },
  },
  {
    files: ['src/{core,model,work,words,demo,workers}/**', '{server,scripts,bench,e2e,test-support}/**', '**/*.test.*'],
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
  {
    // what is longer is two things; tables of data and of words may be
    files: ['src/**/*.{ts,tsx}', 'server/**/*.ts', 'scripts/**'],
    ignores: [
      '**/*.test.*',
      'src/words/**',
      'src/model/shippedDevices.ts',
      'src/core/functions/tables.ts',
      // one trial after the other, each with its own pages
      'scripts/trials.mts',
    ],
    rules: { 'max-lines': ['error', 300], 'max-lines-per-function': ['error', 120] },
  },
  {
    // five sizes of letters, four spacings, one radius, colours by their names: see tailwind.config.js and ui/tokens.json
    files: ['src/{stages,places,bench-kit,ui,app}/**/*.{ts,tsx}'],
    ignores: ['**/*.test.*'],
    rules: { 'no-restricted-syntax': ['error', ...tokens] },
  },
  {
    // all that is read or heard stands in the catalogue, src/words
    files: ['src/{stages,places,bench-kit,ui,app}/**/*.{ts,tsx}'],
    // the page of components is for who builds them
    ignores: ['**/*.test.*', 'src/places/look/**'],
    plugins: { i18next },
    rules: {
      'i18next/no-literal-string': [
        'error',
        {
          mode: 'jsx-only',
          'jsx-attributes': {
            include: [
              'label',
              'title',
              'placeholder',
              'aria-label',
              'hint',
              'why',
              'sentence',
              'reason',
              'say',
              'heading',
              'line',
              'note',
            ],
          },
          callees: {
            exclude: [
              't',
              'tr',
              'log',
              'told',
              'said',
              'includes',
              'startsWith',
              'endsWith',
              'join',
              'split',
              'replace',
              'find',
              'has',
              'get',
              'addEventListener',
            ],
          },
          // figures, signs and units of measure are the same in every language
          words: {
            exclude: [
              '[^A-Za-z]*',
              '[a-z][A-Za-z0-9]*',
              '[0-9!-/:-@[-`{-~°×·–…▾▴✓±µ\\s]+',
              '(mm|cm|m|s|min|h|K|N|ml|mPa s|Pa|kPa|MPa|kg|g|l|°C|°F|%|W|W/m²K|mm/s|l/min|µm|m³|1/h|in|J/m²|J/mol|m²/s|cm²|mm²|mm³|ppm|Hz|MB|SVG|PDF|CSV|DXF|QR|x|y|d|/)+',
            ],
          },
        },
      ],
    },
  },
]);
