import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  resolve: {
    alias: {
      '~core': here('./core'),
      '~server': here('./server'),
      '~test': here('./test'),
      '~': here('./app'),
    },
  },
  test: {
    include: [
      'core/**/*.test.ts',
      'cli/**/*.test.ts',
      'app/**/*.test.ts',
      'simulators/**/*.test.ts',
      'demo/**/*.test.ts',
      'server/**/*.test.ts',
      'scripts/**/*.test.ts',
      'test/**/*.test.ts',
    ],
    setupFiles: ['scripts/vitest-seed.ts'],
    // Beside journeys, with what these leave of a laden machine, the longest takes ten times what it takes alone; no test
    // has a limit of its own. What hangs fails all the same.
    testTimeout: 3_600_000,
    hookTimeout: 3_600_000,
    maxWorkers: 2,
    // Every file in the same worker finds what an earlier one imported: half of the run was importing.
    isolate: false,
  },
})
