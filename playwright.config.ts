import { defineConfig } from '@playwright/test'
import { chromiumOptions } from './e2e/server'

export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/before-all.ts',
  workers: 2,
  timeout: 120_000,
  // A laden machine answers late; what never comes fails all the same.
  expect: { timeout: 15_000 },
  forbidOnly: true,
  reporter: [['list'], ['./scripts/count-journeys.ts']],
  outputDir: 'test-results/journeys',
  use: { launchOptions: chromiumOptions, viewport: { width: 1280, height: 800 }, actionTimeout: 10_000 },
})
