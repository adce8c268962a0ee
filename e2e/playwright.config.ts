import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: './src',
  outputDir: '../test-results',
  // Two cores, two browsers: one alone leaves a third of them idle. Where others have the cores too, all takes longer:
  // what is waited for is a state, however long it takes.
  workers: 2,
  timeout: 240_000,
  // Once more, and then named as unsteady: to be mended the same day.
  retries: 1,
  expect: { timeout: 60_000 },
  use: { actionTimeout: 60_000, screenshot: 'only-on-failure' },
  reporter: [['list'], ['json']],
})
