// their main files are ES modules; the same code ships beside them for require()
const d3 = Object.fromEntries(
  [
    'd3-array',
    'd3-color',
    'd3-contour',
    'd3-format',
    'd3-interpolate',
    'd3-path',
    'd3-scale',
    'd3-shape',
    'd3-time',
    'd3-time-format',
    'internmap',
  ].map((n) => [`^${n}$`, `<rootDir>/node_modules/${n}/dist/${n}.js`]),
);
// nanoid ships ES modules only: it is transformed like the packages that the preset knows
const transformed = require('jest-expo/web/jest-preset').transformIgnorePatterns.map((p) =>
  p.replace(
    '(?!(',
    '(?!(nanoid|jsts|fraction.js|tinyqueue|ml-levenberg-marquardt|is-any-array|signature_pad|@tanstack|',
  ),
);
const alias = {
  // its main file ends in .mjs, which is not transformed
  '^d3-polygon$': '<rootDir>/node_modules/d3-polygon/dist/d3-polygon.min.js',
  '^@/(.*)$': '<rootDir>/src/$1',
};

module.exports = {
  // whole screens are rendered with real computing in them: a machine that does other work besides needs its time
  testTimeout: 30_000,
  projects: [
    {
      displayName: 'core',
      rootDir: __dirname,
      testEnvironment: 'node',
      // each look at a global leaves the machine's own code: what the sums use is handed in instead
      sandboxInjectedGlobals: ['Math', 'Number', 'Array', 'Float64Array', 'Infinity'],
      testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/server/**/*.test.ts', '<rootDir>/scripts/**/*.test.ts'],
      moduleNameMapper: alias,
      transformIgnorePatterns: [
        '/node_modules/(?!(d3-.*|internmap|nanoid|jsts|simplify-js|tinyqueue|ml-levenberg-marquardt|is-any-array|fraction.js|@react-native-async-storage|idb)/)',
      ],
      // no screens in here: plain TypeScript, which needs nothing of the app's own build
      transform: {
        '\\.(mjs|[jt]sx?)$': [
          '@swc/jest',
          {
            swcrc: false,
            jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true } },
            module: { type: 'commonjs' },
          },
        ],
      },
    },
    {
      displayName: 'web',
      rootDir: __dirname,
      preset: 'jest-expo/web',
      sandboxInjectedGlobals: ['Math', 'Number', 'Array', 'Float64Array', 'Infinity'],
      setupFilesAfterEnv: ['<rootDir>/test-support/setupWeb.js'],
      transformIgnorePatterns: transformed,
      testMatch: ['<rootDir>/src/**/*.test.tsx'],
      moduleNameMapper: {
        ...d3,
        // nothing is loaded later under jest
        '/chart/Lazy(Plot|DotChart)$': '<rootDir>/src/ui/chart/$1.tsx',
        '/Lazy(Closing|Pieces)Debrief$': '<rootDir>/src/places/practice/$1Debrief.tsx',
        '/practice/LazyPiecesFrame$': '<rootDir>/src/bench-kit/practice/PiecesFrame.tsx',
        '/practice/LazyTwoFrame$': '<rootDir>/src/bench-kit/practice/TwoFrame.tsx',
        '/LazyTwoDebrief$': '<rootDir>/src/places/practice/TwoDebrief.tsx',
        '/practice/LazyStart$': '<rootDir>/src/bench-kit/practice/start.ts',
        '/LazyPlanView$': '<rootDir>/src/places/bench/PlanView.tsx',
        '/LazyBrokenPage$': '<rootDir>/src/bench-kit/BrokenPage.tsx',
        // no workers under jest
        '^@/workers/scheduleClient$': '<rootDir>/test-support/mockSchedule.ts',
        '^@/workers/heatsClient$': '<rootDir>/test-support/mockHeats.ts',
        '^@/ui/voice$': '<rootDir>/test-support/mockVoice.ts',
        ...alias,
        '\\.css$': '<rootDir>/test-support/style.js',
      },
    },
  ],
};
