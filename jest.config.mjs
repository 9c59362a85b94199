export default {
  testEnvironment: 'node',
  // As many as there are processors: the longest file decides how long all take.
  maxWorkers: '100%',
  extensionsToTreatAsEsm: ['.ts'],
  transform: {
    '^.+\\.ts$': [
      '<rootDir>/test-support/transform.mjs',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript' } }, module: { type: 'es6' } },
    ],
  },
  setupFiles: ['fake-indexeddb/auto', './test-support/fast-check.ts'],
  testMatch: ['<rootDir>/{core,app,server,cli,demo,test-support}/**/*.test.ts'],
  modulePathIgnorePatterns: ['<rootDir>/build', '<rootDir>/dist'],
}
