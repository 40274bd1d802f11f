import { availableParallelism } from 'node:os'
import { defineConfig } from '@playwright/test'
import { LONG_REQUESTS, quick, WAY_THROUGH } from './scripts/quick'
import { chromiumOptions } from './test/http/server'

const named = (files: readonly string[]) => files.map((file) => `**/${file}`)

export default defineConfig({
  // What needs no browser is asked of the server by requests; a journey is what a browser has to show.
  projects: [
    { name: 'http', testDir: 'test/http', testIgnore: quick ? named(LONG_REQUESTS) : [] },
    { name: 'journeys', testDir: 'e2e', ...(quick && { testMatch: named(WAY_THROUGH) }) },
  ],
  globalSetup: './e2e/before-all.ts',
  // Half of the machine's cores, the other half is for the unit tests beside; two on two, since a journey waits a good deal.
  workers: Math.max(2, Math.floor(availableParallelism() / 2)),
  timeout: 120_000,
  // A laden machine answers late; what never comes fails all the same.
  expect: { timeout: 15_000 },
  forbidOnly: true,
  reporter: [['list'], ['./scripts/count-journeys.ts']],
  outputDir: 'test-results/journeys',
  use: {
    launchOptions: chromiumOptions,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 10_000,
    contextOptions: { reducedMotion: 'reduce' },
  },
})
