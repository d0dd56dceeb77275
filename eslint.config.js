const { defineConfig, globalIgnores } = require('eslint/config');
const expo = require('eslint-config-expo/flat');

/** Arrows go one way: app -> features -> ui | store | workers -> model -> core. */
const floor = (files, forbidden, message) => ({
  files,
  ignores: ['**/*.test.*'],
  rules: {
    'no-restricted-imports': ['error', { patterns: [{ regex: `^(@/|(\\.\\./)+)(${forbidden})(/|$)`, message }] }],
  },
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
      // the compiler says the same, and reads each package once
      'import/namespace': 'off',
    },
  },
  {
    files: ['src/{core,model,demo,workers}/**', '{server,scripts,bench,e2e,test-support}/**', '**/*.test.*'],
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
              regex: '^(?!\\.{1,2}/|ml-matrix$|javascript-lp-solver$|jstat$|d3-contour$|simplify-js$|fraction.js$)',
              message: 'core/ may import only its own files and the pure packages named in eslint.config.js.',
            },
            {
              regex: '^(\\.\\./)+(app|features|stagekit|ui|store|workers|model|demo)(/|$)',
              message: 'core/ must not import from above core/.',
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
  floor(['src/model/**'], 'app|features|stagekit|ui|store|workers|demo', 'model/ may import core/ only.'),
  floor(
    ['src/workers/**', 'src/store/**', 'src/ui/**'],
    'app|features|stagekit|demo',
    'this floor may not import from above.',
  ),
  floor(['src/stagekit/**'], 'app|features|demo', 'stagekit/ is below the features.'),
  {
    // what two features need moves down a floor
    files: ['src/features/**'],
    ignores: ['**/*.test.*'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            // a feature is one folder: whatever leaves it by a relative path is another one
            {
              regex: '^(@/|(\\.\\./)+)(app|features|demo)(/|$)|^\\.\\./',
              message: 'features never import each other, routes or the demo.',
            },
          ],
        },
      ],
    },
  },
]);
