const lucide = {
  '^lucide-react-native/icons/(.*)$': '<rootDir>/node_modules/lucide-react-native/dist/cjs/icons/$1.js',
};
const alias = { '^@/(.*)$': '<rootDir>/src/$1' };

module.exports = {
  projects: [
    {
      displayName: 'core',
      rootDir: __dirname,
      testEnvironment: 'node',
      testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/server/**/*.test.ts'],
      moduleNameMapper: alias,
      transformIgnorePatterns: ['/node_modules/(?!(d3-.*|internmap|nanoid|@react-native-async-storage|idb)/)'],
      transform: {
        '\\.[jt]sx?$': [
          'babel-jest',
          {
            configFile: false,
            babelrc: false,
            presets: ['babel-preset-expo'],
            caller: { name: 'metro', platform: 'web' },
          },
        ],
      },
    },
    {
      displayName: 'web',
      rootDir: __dirname,
      preset: 'jest-expo/web',
      testMatch: ['<rootDir>/src/**/*.test.tsx'],
      moduleNameMapper: { ...lucide, ...alias, '\\.css$': '<rootDir>/test-support/style.js' },
    },
  ],
};
