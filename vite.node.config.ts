import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/**
 * What is not bundled: it brings files that are no script, there is to be one of it here and in the bundle of the pages, or
 * most of it is read only when asked for. Of all else what is used is read at each start and command, where half as many
 * files again would be looked for.
 */
const apart = [
  '@electric-sql/pglite',
  '@node-rs/argon2',
  'fs-native-extensions',
  '@playwright/test',
  'react',
  'react-dom',
  'react-router',
  '@react-router/express',
  'eventsource',
  'iconv-lite',
]

/** What runs under Node: Node 20 cannot read TypeScript, so each entry is bundled once at build. */
export default defineConfig({
  publicDir: false,
  resolve: {
    alias: {
      '~core': here('./core'),
      '~server': here('./server'),
      '~test': here('./test'),
      '~': here('./app'),
    },
  },
  ssr: { noExternal: true, external: apart },
  build: {
    ssr: true,
    outDir: 'build/node',
    target: 'node20',
    rollupOptions: {
      input: {
        siphon: here('./cli/siphon.ts'),
        start: here('./server/start.ts'),
        screenshots: here('./scripts/screenshots.ts'),
        'phases-shop': here('./scripts/phases-shop.ts'),
        'line-maps': here('./scripts/line-maps.ts'),
        bench: here('./scripts/bench.ts'),
        tester: here('./simulators/tester/start.ts'),
        scale: here('./simulators/scale/start.ts'),
        'scan-tool': here('./simulators/scan-tool/start.ts'),
        'golden-logs': here('./scripts/golden-logs.ts'),
        'keep-release': here('./scripts/keep-release.ts'),
        'build-snapshot': here('./scripts/build-snapshot.ts'),
      },
    },
  },
})
