import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: './src',
  outputDir: '../test-results',
  // Two cores: while one file's people wait for each other, the other's go on.
  workers: 2,
  timeout: 120_000,
  // Once more, and then named as unsteady: to be mended the same day.
  retries: 1,
  expect: { timeout: 20_000 },
  use: { actionTimeout: 20_000, screenshot: 'only-on-failure' },
  reporter: [['list'], ['json']],
})
