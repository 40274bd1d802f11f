import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'
import { quick, SWEEPS } from './scripts/quick.ts'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

const tests = ['core', 'cli', 'app', 'simulators', 'demo', 'server', 'scripts', 'test'].map(
  (top) => `${top}/**/*.test.ts`,
)
/** Whatever opens a store: its migrations and the demo world are read in by the bundler. */
const ofTheStore = [
  'server/**/*.test.ts',
  'cli/kept.test.ts',
  'test/crash/*.test.ts',
  'test/releases/*.test.ts',
]
const leftOut = quick ? SWEEPS : []

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
    setupFiles: ['scripts/vitest-seed.ts'],
    // Beside journeys, with what these leave of a laden machine, the longest takes ten times what it takes alone; no test
    // has a limit of its own. What hangs fails all the same.
    testTimeout: 3_600_000,
    hookTimeout: 3_600_000,
    maxWorkers: Math.max(2, Math.floor(availableParallelism() / 2)),
    // Every file in the same worker finds what an earlier one imported: half of the run was importing.
    isolate: false,
    projects: [
      {
        extends: true,
        test: {
          name: 'plain',
          include: tests,
          exclude: [...ofTheStore, ...leftOut],
          // Imported as Node does it: behind the runner's own modules each use of an import is a call, and what is
          // reckoned takes up to twice as long.
          experimental: { viteModuleRunner: false, nodeLoader: false },
          execArgv: ['--import', '@oxc-node/core/register'],
        },
      },
      {
        extends: true,
        test: {
          name: 'store',
          include: ofTheStore,
          exclude: leftOut,
          globalSetup: 'scripts/vitest-store.ts',
        },
      },
    ],
  },
})
