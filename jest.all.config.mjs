import one from './jest.config.mjs'

/** All unit tests, those of the core in groups: see scripts/unit-groups.mjs. */
export default {
  ...one,
  testSequencer: '<rootDir>/scripts/in-order.mjs',
  testMatch: ['<rootDir>/test-results/units/*.test.ts', '<rootDir>/{app,server,cli,demo,test-support}/**/*.test.ts'],
}
