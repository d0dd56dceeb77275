const path = require('node:path');

const { projects, testTimeout } = require('../../jest.config.js');

const core = projects[0];
module.exports = {
  ...core,
  testTimeout: testTimeout * 10,
  testPathIgnorePatterns: ['/node_modules/', 'kept\\.test\\.ts$'],
  setupFiles: [path.join(__dirname, 'note.cjs')],
  setupFilesAfterEnv: [path.join(__dirname, 'after.cjs')],
  transform: { '\\.(mjs|[jt]sx?)$': path.join(__dirname, 'transform.cjs') },
};
