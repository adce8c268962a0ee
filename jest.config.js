/** Unit and server tests. Server tests expect DATABASE_URL of a throw-away cluster (`npm test` starts one). */
export default {
  testMatch: ['<rootDir>/{core,server,web,tools}/src/**/*.test.ts'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.tsx?$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true }, experimental: { keepImportAttributes: true } }, module: { type: 'es6' } }],
  },
  setupFiles: ['<rootDir>/tools/jestSeed.mjs'],
  testEnvironment: 'node',
  // Only what hangs is stopped: work in a process of its own may take its 60 s on a busy machine.
  testTimeout: 120_000,
}
