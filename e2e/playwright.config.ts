import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: './src',
  outputDir: '../test-results',
  // Two cores: one browser with its three people at a time.
  workers: 1,
  timeout: 120_000,
  // Once more, and then named as unsteady: to be mended the same day.
  retries: 1,
  expect: { timeout: 20_000 },
  use: { actionTimeout: 20_000, screenshot: 'only-on-failure' },
  reporter: [['list'], ['json']],
})
